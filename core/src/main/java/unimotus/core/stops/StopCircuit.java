package unimotus.core.stops;

import java.util.ArrayList;
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
import unimotus.core.machine.PlacedPart;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.StopFunction;
import unimotus.core.machine.StopTrigger;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.sheet.PartSheet;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.wiring.Installation;
import unimotus.core.wiring.LineSolution;
import unimotus.core.wiring.PlacedDevice;

/**
 * The part of a line that one stop function runs over: its parts, the controller and the drive, and
 * the wires between them.
 */
public final class StopCircuit {
  private final AxisAssembly axis;
  private final StopFunction stop;
  private final Map<String, PlacedDevice> devices = new LinkedHashMap<>();
  private final List<Wire> wires;
  private final Installation installation;

  private StopCircuit(AxisAssembly axis, StopFunction stop) {
    this.axis = axis;
    this.stop = stop;
    List<PlacedDevice> placed = new ArrayList<>();
    placed.add(new PlacedDevice(axis.controller(), axis.controllerSheet()));
    placed.add(new PlacedDevice(axis.drive(), axis.driveSheet()));
    boolean whole = stop.effect() == StopEffect.RUN_INPUTS;
    for (PlacedPart part : axis.parts()) {
      if (whole || stop.parts().contains(part.part().id())) {
        placed.add(new PlacedDevice(part.part(), part.sheet()));
      }
    }
    placed.forEach(d -> devices.put(d.id(), d));
    List<String> missing = stop.parts().stream().filter(p -> !devices.containsKey(p)).toList();
    if (!missing.isEmpty()) {
      throw new IllegalArgumentException(
          "stop %s: %s is not joined to the drive by any wire"
              .formatted(stop.name(), String.join(", ", missing)));
    }
    Set<String> own = new HashSet<>(stop.parts());
    wires =
        axis.wires().stream()
            .filter(w -> devices.keySet().containsAll(List.of(w.from().device(), w.to().device())))
            .filter(
                w ->
                    whole
                        || own.contains(w.from().device())
                        || own.contains(w.to().device())
                        || joinsZeros(w))
            .toList();
    installation = Installation.of(devices.values(), wires);
  }

  /**
   * The circuit of a stop function.
   *
   * @throws IllegalArgumentException where a part of it is not joined to the drive by any wire
   */
  public static StopCircuit of(AxisAssembly axis, StopFunction stop) {
    return new StopCircuit(axis, stop);
  }

