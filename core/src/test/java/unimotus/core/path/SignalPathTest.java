package unimotus.core.path;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import unimotus.core.Fixtures;
import unimotus.core.analog.SignalRange;
import unimotus.core.machine.Load;
import unimotus.core.machine.Project;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.way.PathFactory;

class SignalPathTest {
  private static SignalPath path() {
    return path(Fixtures.project());
  }

  private static SignalPath path(Project project) {
    return PathFactory.of(Fixtures.assembly(project));
  }

  /**
   * Half scale of a live-zero link: 13 824 of 27 648 counts, 12 mA, 25 Hz, 750 rpm (common
   * practice).
   */
  @Test
  void halfSpeedRunsThroughTheKnownNumbers() {
    PathState state = path().at(Station.NUMBER, 12.5);
    assertThat(state.value(Station.PERCENT)).isCloseTo(50, within(1e-9));
    assertThat(state.value(Station.COUNTS)).isEqualTo(13824);
    assertThat(state.value(Station.SIGNAL)).isCloseTo(12, within(0.001));
    assertThat(state.value(Station.FREQUENCY)).isCloseTo(25, within(0.02));
    assertThat(state.value(Station.SYNCHRONOUS)).isCloseTo(750, within(0.5));
    assertThat(state.value(Station.ANSWER_NUMBER)).isCloseTo(12.5, within(0.02));
  }

  /**
   * Slip is proportional to torque below pull-out: at rated torque the shaft turns its rated speed.
   */
  @Test
  void atRatedTorqueTheShaftTurnsThePlateSpeed() {
    double rated = 4000 / (2 * Math.PI * 1456 / 60);
    Project project = Fixtures.project();
    Project loaded =
        project.with(Fixtures.axis(project).withLoad(new Load(0, rated * 91.5, 0, 0, 1)));
    assertThat(path(loaded).value(Station.SHAFT, 25)).isCloseTo(1456, within(0.01));
  }

  @Test
  void withoutLoadTheShaftTurnsWithTheField() {
    Project project = Fixtures.project();
    Project free = project.with(Fixtures.axis(project).withLoad(Load.NONE));
    assertThat(path(free).value(Station.SHAFT, 25)).isCloseTo(1500, within(1e-9));
  }

  @Test
  void slipCompensationBringsTheShaftToTheField() {
    SignalPath compensated = path(Fixtures.withSetting(Fixtures.project(), "P15", "on"));
    assertThat(compensated.value(Station.SHAFT, 25)).isCloseTo(1500, within(1e-9));
  }

  @Test
  void aLoadAboveTheFieldsReachStallsTheShaft() {
    Project project = Fixtures.project();
    Project heavy = project.with(Fixtures.axis(project).withLoad(new Load(0, 1e6, 0, 0, 1)));
    assertThat(path(heavy).value(Station.SHAFT, 0.5)).isZero();
  }

  @Property
  void anyStationOfTheStraightPartCanBeTouched(
      @ForAll @DoubleRange(min = 1, max = 24.5) double number) {
    SignalPath path = path();
    for (Stage stage : path.forth()) {
      double value = path.value(stage.to(), number);
      double again = path.value(stage.to(), path.numberFor(stage.to(), value));
      double step = Math.max(Math.abs(value) * 2e-3, 0.02);
      assertThat(again).as(stage.to().key()).isCloseTo(value, within(step));
    }
  }

  @Property
  void forwardNeverLeavesTheLimitsOfAStage(
      @ForAll @DoubleRange(min = -1e4, max = 1e4) double number) {
    PathState state = path().at(Station.NUMBER, number);
    for (PathPoint point : state.points()) {
      if (point.station() != Station.NUMBER) {
        assertThat(point.value())
            .as(point.station().key())
            .isBetween(point.low() - 1e-9, point.high() + 1e-9);
      }
    }
  }

  @Property
  void thePathNeverFallsWhenTheNumberRises(
      @ForAll @DoubleRange(min = 0, max = 25) double low,
      @ForAll @DoubleRange(min = 0, max = 25) double more) {
    SignalPath path = path();
    double high = Math.max(low, more);
    assertThat(path.value(Station.MACHINE, high))
        .isGreaterThanOrEqualTo(path.value(Station.MACHINE, Math.min(low, more)) - 1e-9);
  }

