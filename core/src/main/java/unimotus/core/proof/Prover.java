package unimotus.core.proof;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.Reading;
import unimotus.core.proof.Verdict.Outcome;

/** Sets readings beside predictions. */
public final class Prover {
  private Prover() {}

  /**
   * One verdict a prediction, from the latest reading of each.
   *
   * @param readings readings of this axis in the order taken; those that answer none of the
   *     predictions are handed on as unasked
   * @param now the design as it is now
   */
  public static AxisProof judge(
      List<Prediction> predictions, List<Reading> readings, DesignDigest now) {
    Map<String, Reading> latest = new HashMap<>();
    readings.forEach(r -> latest.put(r.prediction(), r));
    List<Verdict> verdicts = new ArrayList<>();
    for (Prediction prediction : predictions) {
      verdicts.add(judge(prediction, latest.get(prediction.key()), now));
    }
    Set<String> asked = predictions.stream().map(Prediction::key).collect(Collectors.toSet());
    return new AxisProof(
        ReadyOrder.judge(verdicts, readings),
        readings.stream()
            .filter(r -> !asked.contains(r.prediction()) && !ReadyList.asks(r.prediction()))
            .toList(),
        List.of(),
        List.of());
  }

  private static Verdict judge(Prediction prediction, @Nullable Reading reading, DesignDigest now) {
    if (reading == null) {
      return new Verdict(prediction, null, Outcome.OPEN, List.of());
    }
    List<Part> changed =
        prediction.dependsOn().stream()
            .filter(p -> !now.isUnchanged(p, reading.basis()))
            .sorted()
            .toList();
    if (!changed.isEmpty()) {
      return new Verdict(prediction, reading, Outcome.STALE, changed);
    }
    boolean agrees = agrees(prediction.expectation(), reading);
    return new Verdict(prediction, reading, agrees ? Outcome.AGREES : Outcome.DIFFERS, List.of());
  }

  /** Whether a reading lies within the expectation; a word never agrees with a number. */
  public static boolean agrees(Expectation expectation, Reading reading) {
    if (expectation instanceof Expectation.Amount amount) {
      return reading.amount() != null
          && Math.abs(reading.amount() - amount.value()) <= amount.tolerance();
    }
    return ((Expectation.Word) expectation).expected().equals(reading.word());
  }
}
