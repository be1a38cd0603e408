package unimotus.core.proof;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import unimotus.core.Fixtures;
import unimotus.core.Lines;
import unimotus.core.Links;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.link.CommonLink;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Drive;
import unimotus.core.machine.Project;
import unimotus.core.path.DriveAnswer;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Station;
import unimotus.core.review.LineReview;
import unimotus.core.sheet.SettingValue;
import unimotus.core.way.PathFactory;

/**
 * What analog outputs of the drive show. The motor is 4 kW, 8.05 A, 1456 rpm, cos φ 0.81; the
 * vector drive gives 32 A, its outputs stand at 0-20 mA and 50 Hz, full scale of everything else at
 * twice the rated value. Sums by hand.
 */
class OutputPredictionsTest {
  /** P/ω = 4000/(2π·1456/60), in newton metres. */
  private static final double RATED_TORQUE = 4000 / (2 * Math.PI * 1456 / 60);

  private static final Project WIRED =
      Lines.with(
          Lines.bare("controller-modular", "vector-drive-15kw"),
          CommonLink.TWO_WIRE,
          Links.ANALOG_REFERENCE,
          CommonLink.ANALOG_ACTUAL,
          CommonLink.LOAD_SIGNAL);

  private static Project set(Project project, Map<String, Object> settings) {
    Drive drive = project.drives().get(0);
    for (Map.Entry<String, Object> one : settings.entrySet()) {
      drive =
          drive.withSetting(
              one.getKey(),
              one.getValue() instanceof Double number
                  ? new SettingValue.Number(number)
                  : new SettingValue.Choice((String) one.getValue()));
    }
    return project.with(drive);
  }

  private static List<Prediction> predicted(Project project) {
    AxisAssembly axis = Lines.axis(project);
    return OutputPredictions.of(axis, PathFactory.of(axis));
  }

  private static Expectation.Amount at(Project project, String key) {
    return predicted(project).stream()
        .filter(p -> p.key().equals("output." + key))
        .map(p -> (Expectation.Amount) p.expectation())
        .findFirst()
        .orElseThrow();
  }

  private static double value(Project project, String key) {
    return at(project, key).value();
  }

  private static List<Finding> found(Project project, Rule rule) {
    return LineReview.of(project, Lines.SHEETS).findings().stream()
        .filter(f -> f.rule() == rule)
        .toList();
  }

  /** As new, the second output shows the current: 8.05 of 64 A are 2.516 of 20 mA. */
  @Test
  void eachOutputShowsWhatItIsSetTo() {
    assertThat(value(WIRED, "M1.rest")).isZero();
    assertThat(value(WIRED, "M1.rated")).isCloseTo(20, within(1e-9));
    assertThat(value(WIRED, "M2.rest")).isZero();
    assertThat(value(WIRED, "M2.rated")).isCloseTo(8.05 / 64 * 20, within(1e-9));
    assertThat(found(WIRED, Rule.ANSWER_MEANING)).isEmpty();
    assertThat(predicted(WIRED)).allSatisfy(p -> assertThat(p.how()).isNotBlank());
  }

  /** Half of 2 · 26.2 N·m, half of 8 kW, 1456 of 1500 rpm. */
  @Test
  void torqueLoadPowerAndSpeedHaveFullScalesOfTheirOwn() {
    assertThat(value(set(WIRED, Map.of("H-08", "torque")), "M2.rated")).isCloseTo(10, within(1e-9));
    assertThat(value(set(WIRED, Map.of("H-08", "load")), "M2.rated")).isCloseTo(10, within(1e-9));
    assertThat(value(set(WIRED, Map.of("H-08", "power")), "M2.rated")).isCloseTo(10, within(1e-9));
    assertThat(value(set(WIRED, Map.of("H-08", "speed")), "M2.rated"))
        .isCloseTo(1456.0 / 1500 * 20, within(1e-9));
    assertThat(value(set(WIRED, Map.of("H-08", "torque", "H-09", 100.0)), "M2.rated"))
        .isCloseTo(20, within(1e-9));
  }

  /** 4-20 mA with the low end at −100 %: at rest in the middle, 12 mA. */
  @Test
  void theLowEndMayShowSomethingElseThanNothing() {
    Project both = set(WIRED, Map.of("H-03", "4-20 mA", "H-08", "torque", "H-10", -100.0));
    assertThat(value(both, "M2.rest")).isCloseTo(12, within(1e-9));
    assertThat(value(both, "M2.rated")).isCloseTo(16, within(1e-9));
    assertThatThrownBy(() -> at(both, "M9.rest")).isInstanceOf(RuntimeException.class);
  }