  @ParameterizedTest
  @EnumSource(Station.class)
  void stateAndValueAgreeAtEveryStation(Station station) {
    SignalPath path = path();
    assertThat(path.state(17.3).value(station)).isCloseTo(path.value(station, 17.3), within(1e-9));
    assertThat(Station.ofKey(station.key())).contains(station);
  }

  @Test
  void theSumUnfoldsWithEveryNumberPutIn() {
    String sum =
        path().at(Station.NUMBER, 12.5).derivation(Station.FREQUENCY).text().replace('\u202f', ' ');
    assertThat(sum.lines()).hasSize(5);
    assertThat(sum)
        .contains("(12.5 − 0)/(25 − 0)·100")
        .contains("13 824/27 648·16")
        .contains("P20");
  }

  @Test
  void theSumOfTheAnswerBranchesAtTheFrequency() {
    String sum = path().at(Station.NUMBER, 12.5).derivation(Station.ANSWER_NUMBER).text();
    assertThat(sum)
        .contains("output frequency")
        .contains("answer counts")
        .doesNotContain("gear output");
  }

  @Test
  void numbersAboveTheSpanAreHeldAndSaySo() {
    PathPoint percent = path().at(Station.NUMBER, 30).at(Station.PERCENT).orElseThrow();
    assertThat(percent.value()).isEqualTo(100);
    assertThat(percent.condition()).contains("25 m/min");
  }

  /** 27648 written, 32767 taken: everything short by 0.844 (handbook signature). */
  @Test
  void aSmallerProgramScaleIsShortByTheRatio() {
    SignalPath path = path(Fixtures.withChannel(Fixtures.project(), "AO0.fs", "32767"));
    double percent = SignalRange.MA_4_20.percentAt(path.value(Station.SIGNAL, 25));
    assertThat(percent).isCloseTo(84.4, within(0.05));
  }

  @Test
  void aLargerProgramScaleIsHeldAtTheModulesEnd() {
    SignalPath path = path(Fixtures.withChannel(Fixtures.project(), "AO0.fs", "4095"));
    PathPoint signal = path.at(Station.NUMBER, 25).at(Station.SIGNAL).orElseThrow();
    assertThat(signal.value()).isEqualTo(20);
    assertThat(signal.condition()).contains("full scale");
  }

  @ParameterizedTest
  @CsvSource({"0, 20", "50, 60", "100, 100"})
  void aLiveZeroReadWithoutOneIsTwentyPercentOffAtZero(double percent, double read) {
    SignalPath path = path(Fixtures.withSetting(Fixtures.project(), "P18", "0-20 mA"));
    assertThat(path.value(Station.DRIVE_PERCENT, path.scale().inverse(percent)))
        .isCloseTo(read, within(0.05));
  }

  @Test
  void aDeadZeroOnALiveZeroInputIsTakenForABrokenWireAndStopsTheDrive() {
    SignalPath path = path(Fixtures.withChannel(Fixtures.project(), "AO0.range", "0-20 mA"));
    PathState state = path.at(Station.NUMBER, 2);
    assertThat(state.at(Station.DRIVE_PERCENT).orElseThrow().condition())
        .contains("wire break (fault)");
    assertThat(state.value(Station.FREQUENCY)).isZero();
    assertThat(path.value(Station.FREQUENCY, 2)).isZero();
  }

  @Test
  void withoutALossActionTheMinimumSpeedGoesOn() {
    Project project = Fixtures.withSetting(Fixtures.project(), "P23", "none");
    SignalPath path =
        path(
            Fixtures.withSetting(Fixtures.withChannel(project, "AO0.range", "0-20 mA"), "P4", 8.0));
    assertThat(path.value(Station.FREQUENCY, 2)).isEqualTo(8);
  }

  @Test
  void minimumFrequencyLiftsAndMaximumHolds() {
    Project project =
        Fixtures.withSetting(Fixtures.withSetting(Fixtures.project(), "P4", 20.0), "P5", 40.0);
    PathPoint low = path(project).at(Station.NUMBER, 1).at(Station.FREQUENCY).orElseThrow();
    PathPoint high = path(project).at(Station.NUMBER, 25).at(Station.FREQUENCY).orElseThrow();
    assertThat(low.value()).isEqualTo(20);
    assertThat(low.condition()).contains("lifted to 20 Hz");
    assertThat(high.value()).isEqualTo(40);
    assertThat(high.condition()).contains("held at 40 Hz");
  }

