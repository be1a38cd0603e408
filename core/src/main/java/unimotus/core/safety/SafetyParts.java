package unimotus.core.safety;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import unimotus.core.derivation.Derivation;
import unimotus.core.derivation.Step;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.StopFunction;
import unimotus.core.machine.StopUse;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.sheet.Figure;
import unimotus.core.stops.Detection;
import unimotus.core.stops.FaultKind;
import unimotus.core.stops.FaultResult;
import unimotus.core.stops.FaultRun;
import unimotus.core.stops.StopCircuit;
import unimotus.core.stops.StopVerdict;
import unimotus.core.wiring.PlacedDevice;

/** Divides a stop into parts and works each of them out from the sheets and the fault run. */
final class SafetyParts {

  /** Contacts compared with each other and tested for shorts (ISO 13849-1 table E.1, memory). */
  private static final double ALL_FOUND = 0.99;

  /** Contacts compared with each other, shorts not found (ISO 13849-1 table E.1, memory). */
  private static final double SHORTS_HIDDEN = 0.90;

  /** Guards in a row with plain contacts hide each other's faults (ISO/TR 24119, from memory). */
  private static final double IN_A_ROW = 0.60;

  private static final int MOST_IN_A_ROW = 4;
  private static final double HIGH_YEARS = 30;
  private static final double LOW_YEARS = 3;
  private static final double MISSION_YEARS = 20;

  /** Tests for each demand that structure 2 asks for (ISO 13849-1, from memory). */
  private static final double TESTS_PER_DEMAND = 100;

  /** With this many the rate is to be raised by a tenth (edition of 2015, from memory). */
  private static final double FEW_TESTS_PER_DEMAND = 25;

  private static final double FEW_TESTS_FACTOR = 1.1;

  private final StopCircuit circuit;
  private final StopVerdict verdict;
  private final FaultRun run;
  private final int points;
  private final List<SafetyPart> parts = new ArrayList<>();
  private final List<String> remarks = new ArrayList<>();

  SafetyParts(StopCircuit circuit, StopVerdict verdict, FaultRun run, int points) {
    this.circuit = circuit;
    this.verdict = verdict;
    this.run = run;
    this.points = points;
    StopFunction stop = circuit.stop();
    for (String trigger : stop.triggers()) {
      PlacedDevice device = circuit.device(trigger);
      if (device.sheet().given(Figure.PFH_PER_HOUR).isPresent()) {
        addStated(device);
      } else {
        addContacts(List.of(trigger));
      }
    }
    String relay = stop.relay();
    if (relay != null) {
      addStated(circuit.device(relay));
    }
    if (!stop.contactors().isEmpty()) {
      addContacts(stop.contactors());
    }
    if (stop.effect() != StopEffect.CONTACTORS) {
      addStated(circuit.device(circuit.axis().drive().id()));
    }
    remark();
  }

  List<SafetyPart> parts() {
    return parts;
  }

  List<String> remarks() {
    return remarks;
  }

  /** The best level that may be told of the whole, by what one fault or two can undo. */
  PerformanceLevel most() {
    if (!run.lostByOne().isEmpty()) {
      return Structure.ONE.best();
    }
    // Structure 4 is out; with faults that nothing finds, structure 3 has a low coverage: d.
    return run.lostByTwo().isEmpty() && run.complete() ? PerformanceLevel.E : PerformanceLevel.D;
  }

  /** A finished device counts by its sheet only where it is used as that presumes. */
  private void addStated(PlacedDevice device) {
    String name = device.device().name();
    Optional<Double> stated = device.sheet().given(Figure.PFH_PER_HOUR);
    boolean lost = run.lostByOne().stream().anyMatch(r -> touches(r, Set.of(device.id())));
    boolean weak =
        verdict.weaknesses().stream().anyMatch(w -> w.terminal().device().equals(device.id()));
    if (stated.isEmpty()) {
      remarks.add(
          "%s: its sheet states no dangerous failures per hour; enter them".formatted(name));
    } else if (lost || weak) {
      remarks.add(
          "%s: its sheet's rate presumes two channels that work apart, and %s: it does not count here"
              .formatted(name, lost ? "one fault loses the stop" : "one of them does not open"));
    }
    double rate = lost || weak ? Double.NaN : stated.orElse(Double.NaN);
    parts.add(
        new SafetyPart(
            name,
            null,
            Double.NaN,
            rate,
            PerformanceLevel.E,
            Derivation.of(new Step("PFH", "", "", rate, MeasureUnit.PER_HOUR, "device sheet"))));
  }

