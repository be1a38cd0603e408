package unimotus.core.detective;

import java.util.Locale;
import java.util.Optional;
import unimotus.core.machine.Reading;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Station;
import unimotus.core.proof.Expectation;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.Predictor;
import unimotus.core.quantity.QuantityFormat;

/**
 * A reading the detective can use: a number at a station of the path, or the direction of the
 * shaft.
 *
 * @param prediction what should have been seen
 * @param reading what was seen
 */
public record Clue(Prediction prediction, Reading reading) {

  /** The clue in a reading; empty where it says nothing about the path. */
  static Optional<Clue> of(Prediction prediction, Reading reading) {
    boolean number = prediction.station() != null && reading.amount() != null;
    boolean direction = prediction.key().equals(Predictor.DIRECTION) && reading.word() != null;
    return number || direction ? Optional.of(new Clue(prediction, reading)) : Optional.empty();
  }

  boolean isNumber() {
    return reading.amount() != null;
  }

  double measured() {
    return reading.amount() == null ? Double.NaN : reading.amount();
  }

  /** What {@code path} predicts for this clue. */
  double predictedBy(SignalPath path) {
    Station station = prediction.station();
    return station == null ? Double.NaN : path.value(station, prediction.number());
  }

  /** Half the width of the band that agrees. */
  double tolerance() {
    return prediction.expectation() instanceof Expectation.Amount a ? a.tolerance() : Double.NaN;
  }

  /** Whether a path explains this clue within its tolerance. */
  boolean explainedBy(SignalPath path) {
    return isNumber()
        ? Math.abs(measured() - predictedBy(path)) <= tolerance()
        : directionUnder(path).equals(reading.word());
  }

  /** How far the clue lies from what {@code path} gives, in tolerances. */
  double strangenessUnder(SignalPath path) {
    if (!isNumber()) {
      return explainedBy(path) ? 0 : Double.MAX_VALUE;
    }
    return Math.abs(measured() - predictedBy(path)) / tolerance();
  }

  /** What the shaft would do in a jog forward. */
  static String directionUnder(SignalPath path) {
    double shaft = path.value(Station.SHAFT, path.scale().inverse(25));
    return shaft > 0.5 ? "forward" : shaft < -0.5 ? "reverse" : "no motion";
  }

  /** The clue beside what a path makes of it. */
  String beside(SignalPath path) {
    if (!isNumber()) {
      return "%s: seen %s, this would give %s"
          .formatted(prediction.title(), reading.word(), directionUnder(path));
    }
    QuantityFormat format = QuantityFormat.PLAIN;
    Expectation.Amount amount = (Expectation.Amount) prediction.expectation();
    return "%s, %s: measured %s, this gives %s"
        .formatted(
            prediction.group().toLowerCase(Locale.ROOT),
            prediction.title(),
            format.text(measured(), amount.unit()),
            format.text(predictedBy(path), amount.unit()));
  }
}
