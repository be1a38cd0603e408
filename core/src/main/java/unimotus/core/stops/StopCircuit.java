package unimotus.core.stops;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Condition;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.machine.Fitted;
import unimotus.core.machine.Intent;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.StopFunction;
import unimotus.core.machine.StopReach;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.Meaning;
import unimotus.core.sheet.PartSheet;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.wiring.Installation;
import unimotus.core.wiring.LineSolution;
import unimotus.core.wiring.PlacedDevice;

/**
 * The circuit of one stop function: everything on the line that can influence it through the
 * conductors ({@link StopReach}), on whatever device of whatever axis it sits.
 */
public final class StopCircuit {
  private final AxisAssembly axis;
  private final StopFunction stop;
  private final StopReach reach;
  private final Map<String, PlacedDevice> devices;
  private final Installation installation;

  private StopCircuit(
      AxisAssembly axis,
      StopFunction stop,
      StopReach reach,
      Map<String, PlacedDevice> devices,
      List<Wire> wires) {
    this.axis = axis;
    this.stop = stop;
    this.reach = reach;
    this.devices = devices;
    this.installation = Installation.of(devices.values(), wires);
  }

  /**
   * The circuit of a stop function.
   *
   * @throws IllegalArgumentException where a part of it is not on the line, or its sheet not known
   */
  public static StopCircuit of(AxisAssembly axis, StopFunction stop) {
    StopReach reach = axis.reach().getOrDefault(stop.id(), StopReach.NONE);
    Map<String, PlacedDevice> devices = new LinkedHashMap<>();
    for (Fitted fitted : reach.devices()) {
      String id = fitted.device().id();
      devices.put(
          id,
          id.equals(axis.drive().id())
              ? new PlacedDevice(axis.drive(), axis.driveSheet())
              : new PlacedDevice(fitted.device(), fitted.sheet()));
    }
    devices.putIfAbsent(axis.drive().id(), new PlacedDevice(axis.drive(), axis.driveSheet()));
    List<String> missing =
        stop.parts().stream()
            .filter(p -> !(devices.get(p) != null && devices.get(p).sheet() instanceof PartSheet))
            .toList();
    if (!missing.isEmpty()) {
      throw new IllegalArgumentException(
          "stop %s: the line has no part '%s', or its sheet is not known"
              .formatted(stop.name(), String.join("', '", missing)));
    }
    return new StopCircuit(axis, stop, reach, devices, reach.wires());
  }

  /** This circuit with other wires, as for a repair made in thought. */
  StopCircuit withWires(List<Wire> wires) {
    return new StopCircuit(axis, stop, reach, devices, wires);
  }

  /** This circuit with one device otherwise, as for a repair made in thought. */
  StopCircuit with(PlacedDevice device) {
    Map<String, PlacedDevice> next = new LinkedHashMap<>(devices);
    next.put(device.id(), device);
    return new StopCircuit(axis, stop, reach, next, allWires());
  }

  /** The axis it stops. */
  public AxisAssembly axis() {
    return axis;
  }

  /** The stop function. */
  public StopFunction stop() {
    return stop;
  }

  /** Its devices and wires. */
  public Installation installation() {
    return installation;
  }

  /** Its control wires. */
  public List<Wire> wires() {
    return installation.wires();
  }

  /** Its wires, those of the power side after those of control. */
  List<Wire> allWires() {
    List<Wire> all = new ArrayList<>(installation.wires());
    all.addAll(installation.powerWires());
    return all;
  }

  /** Ends of its wires that are on no device of the line. */
  Set<TerminalRef> lost() {
    return reach.lost();
  }

  /** Whether a terminal can influence the stop; the others only hang on its parts. */
  public boolean acts(TerminalRef terminal) {
    return reach.acting().contains(terminal);
  }

  /** Whether a wire can influence the stop. */
  public boolean acts(Wire wire) {
    return reach.acts(wire);
  }

  /** Whether anything of a device can influence the stop. */
  public boolean acts(String device) {
    return reach.acting().stream().anyMatch(t -> t.device().equals(device));
  }

  /** Names of the devices that can influence the stop, in the line's order. */
  public List<String> belongs() {
    return devices.values().stream()
        .filter(d -> acts(d.id()) || stop.parts().contains(d.id()))
        .map(d -> d.device().name())
        .toList();
  }

  /** A device of the circuit. */
  public PlacedDevice device(String id) {
    return Optional.ofNullable(devices.get(id)).orElseThrow();
  }

  /** Name of a device of the circuit; its id where it is not part of it, as a motor. */
  public String name(String id) {
    return Optional.ofNullable(devices.get(id)).map(d -> d.device().name()).orElse(id);
  }

  /** A terminal with its device, in words. */
  public String name(TerminalRef terminal) {
    return "%s of %s".formatted(terminal.terminal(), name(terminal.device()));
  }

  PlacedDevice drive() {
    return device(axis.drive().id());
  }

  @Nullable PlacedDevice relay() {
    return stop.relay() == null ? null : device(stop.relay());
  }

  /** Every drive of the circuit, the one that is stopped first. */
  List<PlacedDevice> drives() {
    List<PlacedDevice> drives = new ArrayList<>(List.of(drive()));
    devices.values().stream()
        .filter(d -> d.sheet() instanceof DriveSheet && !d.id().equals(axis.drive().id()))
        .forEach(drives::add);
    return drives;
  }

  /** Every safety relay of the circuit. */
  List<PlacedDevice> relays() {
    return devices.values().stream()
        .filter(d -> d.sheet() instanceof PartSheet p && p.hasLogic())
        .toList();
  }

