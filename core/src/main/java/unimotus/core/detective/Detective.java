package unimotus.core.detective;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.Reading;
import unimotus.core.path.Chain;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Station;
import unimotus.core.proof.Prediction;

/** Ranks the causes that explain the readings of an axis; the package says how. */
public final class Detective {
  /** Share of readings taken or typed wrong (common practice). */
  private static final double SLIP_OF_THE_PEN = 0.02;

  /** A fitted number uses up one reading's worth of freedom. */
  private static final double FITTING_COST = 0.05;

  /** Two faults at once are so much rarer than one (common practice). */
  private static final double PAIR_COST = 0.02;

  /** With so many readings one of them may be wrong and the cause still hold. */
  private static final int READINGS_A_SLIP = 10;

  private final SignalPath path;
  private final List<Prediction> predictions;
  private final List<Clue> clues;
  private final Map<Clue, Double> evenDensity = new HashMap<>();

  private Detective(SignalPath path, List<Prediction> predictions, List<Clue> clues) {
    this.path = path;
    this.predictions = predictions;
    this.clues = clues;
    clues.forEach(c -> evenDensity.put(c, even(c)));
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
    return diagnose(path, predictions.stream().filter(p -> p.chain() == null), readings);
  }

  /**
   * Diagnoses a chain of an axis beside its main one.
   *
   * @param chain the chain as designed
   * @param predictions what should be seen on the axis
   * @param readings what was seen, in the order taken; the latest of each prediction counts
   */
  public static Diagnosis diagnose(
      Chain chain, List<Prediction> predictions, List<Reading> readings) {
    return diagnose(
        chain.path(), predictions.stream().filter(p -> chain.equals(p.chain())), readings);
  }

  private static Diagnosis diagnose(
      SignalPath path, Stream<Prediction> predictions, List<Reading> readings) {
    List<Prediction> own = predictions.toList();
    return new Detective(path, own, clues(own, readings)).diagnosis();
  }

  private static List<Clue> clues(List<Prediction> predictions, List<Reading> readings) {
    Map<String, Reading> latest = new HashMap<>();
    readings.forEach(r -> latest.put(r.prediction(), r));
    return predictions.stream()
        .flatMap(p -> Optional.ofNullable(latest.get(p.key())).flatMap(r -> Clue.of(p, r)).stream())
        .toList();
  }

  private Diagnosis diagnosis() {
    if (clues.isEmpty()) {
      return new Diagnosis(List.of(), null);
    }
    List<Scored> scored = new ArrayList<>();
    Causes causes = new Causes(path, clues);
    for (Cause cause : causes.all()) {
      best(cause, causes.variants(cause)).ifPresent(scored::add);
    }
    Scored nothing = unexplained();
    if (scored.stream().noneMatch(s -> s.outliers() <= allowed(s.cause()))) {
      pairs(causes).ifPresent(scored::addAll);
    }
    List<Scored> weighed = scored.stream().map(s -> held(s, nothing)).toList();
    List<Suspicion> ranked = ranked(weighed, nothing);
    return new Diagnosis(ranked, new NextChoice(predictions, clues).of(ranked));
  }

  /**
   * A cause with its best variant.
   *
   * @param outliers readings that lie outside their tolerance under it
   */
  private record Scored(
      Cause cause,
      @Nullable Cause second,
      @Nullable Variant variant,
      double logWeight,
      int outliers) {}

  /** A cause counts with all its variants together and is shown as the best of them. */
  private Optional<Scored> best(Cause cause, List<Variant> variants) {
    double share = Math.log(cause.weight() / Math.max(1, variants.size()));
    List<Scored> all =
        variants.stream()
            .map(v -> new Scored(cause, null, v, share + logLikelihood(v), outliers(v)))
            .toList();
    return all.stream()
        .max(Comparator.comparingDouble(Scored::logWeight))
        .map(
            b -> {
              double sum =
                  all.stream().mapToDouble(s -> Math.exp(s.logWeight() - b.logWeight())).sum();
              return new Scored(
                  cause, null, b.variant(), b.logWeight() + Math.log(sum), b.outliers());
            });
  }

  private Scored unexplained() {
    double even = clues.stream().mapToDouble(c -> Math.log(evenly(c))).sum();
    Cause none = AxisCause.NOT_EXPLAINED;
    return new Scored(none, null, null, Math.log(none.weight()) + even, 0);
  }

  /** So many readings may contradict a cause that is still believed; the design allows none. */
  private int allowed(Cause cause) {
    return cause == AxisCause.AS_DESIGNED ? 0 : clues.size() / READINGS_A_SLIP;
  }

  /**
   * A cause that more readings contradict than may be wrong never outweighs "not explained",
   * however well it does on the others.
   */
  private Scored held(Scored s, Scored nothing) {
    int over = s.outliers() - allowed(s.cause());
    double most = nothing.logWeight() - 1 - over;
    return over <= 0 || s.logWeight() <= most
        ? s
        : new Scored(s.cause(), s.second(), s.variant(), most, s.outliers());
  }

  /** Whether no more than so many readings contradict a variant. */
  private boolean fits(Variant variant, int allowed) {
    int outliers = 0;
    for (Clue clue : clues) {
      if (!clue.explainedBy(variant) && ++outliers > allowed) {
        return false;
      }
    }
    return true;
  }