  /** More than full scale is not shown. */
  @Test
  void anOutputIsHeldAtItsEnds() {
    Project small = set(WIRED, Map.of("H-09", 10.0));
    assertThat(value(small, "M2.rated")).isEqualTo(20);
    assertThat(at(small, "M2.rated").tolerance()).isGreaterThan(0.1);
  }

  /** The program takes the answer for the speed; nothing else will do. */
  @Test
  void anAnswerThatIsNoSpeedIsTold() {
    assertThat(found(set(WIRED, Map.of("H-05", "current")), Rule.ANSWER_MEANING))
        .singleElement()
        .satisfies(f -> assertThat(f.seen()).contains("M1", "motor current", "speed"));
    assertThat(found(set(WIRED, Map.of("H-05", "none")), Rule.ANSWER_MEANING))
        .singleElement()
        .satisfies(f -> assertThat(f.seen()).contains("show nothing"));
    assertThat(found(set(WIRED, Map.of("H-05", "speed")), Rule.ANSWER_MEANING)).isEmpty();
    assertThat(found(set(WIRED, Map.of("H-07", 20.0)), Rule.ANSWER_SCALE))
        .anySatisfy(f -> assertThat(f.seen()).contains("low end of M1 shows 10 Hz"));
    assertThat(predicted(set(WIRED, Map.of("H-05", "none")))).hasSize(2);
  }

  /** A word nobody knows leaves no path to tell anything of. */
  @Test
  void aMeaningNobodyKnowsIsRefused() {
    AxisAssembly axis = Lines.axis(set(WIRED, Map.of("H-05", "warmth")));
    assertThat(PathFactory.fault(axis)).isPresent();
  }

  /** Neither does a word nobody knows on the other output pass for the frequency. */
  @Test
  void nothingIsPredictedOfAnOutputThatCannotBeUsed() {
    assertThat(predicted(set(WIRED, Map.of("H-08", "warmth"))))
        .extracting(Prediction::key)
        .containsExactly("output.M1.rest", "output.M1.rated");
    assertThat(found(set(WIRED, Map.of("H-08", "warmth")), Rule.SETTING_RANGE)).isNotEmpty();
    assertThat(predicted(set(WIRED, Map.of("H-09", 1e9)))).hasSize(2);
  }

  @Test
  void nothingIsToldOfAnOutputThatNothingIsWiredTo() {
    Project bare =
        Lines.with(Lines.bare("controller-modular", "vector-drive-15kw"), Links.ANALOG_REFERENCE);
    assertThat(predicted(bare)).isEmpty();
  }

  /** √((I_n·sin φ)² + (I_n·cos φ·T/T_n)²) at half the rated torque. */
  @Test
  void thePathShowsTheCurrentOfTheLoad() {
    Project current = set(WIRED, Map.of("H-05", "current"));
    Project loaded =
        current.with(
            current
                .axes()
                .get(0)
                .withLoad(new unimotus.core.machine.Load(0, RATED_TORQUE / 2 * 40, 0, 0, 1)));
    AxisAssembly axis = Lines.axis(loaded);
    SignalPath path = PathFactory.of(axis);
    double amperes = Math.hypot(8.05 * Math.sqrt(1 - 0.81 * 0.81), 8.05 * 0.81 / 2);
    assertThat(path.value(Station.ANSWER_SIGNAL, 12.5)).isCloseTo(amperes / 64 * 20, within(1e-6));
    DriveAnswer answer = path.answer().drive();
    assertThat(answer.sum(25, answer.forward(25)).text()).contains("x₀");
    assertThat(answer.condition(25)).isEmpty();
    assertThatThrownBy(() -> answer.inverse(4))
        .hasMessageContaining("motor current")
        .hasMessageContaining("no speed");
  }

  /** What the older fixture drive does, whose sheet is silent: it shows its frequency. */
  @Test
  void aDriveWhoseSheetIsSilentShowsItsFrequency() {
    AxisAssembly axis = Fixtures.assembly();
    SignalPath path = PathFactory.of(axis);
    DriveAnswer answer = path.answer().drive();
    assertThat(answer.inverse(answer.forward(20))).isCloseTo(20, within(1e-9));
    assertThat(answer.condition(60)).isPresent();
  }
}
