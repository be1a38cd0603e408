package unimotus.core.detective;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.DoubleUnaryOperator;
import org.junit.jupiter.api.Test;
import unimotus.core.Lines;
import unimotus.core.Links;
import unimotus.core.link.CommonLink;
import unimotus.core.machine.Reading;
import unimotus.core.path.SignalPath;
import unimotus.core.proof.Expectation;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.Predictor;
import unimotus.core.review.AxisReview;
import unimotus.core.review.LineReview;

/**
 * A drive whose analog outputs are set otherwise than designed, by arithmetic of its own: 50 Hz are
 * 20 mA at the first, 64 A are 20 mA at the second, and the motor takes 8.05 A. Readings are
 * blurred by up to six tenths of their tolerance.
 */
class OutputDetectiveTest {
  private static final AxisReview REVIEW =
      LineReview.of(
              Lines.with(
                  Lines.bare("controller-modular", "vector-drive-15kw"),
                  CommonLink.TWO_WIRE,
                  Links.ANALOG_REFERENCE,
                  CommonLink.ANALOG_ACTUAL,
                  CommonLink.LOAD_SIGNAL),
              Lines.SHEETS)
          .axes()
          .get(0);
  private static final SignalPath PATH = REVIEW.path();
  private static final List<Prediction> PREDICTIONS = Predictor.predict(REVIEW.assembly(), PATH);

  private final Random random = new Random(11);

  /** Milliamps designed for, spoilt by {@code output}; everything else as it should be. */
  private List<Reading> readings(String terminal, DoubleUnaryOperator output) {
    List<Reading> readings = new ArrayList<>();
    for (Prediction p : PREDICTIONS) {
      if (p.expectation() instanceof Expectation.Amount a) {
        boolean spoilt = p.key().startsWith("output." + terminal + ".");
        double value = spoilt ? output.applyAsDouble(a.value()) : a.value();
        double blurred = value + (2 * random.nextDouble() - 1) * 0.6 * a.tolerance();
        readings.add(reading(p.key(), blurred, null));
      } else {
        readings.add(reading(p.key(), null, ((Expectation.Word) p.expectation()).expected()));
      }
    }
    return readings;
  }

  private static Reading reading(String key, Double number, String word) {
    return new Reading("belt", key, number, word, "", "2026-01-31T14:05:00Z", "", Map.of());
  }

  private List<String> outputs() {
    return PREDICTIONS.stream()
        .map(Prediction::key)
        .filter(k -> k.endsWith(".rated"))
        .map(k -> k.split("\\.")[1])
        .toList();
  }

  private Suspicion leading(String terminal, DoubleUnaryOperator output) {
    return Detective.diagnose(PATH, PREDICTIONS, readings(terminal, output)).suspicions().get(0);
  }

  @Test
  void outputsAsDesignedAreTakenForThat() {
    for (String terminal : outputs()) {
      for (int round = 0; round < 20; round++) {
        assertThat(leading(terminal, mA -> mA).cause()).isEqualTo(AxisCause.AS_DESIGNED);
      }
    }
  }

  /** 4-20 mA where 0-20 mA were designed: four fifths of it, and four. */
  @Test
  void anotherRangeIsNamed() {
    for (String terminal : outputs()) {
      for (int round = 0; round < 20; round++) {
        Suspicion told = leading(terminal, mA -> 4 + 0.8 * mA);
        assertThat(told.cause()).isEqualTo(AxisCause.OUTPUT_OTHERWISE);
        assertThat(told.variant().text()).isEqualTo("gives 4-20 mA");
        assertThat(told.probability()).isGreaterThan(0.9);
      }
    }
  }

  /** Full scale at half or twice, and at another quantity whose ratio is anything. */
  @Test
  void anotherFullScaleIsNamed() {
    for (String terminal : outputs()) {
      for (double ratio : new double[] {0.4, 0.5, 0.63}) {
        Suspicion told = leading(terminal, mA -> ratio * mA);
        assertThat(told.cause())
            .as("%s × %s", terminal, ratio)
            .isEqualTo(AxisCause.OUTPUT_OTHERWISE);
        assertThat(told.variant().text()).contains("another quantity or full scale");
      }
    }
  }

  /** Reading an output tells the cause from a sound axis: it is what is asked for next. */
  @Test
  void whatIsOffOnThePathIsNotPutOnTheOutput() {
    List<Reading> slow =
        readings("none", mA -> mA).stream()
            .map(
                r ->
                    r.prediction().endsWith(".frequency")
                            || r.prediction().endsWith(".shaft")
                            || r.prediction().endsWith(".machine")
                        ? reading(r.prediction(), 0.9 * r.amount(), null)
                        : r)
            .toList();
    assertThat(Detective.diagnose(PATH, PREDICTIONS, slow).suspicions().get(0).cause())
        .isNotIn(AxisCause.OUTPUT_OTHERWISE, AxisCause.AS_DESIGNED);
  }
}
