package unimotus.core.stops;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import unimotus.core.machine.StopApproach;
import unimotus.core.machine.StopApproach.Kind;

/** Every approach of ISO 13855:2010 (from memory). */
class SafetyDistanceTest {
  private static StopApproach curtain(double resolution) {
    return StopApproach.NONE.withKind(Kind.CURTAIN).withResolution(resolution);
  }

  private static double needed(double seconds, StopApproach approach) {
    return SafetyDistance.needed(seconds, approach).distanceMillimetres();
  }

  /**
   * Worked example of EN 999, the forerunner of ISO 13855 (from memory): a machine that stops in 90
   * ms behind a curtain, once with 14 mm and once with 40 mm resolution. The others from the rule
   * itself: beyond 500 mm the slower hand counts, never less than 500 mm, never less than 100 mm.
   */
  @ParameterizedTest
  @CsvSource({
    "0.090, 14, 180",
    "0.090, 40, 388",
    "0.010, 14, 100",
    "0.300, 14, 500",
    "0.500, 14, 800",
    "0.500, 30, 928",
    "0.200, 30, 500",
    "0.200, 70, 1170"
  })
  void aCurtainAtRightAngles(double seconds, double resolution, double millimetres) {
    assertThat(needed(seconds, curtain(resolution))).isCloseTo(millimetres, within(1e-6));
  }

  /** 1600·T + 850 for two to four beams, + 1200 for one. */
  @Test
  void singleBeams() {
    StopApproach beams = StopApproach.NONE.withKind(Kind.BEAMS);
    assertThat(needed(0.3, beams)).isCloseTo(1600 * 0.3 + 850, within(1e-9));
    assertThat(needed(0.3, beams.withBeams(1))).isCloseTo(1600 * 0.3 + 1200, within(1e-9));
  }

  /** 1600·T + (1200 − 0.4·H), the bracket at least 850, d at most H/15 + 50. */
  @ParameterizedTest
  @CsvSource({"0, 50, 1680", "300, 70, 1560", "875, 100, 1330", "1000, 110, 1330"})
  void aFieldAlongTheFloor(double height, double resolution, double millimetres) {
    StopApproach field =
        StopApproach.NONE.withKind(Kind.FIELD).withHeight(height).withResolution(resolution);
    assertThat(needed(0.3, field)).isCloseTo(millimetres, within(1e-6));
  }

  @Test
  void aFieldThatDoesNotSeeALegIsRefused() {
    StopApproach field = StopApproach.NONE.withKind(Kind.FIELD).withHeight(300).withResolution(80);
    assertThatThrownBy(() -> needed(0.3, field)).hasMessageContaining("70 mm or less, not 80 mm");
    assertThatThrownBy(() -> needed(0.3, field.withHeight(1100)))
        .hasMessageContaining("1000 mm high, not 1100 mm");
  }

  /** 1600·T + 250, at least 100; nothing for the hand where a shroud holds it. */
  @Test
  void aTwoHandControl() {
    StopApproach hands = StopApproach.NONE.withKind(Kind.TWO_HAND);
    assertThat(needed(0.2, hands)).isCloseTo(570, within(1e-9));
    assertThat(needed(0.2, hands.withShroud(true))).isCloseTo(320, within(1e-9));
    assertThat(needed(0.01, hands.withShroud(true))).isCloseTo(100, within(1e-9));
  }

  /** The time a guard takes to open counts in its favour, and no further than to nothing. */
  @Test
  void aGuardWithoutLock() {
    StopApproach guard = StopApproach.NONE.withKind(Kind.GUARD).withOpening(0.5);
    assertThat(needed(1.5, guard)).isCloseTo(1600, within(1e-9));
    assertThat(needed(0.3, guard)).isZero();
  }

  @Test
  void aFootSwitch() {
    assertThat(needed(0.25, StopApproach.NONE.withKind(Kind.FOOT_SWITCH)))
        .isCloseTo(1600, within(1e-9));
  }

