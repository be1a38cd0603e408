package unimotus.core.safety;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
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
import unimotus.core.wiring.PlacedDevice;

/** Divides a stop into parts and works each of them out from the sheets and the fault run. */
final class SafetyParts {
  private static final String STANDARD = "ISO 13849-1 (from memory)";

  /** Contacts compared with each other and tested for shorts (ISO 13849-1 table E.1, memory). */
  private static final double ALL_FOUND = 0.99;

  /** Contacts compared with each other, shorts not found (ISO 13849-1 table E.1, memory). */
  private static final double SHORTS_HIDDEN = 0.90;

  private static final double LEAST_FOR_TWO = 0.60;
  private static final double HIGH_YEARS = 30;
  private static final double LOW_YEARS = 3;

  private final StopCircuit circuit;
  private final FaultRun run;
  private final int points;
  private final List<SafetyPart> parts = new ArrayList<>();
  private final List<String> remarks = new ArrayList<>();

  SafetyParts(StopCircuit circuit, FaultRun run, int points) {
    this.circuit = circuit;
    this.run = run;
    this.points = points;
    StopFunction stop = circuit.stop();
    PlacedDevice trigger = circuit.device(stop.triggers().get(0));
    if (trigger.sheet().given(Figure.PFH_PER_HOUR).isPresent()) {
      addStated(trigger);
    } else {
      stop.triggers().forEach(t -> addContacts(List.of(t)));
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

  private void addStated(PlacedDevice device) {
    Optional<Double> stated = device.sheet().given(Figure.PFH_PER_HOUR);
    if (stated.isEmpty()) {
      remarks.add(
          "%s: its sheet states no dangerous failures per hour; enter them there"
              .formatted(device.device().name()));
    }
    double rate = stated.orElse(Double.NaN);
    parts.add(
        new SafetyPart(
            device.device().name(),
            null,
            Double.NaN,
            rate,
            Derivation.of(new Step("PFH", "", "", rate, MeasureUnit.PER_HOUR, "device sheet"))));
  }

  private void addContacts(List<String> devices) {
    List<PlacedDevice> placed = devices.stream().map(circuit::device).toList();
    String name = String.join(", ", placed.stream().map(d -> d.device().name()).toList());
    List<@Nullable Double> cycles = new ArrayList<>();
    placed.forEach(d -> cycles.add(b10d(d)));
    if (cycles.contains(null)) {
      remarks.add("%s: B10d is not on its sheet; enter it".formatted(name));
      parts.add(new SafetyPart(name, Category.B, 0, Double.NaN, Derivation.NONE));
      return;
    }
    double operations = FailureFormulas.operationsPerYear(circuit.stop().use());
    double first = FailureFormulas.meanYears(cycles.get(0), operations);
    double last = FailureFormulas.meanYears(cycles.get(cycles.size() - 1), operations);
    double years = devices.size() > 1 ? FailureFormulas.symmetrised(first, last) : first;
    parts.add(part(name, Set.copyOf(devices), cycles.get(0), operations, years));
    double replace = FailureFormulas.replaceAfterYears(cycles.get(0), operations);
    if (replace < 20) {
      remarks.add(
          "%s is to be replaced after %s years (T10d)"
              .formatted(name, QuantityFormat.PLAIN.number(Math.floor(replace * 10) / 10)));
    }
  }

  private @Nullable Double b10d(PlacedDevice device) {
    StopUse use = circuit.stop().use();
    Double own = use.b10dCycles().get(device.id());
    return own != null ? own : device.sheet().given(Figure.B10D_CYCLES).orElse(null);
  }

  private SafetyPart part(
      String name, Set<String> devices, double cycles, double operations, double years) {
    double coverage = coverage(devices);
    Category category = category(devices, coverage, years);
    double counted = Math.min(years, category.mostYears());
    if (years < LOW_YEARS) {
      remarks.add(
          "%s: %s years to a dangerous failure are under the 3 the standard allows"
              .formatted(name, number(years)));
    }
    boolean two = category.isTwoChannel();
    double rate =
        two
            ? FailureFormulas.twoChannelsPerHour(counted, coverage)
            : FailureFormulas.singleChannelPerHour(counted);
    Derivation sum =
        Derivation.of(
            new Step(
                "operations a year",
                "d·h·z",
                "%s·%s·%s"
                    .formatted(
                        number(use().daysPerYear()),
                        number(use().hoursPerDay()),
                        number(use().demandsPerHour())),
                operations,
                MeasureUnit.ONE,
                "use of the stop"),
            new Step(
                "MTTFd of a channel",
                "B10d/(0.1·n_op)",
                "%s/(0.1·%s)".formatted(number(cycles), number(operations)),
                years,
                MeasureUnit.YEAR_UNIT,
                STANDARD + ", annex C"),
            new Step(
                "counted",
                "at most %s years".formatted(number(category.mostYears())),
                "",
                counted,
                MeasureUnit.YEAR_UNIT,
                STANDARD),
            new Step(
                "diagnostic coverage",
                "",
                "",
                coverage * 100,
                MeasureUnit.PERCENT,
                "fault run; " + STANDARD + ", table E.1"),
            new Step(
                "category " + category.label() + ", PFHd",
                two ? "two channels, 2 % common cause" : "1/(MTTFd·8760 h)",
                "",
                rate,
                MeasureUnit.PER_HOUR,
                STANDARD + ", annex K"));
    return new SafetyPart(name, category, coverage, rate, sum);
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
    return shorts ? SHORTS_HIDDEN : ALL_FOUND;
  }

  private Stream<FaultResult> hidden(Set<String> devices, Predicate<FaultKind> kinds) {
    return run.singles().stream()
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
    return result.faults().get(0).touches().stream().anyMatch(devices::contains);
  }

  private Category category(Set<String> devices, double coverage, double years) {
    boolean single = run.lostByOne().stream().anyMatch(r -> touches(r, devices));
    if (single || coverage < LEAST_FOR_TWO || points < CommonCause.NEEDED) {
      return years >= HIGH_YEARS ? Category.ONE : Category.B;
    }
    boolean pairs = run.lostByTwo().stream().anyMatch(r -> touches(r, devices));
    return coverage >= ALL_FOUND && years >= HIGH_YEARS && !pairs ? Category.FOUR : Category.THREE;
  }

  private void remark() {
    if (points < CommonCause.NEEDED) {
      remarks.add(
          "%d of %d points against common causes: two channels count as one"
              .formatted(points, CommonCause.NEEDED));
    }
    boolean hiddenWires =
        run.hidden().stream()
            .anyMatch(
                r ->
                    r.last().kind() == FaultKind.SHORT_TO_24V
                        && r.last().touches().contains(circuit.axis().drive().id())
                        && circuit.stop().relay() != null);
    if (hiddenWires) {
      remarks.add(
          "shorts to 24 V between safety relay and drive are not found: they count as excluded only"
              + " where both sit in one panel");
    }
    if (!run.complete()) {
      remarks.add("the fault run was stopped before its end");
    }
  }

  private static String number(double value) {
    return QuantityFormat.PLAIN.number(value);
  }
}
