package unimotus.core.wiring;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Condition;
import unimotus.core.machine.Controller;
import unimotus.core.machine.Intent;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.sheet.Meaning;
import unimotus.core.sheet.PartSheet;
import unimotus.core.sheet.SettingRole;

/**
 * The states worth looking at: rest, every intent brought about, every wired output alone, every
 * combination of preset inputs, every switch in every position by itself and against every intent,
 * and the drive's own states where it answers.
 */
final class CommandStates {
  /** Beyond this many a table is no longer read. */
  private static final int MOST_STATES = 48;

  /**
   * A state with its name.
   *
   * @param label the state in words
   * @param state the state
   */
  record Named(String label, CommandState state) {}

  private final AxisAssembly axis;
  private final Installation installation;
  private final List<Intent> intents;
  private final Map<CommandState, String> states = new LinkedHashMap<>();

  private CommandStates(AxisAssembly axis, Installation installation, List<Intent> intents) {
    this.axis = axis;
    this.installation = installation;
    this.intents = intents;
  }

  static List<Named> of(AxisAssembly axis, Installation installation, List<Intent> intents) {
    CommandStates collected = new CommandStates(axis, installation, intents);
    collected.add(CommandState.REST);
    collected.addIntents();
    collected.addOutputs();
    collected.addPresets();
    collected.addSwitches();
    collected.addDriveStates();
    List<Named> named = new ArrayList<>();
    collected.states.forEach((state, label) -> named.add(new Named(label, state)));
    return named;
  }

  private void add(CommandState state) {
    if (states.size() < MOST_STATES) {
      states.putIfAbsent(state, label(state));
    }
  }

  private void addIntents() {
    intents.forEach(i -> add(broughtAbout(i.when())));
  }

  private CommandState broughtAbout(List<Condition> when) {
    CommandState state = CommandState.REST;
    for (Condition condition : when) {
      boolean output =
          installation
              .device(condition.device())
              .filter(d -> d.device() instanceof Controller)
              .isPresent();
      state = isAtRest(condition) ? state : state.with(condition, output);
    }
    return state;
  }

  /** Whether the line at rest already is as the condition wants it. */
  private boolean isAtRest(Condition condition) {
    if (!condition.holds()) {
      return true;
    }
    if (condition.device().equals(axis.drive().id())) {
      return DeviceLaws.shows(condition.state(), CommandState.READY);
    }
    return installation
        .device(condition.device())
        .filter(d -> d.sheet() instanceof PartSheet p && isFirst(p, condition.state()))
        .isPresent();
  }

  private static boolean isFirst(PartSheet part, String position) {
    return part.positions().indexOf(position) == 0;
  }

  private void addOutputs() {
    Set<TerminalRef> wired = new LinkedHashSet<>();
    for (Wire wire : axis.wires()) {
      wired.add(wire.from());
      wired.add(wire.to());
    }
    wired.stream()
        .filter(this::isControllerOutput)
        .forEach(o -> add(CommandState.REST.with(o, true)));
  }

  private boolean isControllerOutput(TerminalRef ref) {
    return ref.device().equals(axis.controller().id())
        && installation.terminal(ref).filter(t -> t.role().isBinaryOutput()).isPresent();
  }

  /** The base preset is chosen by the run command alone; the others on top of it. */
  private void addPresets() {
    List<Intent> run =
        intents.stream().filter(i -> i.meaning() == Meaning.RUN_FORWARD).limit(1).toList();
    List<Intent> presets = intents.stream().filter(i -> i.meaning().isPreset()).toList();
    for (int bits = 1; bits < 1 << Math.min(4, presets.size()); bits++) {
      List<Condition> all = new ArrayList<>();
      run.forEach(i -> all.addAll(i.when()));
      for (int i = 0; i < presets.size(); i++) {
        if ((bits >> i & 1) == 1) {
          all.addAll(presets.get(i).when());
        }
      }
      add(broughtAbout(all));
    }
  }

  private void addSwitches() {
    for (PlacedDevice device : installation.devices()) {
      if (device.sheet() instanceof PartSheet part && part.isOperatedByHand()) {
        for (String position : part.positions().subList(1, part.positions().size())) {
          add(CommandState.REST.withPosition(device.id(), position));
          intents.stream()
              .map(i -> broughtAbout(i.when()).withPosition(device.id(), position))
              .forEach(this::add);
        }
      }
    }
  }

  private void addDriveStates() {
    boolean answers =
        intents.stream()
            .flatMap(i -> i.when().stream())
            .anyMatch(c -> c.device().equals(axis.drive().id()));
    boolean shows =
        axis.driveSheet().settings().stream()
            .anyMatch(s -> s.role() == SettingRole.OUTPUT_FUNCTION);
    if (answers && shows) {
      CommandState.DRIVE_STATES.stream()
          .skip(1)
          .forEach(s -> add(CommandState.REST.withPosition(axis.drive().id(), s)));
    }
  }

  private String label(CommandState state) {
    List<String> words = new ArrayList<>();
    state.on().stream().sorted().forEach(o -> words.add(o.terminal() + " on"));
    state.positions().entrySet().stream()
        .sorted(Map.Entry.comparingByKey())
        .forEach(
            e ->
                words.add(
                    installation.device(e.getKey()).map(d -> d.device().name()).orElse(e.getKey())
                        + " "
                        + e.getValue()));
    return words.isEmpty() ? "at rest" : String.join(" + ", words);
  }
}