  @ParameterizedTest
  @CsvSource({"180, 14", "388, 40", "800, 14", "928, 30", "1170, 70"})
  void theLongestStopUndoesTheDistance(double millimetres, double resolution) {
    StopApproach approach = curtain(resolution).withDistance(millimetres);
    double seconds = SafetyDistance.allowed(approach).seconds();
    assertThat(needed(seconds, approach)).isCloseTo(millimetres, within(1e-6));
  }

  @Test
  void whatHasNoDistanceSaysWhy() {
    assertThatThrownBy(() -> needed(Double.POSITIVE_INFINITY, curtain(14)))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("must end");
    assertThatThrownBy(() -> needed(0.1, StopApproach.NONE))
        .hasMessageContaining("no approach is detected");
    assertThatThrownBy(() -> needed(0.1, curtain(90))).hasMessageContaining("not 90 mm");
    assertThatThrownBy(() -> SafetyDistance.allowed(curtain(14).withDistance(0)))
        .hasMessageContaining("over 0 mm");
    assertThatThrownBy(() -> SafetyDistance.allowed(curtain(14).withDistance(60)))
        .hasMessageContaining("under the least of 100 mm");
    assertThatThrownBy(() -> curtain(-1)).hasMessageContaining("negative");
  }

  /** The borders belong to the rule that names them: 40 mm is fine, 70 mm is a curtain. */
  @ParameterizedTest
  @CsvSource({"0.2, 40, 528", "0.2, 40.1, 1170", "0.2, 70, 1170", "0, 14, 100", "0.25, 14, 500"})
  void theBordersOfACurtain(double seconds, double resolution, double millimetres) {
    assertThat(needed(seconds, curtain(resolution))).isCloseTo(millimetres, within(1e-6));
  }

  @Test
  void theSumShowsWhatWasReckonedWith() {
    StopApproach guard = StopApproach.NONE.withKind(Kind.GUARD).withOpening(0.5);
    var sum = SafetyDistance.needed(1.5, guard).sum().steps().get(0);
    assertThat(sum.formula()).isEqualTo("S = K·T + C");
    assertThat(sum.substitution()).isEqualTo("1600 mm/s·(1.5 s − 0.5 s) + 0 mm");
    var fine = SafetyDistance.needed(0.09, curtain(14)).sum().steps().get(0);
    assertThat(fine.formula()).isEqualTo("S = K·T + C, at least 100 mm");
    assertThat(fine.substitution()).isEqualTo("2000 mm/s·0.09 s + 0 mm");
  }

  /** At 500 mm the fast hand still counts; at the least distance there is a time yet. */
  @ParameterizedTest
  @CsvSource({"500, 14, 0.25", "501, 14, 0.313125", "100, 14, 0.05", "850, 70, 0"})
  void theLongestStopAtTheBorders(double millimetres, double resolution, double seconds) {
    assertThat(SafetyDistance.allowed(curtain(resolution).withDistance(millimetres)).seconds())
        .isCloseTo(seconds, within(1e-9));
  }

  @ParameterizedTest
  @CsvSource({"-0.1", "NaN", "Infinity"})
  void aTimeThatIsNoneIsRefused(double seconds) {
    assertThatThrownBy(() -> needed(seconds, curtain(14))).hasMessageContaining("must end");
  }

  @ParameterizedTest
  @CsvSource({"0", "70.1"})
  void aResolutionThatIsNoCurtainIsRefused(double resolution) {
    assertThatThrownBy(() -> needed(0.1, curtain(resolution)))
        .hasMessageContaining("over 0 to 70 mm");
  }

  @Test
  void underTheReachOfAnArmNoStopIsShortEnough() {
    StopApproach beams = StopApproach.NONE.withKind(Kind.BEAMS).withDistance(849);
    assertThatThrownBy(() -> SafetyDistance.allowed(beams)).hasMessageContaining("850 mm");
    assertThat(SafetyDistance.allowed(beams.withDistance(850)).seconds()).isZero();
  }
}
