package unimotus.core.dryrun;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import unimotus.core.bench.BenchSetup;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Condition;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.machine.Intent;
import unimotus.core.machine.PlacedPart;
import unimotus.core.machine.TerminalRef;
import unimotus.core.path.SignalPath;
import unimotus.core.sheet.Meaning;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.wiring.Meanings;
import unimotus.core.wiring.WiringFault;

/** The schedules an axis is worth playing, from what its wires are meant for. */
public final class DrySchedules {
  private static final Set<Meaning> STARTING =
      Set.of(Meaning.RUN_FORWARD, Meaning.START, Meaning.START_DELAYED);
  private static final String OFF = "off";
  private static final String HAND = "hand";
  private static final String AUTO = "auto";
  private static final double PRESS_SECONDS = 0.5;
  private static final double START_AFTER_SECONDS = 0.5;
  private static final double SETTLE_SECONDS = 3;

  private final AxisAssembly axis;
  private final double full;
  private final double stage;
  private final List<Intent> intents;
  private final List<DrySchedule> made = new ArrayList<>();

  private DrySchedules(AxisAssembly axis, SignalPath path) {
    this.axis = axis;
    this.full = path.scale().atFull();
    BenchSetup setup = BenchSetup.following(axis);
    double longest = Math.max(setup.accelerationSeconds(), setup.decelerationSeconds());
    this.stage = Math.min(DrySchedule.LONGEST_SECONDS / 12, longest + SETTLE_SECONDS);
    this.intents =
        Meanings.of(axis).stream()
            .filter(i -> i.input().device().equals(axis.drive().id()))
            .toList();
  }

  /** The schedules of an axis; possibly empty where nothing starts it. */
  public static List<DrySchedule> of(AxisAssembly axis, SignalPath path) {
    DrySchedules schedules = new DrySchedules(axis, path);
    schedules.selector().ifPresent(schedules::inTurn);
    schedules.start().ifPresent(schedules::byStart);
    schedules.presets();
    return List.copyOf(schedules.made);
  }

  private Optional<String> selector() {
    return axis.parts().stream()
        .filter(p -> p.sheet().positions().containsAll(List.of(OFF, HAND, AUTO)))
        .map(p -> p.part().id())
        .findFirst();
  }

  /** Off, Hand, Off, Hand again, Auto with a command of the program or the network. */
  private void inTurn(String selector) {
    List<DrySchedule.Event> events =
        new ArrayList<>(
            List.of(
                at(0, new Change.Commanded(full)),
                at(1, new Change.Moved(selector, HAND)),
                at(1 + stage, new Change.Moved(selector, OFF)),
                at(1 + 2 * stage, new Change.Moved(selector, HAND)),
                at(1 + 3 * stage, new Change.Moved(selector, AUTO))));
    List<Condition> outputs =
        start().orElse(List.of()).stream()
            .filter(c -> c.device().equals(axis.controller().id()))
            .toList();
    if (outputs.isEmpty()) {
      events.add(at(1 + 4 * stage, new Change.Asked(1)));
      events.add(at(1 + 5 * stage, new Change.Asked(0)));
    } else {
      done(outputs, 1 + 4 * stage, events);
      undone(outputs, 1 + 5 * stage, events);
    }
    made.add(new DrySchedule("selector in turn", events, 2 + 6 * stage));
  }

  /** What starts the motor: a contact or an output that is meant to; else the network. */
  private Optional<List<Condition>> start() {
    boolean terminals =
        new EffectiveSettings(axis.drive(), axis.driveSheet())
            .is(SettingRole.COMMAND_SOURCE, Option.TERMINALS, Option.TERMINALS);
    if (!terminals) {
      return Optional.of(List.of());
    }
    return intents.stream()
        .filter(i -> STARTING.contains(i.meaning()))
        .map(Intent::when)
        .filter(when -> !when.isEmpty())
        .filter(when -> when.stream().noneMatch(c -> c.state().equals(HAND)))
        .findFirst();
  }

  private boolean isLatched() {
    return new EffectiveSettings(axis.drive(), axis.driveSheet())
        .is(SettingRole.CONTROL_WIRING, Option.THREE_WIRE, Option.TWO_WIRE);
  }

  private void byStart(List<Condition> when) {
    made.add(new DrySchedule("run and stop", runAndStop(when), 2 + 3 * stage));
    List<DrySchedule.Event> lost = started(when);
    lost.add(at(1 + stage, new Change.Powered(false)));
    lost.add(at(3 + stage, new Change.Powered(true)));
    made.add(new DrySchedule("power lost and back", lost, 2 + 3 * stage));
    permissionWire()
        .ifPresent(
            wire -> {
              List<DrySchedule.Event> open = started(when);
              open.add(at(1 + stage, wire));
              open.add(at(3 + stage, new Change.Mended()));
              made.add(new DrySchedule("permission lost and back", open, 2 + 3 * stage));
            });
  }