  private void addContacts(List<String> devices) {
    List<PlacedDevice> placed = devices.stream().map(circuit::device).toList();
    String name = String.join(", ", placed.stream().map(d -> d.device().name()).toList());
    List<@Nullable Double> cycles = new ArrayList<>();
    placed.forEach(d -> cycles.add(b10d(d)));
    if (cycles.contains(null)) {
      remarks.add("%s: B10d is not on its sheet; enter it".formatted(name));
      parts.add(
          new SafetyPart(name, Structure.B, 0, Double.NaN, PerformanceLevel.E, Derivation.NONE));
      return;
    }
    double operations = FailureFormulas.operationsPerYear(use());
    List<Double> years =
        cycles.stream().map(c -> FailureFormulas.meanYears(c, operations)).toList();
    parts.add(part(name, Set.copyOf(devices), cycles.get(0), operations, years));
    double replace =
        cycles.stream()
            .mapToDouble(c -> FailureFormulas.replaceAfterYears(c, operations))
            .min()
            .orElseThrow();
    if (replace < MISSION_YEARS) {
      remarks.add(
          "%s is to be replaced after %s years (T10d)"
              .formatted(name, number(Math.floor(replace * 10) / 10)));
    }
  }

  private @Nullable Double b10d(PlacedDevice device) {
    Double own = use().b10dCycles().get(device.id());
    return own != null ? own : device.sheet().given(Figure.B10D_CYCLES).orElse(null);
  }

  private SafetyPart part(
      String name, Set<String> devices, double cycles, double operations, List<Double> years) {
    double found = coverage(devices);
    Structure structure = structure(devices, found, counted(years, Structure.FOUR));
    double coverage = structure == Structure.TWO ? use().tests().coverage() : found;
    double counted = counted(years, structure);
    CoverageBand band =
        structure.isTwoChannel() || structure == Structure.TWO
            ? CoverageBand.of(coverage)
            : CoverageBand.NONE;
    OptionalDouble cell = TableK1.perHour(structure, band, counted);
    if (counted < LOW_YEARS) {
      remarks.add(
          "%s: %s years to a dangerous failure are under the 3 the standard allows"
              .formatted(name, number(counted)));
    }
    double rate = cell.orElse(Double.NaN);
    if (structure == Structure.TWO && testsPerDemand() < TESTS_PER_DEMAND) {
      rate *= FEW_TESTS_FACTOR;
    }
    return new SafetyPart(
        name,
        structure,
        coverage,
        rate,
        mostOf(devices),
        SafetySum.of(
            use().rhythm(), structure, band, cycles, operations, years, counted, coverage, rate));
  }

  /** Each channel is cut to what the structure may count, then two unlike ones are made equal. */
  private static double counted(List<Double> years, Structure structure) {
    List<Double> cut = years.stream().map(y -> Math.min(y, structure.mostYears())).toList();
    return cut.size() > 1
        ? FailureFormulas.symmetrised(cut.get(0), cut.get(cut.size() - 1))
        : cut.get(0);
  }

  private StopUse use() {
    return circuit.stop().use();
  }

  /** A contact that does not open is what B10d counts; shorts of its wires come on top. */
  private double coverage(Set<String> devices) {
    if (hidden(devices, k -> k == FaultKind.STUCK_CLOSED).findAny().isPresent()) {
      return 0;
    }
    boolean shorts =
        hidden(devices, k -> k == FaultKind.CROSS_SHORT || k == FaultKind.SHORT_TO_24V)
            .anyMatch(this::opensTheWay);
    double found = shorts ? SHORTS_HIDDEN : ALL_FOUND;
    return isInARow(devices) ? Math.min(found, inARow()) : found;
  }

  /** Whether guards with plain contacts follow each other in the same channels. */
  private boolean isInARow(Set<String> devices) {
    List<String> triggers = circuit.stop().triggers();
    return triggers.size() > 1
        && circuit.stop().trigger().isGuard()
        && triggers.stream().anyMatch(devices::contains);
  }

