package unimotus.core.integrity;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import unimotus.core.finding.Rule;
import unimotus.core.machine.Axis;
import unimotus.core.machine.Condition;
import unimotus.core.machine.Device;
import unimotus.core.machine.Intent;
import unimotus.core.machine.MotionDesign;
import unimotus.core.machine.Motor;
import unimotus.core.machine.PlacedSwitch;
import unimotus.core.machine.Probe;
import unimotus.core.machine.Project;
import unimotus.core.machine.SequenceDesign;
import unimotus.core.machine.StopFunction;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.sheet.ControllerSheet;
import unimotus.core.sheet.DeviceSheet;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.PartSheet;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.sheet.Terminal;
import unimotus.core.wiring.CommandState;

/** Names of axes, devices, terminals and states that are not there. */
final class NameIntegrity {
  private static final String CHOOSE = "Choose one that is there, or remove it.";

  private final Project project;
  private final Integrity found;
  private final Map<String, Device> devices = new HashMap<>();

  /** By device id; null where the sheet is not known, which is told of the device itself. */
  private final Map<String, @Nullable DeviceSheet> sheetOf = new HashMap<>();

  private final Set<String> motors = new HashSet<>();

  /** The terminals of a device by its id: asked for with both ends of every wire. */
  private final Map<String, Set<String>> terminals = new HashMap<>();

  NameIntegrity(Project project, SheetCatalogue sheets, Integrity found) {
    this.project = project;
    this.found = found;
    for (Device device : project.devices()) {
      devices.put(device.id(), device);
      sheetOf.put(device.id(), sheets.find(device.sheet()).orElse(null));
    }
    project.motors().forEach(m -> motors.add(m.id()));
  }

  void check() {
    project.axes().forEach(this::checkAxis);
    project.wires().forEach(this::checkWire);
    project.intents().forEach(this::checkIntent);
    project.probes().forEach(this::checkProbe);
    project.stops().forEach(this::checkStop);
    project.sequences().forEach(this::checkSequence);
    project.notes().forEach(n -> axis("note of " + n.at(), n.axis(), "notes"));
    project
        .readings()
        .forEach(r -> axis("reading of " + r.prediction(), r.axis(), "readings/" + r.prediction()));
    project.records().stream()
        .filter(r -> project.drive(r.drive()).isEmpty())
        .forEach(
            r ->
                found.lost(
                    "",
                    "records/" + r.drive(),
                    "something is on record of drive '%s', which is not there".formatted(r.drive()),
                    CHOOSE));
  }

  private void axis(String what, String axis, String place) {
    if (project.axis(axis).isEmpty()) {
      found.lost(
          "", place, "%s belongs to axis '%s', which is not there".formatted(what, axis), CHOOSE);
    }
  }

  private void checkAxis(Axis axis) {
    device(
        axis,
        "controller",
        axis.controller(),
        axis.controller() != null && project.controller(axis.controller()).isPresent());
    device(
        axis,
        "drive",
        axis.drive(),
        axis.drive() != null && project.drive(axis.drive()).isPresent());
    device(axis, "motor", axis.motor(), axis.motor() != null && motors.contains(axis.motor()));
    point(axis, "reference", axis.controller(), axis.reference().output());
    point(axis, "reference", axis.drive(), axis.reference().input());
    point(axis, "answer", axis.drive(), axis.answer().output());
    point(axis, "answer", axis.controller(), axis.answer().input());
    switches(axis);
  }

  private void device(Axis axis, String kind, @Nullable String id, boolean there) {
    if (id != null && !there) {
      found.lost(
          axis.id(),
          "axis/%s/%s".formatted(axis.id(), kind),
          "%s names the %s '%s', which is not there".formatted(axis.name(), kind, id),
          CHOOSE);
    }
  }

  private void point(Axis axis, String what, @Nullable String device, @Nullable String point) {
    if (device == null || point == null || !devices.containsKey(device)) {
      return;
    }
    DeviceSheet sheet = sheetOf.get(device);
    if (sheet == null) {
      return;
    }
    if (sheet.terminal(point).isEmpty()) {
      found.lost(
          axis.id(),
          "axis/%s/%s".formatted(axis.id(), what),
          "the %s of %s goes over %s of %s, which has no such terminal"
              .formatted(what, axis.name(), point, devices.get(device).name()),
          CHOOSE);
    } else if (sheet.terminal(point).filter(t -> t.role().isAnalog()).isEmpty()) {
      found.lost(
          axis.id(),
          "axis/%s/%s".formatted(axis.id(), what),
          "the %s of %s goes over %s of %s, which is no analog channel"
              .formatted(what, axis.name(), point, devices.get(device).name()),
          CHOOSE);
    }
  }

  /** Switches that a step axis operates on its way. */
  private void switches(Axis axis) {
    MotionDesign motion = axis.motion();
    if (motion == null) {
      return;
    }
    for (PlacedSwitch each : motion.stepping().switches()) {
      part(
          axis.id(),
          "axis/%s/motion/switches-of-the-travel".formatted(axis.id()),
          "the travel of " + axis.name(),
          each.part());
    }
  }

  private void part(String axis, String place, String what, String part) {
    if (project.parts().stream().noneMatch(p -> p.id().equals(part))) {
      found.lost(
          axis, place, "%s names the part '%s', which is not there".formatted(what, part), CHOOSE);
    }
  }

  private void checkSequence(SequenceDesign sequence) {
    String place = "sequences/" + sequence.axis();
    String what = "sequence " + sequence.name();
    axis(what, sequence.axis(), place);
    sequence
        .signals()
        .forEach(
            (name, at) -> terminal(sequence.axis(), place, "'%s' in %s".formatted(name, what), at));
    sequence
        .responses()
        .forEach(
            r -> {
              part(sequence.axis(), place, what, r.part());
              part(sequence.axis(), place, what, r.coil());
            });
  }

