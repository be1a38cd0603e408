package unimotus.core.wiring;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Condition;
import unimotus.core.machine.Controller;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.machine.Intent;
import unimotus.core.machine.Nets;
import unimotus.core.machine.TerminalRef;
import unimotus.core.sheet.Meaning;
import unimotus.core.sheet.PartSheet;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;

/**
 * What the binary inputs of an axis are meant for: as declared, and where nothing was declared as
 * the wires suggest, an input being meant on when an output joined with it is.
 */
public final class Meanings {
  private Meanings() {}

  /** All intents of an axis, declared and inferred; possibly empty. */
  public static List<Intent> of(AxisAssembly axis) {
    List<Intent> intents = new ArrayList<>(axis.intents());
    Nets nets = new Nets(Resistors.bridged(axis));
    EffectiveSettings settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
    for (Terminal terminal : axis.driveSheet().terminals()) {
      TerminalRef ref = new TerminalRef(axis.drive().id(), terminal.id());
      String function = settings.functionOf(terminal.id()).orElse("none");
      boolean declared = axis.intents().stream().anyMatch(i -> i.input().equals(ref));
      if (!declared && !function.equals("none") && terminal.role().isBinaryInput()) {
        infer(axis, nets, ref, function, intents);
      }
    }
    return intents;
  }

  private static void infer(
      AxisAssembly axis, Nets nets, TerminalRef input, String function, List<Intent> intents) {
    String id = axis.axis().id();
    List<TerminalRef> ends = ends(axis, input);
    for (TerminalRef output : outputs(axis)) {
      if (ends.stream().anyMatch(end -> nets.joined(end, output))) {
        Condition on = new Condition(output.device(), output.terminal());
        intents.add(new Intent(id, input, Meaning.ofWord(function), List.of(on)));
      }
    }
    PlacedDevice drive = new PlacedDevice(axis.drive(), axis.driveSheet());
    boolean fed =
        (drive.inputsAreSource() ? drive.supply() : drive.zero())
            .filter(f -> nets.joined(f, input))
            .isPresent();
    if (fed) {
      intents.add(new Intent(id, input, Meaning.ofWord(function), List.of()));
    }
  }

  /** Of an isolated input both ends: an output may switch either. */
  private static List<TerminalRef> ends(AxisAssembly axis, TerminalRef input) {
    Terminal terminal = axis.driveSheet().terminal(input.terminal()).orElseThrow();
    String minus = terminal.common();
    return terminal.role() == TerminalRole.OPTO_INPUT && minus != null
        ? List.of(input, new TerminalRef(input.device(), minus))
        : List.of(input);
  }

  private static List<TerminalRef> outputs(AxisAssembly axis) {
    return axis.controllerSheet().terminals().stream()
        .filter(t -> t.role().isBinaryOutput())
        .map(t -> new TerminalRef(axis.controller().id(), t.id()))
        .toList();
  }

  /**
   * Whether an input is meant on in a state; null where nothing is meant for it, as for any input
   * of a drive without power.
   */
  static @Nullable Boolean meant(
      Installation installation, List<Intent> intents, CommandState state, TerminalRef input) {
    List<Intent> own = intents.stream().filter(i -> i.input().equals(input)).toList();
    boolean dead = state.position(input.device(), "").equals(CommandState.NO_POWER);
    return own.isEmpty() || dead
        ? null
        : own.stream()
            .anyMatch(
                i -> i.when().stream().allMatch(c -> holds(installation, state, c) == c.holds()));
  }

  private static boolean holds(Installation installation, CommandState state, Condition condition) {
    PlacedDevice device = installation.device(condition.device()).orElse(null);
    if (device == null) {
      return false;
    }
    if (device.device() instanceof Controller) {
      return state.isOn(device.ref(condition.state()));
    }
    if (device.sheet() instanceof PartSheet part) {
      String rest = part.positions().isEmpty() ? "" : part.positions().get(0);
      return state.position(device.id(), rest).equals(condition.state());
    }
    return DeviceLaws.shows(condition.state(), state.position(device.id(), CommandState.READY));
  }
}
