package unimotus.core.proof;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import unimotus.core.Fixtures;
import unimotus.core.finding.Severity;
import unimotus.core.machine.Project;
import unimotus.core.review.AxisReview;
import unimotus.core.review.LineReview;

/** What is not there is not predicted. Common practice. */
class ObstaclesTest {
  private static final Project SOUND =
      Fixtures.withDriveSelector(Fixtures.project(), "jumper", "fitted");

  private static AxisReview review(Project project) {
    return LineReview.of(project, Fixtures.sheets()).axes().get(0);
  }

  private static List<String> keys(Project project) {
    AxisReview axis = review(project);
    return Predictor.predict(
            axis.assembly(), axis.path(), axis.beside(), axis.stops(), axis.obstacles())
        .stream()
        .map(Prediction::key)
        .toList();
  }

  private static Project volts() {
    Project project = Fixtures.withChannel(SOUND, "AO0.range", "0-10 V");
    return Fixtures.withSetting(
        Fixtures.withDriveSelector(project, "AI1.kind", "voltage"), "P18", "0-10 V");
  }

  @Test
  void aSoundAxisIsPredictedWhole() {
    assertThat(review(SOUND).obstacles()).isEqualTo(Obstacles.NONE);
    assertThat(keys(SOUND)).contains("ref50.signal", "ref50.machine", "direction.jog", "ramp.up");
  }

  /** A drive that takes no analog reference once got thirty-one analog predictions. */
  @Test
  void anAxisWithoutAReferenceGetsNone() {
    Project none =
        Fixtures.withReference(SOUND, Fixtures.axis(SOUND).reference().withTerminals(null, null));
    assertThat(keys(none)).containsExactly("permission.open");
    assertThat(review(none).obstacles().all())
        .anyMatch(o -> o.contains("no output point is chosen"))
        .anyMatch(o -> o.contains("no input of the drive is chosen"));
  }

  /** Volts stand at an output whose wire is off; a loop that is open carries nothing. */
  @Test
  void aWireThatIsOffLeavesTheVoltsAtTheController() {
    assertThat(keys(Fixtures.without(volts(), "w3")))
        .contains("ref50.counts", "ref50.signal")
        .doesNotContain("ref50.frequency", "ref50.machine", "direction.jog", "ramp.up");
    assertThat(keys(Fixtures.without(SOUND, "w3")))
        .doesNotContain("ref50.signal", "ref50.frequency");
  }

  /** Every error that keeps the motor from turning as commanded takes its speeds away. */
  @ParameterizedTest
  @CsvSource({"P10, keypad", "P11, keypad", "P16, none", "P14, active-low"})
  void aSettingThatKeepsTheMotorStillLeavesNoSpeeds(String code, String value) {
    Project project = Fixtures.withSetting(SOUND, code, value);
    AxisReview axis = review(project);
    assertThat(axis.findings()).anyMatch(f -> f.severity() == Severity.ERROR);
    assertThat(keys(project)).doesNotContain("ref50.frequency", "direction.jog", "permission.run");
    assertThat(axis.obstacles().all()).isNotEmpty();
  }

  /** What the path models is predicted as it will be, wrong or not. */
  @Test
  void aLiveZeroOnOneSideIsPredictedAsItWillBe() {
    Project project = Fixtures.withSetting(SOUND, "P18", "0-20 mA");
    assertThat(review(project).findings()).isNotEmpty();
    assertThat(keys(project)).contains("ref0.frequency");
  }

  @Test
  void whatIsNotPredictedIsNotProven() {
    AxisReview axis = review(Fixtures.without(volts(), "w3"));
    AxisProof proof = new AxisProof(List.of()).barredBy(axis.obstacles());
    assertThat(proof.unpredicted()).hasSameElementsAs(axis.obstacles().all()).isNotEmpty();
  }
}