  private List<DrySchedule.Event> started(List<Condition> when) {
    List<DrySchedule.Event> events = new ArrayList<>();
    events.add(at(0, new Change.Commanded(full)));
    selector().ifPresent(s -> events.add(at(0, new Change.Moved(s, AUTO))));
    if (when.isEmpty()) {
      events.add(at(1, new Change.Asked(1)));
    }
    if (isLatched()) {
      heldStops().forEach(c -> events.add(at(START_AFTER_SECONDS, change(c, true))));
    }
    done(when, 1, events);
    if (isLatched()) {
      undone(when, 1 + PRESS_SECONDS, events);
    }
    return events;
  }

  private List<DrySchedule.Event> runAndStop(List<Condition> when) {
    List<DrySchedule.Event> events = started(when);
    double stop = 1 + 2 * stage;
    if (when.isEmpty()) {
      events.add(at(stop, new Change.Asked(0)));
    } else if (isLatched()) {
      stopping().forEach(c -> events.add(at(stop, c)));
    } else {
      undone(when, stop, events);
    }
    return events;
  }

  /** Stops that an output holds, which are off at rest. */
  private List<Condition> heldStops() {
    return intents.stream()
        .filter(i -> i.meaning() == Meaning.STOP)
        .flatMap(i -> i.when().stream())
        .filter(Condition::holds)
        .toList();
  }

  /** What opens the stop of a latched command. */
  private List<Change> stopping() {
    return intents.stream()
        .filter(i -> i.meaning() == Meaning.STOP)
        .flatMap(i -> i.when().stream())
        .map(c -> change(c, !c.holds()))
        .toList();
  }

  private void done(List<Condition> when, double seconds, List<DrySchedule.Event> events) {
    when.stream().filter(Condition::holds).forEach(c -> events.add(at(seconds, change(c, true))));
  }

  private void undone(List<Condition> when, double seconds, List<DrySchedule.Event> events) {
    when.stream().filter(Condition::holds).forEach(c -> events.add(at(seconds, change(c, false))));
  }

  private Change change(Condition condition, boolean brought) {
    if (condition.device().equals(axis.controller().id())) {
      return new Change.Switched(new TerminalRef(condition.device(), condition.state()), brought);
    }
    return new Change.Moved(
        condition.device(), brought ? condition.state() : rest(condition.device()));
  }

  private String rest(String device) {
    return axis.parts().stream()
        .filter(p -> p.part().id().equals(device))
        .map(PlacedPart::sheet)
        .flatMap(s -> s.positions().stream())
        .findFirst()
        .orElse("");
  }

  /** A wire on safe torque off, or on the enable, that opens. */
  private Optional<Change> permissionWire() {
    Stream<TerminalRef> ends =
        Stream.concat(
            axis.driveSheet().terminals().stream()
                .filter(t -> t.role() == TerminalRole.SAFE_TORQUE_OFF)
                .map(t -> new TerminalRef(axis.drive().id(), t.id())),
            intents.stream().filter(i -> i.meaning() == Meaning.ENABLE).map(Intent::input));
    return ends.flatMap(e -> axis.wires().stream().filter(w -> w.touches(e)))
        .findFirst()
        .map(w -> new Change.Broken(new WiringFault.OpenWire(w.id())));
  }

  /** Every preset input alone, then all of them, while the motor runs. */
  private void presets() {
    Map<Integer, List<Condition>> inputs = new LinkedHashMap<>();
    intents.stream()
        .filter(i -> i.meaning().isPreset())
        .sorted(Comparator.comparing(i -> i.meaning().preset()))
        .forEach(i -> inputs.putIfAbsent(i.meaning().preset(), i.when()));
    Optional<List<Condition>> start = start();
    if (inputs.isEmpty() || start.isEmpty()) {
      return;
    }
    List<DrySchedule.Event> events = started(start.get());
    double now = 1 + stage;
    for (List<Condition> input : inputs.values()) {
      done(input, now, events);
      undone(input, now + stage, events);
      now += stage;
    }
    for (List<Condition> input : inputs.values()) {
      done(input, now, events);
    }
    made.add(new DrySchedule("presets in turn", events, now + stage));
  }

  private static DrySchedule.Event at(double seconds, Change change) {
    return new DrySchedule.Event(seconds, change);
  }
}
