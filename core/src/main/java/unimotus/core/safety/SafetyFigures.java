package unimotus.core.safety;

import java.util.List;
import java.util.Optional;
import unimotus.core.machine.StopUse;
import unimotus.core.stops.FaultRun;
import unimotus.core.stops.StopCircuit;

/**
 * What the stop function as a whole comes to. It advises and does not certify: the risk assessment,
 * the makers' data and licensed practice decide.
 *
 * @param required the level the risk graph asks for
 * @param parts what it is made of, from hand to shaft; empty where it is not a safety stop
 * @param commonCausePoints points of the measures against common cause failures
 * @param remarks what has to be known about the numbers; possibly empty
 */
public record SafetyFigures(
    PerformanceLevel required,
    List<SafetyPart> parts,
    int commonCausePoints,
    List<String> remarks) {

  /** Takes copies. */
  public SafetyFigures {
    parts = List.copyOf(parts);
    remarks = List.copyOf(remarks);
  }

  /** The figures of a stop from its use and its fault run. */
  public static SafetyFigures of(StopCircuit circuit, FaultRun run) {
    StopUse use = circuit.stop().use();
    PerformanceLevel required =
        RiskGraph.required(use.severeInjury(), use.frequentExposure(), use.hardlyAvoidable());
    int points = CommonCause.points(use.commonCause());
    if (!circuit.stop().effect().isSafetyStop()) {
      return new SafetyFigures(
          required,
          List.of(),
          points,
          List.of(
              "The stop ends on inputs that are not made for safety: no performance level can be"
                  + " stated for it."));
    }
    SafetyParts made = new SafetyParts(circuit, run, points);
    return new SafetyFigures(required, made.parts(), points, made.remarks());
  }

  /**
   * Dangerous failures per hour of the whole: the sum over the parts; empty where one is unknown.
   */
  public Optional<Double> dangerousPerHour() {
    return parts.isEmpty() || !parts.stream().allMatch(SafetyPart::isKnown)
        ? Optional.empty()
        : Optional.of(parts.stream().mapToDouble(SafetyPart::dangerousPerHour).sum());
  }

  /** The level of the whole: by the sum, and no better than its weakest part. */
  public Optional<PerformanceLevel> level() {
    return dangerousPerHour()
        .map(PerformanceLevel::of)
        .map(
            whole ->
                parts.stream()
                    .map(SafetyPart::level)
                    .filter(l -> l.compareTo(whole) < 0)
                    .min(PerformanceLevel::compareTo)
                    .orElse(whole));
  }

  /** Whether the level reaches what the risk graph asks for. */
  public boolean reachesRequired() {
    return level().filter(l -> l.compareTo(required) >= 0).isPresent();
  }
}
