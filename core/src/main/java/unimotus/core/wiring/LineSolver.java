package unimotus.core.wiring;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import unimotus.core.circuit.Circuit;
import unimotus.core.circuit.DcResult;
import unimotus.core.circuit.DcSolver;
import unimotus.core.machine.TerminalRef;
import unimotus.core.sheet.Figure;
import unimotus.core.sheet.PartSheet;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;

/**
 * Solves an installation in a commanded state: the circuit is solved, coils that see enough voltage
 * pull in, and it is solved again until no relay moves.
 */
public final class LineSolver {
  private final Installation installation;

  /** A solver for an installation. */
  public LineSolver(Installation installation) {
    this.installation = installation;
  }

  /** The installation. */
  public Installation installation() {
    return installation;
  }

  /** Solves a state of the sound wiring. */
  public LineSolution solve(CommandState state) {
    return solve(state, List.of(), Set.of(), null);
  }

  /** Solves a state with faults put in. */
  public LineSolution solve(CommandState state, List<WiringFault> faults) {
    return solve(state, faults, Set.of(), null);
  }

  /**
   * Solves a state.
   *
   * @param faults what is broken; possibly empty
   * @param probed terminals that are asked about although no wire may end on them
   * @param near a solution of the same installation in another state to start from; null for none
   */
  public LineSolution solve(
      CommandState state,
      List<WiringFault> faults,
      Set<TerminalRef> probed,
      @Nullable LineSolution near) {
    Set<TerminalRef> asked = new HashSet<>(probed);
    faults.forEach(f -> addAsked(f, asked));
    Question question = new Question(state, faults, asked);
    Set<String> energised = heldEnergised(question);
    LineSolution solution = answer(question, energised, near, true);
    // What follows from a set of relays is always the same: one that comes back comes back for
    // ever.
    Set<Set<String>> seen = new HashSet<>();
    while (seen.add(energised)) {
      Set<String> next = driven(solution, question);
      if (next.equals(energised)) {
        return solution;
      }
      energised = next;
      solution = answer(question, energised, solution, true);
    }
    return answer(question, energised, solution, false);
  }

  /** What is to be solved, relays apart. */
  private record Question(CommandState state, List<WiringFault> faults, Set<TerminalRef> asked) {}

  private static void addAsked(WiringFault fault, Set<TerminalRef> asked) {
    if (fault instanceof WiringFault.CrossShort c) {
      asked.add(c.one());
      asked.add(c.other());
    } else if (fault instanceof WiringFault.ShortToSupply s) {
      asked.add(s.terminal());
    } else if (fault instanceof WiringFault.ShortToZero s) {
      asked.add(s.terminal());
    }
  }

  /** The answer with the relays held as they are, and in the moment of low test pulses. */
  private LineSolution answer(
      Question question, Set<String> energised, @Nullable LineSolution near, boolean settled) {
    LineSolution steady = once(question, energised, near, Power.ON);
    LineSolution low =
        installation.hasPulseTestedInputs()
            ? once(question, energised, steady, Power.PULSES_LOW)
            : null;
    return steady.with(settled, low);
  }

  private LineSolution once(
      Question question, Set<String> energised, @Nullable LineSolution near, Power power) {
    LineCircuit map =
        new LineCircuit(
            installation, question.state(), energised, question.faults(), power, question.asked());
    Circuit circuit = map.build();
    DcResult result = DcSolver.solve(circuit, near == null ? null : near.point());
    return new LineSolution(installation, map, circuit, result, energised, true, null);
  }

  /**
   * The parts that are driven: relays whose coil sees its pull-in voltage, either polarity; devices
   * with logic whose channels are closed, as if they had been reset. What a fault or the state
   * holds in a position stays there.
   */
  private Set<String> driven(LineSolution solution, Question question) {
    Set<String> driven = new HashSet<>();
    for (PlacedDevice device : installation.driven()) {
      PartSheet part = (PartSheet) device.sheet();
      if (held(device, question).orElseGet(() -> isDriven(solution, device, part))) {
        driven.add(device.id());
      }
    }
    installation.fed().stream().filter(d -> isFed(solution, d)).forEach(d -> driven.add(d.id()));
    return driven;
  }

  private static boolean isFed(LineSolution solution, PlacedDevice device) {
    return device.sheet().terminals().stream()
        .filter(t -> t.role() == TerminalRole.POWER_INPUT)
        .allMatch(t -> solution.isOn(device.ref(t.id())));
  }

  /**
   * The parts that are held energised whatever the solution, and those that their feed will most
   * likely reach; the search starts from them.
   */
  private Set<String> heldEnergised(Question question) {
    Set<String> held = new HashSet<>();
    for (PlacedDevice device : installation.driven()) {
      if (held(device, question).orElse(false)) {
        held.add(device.id());
      }
    }
    installation.fed().forEach(d -> held.add(d.id()));
    return held;
  }

  /** Whether a driven part is held energised or released; empty where nothing holds it. */
  private static Optional<Boolean> held(PlacedDevice device, Question question) {
    for (WiringFault fault : question.faults()) {
      if (fault instanceof WiringFault.Stuck stuck && stuck.device().equals(device.id())) {
        return Optional.of(stuck.position().equals(PartSheet.ENERGISED));
      }
    }
    return Optional.ofNullable(question.state().positions().get(device.id()))
        .map(PartSheet.ENERGISED::equals);
  }

  /** Whether a part sees what drives it in a solution, whatever position it is held in there. */
  public static boolean isDriven(LineSolution solution, PlacedDevice device, PartSheet part) {
    if (part.hasLogic()) {
      return part.terminals().stream()
          .filter(
              t -> t.role() == TerminalRole.SAFETY_INPUT || t.role() == TerminalRole.POWER_INPUT)
          .allMatch(t -> solution.isOn(device.ref(t.id())));
    }
    return part.first(TerminalRole.COIL).filter(c -> pullsIn(solution, device, c)).isPresent();
  }

  private static boolean pullsIn(LineSolution solution, PlacedDevice device, Terminal coil) {
    Optional<TerminalRef> back = device.commonOf(coil);
    OptionalDouble volts =
        back.isEmpty() ? OptionalDouble.empty() : solution.volts(device.ref(coil.id()), back.get());
    return volts.isPresent() && Math.abs(volts.getAsDouble()) >= coil.figure(Figure.PULL_IN_VOLTS);
  }
}