  @Test
  void inversionTurnsTheEndsRound() {
    SignalPath path = path(Fixtures.withSetting(Fixtures.project(), "P21", "on"));
    assertThat(path.value(Station.FREQUENCY, 0)).isCloseTo(50, within(0.05));
    assertThat(path.value(Station.FREQUENCY, 25)).isCloseTo(0, within(0.05));
  }

  @Test
  void theDeadBandSwallowsSmallSignals() {
    SignalPath path = path(Fixtures.withSetting(Fixtures.project(), "P22", 10.0));
    PathPoint input = path.at(Station.NUMBER, 2).at(Station.DRIVE_PERCENT).orElseThrow();
    assertThat(input.value()).isZero();
    assertThat(input.condition()).contains("dead band of 10 %");
    assertThat(path.value(Station.FREQUENCY, 5)).isCloseTo(10, within(0.05));
  }

  @Test
  void aBipolarLinkCarriesTheDirectionInItsSign() {
    Project project = Fixtures.withChannel(Fixtures.project(), "AO0.range", "±10 V");
    project =
        Fixtures.withSetting(
            Fixtures.withDriveSelector(project, "AI1.kind", "voltage"), "P18", "±10 V");
    SignalPath path = path(project);
    PathState back = path.at(Station.NUMBER, -12.5);
    assertThat(back.value(Station.COUNTS)).isEqualTo(-13824);
    assertThat(back.value(Station.SIGNAL)).isCloseTo(-5, within(0.001));
    assertThat(back.value(Station.FREQUENCY)).isCloseTo(-25, within(0.05));
    assertThat(back.value(Station.MACHINE)).isNegative();
  }

  @Test
  void milliampsIntoAVoltageInputDriveItToItsEnd() {
    SignalPath path = path(Fixtures.withDriveSelector(Fixtures.project(), "AI1.kind", "voltage"));
    assertThat(path.value(Station.DRIVE_PERCENT, 5)).isEqualTo(100);
  }

  @Test
  void voltsIntoACurrentInputSaturateOverTheBurden() {
    SignalPath path = path(Fixtures.withChannel(Fixtures.project(), "AO0.range", "0-10 V"));
    // 5 V over 250 Ω is 20 mA, the end of the range, at half the controller's span (Ohm's law).
    assertThat(path.value(Station.DRIVE_PERCENT, 12.5)).isCloseTo(100, within(0.1));
    assertThat(path.value(Station.DRIVE_PERCENT, 25)).isEqualTo(100);
  }

  @Test
  void anAxisWithoutAnswerHasNoAnswerStations() {
    Project project = Fixtures.project();
    SignalPath path =
        path(
            project.with(
                Fixtures.axis(project)
                    .withAnswer(new unimotus.core.machine.Answer(null, null, 25, 27648))));
    assertThat(path.has(Station.ANSWER_SIGNAL)).isFalse();
    assertThat(path.at(Station.NUMBER, 5).points()).hasSize(10);
    assertThat(path.state(5).value(Station.ANSWER_NUMBER)).isNaN();
    assertThatThrownBy(() -> path.unit(Station.ANSWER_SIGNAL))
        .hasMessageContaining("answer-signal");
    assertThatThrownBy(() -> path.value(Station.ANSWER_SIGNAL, 5))
        .hasMessageContaining("answer-signal");
  }

  @Test
  void unitsAreThoseOfTheLink() {
    SignalPath path = path();
    assertThat(path.unit(Station.NUMBER)).isEqualTo(MeasureUnit.METRES_PER_MINUTE);
    assertThat(path.unit(Station.SIGNAL)).isEqualTo(MeasureUnit.MILLIAMPERE);
    assertThat(path.unit(Station.FREQUENCY)).isEqualTo(MeasureUnit.HERTZ_UNIT);
  }

  @Test
  void theAnswerIsHeldAtItsFullScale() {
    SignalPath path = path(Fixtures.withSetting(Fixtures.project(), "P25", 40.0));
    PathPoint answer = path.at(Station.NUMBER, 25).at(Station.ANSWER_SIGNAL).orElseThrow();
    assertThat(answer.value()).isEqualTo(10);
    assertThat(answer.condition()).contains("40 Hz");
    double atHalf = path.value(Station.ANSWER_SIGNAL, 12.5);
    assertThat(path.numberFor(Station.ANSWER_SIGNAL, atHalf)).isCloseTo(12.5, within(0.02));
  }
}
