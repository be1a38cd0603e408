package unimotus.core.stops;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.BooleanSupplier;
import java.util.function.DoubleConsumer;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import unimotus.core.wiring.CommandState;
import unimotus.core.wiring.LineSolution;
import unimotus.core.wiring.WiringFault;

/**
 * Breaks a stop circuit on purpose: every single fault, then every second fault on top of each
 * first one that showed nowhere, each run through the solved circuit and the behaviour of its
 * devices. A fault that is excluded on record is run and shown, and counts nowhere.
 *
 * @param circuit what was broken
 * @param start the events that bring it from power-up to motion
 * @param singles one result a single fault
 * @param doubles the second faults on each hidden first one; empty where the run was cancelled
 * @param complete false where the run was cancelled
 */
public record FaultRun(
    StopCircuit circuit,
    List<StopEvent> start,
    List<FaultResult> singles,
    List<FaultResult> doubles,
    boolean complete) {
  /** Demands after a fault; a fault that shows only later counts as never (common practice). */
  private static final int DEMANDS = 2;

  /** How much of the progress the single faults are; how many pairs follow is not known before. */
  private static final double SINGLES_SHARE = 0.2;

  /** Takes copies. */
  public FaultRun {
    start = List.copyOf(start);
    singles = List.copyOf(singles);
    doubles = List.copyOf(doubles);
  }

  /** Runs everything to the end. */
  public static FaultRun of(StopCircuit circuit, StopVerdict verdict) {
    return of(circuit, verdict, share -> {}, () -> false);
  }

  /**
   * Runs all faults.
   *
   * @param verdict the verdict on the circuit without a fault
   * @param progress told how much is done, 0 to 1
   * @param cancelled asked whether to go on; what was found until then is kept
   * @throws IllegalArgumentException where the circuit does not stop, or not run, without a fault
   */
  public static FaultRun of(
      StopCircuit circuit,
      StopVerdict verdict,
      DoubleConsumer progress,
      BooleanSupplier cancelled) {
    if (!verdict.stops()) {
      throw new IllegalArgumentException(
          "stop %s %s: there is nothing to break yet"
              .formatted(circuit.stop().name(), verdict.outcome().label()));
    }
    List<ElementFault> faults = ElementFaults.of(circuit);
    Work work = new Work(circuit, verdict.start(), progress, cancelled);
    List<FaultResult> singles =
        work.run(faults.stream().map(List::of).toList(), List.of(), 0, SINGLES_SHARE);
    Islands islands = new Islands(circuit);
    List<FaultResult> counted = worst(singles, islands);
    List<ElementFault> hidden =
        counted.stream().filter(FaultResult::isHidden).map(FaultResult::last).toList();
    List<FaultResult> doubles = new ArrayList<>();
    Map<ElementFault, FaultResult> alone =
        hidden.stream().anyMatch(islands::ties)
            ? work.asSeconds(
                counted.stream().map(FaultResult::last).filter(islands::staysWithin).toList())
            : Map.of();
    double share = (1 - SINGLES_SHARE) / Math.max(1, hidden.size());
    for (int i = 0; i < hidden.size() && !cancelled.getAsBoolean(); i++) {
      ElementFault first = hidden.get(i);
      // Two that both hide come to the same in either order.
      List<ElementFault> before = hidden.subList(0, i);
      List<ElementFault> seconds =
          counted.stream()
              .map(FaultResult::last)
              .filter(f -> !f.key().equals(first.key()) && !before.contains(f))
              .toList();
      Map<ElementFault, FaultResult> known = islands.ties(first) ? alone : Map.of();
      seconds.stream()
          .flatMap(f -> Optional.ofNullable(known.get(f)).stream())
          .forEach(r -> doubles.add(r.after(first)));
      double done = SINGLES_SHARE + share * i;
      doubles.addAll(
          work.run(
              seconds.stream()
                  .filter(f -> !known.containsKey(f))
                  .map(f -> List.of(first, f))
                  .toList(),
              List.of(first),
              done,
              done + share));
    }
    return new FaultRun(circuit, verdict.start(), singles, doubles, !cancelled.getAsBoolean());
  }

  /**
   * The faults that count, one an element and kind: a conductor that touches 24 V does the same
   * whichever supply's it is, and where it does not, the worse one is taken. The 24 V of another
   * circuit is another fault: alone it does nothing, and says nothing of its own 24 V.
   */
  private static List<FaultResult> worst(List<FaultResult> singles, Islands islands) {
    Map<String, FaultResult> worst = new LinkedHashMap<>();
    singles.stream()
        .filter(FaultResult::counts)
        .forEach(
            r ->
                worst.merge(
                    r.last().key() + r.last().kind() + islands.ties(r.last()),
                    r,
                    (a, b) -> byHarm(a, b) >= 0 ? a : b));
    return List.copyOf(worst.values());
  }

  /** The runs, on both cores. */
  private record Work(
      StopCircuit circuit,
      List<StopEvent> start,
      DoubleConsumer progress,
      BooleanSupplier cancelled) {

    List<FaultResult> run(
        List<List<ElementFault>> cases, List<ElementFault> before, double done, double then) {
      Map<Integer, FaultResult> results = new LinkedHashMap<>();
      StopMachine first = machine(before, null);
      StopState running = first.from(start);
      LineSolution near = first.solution(running);
      IntStream.range(0, cases.size())
          .parallel()
          .filter(i -> !cancelled.getAsBoolean())
          .mapToObj(i -> Map.entry(i, result(cases.get(i), running, near)))
          .forEachOrdered(
              e -> {
                results.put(e.getKey(), e.getValue());
                progress.accept(done + (then - done) * (e.getKey() + 1) / cases.size());
              });
      return List.copyOf(results.values());
    }

    /** What each of these does as a second fault on top of one that changes nothing. */
    Map<ElementFault, FaultResult> asSeconds(List<ElementFault> faults) {
      StopMachine sound = machine(List.of(), null);
      StopState running = sound.from(start);
      LineSolution near = sound.solution(running);
      return faults.parallelStream()
          .filter(f -> !cancelled.getAsBoolean())
          .collect(Collectors.toMap(f -> f, f -> result(List.of(f), running, near, this::second)));
    }

    private FaultResult result(List<ElementFault> faults, StopState running, LineSolution near) {
      return result(faults, running, near, faults.size() == 1 ? this::single : this::second);
    }

    private FaultResult result(
        List<ElementFault> faults,
        StopState running,
        LineSolution near,
        BiFunction<StopMachine, StopState, Found> play) {
      StopMachine broken = machine(faults, near);
      Found found = play.apply(broken, broken.settle(running));
      ElementFault last = faults.get(faults.size() - 1);
      return new FaultResult(
          faults,
          found.detection(),
          found.lost(),
          circuit.stop().use().exclusion(last.key(), last.kind().name()).orElse(null));
    }

    /** When a fault showed, and whether torque stayed possible under any demand. */
    private record Found(Detection detection, boolean lost) {}

    /** Demands by every trigger in turn, with a restart after each. */
    private Found single(StopMachine broken, StopState settled) {
      StopState at = settled;
      boolean moves = broken.drive(at).moving();
      Optional<Detection> found = moves ? Optional.empty() : Optional.of(Detection.AT_ONCE);
      boolean lost = false;
      for (int demand = 0; demand < DEMANDS; demand++) {
        for (String trigger : circuit.stop().triggers()) {
          at = broken.after(at, StopEvent.demand(circuit, trigger));
          lost |= broken.isTorquePossible(at);
          at = broken.after(at, StopEvent.release(trigger));
          boolean noticed = isNoticed(at);
          at = startAgain(broken, at);
          if (found.isEmpty() && !broken.drive(at).moving()) {
            found = Optional.of(noticed ? Detection.AT_DEMAND : Detection.AT_RESET);
          }
        }
      }
      return new Found(found.orElse(Detection.NEVER), lost);
    }

    /**
     * A second fault is over once it shows by itself; else the first demand after it counts, by
     * whichever trigger it comes.
     */
    private Found second(StopMachine broken, StopState settled) {
      if (!broken.drive(settled).moving()) {
        return new Found(Detection.AT_ONCE, false);
      }
      Detection worst = Detection.AT_ONCE;
      for (String trigger : circuit.stop().triggers()) {
        StopState at = broken.after(settled, StopEvent.demand(circuit, trigger));
        boolean lost = broken.isTorquePossible(at);
        at = broken.after(at, StopEvent.release(trigger));
        boolean noticed = isNoticed(at);
        boolean moves = broken.drive(startAgain(broken, at)).moving();
        Detection shows =
            moves ? Detection.NEVER : noticed ? Detection.AT_DEMAND : Detection.AT_RESET;
        if (lost) {
          return new Found(shows, true);
        }
        worst = worst.compareTo(shows) >= 0 ? worst : shows;
      }
      return new Found(worst, false);
    }

    private StopMachine machine(List<ElementFault> faults, @Nullable LineSolution near) {
      return new StopMachine(
          circuit,
          faults.stream().<WiringFault>map(ElementFault::fault).toList(),
          Doubt.READS_ON,
          near);
    }

    private static boolean isNoticed(StopState at) {
      return at.relays().values().stream().anyMatch(r -> r.locked() || r.needsBothOff())
          || at.drives().values().stream().anyMatch(StopState.DriveState::fault)
          || !at.locked().isEmpty();
    }

    private StopState startAgain(StopMachine machine, StopState at) {
      return machine.after(machine.after(at, StopEvent.RUN_OFF), start);
    }
  }

  /** Single faults by which the stop is lost at once, those that are excluded left out. */
  public List<FaultResult> lostByOne() {
    return singles.stream().filter(FaultResult::counts).filter(FaultResult::stopLost).toList();
  }

  /** Pairs of faults by which the stop is lost. */
  public List<FaultResult> lostByTwo() {
    return doubles.stream().filter(FaultResult::stopLost).toList();
  }

  /** Single faults that show nowhere and leave the stop as it was. */
  public List<FaultResult> hidden() {
    return singles.stream().filter(FaultResult::counts).filter(FaultResult::isHidden).toList();
  }

  /** Single faults somebody has put on record as impossible. */
  public List<FaultResult> excluded() {
    return singles.stream().filter(r -> !r.counts()).toList();
  }

  /** The worst result of an element under a kind of fault; empty where it does not apply. */
  public Optional<FaultResult> single(String element, FaultKind kind) {
    return singles.stream()
        .filter(r -> r.last().element().equals(element) && r.last().kind() == kind)
        .max(FaultRun::byHarm);
  }

  private static int byHarm(FaultResult a, FaultResult b) {
    int lost = Boolean.compare(a.stopLost(), b.stopLost());
    return lost != 0 ? lost : a.detection().compareTo(b.detection());
  }

  /** The elements in the order they were run. */
  public List<String> elements() {
    return singles.stream().map(r -> r.last().element()).distinct().toList();
  }

  /** How the circuit is commanded while a stop is demanded with these faults in it. */
  public CommandState demandedWith(FaultResult result) {
    StopMachine machine = new StopMachine(circuit, wiringFaults(result));
    StopState running = new StopMachine(circuit).from(start);
    StopState at = machine.settle(running);
    String trigger = circuit.stop().triggers().get(0);
    return machine.command(machine.after(at, StopEvent.demand(circuit, trigger)));
  }

  /** The faults of a result as the circuit has them. */
  public static List<WiringFault> wiringFaults(FaultResult result) {
    return result.faults().stream().<WiringFault>map(ElementFault::fault).toList();
  }
}
