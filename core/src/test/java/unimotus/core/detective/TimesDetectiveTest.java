package unimotus.core.detective;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import unimotus.core.Fixtures;
import unimotus.core.Lines;
import unimotus.core.Links;
import unimotus.core.link.CommonLink;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Project;
import unimotus.core.machine.Reading;
import unimotus.core.machine.StopLogic;
import unimotus.core.path.SignalPath;
import unimotus.core.proof.Expectation;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.Predictor;
import unimotus.core.stops.Stops;
import unimotus.core.way.PathFactory;

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
    assertThat(leading(Map.of()).cause()).isEqualTo(AxisCause.AS_DESIGNED);
    assertThat(PREDICTIONS)
        .extracting(Prediction::key)
        .contains(Predictor.RAMP_UP, Predictor.STOP_TIME, Predictor.COAST);
  }

  /** Twice the frequency ramps count to is twice the time, up and down (common practice). */
  @Test
  void aRampThatTakesLongerIsARamp() {
    Suspicion both = leading(Map.of(Predictor.RAMP_UP, 2.0, Predictor.STOP_TIME, 2.0));
    assertThat(both.cause()).isEqualTo(AxisCause.RAMP_TIME);
    assertThat(both.variant().scaled())
        .hasEntrySatisfying(Predictor.RAMP_UP, f -> assertThat(f).isCloseTo(2, within(0.1)))
        .hasEntrySatisfying(Predictor.STOP_TIME, f -> assertThat(f).isCloseTo(2, within(0.1)));
    assertThat(leading(Map.of(Predictor.STOP_TIME, 0.4)).cause()).isEqualTo(AxisCause.RAMP_TIME);
  }

  @Test
  void aCoastThatTakesLongerIsTheLoad() {
    assertThat(leading(Map.of(Predictor.COAST, 1.8)).cause()).isEqualTo(AxisCause.LOAD_OTHERWISE);
  }

  /** Among thirty readings one more that is off may be a slip of the pen: it is named. */
  @Test
  void aTimeBesideAWrongSpeedIsNamed() {
    Map<String, Double> scaled = new HashMap<>(Map.of(Predictor.COAST, 1.8));
    for (int percent : new int[] {25, 50, 75, 100}) {
      scaled.put("ref%d.machine".formatted(percent), 0.5);
    }
    Suspicion top = leading(scaled);
    assertThat(top.cause()).isEqualTo(AxisCause.GEAR);
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
            .isNotEqualTo(AxisCause.AS_DESIGNED);
      }
    }
  }

  /** Not permitted: the terminal of a channel is asked for, and what is read there counts. */
  @Test
  void aMissingPermissionAsksForItsTerminals() {
    Project project = Stops.project(Stops.TERMINAL_DRIVE, Stops.guard(StopLogic.SAFETY_RELAY));
    project = Lines.with(project, CommonLink.TWO_WIRE, Links.ANALOG_REFERENCE);
    AxisAssembly axis = Lines.axis(project);
    SignalPath path = PathFactory.of(axis);
    List<Prediction> predictions = Predictor.predict(axis, path);
    List<Reading> readings = new ArrayList<>();
    readings.add(word(Predictor.CLOSED_STATUS, "not permitted"));
    readings.add(word(Predictor.RUN_STATUS, "not permitted"));
    Diagnosis first = Detective.diagnose(path, predictions, readings);
    assertThat(first.suspicions().get(0).cause()).isEqualTo(AxisCause.NOT_PERMITTED);
    String asked = first.next().prediction().key();
    assertThat(asked).contains(".volts.released.1");
    readings.add(number(asked, 24));
    Diagnosis second = Detective.diagnose(path, predictions, readings);
    assertThat(second.next().prediction().key()).contains(".volts.released.2");
    readings.add(number(second.next().prediction().key(), 0.1));
    Suspicion last = Detective.diagnose(path, predictions, readings).suspicions().get(0);
    assertThat(last.cause()).isEqualTo(AxisCause.NOT_PERMITTED);
    assertThat(last.explained()).isEqualTo(last.clues());
  }

  private static Reading number(String key, double amount) {
    return new Reading("belt", key, amount, null, "", "2026-01-31T14:05:00Z", "", Map.of());
  }

  private static Reading word(String key, String word) {
    return new Reading("belt", key, null, word, "", "2026-01-31T14:05:00Z", "", Map.of());
  }
}
