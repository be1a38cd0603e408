package unimotus.core.safety;

import java.util.List;
import java.util.Optional;
import unimotus.core.machine.StopUse;
import unimotus.core.stops.FaultRun;
import unimotus.core.stops.StopCircuit;
import unimotus.core.stops.StopVerdict;

/**
 * What the stop function as a whole comes to, by the simplified procedure of ISO 13849-1:2015. It
 * advises and does not certify: the risk assessment, the makers' data and licensed practice decide.
 *
 * @param required the level the risk graph asks for
 * @param parts what it is made of, from hand to shaft; empty where nothing may be told
 * @param most the best level that may be told of the whole, by what faults can undo
 * @param commonCausePoints points of the measures against common cause failures
 * @param remarks what has to be known about the numbers; possibly empty
 */
public record SafetyFigures(
    PerformanceLevel required,
    List<SafetyPart> parts,
    PerformanceLevel most,
    int commonCausePoints,
    List<String> remarks) {

  /** Takes copies. */
  public SafetyFigures {
    parts = List.copyOf(parts);
    remarks = List.copyOf(remarks);
  }

  /** The figures of a stop that was found to stop and was broken on purpose. */
  public static SafetyFigures of(StopCircuit circuit, StopVerdict verdict, FaultRun run) {
    int points = CommonCause.points(circuit.stop().use().commonCause());
    if (!verdict.stops()) {
      return none(
          circuit, "The stop %s: no level can be stated.".formatted(verdict.outcome().label()));
    }
    if (!circuit.stop().effect().isSafetyStop()) {
      return none(
          circuit,
          "The stop ends on inputs that are not made for safety: no performance level can be stated"
              + " for it.");
    }
    SafetyParts made = new SafetyParts(circuit, verdict, run, points);
    return new SafetyFigures(required(circuit), made.parts(), made.most(), points, made.remarks());
  }

  /** The figures of a stop of which none may be told. */
  public static SafetyFigures none(StopCircuit circuit, String why) {
    return new SafetyFigures(
        required(circuit),
        List.of(),
        PerformanceLevel.A,
        CommonCause.points(circuit.stop().use().commonCause()),
        List.of(why));
  }

  private static PerformanceLevel required(StopCircuit circuit) {
    StopUse.Risk risk = circuit.stop().use().risk();
    return RiskGraph.required(risk.severeInjury(), risk.frequentExposure(), risk.hardlyAvoidable());
  }

  /**
   * Dangerous failures per hour of the whole: the sum over the parts; empty where one is unknown.
   */
  public Optional<Double> dangerousPerHour() {
    return parts.isEmpty() || !parts.stream().allMatch(SafetyPart::isKnown)
        ? Optional.empty()
        : Optional.of(parts.stream().mapToDouble(SafetyPart::dangerousPerHour).sum());
  }

  /**
   * The level of the whole: by the sum, and no better than its weakest part; empty where a rate is
   * unknown or the sum is under level a.
   */
  public Optional<PerformanceLevel> level() {
    return dangerousPerHour()
        .flatMap(PerformanceLevel::of)
        .map(
            whole ->
                parts.stream()
                    .flatMap(p -> p.level().stream())
                    .reduce(whole.noBetterThan(most), PerformanceLevel::noBetterThan));
  }

  /** Whether the level reaches what the risk graph asks for. */
  public boolean reachesRequired() {
    return level().filter(l -> l.compareTo(required) >= 0).isPresent();
  }
}