  private int outliers(Variant variant) {
    int outliers = 0;
    for (Clue clue : clues) {
      outliers += clue.explainedBy(variant) ? 0 : 1;
    }
    return outliers;
  }

  /** Two faults at once that explain what no single one does; empty where none do. */
  private Optional<List<Scored>> pairs(Causes causes) {
    Map<Set<Cause>, Scored> best = new HashMap<>();
    for (Cause first : causes.all()) {
      if (!first.isFault()) {
        continue;
      }
      List<Variant> firsts = causes.variants(first);
      for (Variant under : firsts) {
        // A number fitted to readings that a second fault has bent means nothing.
        if (!under.fitted()) {
          seconds(first, firsts.size(), under, best);
        }
      }
    }
    return best.isEmpty() ? Optional.empty() : Optional.of(List.copyOf(best.values()));
  }

  private void seconds(Cause first, int firsts, Variant under, Map<Set<Cause>, Scored> best) {
    Causes on = new Causes(under.path(), clues);
    for (Cause second : on.all()) {
      if (!second.isFault() || second == first || hides(first, second)) {
        continue;
      }
      List<Variant> variants = on.variants(second);
      double share =
          Math.log(
              PAIR_COST * first.weight() * second.weight() / firsts / Math.max(1, variants.size()));
      for (Variant variant : variants) {
        Variant both = under.and(variant);
        // Nearly all fail at the first or second reading: thousands are tried at every keystroke.
        if (!fits(both, allowed(first))) {
          continue;
        }
        Scored scored =
            new Scored(first, second, both, share + logLikelihood(both), outliers(both));
        best.merge(Set.of(first, second), scored, (a, b) -> a.logWeight() >= b.logWeight() ? a : b);
      }
    }
  }

  /** A drive that stands shows nothing of what else is wrong before it. */
  private static boolean hides(Cause first, Cause second) {
    return first.isStanding() || second.isStanding();
  }

  private double logLikelihood(Variant variant) {
    double sum = variant.fitted() ? Math.log(FITTING_COST) : 0;
    for (Clue clue : clues) {
      sum += Math.log(density(clue, variant));
    }
    return sum;
  }

  private double density(Clue clue, Variant under) {
    if (!clue.isNumber()) {
      return clue.explainedBy(under) ? 1 - SLIP_OF_THE_PEN : SLIP_OF_THE_PEN / 2;
    }
    double sigma = clue.tolerance() / 2;
    double off = (clue.measured() - Clue.amountUnder(clue.prediction(), under)) / sigma;
    double normal = Math.exp(-off * off / 2) / (sigma * Math.sqrt(2 * Math.PI));
    return (1 - SLIP_OF_THE_PEN) * normal + SLIP_OF_THE_PEN * evenly(clue);
  }

  private double evenly(Clue clue) {
    return Objects.requireNonNull(evenDensity.get(clue));
  }

  /** Evenly over twice the span of the station; a third for each of three words. */
  private double even(Clue clue) {
    Station station = clue.prediction().station();
    if (!clue.isNumber()) {
      return 1.0 / 3;
    }
    if (station == null) {
      double expected = Clue.amountUnder(clue.prediction(), Variant.of("", path));
      return 1 / Math.max(4 * Math.abs(expected), 20 * clue.tolerance());
    }
    double span =
        Math.abs(
            path.value(station, path.scale().atFull())
                - path.value(station, path.scale().atZero()));
    return 1 / Math.max(2 * span, 20 * clue.tolerance());
  }

  private List<Suspicion> ranked(List<Scored> causes, Scored nothing) {
    List<Scored> scored = new ArrayList<>(causes);
    scored.add(nothing);
    double top = scored.stream().mapToDouble(Scored::logWeight).max().orElse(0);
    double total = scored.stream().mapToDouble(s -> Math.exp(s.logWeight() - top)).sum();
    List<String> strange = strange(causes);
    return scored.stream()
        .map(s -> suspicion(s, Math.exp(s.logWeight() - top) / total, strange))
        .sorted(Comparator.comparingDouble(Suspicion::probability).reversed())
        .toList();
  }

  /** The readings that do not go with the others under the cause that explains most. */
  private List<String> strange(List<Scored> causes) {
    return causes.stream()
        .min(
            Comparator.comparingInt(Scored::outliers)
                .thenComparing(Comparator.comparingDouble(Scored::logWeight).reversed()))
        .map(Scored::variant)
        .map(
            v ->
                clues.stream()
                    .filter(c -> !c.explainedBy(v))
                    .map(c -> c.seen() + ", does not go with the others")
                    .toList())
        .orElse(List.of());
  }

  private Suspicion suspicion(Scored scored, double probability, List<String> strange) {
    Variant variant = scored.variant();
    if (variant == null) {
      return new Suspicion(scored.cause(), null, null, probability, 0, clues.size(), strange);
    }
    Variant designed = Variant.of("", path);
    List<String> evidence =
        clues.stream()
            .sorted(Comparator.comparingDouble((Clue c) -> -c.strangenessUnder(designed)))
            .map(c -> c.beside(variant))
            .toList();
    return new Suspicion(
        scored.cause(),
        scored.second(),
        variant,
        probability,
        clues.size() - scored.outliers(),
        clues.size(),
        evidence);
  }
}
