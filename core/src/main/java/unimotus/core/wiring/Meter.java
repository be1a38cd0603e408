package unimotus.core.wiring;

import java.util.HashSet;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;
import unimotus.core.circuit.Characteristic;
import unimotus.core.circuit.Circuit;
import unimotus.core.circuit.DcResult;
import unimotus.core.circuit.DcSolver;
import unimotus.core.circuit.OperatingPoint;
import unimotus.core.machine.TerminalRef;

/** A meter held on two terminals, or put into a wire. */
public final class Meter {
  /** Below this a continuity test sounds, in ohms (common practice). */
  public static final double CONTINUITY_OHMS = 50;

  private static final double TEST_VOLTS = 2;
  private static final double TEST_OHMS = 1000;

  /** Above this a meter shows an open circuit. */
  private static final double OVERFLOW_OHMS = 40e6;

  private final LineSolver solver;

  /** A meter for an installation. */
  public Meter(LineSolver solver) {
    this.solver = solver;
  }

  /**
   * Volts d.c. between the red probe and the black one.
   *
   * @return empty where the two float against each other, or the circuit has no solution
   */
  public OptionalDouble volts(
      CommandState state, List<WiringFault> faults, TerminalRef red, TerminalRef black) {
    return solver.solve(state, faults, Set.of(red, black), null).volts(red, black);
  }

  /** Milliamps d.c. in a wire, positive from its first end to its second. */
  public OptionalDouble milliamps(CommandState state, List<WiringFault> faults, String wire) {
    OptionalDouble amperes = solver.solve(state, faults).wireAmperes(wire);
    return amperes.isPresent()
        ? OptionalDouble.of(amperes.getAsDouble() * 1000)
        : OptionalDouble.empty();
  }

  /**
   * Ohms between the probes with all power off; the meter sends a small current from red to black.
   * Switches stay as commanded, relays are released.
   *
   * @return infinity for an open circuit
   */
  public double ohms(
      CommandState state, List<WiringFault> faults, TerminalRef red, TerminalRef black) {
    if (red.equals(black)) {
      return 0;
    }
    Set<TerminalRef> probed = new HashSet<>(Set.of(red, black));
    LineCircuit map =
        new LineCircuit(solver.installation(), state, Set.of(), faults, Power.OFF, probed);
    int test = map.addBranch("meter", red, black, Characteristic.source(TEST_VOLTS, TEST_OHMS));
    Circuit circuit = map.build();
    DcResult result = DcSolver.solve(circuit);
    if (!(result instanceof OperatingPoint point)) {
      return Double.POSITIVE_INFINITY;
    }
    double amperes = -point.amperes(test);
    double ohms = (TEST_VOLTS - amperes * TEST_OHMS) / amperes;
    return amperes <= 0 || ohms > OVERFLOW_OHMS ? Double.POSITIVE_INFINITY : ohms;
  }
}
