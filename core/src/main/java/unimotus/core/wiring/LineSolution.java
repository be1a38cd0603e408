package unimotus.core.wiring;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import unimotus.core.circuit.Circuit;
import unimotus.core.circuit.DcResult;
import unimotus.core.circuit.OperatingPoint;
import unimotus.core.machine.TerminalRef;
import unimotus.core.sheet.Figure;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;

/** What every terminal sees in one commanded state. Immutable. */
public final class LineSolution {
  private final Installation installation;
  private final LineCircuit map;
  private final Circuit circuit;
  private final DcResult result;
  private final Set<String> energised;
  private final boolean settled;
  private final @Nullable LineSolution pulsesLow;

  LineSolution(
      Installation installation,
      LineCircuit map,
      Circuit circuit,
      DcResult result,
      Set<String> energised,
      boolean settled,
      @Nullable LineSolution pulsesLow) {
    this.pulsesLow = pulsesLow;
    this.installation = installation;
    this.map = map;
    this.circuit = circuit;
    this.result = result;
    this.energised = Set.copyOf(energised);
    this.settled = settled;
  }

  /** This solution with what is known of its relays and of the moment when test pulses are low. */
  LineSolution with(boolean relaysSettled, @Nullable LineSolution low) {
    return new LineSolution(installation, map, circuit, result, energised, relaysSettled, low);
  }

  /** Why there is no solution; empty where there is one. */
  public Optional<String> contradiction() {
    return result instanceof DcResult.NoSolution none
        ? Optional.of(none.reason())
        : Optional.empty();
  }

  @Nullable OperatingPoint point() {
    return result instanceof OperatingPoint point ? point : null;
  }

  /** The circuit that was solved, for a check by other means. */
  public Circuit circuit() {
    return circuit;
  }

  /**
   * Whether the relays came to rest; false for a circuit whose relay opens its own coil and
   * chatters.
   */
  public boolean isSettled() {
    return settled;
  }

  /** Whether the coil of a relay or contactor is driven. */
  public boolean isEnergised(String device) {
    return energised.contains(device);
  }

  /** Ids of the relays and contactors that are pulled in, and of devices with closed logic. */
  public Set<String> energised() {
    return energised;
  }

  /** Volts of {@code a} against {@code b}; empty where they float against each other. */
  public OptionalDouble volts(TerminalRef a, TerminalRef b) {
    OperatingPoint point = point();
    if (point == null) {
      return OptionalDouble.empty();
    }
    OptionalInt first = circuit.node(a.toString());
    OptionalInt second = circuit.node(b.toString());
    if (first.isEmpty() || second.isEmpty()) {
      return a.equals(b) ? OptionalDouble.of(0) : OptionalDouble.empty();
    }
    return point.volts(first.getAsInt(), second.getAsInt());
  }

  /** Volts of a terminal against the zero of its own island; 0 where it is not wired. */
  public double voltsToGround(TerminalRef ref) {
    OperatingPoint point = point();
    OptionalInt node = circuit.node(ref.toString());
    return point == null || node.isEmpty() ? 0 : point.volts(node.getAsInt());
  }

  /**
   * Volts of a terminal against the end of its own circuit, as a meter at that device shows; empty
   * where the device has no zero of its own, or the terminal floats against it.
   */
  public OptionalDouble voltsToOwnZero(TerminalRef ref) {
    return installation
        .device(ref.device())
        .flatMap(d -> installation.terminal(ref).flatMap(d::commonOf))
        .map(zero -> volts(ref, zero))
        .orElse(OptionalDouble.empty());
  }

  /** Amperes in a wire, positive from its first end to its second; empty without a solution. */
  public OptionalDouble wireAmperes(String wire) {
    return amperes(map.branchOfWire(wire));
  }

  /** Amperes through a terminal's own branch; empty where it has none. */
  public OptionalDouble amperes(TerminalRef terminal) {
    return amperes(map.branchOf(terminal));
  }

  private OptionalDouble amperes(@Nullable Integer branch) {
    OperatingPoint point = point();
    return point == null || branch == null
        ? OptionalDouble.empty()
        : OptionalDouble.of(point.amperes(branch));
  }

  /** Whether a binary input reads on; not where it is not wired or there is no solution. */
  public boolean isOn(TerminalRef ref) {
    return input(ref).filter(r -> r.level() == Level.ON).isPresent();
  }

  /** What a binary input sees; empty where it is not wired or there is no solution. */
  public Optional<InputReading> input(TerminalRef ref) {
    Optional<Terminal> terminal = installation.terminal(ref).filter(t -> t.role().isBinaryInput());
    Integer branch = map.branchOf(ref);
    OperatingPoint point = point();
    if (terminal.isEmpty() || branch == null || point == null) {
      return Optional.empty();
    }
    var ends = circuit.branches().get(branch);
    double volts = point.volts(ends.from()) - point.volts(ends.to());
    double amperes = point.amperes(branch);
    if (terminal.get().role() == TerminalRole.EITHER_WAY_INPUT) {
      volts = Math.abs(volts);
      amperes = Math.abs(amperes);
    }
    Level level = level(terminal.get(), volts, amperes);
    return Optional.of(new InputReading(volts, amperes, tested(ref, terminal.get(), level)));
  }

  /**
   * A pulse-tested safety input takes a steady voltage for a fault: where it stays on while the
   * test pulses are low, the pulses do not come through and its state counts for nothing.
   */
  private Level tested(TerminalRef ref, Terminal terminal, Level level) {
    LineSolution low = pulsesLow;
    boolean tested =
        terminal.role() == TerminalRole.SAFE_TORQUE_OFF
            && installation.device(ref.device()).filter(PlacedDevice::isPulseTested).isPresent();
    if (!tested || low == null || level != Level.ON) {
      return level;
    }
    Level inPulse = low.input(ref).map(InputReading::level).orElse(Level.OFF);
    return inPulse == Level.OFF ? Level.ON : Level.UNDEFINED;
  }

  private static Level level(Terminal terminal, double volts, double amperes) {
    double onAmperes = terminal.figure(Figure.ON_AMPERES);
    boolean enough = Double.isNaN(onAmperes) || amperes >= onAmperes;
    if (volts >= terminal.figure(Figure.ON_VOLTS) && enough) {
      return Level.ON;
    }
    boolean off =
        volts < terminal.figure(Figure.OFF_VOLTS)
            || amperes < terminal.given(Figure.OFF_AMPERES).orElse(0.0);
    return off ? Level.OFF : Level.UNDEFINED;
  }

  /**
   * What an analog input receives, in volts or milliamps as it is set; empty where it is not wired.
   */
  public OptionalDouble received(TerminalRef ref) {
    Optional<PlacedDevice> device = installation.device(ref.device());
    Optional<Terminal> terminal =
        installation.terminal(ref).filter(t -> t.role() == TerminalRole.ANALOG_INPUT);
    Integer branch = map.branchOf(ref);
    OperatingPoint point = point();
    if (device.isEmpty() || terminal.isEmpty() || branch == null || point == null) {
      return OptionalDouble.empty();
    }
    boolean current = device.get().takesCurrent(ref.terminal());
    var ends = circuit.branches().get(branch);
    return OptionalDouble.of(
        current ? point.amperes(branch) * 1000 : point.volts(ends.from()) - point.volts(ends.to()));
  }

  /** Amperes a supply or output gives; empty where the terminal is none or is not live. */
  public OptionalDouble delivered(TerminalRef source) {
    OptionalDouble amperes = amperes(source);
    return amperes.isEmpty() ? amperes : OptionalDouble.of(Math.abs(amperes.getAsDouble()));
  }
}
