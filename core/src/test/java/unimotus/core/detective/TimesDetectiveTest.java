package unimotus.core.detective;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import unimotus.core.Fixtures;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Reading;
import unimotus.core.path.PathFactory;
import unimotus.core.path.SignalPath;
import unimotus.core.proof.Expectation;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.Predictor;

/** Readings that are on no path – times, voltages, words of other rows – count as well. */
class TimesDetectiveTest {
  private static final AxisAssembly AXIS = Fixtures.assembly();
  private static final SignalPath PATH = PathFactory.of(AXIS);
  private static final List<Prediction> PREDICTIONS = Predictor.predict(AXIS, PATH);

  /** What would be read on the axis as designed, some of it scaled, a little noise on all. */
  private static Diagnosis diagnose(Map<String, Double> scaled) {
    Random random = new Random(3);
    List<Reading> readings = new ArrayList<>();
    for (Prediction p : PREDICTIONS) {
      Double amount = null;
      String word = null;
      if (p.expectation() instanceof Expectation.Amount a) {
        double noise = (random.nextDouble() - 0.5) * 0.4 * a.tolerance();
        amount = a.value() * scaled.getOrDefault(p.key(), 1.0) + noise;
      } else {
        word = ((Expectation.Word) p.expectation()).expected();
      }
      readings.add(
          new Reading("belt", p.key(), amount, word, "", "2026-01-31T14:05:00Z", "", Map.of()));
    }
    return Detective.diagnose(PATH, PREDICTIONS, readings);
  }

  private static Suspicion leading(Map<String, Double> scaled) {
    return diagnose(scaled).suspicions().get(0);
  }

  @Test
  void withEverythingRightTheDesignLeads() {
    assertThat(leading(Map.of()).cause()).isEqualTo(Cause.AS_DESIGNED);
    assertThat(PREDICTIONS)
        .extracting(Prediction::key)
        .contains(Predictor.RAMP_UP, Predictor.STOP_TIME, Predictor.COAST);
  }

  /** Twice the frequency ramps count to is twice the time, up and down (common practice). */
  @Test
  void aRampThatTakesLongerIsARamp() {
    Suspicion both = leading(Map.of(Predictor.RAMP_UP, 2.0, Predictor.STOP_TIME, 2.0));
    assertThat(both.cause()).isEqualTo(Cause.RAMP_TIME);
    assertThat(both.variant().text()).contains("2");
    assertThat(leading(Map.of(Predictor.STOP_TIME, 0.4)).cause()).isEqualTo(Cause.RAMP_TIME);
  }

  @Test
  void aCoastThatTakesLongerIsTheLoad() {
    assertThat(leading(Map.of(Predictor.COAST, 1.8)).cause()).isEqualTo(Cause.LOAD_OTHERWISE);
  }

  /** Among thirty readings one more that is off may be a slip of the pen: it is named. */
  @Test
  void aTimeBesideAWrongSpeedIsNamed() {
    Map<String, Double> scaled = new HashMap<>(Map.of(Predictor.COAST, 1.8));
    for (int percent : new int[] {25, 50, 75, 100}) {
      scaled.put("ref%d.machine".formatted(percent), 0.5);
    }
    Suspicion top = leading(scaled);
    assertThat(top.cause()).isEqualTo(Cause.GEAR);
    assertThat(top.explained()).isEqualTo(top.clues() - 1);
    assertThat(top.evidence()).anyMatch(e -> e.contains("lost permission to standstill"));
  }

  /** Whatever one row differs by, the design does not lead while it does. */
  @Test
  void theDesignNeverLeadsWhileARowDiffers() {
    for (Prediction p : PREDICTIONS) {
      if (p.expectation() instanceof Expectation.Amount a && Math.abs(a.value()) > a.tolerance()) {
        assertThat(leading(Map.of(p.key(), 1 + 8 * a.tolerance() / Math.abs(a.value()))).cause())
            .as(p.key())
            .isNotEqualTo(Cause.AS_DESIGNED);
      }
    }
  }
}