  /** Parts that a hand moves and that neither demand the stop nor reset it. */
  List<PlacedDevice> switches() {
    Set<String> own = new HashSet<>(stop.triggers());
    if (stop.resetButton() != null) {
      own.add(stop.resetButton());
    }
    return devices.values().stream()
        .filter(d -> !own.contains(d.id()) && acts(d.id()))
        .filter(d -> d.sheet() instanceof PartSheet p && p.isOperatedByHand())
        .toList();
  }

  /** Outputs a program switches that can influence the stop, the run command apart. */
  List<TerminalRef> programOutputs() {
    Set<TerminalRef> run = Set.copyOf(runOutputs());
    List<TerminalRef> outputs = new ArrayList<>();
    for (PlacedDevice device : devices.values()) {
      for (Terminal terminal : device.sheet().terminals()) {
        TerminalRef ref = device.ref(terminal.id());
        boolean switched =
            terminal.role().isBinaryOutput()
                && terminal.closedIn().isEmpty()
                && device.choice(SettingRole.OUTPUT_FUNCTION, terminal.id(), "").isEmpty();
        if (switched && acts(ref) && isWired(ref) && !run.contains(ref)) {
          outputs.add(ref);
        }
      }
    }
    return outputs;
  }

  Optional<Terminal> terminal(TerminalRef ref) {
    return Optional.ofNullable(devices.get(ref.device()))
        .flatMap(d -> d.sheet().terminal(ref.terminal()));
  }

  /** The rest position of a part: the one in which its contacts permit motion. */
  String rest(String part) {
    return ((PartSheet) device(part).sheet()).positions().get(0);
  }

  /** The position of a part in which it demands the stop, or is pressed. */
  String demand(String part) {
    List<String> positions = ((PartSheet) device(part).sheet()).positions();
    return positions.get(Math.min(1, positions.size() - 1));
  }

  /** What has to read off, or be dropped out, once the stop is demanded. */
  public List<TerminalRef> stopping() {
    return switch (stop.effect()) {
      case STO, SS1_T -> StopTraits.all(drive(), TerminalRole.SAFE_TORQUE_OFF);
      case CONTACTORS ->
          stop.contactors().stream()
              .flatMap(c -> StopTraits.all(device(c), TerminalRole.COIL).stream().limit(1))
              .toList();
      case ENABLE -> inputsFor("enable"::equals);
      case RUN_INPUTS -> inputsFor(Meaning::isRun);
    };
  }

  private List<TerminalRef> inputsFor(Predicate<String> functions) {
    EffectiveSettings settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
    return StopTraits.all(
        drive(),
        t ->
            t.role().isBinaryInput()
                && functions.test(settings.functionOf(t.id()).orElse("none"))
                && (stop.effect() == StopEffect.ENABLE || isWired(drive().ref(t.id()))));
  }

  /** The inputs of a drive that permit torque: open, not one of them does. */
  List<TerminalRef> permissions(PlacedDevice drive) {
    boolean own = drive.id().equals(axis.drive().id());
    return own && stop.effect() == StopEffect.ENABLE
        ? stopping()
        : StopTraits.all(drive, TerminalRole.SAFE_TORQUE_OFF);
  }

  /** The controller's outputs that are on while it commands motion over the run inputs. */
  List<TerminalRef> runOutputs() {
    if (stop.effect() != StopEffect.RUN_INPUTS) {
      return List.of();
    }
    return axis.intents().stream()
        .filter(i -> i.meaning().isRun())
        .limit(1)
        .map(Intent::when)
        .flatMap(List::stream)
        .filter(Condition::holds)
        .filter(c -> c.device().equals(axis.controller().id()))
        .map(c -> new TerminalRef(c.device(), c.state()))
        .toList();
  }

  /** Whether the reset of this stop has to be pressed and let go. */
  boolean isManualReset() {
    PlacedDevice relay = relay();
    return relay != null && StopTraits.isManualReset(relay);
  }

  /** Volts a terminal sees, against the end of its circuit; empty where it floats. */
  public OptionalDouble voltsAt(LineSolution solution, TerminalRef terminal) {
    return solution.voltsToOwnZero(terminal);
  }

  /** The wires that bring each channel to what watches it: the relay, else what stops. */
  public List<Wire> channelWires() {
    PlacedDevice relay = relay();
    List<TerminalRef> ends =
        relay == null ? stopping() : StopTraits.all(relay, TerminalRole.SAFETY_INPUT);
    return ends.stream().flatMap(e -> wires().stream().filter(w -> w.touches(e)).limit(1)).toList();
  }

  /** All devices of the circuit. */
  Collection<PlacedDevice> devices() {
    return devices.values();
  }

  /** Whether a control wire ends on a terminal. */
  boolean isWired(TerminalRef terminal) {
    return wires().stream().anyMatch(w -> w.touches(terminal));
  }

  /** Whether a program sees what an output of a drive shows: it is set to a state and wired. */
  boolean answers(PlacedDevice drive) {
    return drive.sheet().terminals().stream()
        .anyMatch(
            t ->
                !drive.choice(SettingRole.OUTPUT_FUNCTION, t.id(), "").isEmpty()
                    && isWired(drive.ref(t.id())));
  }

  /** Every source of 24 V in the circuit. */
  List<TerminalRef> sources() {
    List<TerminalRef> sources = new ArrayList<>();
    for (PlacedDevice device : devices.values()) {
      sources.addAll(
          StopTraits.all(
              device,
              t ->
                  t.role() == TerminalRole.SUPPLY_24V
                      || t.role() == TerminalRole.TEST_PULSE_OUTPUT));
    }
    return sources;
  }
}