  private void checkWire(Wire wire) {
    checkEnd(wire, wire.from());
    checkEnd(wire, wire.to());
  }

  private void checkEnd(Wire wire, TerminalRef end) {
    if (isThere(end)) {
      return;
    }
    boolean device = devices.containsKey(end.device()) || motors.contains(end.device());
    found.add(
        List.of(wire.from().device(), wire.to().device()),
        Rule.UNKNOWN_TERMINAL,
        "wires/" + wire.id(),
        "wire %s ends on %s, which %s"
            .formatted(wire.id(), end, device ? "the device does not have" : "is not there"),
        "A conductor that ends nowhere carries nothing.",
        "Move the end to a terminal of the device, or remove the wire.");
  }

  /** Terminals of a device whose sheet is not known cannot be asked for. */
  private boolean isThere(TerminalRef ref) {
    if (motors.contains(ref.device())) {
      return Motor.TERMINALS.contains(ref.terminal());
    }
    DeviceSheet sheet = sheetOf.get(ref.device());
    return sheet == null
        ? devices.containsKey(ref.device())
        : terminals.computeIfAbsent(ref.device(), k -> ids(sheet)).contains(ref.terminal());
  }

  private static Set<String> ids(DeviceSheet sheet) {
    return sheet.terminals().stream().map(Terminal::id).collect(Collectors.toSet());
  }

  private void terminal(String axis, String place, String what, @Nullable TerminalRef ref) {
    if (ref != null && !isThere(ref)) {
      found.lost(axis, place, "%s names %s, which is not there".formatted(what, ref), CHOOSE);
    }
  }

  private void checkIntent(Intent intent) {
    String place = "intents/" + intent.input();
    axis("what is meant for " + intent.input(), intent.axis(), place);
    terminal(intent.axis(), place, "what is meant for an input", intent.input());
    intent.when().forEach(c -> checkCondition(intent, c, place));
  }

  private void checkCondition(Intent intent, Condition condition, String place) {
    if (!devices.containsKey(condition.device())) {
      found.lost(
          intent.axis(),
          place,
          "%s is meant on by '%s', which is not there"
              .formatted(intent.input(), condition.device()),
          CHOOSE);
      return;
    }
    List<String> states = states(condition.device());
    if (!states.isEmpty() && !states.contains(condition.state())) {
      found.lost(
          intent.axis(),
          place,
          "%s is meant on by %s '%s'; it has %s"
              .formatted(
                  intent.input(),
                  devices.get(condition.device()).name(),
                  condition.state(),
                  String.join(", ", states)),
          CHOOSE);
    }
  }

  /** What a condition may say of a device; empty where that is not known. */
  private List<String> states(String device) {
    DeviceSheet sheet = sheetOf.get(device);
    if (sheet instanceof ControllerSheet controller) {
      return controller.terminals().stream()
          .filter(t -> t.role().isBinaryOutput())
          .map(t -> t.id())
          .toList();
    }
    if (sheet instanceof PartSheet part) {
      return part.positions();
    }
    return sheet instanceof DriveSheet ? CommandState.shownStates() : List.of();
  }

  private void checkProbe(Probe probe) {
    String place = "probes/" + probe.id();
    axis("probe " + probe.id(), probe.axis(), place);
    terminal(probe.axis(), place, "probe " + probe.id(), probe.red());
    terminal(probe.axis(), place, "probe " + probe.id(), probe.black());
    probe.on().forEach(t -> terminal(probe.axis(), place, "probe " + probe.id(), t));
    String wire = probe.wire();
    if (wire != null && project.wires().stream().noneMatch(w -> w.id().equals(wire))) {
      found.lost(
          probe.axis(),
          place,
          "probe %s is put into wire '%s', which is not there".formatted(probe.id(), wire),
          CHOOSE);
    }
    probe.positions().forEach((device, position) -> checkPosition(probe, device, position, place));
    probe
        .signals()
        .keySet()
        .forEach(s -> terminal(probe.axis(), place, "probe " + probe.id(), ref(s)));
  }

  private static TerminalRef ref(String text) {
    int colon = text.indexOf(':');
    return colon < 0
        ? new TerminalRef(text, "")
        : new TerminalRef(text.substring(0, colon), text.substring(colon + 1));
  }

  private void checkPosition(Probe probe, String device, String position, String place) {
    List<String> states =
        sheetOf.get(device) instanceof DriveSheet ? CommandState.DRIVE_STATES : states(device);
    if (!devices.containsKey(device) || (!states.isEmpty() && !states.contains(position))) {
      found.lost(
          probe.axis(),
          place,
          "probe %s wants %s at '%s'; %s"
              .formatted(
                  probe.id(),
                  device,
                  position,
                  states.isEmpty() ? "it is not there" : "it has " + String.join(", ", states)),
          CHOOSE);
    }
  }

  private void checkStop(StopFunction stop) {
    String place = "stops/" + stop.id();
    axis("stop " + stop.name(), stop.axis(), place);
    for (String part : stop.parts()) {
      if (!devices.containsKey(part)) {
        found.lost(
            stop.axis(),
            place,
            "stop %s is made of '%s', which is not there".formatted(stop.name(), part),
            CHOOSE);
      }
    }
    for (String device : stop.use().b10dCycles().keySet()) {
      if (!devices.containsKey(device)) {
        found.lost(
            stop.axis(),
            place,
            "stop %s gives a B10d for '%s', which is not there".formatted(stop.name(), device),
            CHOOSE);
      }
    }
  }
}