  private double inARow() {
    return circuit.stop().triggers().size() <= MOST_IN_A_ROW ? IN_A_ROW : 0;
  }

  private Stream<FaultResult> hidden(Set<String> devices, Predicate<FaultKind> kinds) {
    return run.singles().stream()
        .filter(FaultResult::counts)
        .filter(r -> kinds.test(r.last().kind()) && touches(r, devices))
        .filter(r -> r.detection() == Detection.NEVER);
  }

  /**
   * Whether a fault that shows nowhere loses the stop, by itself or with one more. A short in the
   * feedback loop does not: with it a welded contactor goes unseen, and the other one still opens.
   */
  private boolean opensTheWay(FaultResult hidden) {
    return hidden.stopLost()
        || !run.complete()
        || run.lostByTwo().stream()
            .anyMatch(pair -> pair.faults().get(0).equals(hidden.faults().get(0)));
  }

  private static boolean touches(FaultResult result, Set<String> devices) {
    return result.faults().stream().anyMatch(f -> f.touches().stream().anyMatch(devices::contains));
  }

  private Structure structure(Set<String> devices, double coverage, double years) {
    boolean single = !run.lostByOne().isEmpty();
    if (single || CoverageBand.of(coverage) == CoverageBand.NONE || points < CommonCause.NEEDED) {
      return isTested() ? Structure.TWO : years >= HIGH_YEARS ? Structure.ONE : Structure.B;
    }
    boolean pairs = run.lostByTwo().stream().anyMatch(r -> touches(r, devices));
    boolean four =
        CoverageBand.of(coverage) == CoverageBand.HIGH
            && years >= HIGH_YEARS
            && !pairs
            && run.complete();
    return four ? Structure.FOUR : Structure.THREE;
  }

  /** Whether one channel is tested often enough between demands to be structure 2. */
  private boolean isTested() {
    return points >= CommonCause.NEEDED
        && CoverageBand.of(use().tests().coverage()) != CoverageBand.NONE
        && testsPerDemand() >= FEW_TESTS_PER_DEMAND;
  }

  private double testsPerDemand() {
    return use().tests().perHour() / use().rhythm().demandsPerHour();
  }

  /**
   * One switch on a guard has one actuator and one fixing, however many contacts: level e may not
   * rest on excluding their faults (ISO 14119, ISO/TR 24119, from memory).
   */
  private PerformanceLevel mostOf(Set<String> devices) {
    boolean oneSwitch =
        circuit.stop().trigger().isGuard()
            && circuit.stop().triggers().size() == 1
            && devices.contains(circuit.stop().triggers().get(0));
    if (oneSwitch) {
      remarks.add(
          "%s has one actuator: PL e may not rest on excluding that it breaks; a second switch would"
                  .formatted(circuit.name(circuit.stop().triggers().get(0)))
              + " count");
    }
    return oneSwitch ? PerformanceLevel.D : PerformanceLevel.E;
  }

  private void remark() {
    if (points < CommonCause.NEEDED) {
      remarks.add(
          "%d of %d points against common causes: two channels count as one"
              .formatted(points, CommonCause.NEEDED));
    }
    if (!run.lostByOne().isEmpty()) {
      remarks.add(
          "one fault loses the stop (%s): never structure 3 or 4, PL c at most"
              .formatted(run.lostByOne().get(0).last().text()));
    } else if (!run.lostByTwo().isEmpty()) {
      remarks.add(
          "a fault that nothing finds (%s) loses the stop with a second one: never structure 4, PL d"
                  .formatted(run.lostByTwo().get(0).faults().get(0).text())
              + " at most, unless it is excluded with a reason on record");
    }
    run.excluded()
        .forEach(
            r ->
                remarks.add(
                    "taken for impossible: %s – %s".formatted(r.last().text(), r.excluded())));
    if (!run.complete()) {
      remarks.add("the fault run was stopped before its end: PL d at most");
    }
    if (isTested() && testsPerDemand() < TESTS_PER_DEMAND) {
      remarks.add("tested less than 100 times for each demand: the rate is raised by a tenth");
    }
  }

  private static String number(double value) {
    return QuantityFormat.PLAIN.number(value);
  }
}
