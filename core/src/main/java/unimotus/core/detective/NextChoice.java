package unimotus.core.detective;

import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import unimotus.core.proof.Expectation;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.StopPredictions;
import unimotus.core.quantity.QuantityFormat;

/** The measurement that separates the likely causes best. */
final class NextChoice {
  /** Causes below this do not weigh on the choice. */
  private static final double NEGLIGIBLE = 0.01;

  private static final int MOST_IN_OUTLOOK = 4;

  private final List<Prediction> predictions;
  private final List<Clue> clues;

  /**
   * A choice.
   *
   * @param predictions what can be measured
   * @param clues what was
   */
  NextChoice(List<Prediction> predictions, List<Clue> clues) {
    this.predictions = predictions;
    this.clues = clues;
  }

  /**
   * The one that separates best.
   *
   * @param ranked the causes, the likeliest first
   * @return null where nothing separates them
   */
  @Nullable NextMeasurement of(List<Suspicion> ranked) {
    List<Suspicion> likely =
        ranked.stream().filter(s -> s.variant() != null && s.probability() > NEGLIGIBLE).toList();
    Set<String> read = new HashSet<>(clues.stream().map(c -> c.prediction().key()).toList());
    Optional<NextMeasurement> probe = probe(ranked.get(0), read);
    if (probe.isPresent()) {
      return probe.get();
    }
    if (likely.size() < 2) {
      return null;
    }
    return predictions.stream()
        .filter(p -> p.station() != null || Clue.isTold(p))
        .filter(p -> !read.contains(p.key()))
        .map(p -> new NextMeasurement(p, separation(p, likely), outlook(p, likely)))
        .filter(n -> n.separation() > NEGLIGIBLE)
        .max(Comparator.comparingDouble(NextMeasurement::separation))
        .orElse(null);
  }

  /** Where the permission is missing no number of the path helps: a terminal is to be probed. */
  private Optional<NextMeasurement> probe(Suspicion leading, Set<String> read) {
    if (leading.cause() != AxisCause.NOT_PERMITTED) {
      return Optional.empty();
    }
    return predictions.stream()
        .filter(p -> StopPredictions.isReleasedVolts(p.key()) && !read.contains(p.key()))
        .findFirst()
        .map(
            p -> {
              String expected =
                  p.expectation() instanceof Expectation.Amount a
                      ? QuantityFormat.PLAIN.text(a.value(), a.unit())
                      : "";
              return new NextMeasurement(
                  p,
                  leading.probability(),
                  List.of(
                      expected + " → this channel is closed, go to the next",
                      "less → the way to this terminal is open: follow it back to its supply"));
            });
  }

  /** Σ over pairs of p_i·p_j·(1 − overlap of what they would show); times 2. */
  private static double separation(Prediction prediction, List<Suspicion> likely) {
    double sum = 0;
    for (int i = 0; i < likely.size(); i++) {
      for (int j = i + 1; j < likely.size(); j++) {
        Variant a = variant(likely.get(i));
        Variant b = variant(likely.get(j));
        sum += likely.get(i).probability() * likely.get(j).probability() * apart(prediction, a, b);
      }
    }
    return 2 * sum;
  }

  /** 1 − e^(−d²/8), d the distance in standard deviations; for words 0 or 1. */
  private static double apart(Prediction prediction, Variant a, Variant b) {
    if (!(prediction.expectation() instanceof Expectation.Amount amount)) {
      return Clue.wordUnder(prediction, a).equals(Clue.wordUnder(prediction, b)) ? 0 : 1;
    }
    double sigma = amount.tolerance() / 2;
    double d = (Clue.amountUnder(prediction, a) - Clue.amountUnder(prediction, b)) / sigma;
    return 1 - Math.exp(-d * d / 8);
  }

  private static Variant variant(Suspicion suspicion) {
    Variant variant = suspicion.variant();
    if (variant == null) {
      throw new IllegalStateException("only causes with a variant are compared");
    }
    return variant;
  }

  private static List<String> outlook(Prediction prediction, List<Suspicion> likely) {
    return likely.stream()
        .limit(MOST_IN_OUTLOOK)
        .map(s -> "%s → %s".formatted(shown(prediction, variant(s)), s.title()))
        .toList();
  }

  private static String shown(Prediction prediction, Variant under) {
    return prediction.expectation() instanceof Expectation.Amount amount
        ? QuantityFormat.PLAIN.text(Clue.amountUnder(prediction, under), amount.unit())
        : Clue.wordUnder(prediction, under);
  }
}
