package unimotus.core.stops;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.function.DoubleConsumer;
import java.util.stream.IntStream;
import unimotus.core.wiring.CommandState;
import unimotus.core.wiring.WiringFault;

/**
 * Breaks a stop circuit on purpose: every single fault, then every second fault on top of each
 * first one that showed nowhere, each run through the solved circuit and the behaviour of its
 * devices.
 *
 * @param circuit what was broken
 * @param singles one result a single fault
 * @param doubles the second faults on each hidden first one; empty where the run was cancelled
 * @param complete false where the run was cancelled
 */
public record FaultRun(
    StopCircuit circuit, List<FaultResult> singles, List<FaultResult> doubles, boolean complete) {
  /** Demands after a fault; a fault that shows only later counts as never (common practice). */
  private static final int DEMANDS = 2;

  /** How much of the progress the single faults are; how many pairs follow is not known before. */
  private static final double SINGLES_SHARE = 0.2;

  /** Takes copies. */
  public FaultRun {
    singles = List.copyOf(singles);
    doubles = List.copyOf(doubles);
  }

  /** Runs everything to the end. */
  public static FaultRun of(StopCircuit circuit) {
    return of(circuit, share -> {}, () -> false);
  }

  /**
   * Runs all faults.
   *
   * @param progress told how much is done, 0 to 1
   * @param cancelled asked whether to go on; what was found until then is kept
   * @throws IllegalArgumentException where the circuit does not even run without a fault
   */
  public static FaultRun of(
      StopCircuit circuit, DoubleConsumer progress, BooleanSupplier cancelled) {
    Hindrance.of(circuit)
        .ifPresent(
            h -> {
              throw new IllegalArgumentException(
                  "stop %s: the motor cannot be started with this circuit, even without a fault: %s"
                      .formatted(circuit.stop().name(), h.label()));
            });
    List<ElementFault> faults = ElementFaults.of(circuit);
    Work work = new Work(circuit, progress, cancelled);
    List<FaultResult> singles =
        work.run(faults.stream().map(List::of).toList(), List.of(), 0, SINGLES_SHARE);
    List<ElementFault> hidden =
        singles.stream().filter(FaultResult::isHidden).map(FaultResult::last).toList();
    List<FaultResult> doubles = new ArrayList<>();
    double share = (1 - SINGLES_SHARE) / Math.max(1, hidden.size());
    for (int i = 0; i < hidden.size() && !cancelled.getAsBoolean(); i++) {
      ElementFault first = hidden.get(i);
      List<List<ElementFault>> pairs =
          faults.stream()
              .filter(f -> !f.element().equals(first.element()))
              .map(f -> List.of(first, f))
              .toList();
      double done = SINGLES_SHARE + share * i;
      doubles.addAll(work.run(pairs, List.of(first), done, done + share));
    }
    return new FaultRun(circuit, singles, doubles, !cancelled.getAsBoolean());
  }

  /** The runs, on both cores. */
  private record Work(StopCircuit circuit, DoubleConsumer progress, BooleanSupplier cancelled) {

    List<FaultResult> run(
        List<List<ElementFault>> cases, List<ElementFault> before, double done, double then) {
      Map<Integer, FaultResult> results = new LinkedHashMap<>();
      StopState running = machine(before).running();
      IntStream.range(0, cases.size())
          .parallel()
          .filter(i -> !cancelled.getAsBoolean())
          .mapToObj(i -> Map.entry(i, result(cases.get(i), running)))
          .forEachOrdered(
              e -> {
                results.put(e.getKey(), e.getValue());
                progress.accept(done + (then - done) * (e.getKey() + 1) / cases.size());
              });
      return List.copyOf(results.values());
    }

    private FaultResult result(List<ElementFault> faults, StopState running) {
      StopMachine broken = machine(faults);
      StopState at = broken.settle(running);
      boolean atOnce = !at.drive().moving();
      boolean lost = false;
      Optional<Detection> found = atOnce ? Optional.of(Detection.AT_ONCE) : Optional.empty();
      for (int demand = 0; demand < DEMANDS; demand++) {
        for (String trigger : circuit.stop().triggers()) {
          at = broken.after(at, StopEvent.demand(trigger));
          lost |= isTorquePossible(at);
          at = broken.after(at, StopEvent.release(trigger));
          boolean noticed = isNoticed(at);
          at = startAgain(broken, at);
          if (found.isEmpty() && !at.drive().moving()) {
            found = Optional.of(noticed ? Detection.AT_DEMAND : Detection.AT_RESET);
          }
        }
      }
      return new FaultResult(faults, found.orElse(Detection.NEVER), lost);
    }

    private StopMachine machine(List<ElementFault> faults) {
      return new StopMachine(
          circuit, faults.stream().<WiringFault>map(ElementFault::fault).toList());
    }

    private boolean isTorquePossible(StopState at) {
      return circuit.stop().effect().isSafetyStop() ? at.drive().permitted() : at.drive().moving();
    }

    private static boolean isNoticed(StopState at) {
      return at.relay().locked()
          || at.relay().needsBothOff()
          || at.drive().fault()
          || at.curtainLocked();
    }

    private StopState startAgain(StopMachine machine, StopState at) {
      StopState next = machine.after(at, StopEvent.RUN_OFF);
      next = machine.after(next, StopEvent.reset(circuit));
      return machine.after(next, StopEvent.RUN_ON);
    }
  }

  /** Single faults by which the stop is lost at once. */
  public List<FaultResult> lostByOne() {
    return singles.stream().filter(FaultResult::stopLost).toList();
  }

  /** Pairs of faults by which the stop is lost. */
  public List<FaultResult> lostByTwo() {
    return doubles.stream().filter(FaultResult::stopLost).toList();
  }

  /** Single faults that show nowhere and leave the stop as it was. */
  public List<FaultResult> hidden() {
    return singles.stream().filter(FaultResult::isHidden).toList();
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
    StopState at = machine.settle(new StopMachine(circuit).running());
    return machine.command(machine.after(at, StopEvent.demand(circuit.stop().triggers().get(0))));
  }

  /** The faults of a result as the circuit has them. */
  public static List<WiringFault> wiringFaults(FaultResult result) {
    return result.faults().stream().<WiringFault>map(ElementFault::fault).toList();
  }
}