  private boolean joinsZeros(Wire wire) {
    return List.of(wire.from(), wire.to()).stream()
        .allMatch(
            end ->
                terminal(end)
                    .map(Terminal::role)
                    .filter(r -> r == TerminalRole.COMMON_0V || r == TerminalRole.INPUT_COMMON)
                    .isPresent());
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

  /** Its wires. */
  public List<Wire> wires() {
    return wires;
  }

  /** A device of the circuit. */
  public PlacedDevice device(String id) {
    return Optional.ofNullable(devices.get(id)).orElseThrow();
  }

  PlacedDevice drive() {
    return device(axis.drive().id());
  }

  @Nullable PlacedDevice relay() {
    return stop.relay() == null ? null : device(stop.relay());
  }

  Optional<Terminal> terminal(TerminalRef ref) {
    return Optional.ofNullable(devices.get(ref.device()))
        .flatMap(d -> d.sheet().terminal(ref.terminal()));
  }

  /** The terminals of a role on a device, in the sheet's order. */
  static List<TerminalRef> all(PlacedDevice device, TerminalRole role) {
    return all(device, t -> t.role() == role);
  }

  static List<TerminalRef> all(PlacedDevice device, Predicate<Terminal> which) {
    return device.sheet().terminals().stream().filter(which).map(t -> device.ref(t.id())).toList();
  }

  /** The rest position of a part: the one in which its contacts permit motion. */
  String rest(String part) {
    return ((PartSheet) device(part).sheet()).positions().get(0);
  }

  /** The position of a part in which it demands the stop, or is pressed. */
  String demand(String part) {
    return ((PartSheet) device(part).sheet()).positions().get(1);
  }

  /** What has to read on, or be pulled in, for torque to be possible. */
  public List<TerminalRef> stopping() {
    return switch (stop.effect()) {
      case STO, SS1_T -> all(drive(), TerminalRole.SAFE_TORQUE_OFF);
      case CONTACTORS -> stop.contactors().stream().map(c -> new TerminalRef(c, "A1")).toList();
      case ENABLE -> inputFor("enable");
      case RUN_INPUTS -> inputFor("run-forward");
    };
  }

  private List<TerminalRef> inputFor(String function) {
    return installation.devices().stream()
        .filter(d -> d.id().equals(axis.drive().id()))
        .flatMap(
            d ->
                new EffectiveSettings(axis.drive(), axis.driveSheet())
                    .inputFor(function).map(d::ref).stream())
        .toList();
  }

  /** The controller's outputs that are on while it commands motion. */
  List<TerminalRef> runOutputs() {
    return axis.intents().stream()
        .filter(i -> i.meaning().equals("run-forward"))
        .limit(1)
        .flatMap(i -> i.when().stream())
        .filter(Condition::holds)
        .filter(c -> c.device().equals(axis.controller().id()))
        .map(c -> new TerminalRef(c.device(), c.state()))
        .toList();
  }

  /** Whether the drive takes a run command that is still held when safe torque off is released. */
  boolean restartsAfterStop() {
    return drive().choice(SettingRole.RESTART_AFTER_STO, null, "blocked").equals("allowed");
  }

  /** Whether the drive takes a run command that is still held when power returns. */
  boolean restartsAtPowerUp() {
    return drive().choice(SettingRole.RESTART_AT_POWER_UP, null, "blocked").equals("allowed");
  }

  /** Whether the reset has to be pressed and let go. */
  boolean isManualReset() {
    PlacedDevice relay = relay();
    return relay != null && relay.selector(SelectorRole.RESET_MODE, "manual").equals("manual");
  }

  /** Whether the safety relay takes notice when its channels differ for too long. */
  boolean watchesDiscrepancy() {
    PlacedDevice relay = relay();
    return relay != null && !relay.selector(SelectorRole.DISCREPANCY_TIME, "off").equals("off");
  }

  /** Volts a stopping terminal sees, against the end of its circuit; empty where it floats. */
  public OptionalDouble voltsAt(LineSolution solution, TerminalRef terminal) {
    PlacedDevice device = device(terminal.device());
    return terminal(terminal)
        .flatMap(device::commonOf)
        .map(zero -> solution.volts(terminal, zero))
        .orElse(OptionalDouble.empty());
  }

  /** The wires that bring each channel to what watches it: the relay, else what stops. */
  public List<Wire> channelWires() {
    PlacedDevice relay = relay();
    List<TerminalRef> ends = relay == null ? stopping() : all(relay, TerminalRole.SAFETY_INPUT);
    return ends.stream().flatMap(e -> wires.stream().filter(w -> w.touches(e)).limit(1)).toList();
  }

  /** Whether what arrives at the drive comes from outputs that test themselves. */
  boolean feedsPulses() {
    boolean curtain = stop.trigger() == StopTrigger.LIGHT_CURTAIN;
    return curtain || all(drive(), TerminalRole.TEST_PULSE_OUTPUT).stream().anyMatch(this::isWired);
  }

  /** A device that sends test pulses, and for each the input they come back to. */
  record Tester(String device, List<Pulse> pulses) {}

  /** One test pulse: its source and where it has to be seen. */
  record Pulse(TerminalRef source, TerminalRef back) {}

  /** Everything that tests its channels as it is set. */
  List<Tester> testers() {
    List<Tester> testers = new ArrayList<>();
    for (PlacedDevice device : devices.values()) {
      List<TerminalRef> outputs = all(device, TerminalRole.SAFETY_OUTPUT);
      if (!outputs.isEmpty()) {
        testers.add(new Tester(device.id(), outputs.stream().map(o -> new Pulse(o, o)).toList()));
      }
      if (isTesting(device)) {
        testers.add(new Tester(device.id(), pulses(device)));
      }
    }
    return testers;
  }

  private static boolean isTesting(PlacedDevice device) {
    return device.selector(SelectorRole.CROSS_FAULT_DETECTION, "off").equals("on")
        || device.isPulseTested();
  }

  private List<Pulse> pulses(PlacedDevice device) {
    List<TerminalRef> sources = all(device, TerminalRole.TEST_PULSE_OUTPUT);
    List<TerminalRef> inputs =
        all(
            device,
            t -> t.role() == TerminalRole.SAFETY_INPUT || t.role() == TerminalRole.SAFE_TORQUE_OFF);
    List<Pulse> pulses = new ArrayList<>();
    for (int i = 0; i < Math.min(sources.size(), inputs.size()); i++) {
      if (isWired(sources.get(i))) {
        pulses.add(new Pulse(sources.get(i), inputs.get(i)));
      }
    }
    return pulses;
  }

  private boolean isWired(TerminalRef terminal) {
    return wires.stream().anyMatch(w -> w.touches(terminal));
  }

  /** Every source of 24 V in the circuit. */
  List<TerminalRef> sources() {
    List<TerminalRef> sources = new ArrayList<>();
    for (PlacedDevice device : devices.values()) {
      sources.addAll(
          all(
              device,
              t ->
                  t.role() == TerminalRole.SUPPLY_24V
                      || t.role() == TerminalRole.TEST_PULSE_OUTPUT));
    }
    return sources;
  }
}
