package unimotus.core.detective;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.Reading;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Station;
import unimotus.core.proof.Expectation;
import unimotus.core.proof.Prediction;
import unimotus.core.quantity.QuantityFormat;

/** Ranks the causes that explain the readings of an axis; the package says how. */
public final class Detective {
  /** Share of readings taken or typed wrong (common practice). */
  private static final double SLIP_OF_THE_PEN = 0.02;

  /** A fitted number uses up one reading's worth of freedom. */
  private static final double FITTING_COST = 0.05;

  /** Causes below this do not weigh on the choice of the next measurement. */
  private static final double NEGLIGIBLE = 0.01;

  private static final int MOST_IN_OUTLOOK = 4;

  private final SignalPath path;
  private final List<Prediction> predictions;
  private final List<Clue> clues;

  private Detective(SignalPath path, List<Prediction> predictions, List<Clue> clues) {
    this.path = path;
    this.predictions = predictions;
    this.clues = clues;
  }

  /**
   * Diagnoses an axis.
   *
   * @param path the path as designed
   * @param predictions what should be seen on it
   * @param readings what was seen, in the order taken; the latest of each prediction counts
   */
  public static Diagnosis diagnose(
      SignalPath path, List<Prediction> predictions, List<Reading> readings) {
    return new Detective(path, predictions, clues(predictions, readings)).diagnosis();
  }

  private static List<Clue> clues(List<Prediction> predictions, List<Reading> readings) {
    Map<String, Reading> latest = new HashMap<>();
    readings.forEach(r -> latest.put(r.prediction(), r));
    return predictions.stream()
        .filter(p -> latest.containsKey(p.key()))
        .map(p -> Clue.of(p, latest.get(p.key())))
        .flatMap(Optional::stream)
        .toList();
  }

  private Diagnosis diagnosis() {
    if (clues.isEmpty()) {
      return new Diagnosis(List.of(), null);
    }
    List<Scored> scored = new ArrayList<>();
    Causes causes = new Causes(path, clues);
    for (Cause cause : Cause.values()) {
      best(cause, causes.variants(cause)).ifPresent(scored::add);
    }
    List<Suspicion> ranked = ranked(scored);
    return new Diagnosis(ranked, next(ranked));
  }

  private record Scored(Cause cause, @Nullable Variant variant, double logWeight) {}

  private Optional<Scored> best(Cause cause, List<Variant> variants) {
    if (cause == Cause.NOT_EXPLAINED) {
      double even = clues.stream().mapToDouble(c -> Math.log(evenDensity(c))).sum();
      return Optional.of(new Scored(cause, null, Math.log(cause.weight()) + even));
    }
    double share = Math.log(cause.weight() / Math.max(1, variants.size()));
    return variants.stream()
        .map(v -> new Scored(cause, v, share + logLikelihood(v)))
        .max(Comparator.comparingDouble(Scored::logWeight));
  }

  private double logLikelihood(Variant variant) {
    double sum = variant.fitted() ? Math.log(FITTING_COST) : 0;
    for (Clue clue : clues) {
      sum += Math.log(density(clue, variant.path()));
    }
    return sum;
  }

  private double density(Clue clue, SignalPath under) {
    if (!clue.isNumber()) {
      return clue.explainedBy(under) ? 1 - SLIP_OF_THE_PEN : SLIP_OF_THE_PEN / 2;
    }
    double sigma = clue.tolerance() / 2;
    double off = (clue.measured() - clue.predictedBy(under)) / sigma;
    double normal = Math.exp(-off * off / 2) / (sigma * Math.sqrt(2 * Math.PI));
    return (1 - SLIP_OF_THE_PEN) * normal + SLIP_OF_THE_PEN * evenDensity(clue);
  }

  /** Evenly over twice the span of the station; a third for each of the three directions. */
  private double evenDensity(Clue clue) {
    Station station = clue.prediction().station();
    if (station == null) {
      return 1.0 / 3;
    }
    double span =
        Math.abs(
            path.value(station, path.scale().speedAtFull())
                - path.value(station, path.scale().speedAtZero()));
    return 1 / Math.max(2 * span, 20 * clue.tolerance());
  }

  private List<Suspicion> ranked(List<Scored> scored) {
    double top = scored.stream().mapToDouble(Scored::logWeight).max().orElse(0);
    double total = scored.stream().mapToDouble(s -> Math.exp(s.logWeight() - top)).sum();
    return scored.stream()
        .map(s -> suspicion(s, Math.exp(s.logWeight() - top) / total))
        .sorted(Comparator.comparingDouble(Suspicion::probability).reversed())
        .toList();
  }

  private Suspicion suspicion(Scored scored, double probability) {
    Variant variant = scored.variant();
    if (variant == null) {
      return new Suspicion(scored.cause(), null, probability, 0, clues.size(), List.of());
    }
    int explained = (int) clues.stream().filter(c -> c.explainedBy(variant.path())).count();
    List<String> evidence =
        clues.stream()
            .sorted(Comparator.comparingDouble((Clue c) -> -c.strangenessUnder(path)))
            .map(c -> c.beside(variant.path()))
            .toList();
    return new Suspicion(scored.cause(), variant, probability, explained, clues.size(), evidence);
  }

  private @Nullable NextMeasurement next(List<Suspicion> ranked) {
    List<Suspicion> likely =
        ranked.stream().filter(s -> s.variant() != null && s.probability() > NEGLIGIBLE).toList();
    if (likely.size() < 2) {
      return null;
    }
    Set<String> read = new HashSet<>(clues.stream().map(c -> c.prediction().key()).toList());
    return predictions.stream()
        .filter(p -> p.station() != null && !read.contains(p.key()))
        .map(p -> new NextMeasurement(p, separation(p, likely), outlook(p, likely)))
        .filter(n -> n.separation() > NEGLIGIBLE)
        .max(Comparator.comparingDouble(NextMeasurement::separation))
        .orElse(null);
  }

  /** Σ over pairs of p_i·p_j·(1 − e^(−d²/8)), d the distance in standard deviations; times 2. */
  private static double separation(Prediction prediction, List<Suspicion> likely) {
    double sigma = ((Expectation.Amount) prediction.expectation()).tolerance() / 2;
    double sum = 0;
    for (int i = 0; i < likely.size(); i++) {
      for (int j = i + 1; j < likely.size(); j++) {
        double d = (under(prediction, likely.get(i)) - under(prediction, likely.get(j))) / sigma;
        sum +=
            likely.get(i).probability() * likely.get(j).probability() * (1 - Math.exp(-d * d / 8));
      }
    }
    return 2 * sum;
  }

  private static double under(Prediction prediction, Suspicion suspicion) {
    Station station = prediction.station();
    Variant variant = suspicion.variant();
    return station == null || variant == null
        ? Double.NaN
        : variant.path().value(station, prediction.number());
  }

  private static List<String> outlook(Prediction prediction, List<Suspicion> likely) {
    Expectation.Amount amount = (Expectation.Amount) prediction.expectation();
    return likely.stream()
        .limit(MOST_IN_OUTLOOK)
        .map(
            s ->
                "%s → %s"
                    .formatted(
                        QuantityFormat.PLAIN.text(under(prediction, s), amount.unit()), s.title()))
        .toList();
  }
}
