package unimotus.core.detective;

import java.util.Locale;
import java.util.Optional;
import unimotus.core.machine.Reading;
import unimotus.core.path.Commanded;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Station;
import unimotus.core.proof.Expectation;
import unimotus.core.proof.OutputPredictions;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.Predictor;
import unimotus.core.quantity.QuantityFormat;

/**
 * A reading the detective can use: a number at a station of the path, a time or a voltage, the
 * direction of the shaft, or a state that was seen.
 *
 * @param prediction what should have been seen
 * @param reading what was seen
 */
public record Clue(Prediction prediction, Reading reading) {

  /** The clue in a reading; empty where it has neither the number nor the word expected. */
  static Optional<Clue> of(Prediction prediction, Reading reading) {
    boolean number =
        prediction.expectation() instanceof Expectation.Amount && reading.amount() != null;
    boolean word = prediction.expectation() instanceof Expectation.Word && reading.word() != null;
    return number || word ? Optional.of(new Clue(prediction, reading)) : Optional.empty();
  }

  /** Whether causes say something about a prediction that is not on the path. */
  static boolean isTold(Prediction prediction) {
    return prediction.key().equals(Predictor.DIRECTION)
        || prediction.key().startsWith(Predictor.LINK_STATE)
        || Predictor.PERMISSION_KEYS.contains(prediction.key())
        || prediction.key().equals(Predictor.RUN_VOLTS)
        || Predictor.TIME_KEYS.contains(prediction.key())
        || OutputPredictions.isOf(prediction.key());
  }

  boolean isNumber() {
    return reading.amount() != null;
  }

  /** The number that was read; not-a-number where a word was. */
  public double measured() {
    return reading.amount() == null ? Double.NaN : reading.amount();
  }

  /** What {@code path} predicts for this clue; not-a-number where it is not on the path. */
  public double predictedBy(SignalPath path) {
    Station station = prediction.station();
    return station == null ? Double.NaN : path.value(station, prediction.number());
  }

  /** The amount that would be measured under a variant. */
  static double amountUnder(Prediction prediction, Variant variant) {
    Station station = prediction.station();
    if (station != null) {
      return variant.path().value(station, prediction.number());
    }
    Double told = variant.amounts().get(prediction.key());
    return told != null
        ? told
        : ((Expectation.Amount) prediction.expectation()).value()
            * variant.scaled().getOrDefault(prediction.key(), 1.0);
  }

  /** Half the width of the band that agrees. */
  double tolerance() {
    return prediction.expectation() instanceof Expectation.Amount a ? a.tolerance() : Double.NaN;
  }

  /** Whether a variant explains this clue within its tolerance. */
  boolean explainedBy(Variant variant) {
    return isNumber()
        ? Math.abs(measured() - amountUnder(prediction, variant)) <= tolerance()
        : wordUnder(prediction, variant).equals(reading.word());
  }

  /** How far the clue lies from what a variant gives, in tolerances. */
  double strangenessUnder(Variant variant) {
    if (!isNumber()) {
      return explainedBy(variant) ? 0 : Double.MAX_VALUE;
    }
    return Math.abs(measured() - amountUnder(prediction, variant)) / tolerance();
  }

  /** What would be observed under a variant. */
  static String wordUnder(Prediction prediction, Variant variant) {
    if (prediction.key().equals(Predictor.DIRECTION) && variant.path().has(Station.SHAFT)) {
      return directionUnder(variant.path());
    }
    return variant
        .words()
        .getOrDefault(prediction.key(), ((Expectation.Word) prediction.expectation()).expected());
  }

  /** What the shaft would do in a jog forward. */
  private static String directionUnder(SignalPath path) {
    double shaft = path.value(Station.SHAFT, path.scale().inverse(25));
    double least = 0.5;
    if (path.commands() == Commanded.POSITION) {
      shaft -= path.value(Station.SHAFT, path.scale().inverse(0));
      least = path.step(Station.SHAFT);
    }
    return shaft > least ? "forward" : shaft < -least ? "reverse" : "no motion";
  }

  /** What was seen, for people. */
  String seen() {
    return "%s, %s: %s"
        .formatted(
            prediction.group().toLowerCase(Locale.ROOT),
            prediction.title(),
            isNumber()
                ? QuantityFormat.PLAIN.text(
                    measured(), ((Expectation.Amount) prediction.expectation()).unit())
                : reading.word());
  }

  /** The clue beside what a variant makes of it. */
  String beside(Variant variant) {
    if (!isNumber()) {
      return "%s: seen %s, this would give %s"
          .formatted(prediction.title(), reading.word(), wordUnder(prediction, variant));
    }
    QuantityFormat format = QuantityFormat.PLAIN;
    Expectation.Amount amount = (Expectation.Amount) prediction.expectation();
    return "%s, %s: measured %s, this gives %s"
        .formatted(
            prediction.group().toLowerCase(Locale.ROOT),
            prediction.title(),
            format.text(measured(), amount.unit()),
            format.text(amountUnder(prediction, variant), amount.unit()));
  }
}
