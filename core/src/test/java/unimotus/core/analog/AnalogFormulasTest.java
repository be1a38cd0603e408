package unimotus.core.analog;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import unimotus.core.analog.AnalogFormulas.LoopState;

class AnalogFormulasTest {

  /** NAMUR NE 43 (from memory): failure up to 3.6 and from 21 mA, valid from 3.8 to 20.5 mA. */
  @ParameterizedTest
  @CsvSource({
    "0, FAILURE_LOW",
    "3.5, FAILURE_LOW",
    "3.6, FAILURE_LOW",
    "3.7, DOUBTFUL",
    "3.8, VALID",
    "12, VALID",
    "20.5, VALID",
    "20.8, DOUBTFUL",
    "21, FAILURE_HIGH",
    "23, FAILURE_HIGH"
  })
  void loopStatesAreThoseOfNamurNe43(double milliamperes, LoopState state) {
    assertThat(AnalogFormulas.loopState(milliamperes)).isEqualTo(state);
  }

  /** By arithmetic: 4 of 20 mA is 20 %; the error fades to none at full scale. */
  @ParameterizedTest
  @CsvSource({"0, 20", "25, 15", "50, 10", "75, 5", "100, 0"})
  void liveZeroOnADeadZeroInputIsTwentyPercentOffAtZeroAndRightAtFull(
      double percent, double error) {
    assertThat(AnalogFormulas.liveZeroReadAsDeadZero(percent) - percent)
        .isCloseTo(error, within(1e-9));
  }

  @Test
  void deadZeroOnALiveZeroInputReadsNothingBelowTwentyPercent() {
    assertThat(AnalogFormulas.deadZeroReadAsLiveZero(20)).isCloseTo(0, within(1e-9));
    assertThat(AnalogFormulas.deadZeroReadAsLiveZero(100)).isCloseTo(100, within(1e-9));
  }

  /** 75 of 0–200 units is 37.5 %, 3.75 V or 10 mA of 4–20 (handbook, by arithmetic). */
  @Test
  void seventyFiveUnitsOfTwoHundredAreTenMilliamps() {
    double percent = 75.0 / 200 * 100;
    assertThat(percent).isEqualTo(37.5);
    assertThat(SignalRange.V_0_10.signalAt(percent)).isCloseTo(3.75, within(1e-12));
    assertThat(SignalRange.MA_4_20.signalAt(percent)).isCloseTo(10, within(1e-12));
  }

  /** Half of 27 648 counts is 13 824, and 12 mA of a live-zero loop (common practice). */
  @Test
  void halfScaleIs13824CountsAndTwelveMilliamps() {
    assertThat(AnalogFormulas.counts(50, 27648)).isEqualTo(13824);
    assertThat(AnalogFormulas.percent(13824, 27648)).isEqualTo(50);
    assertThat(SignalRange.MA_4_20.signalAt(50)).isEqualTo(12);
  }

  @Test
  void loopSupplyIsOhmsLawPlusTheTransmitter() {
    assertThat(AnalogFormulas.loopSupplyVolts(0.02, 250, 10, 12)).isCloseTo(17.2, within(1e-9));
  }

  @Test
  void twelveBitStepOfFiftyHertzIsTwelveMillihertz() {
    assertThat(AnalogFormulas.stepPerCount(50, 4095)).isCloseTo(0.01221, within(1e-5));
  }

  @ParameterizedTest
  @EnumSource(SignalRange.class)
  void everyRangeIsFoundByItsLabelAndEndsWhereItSays(SignalRange range) {
    assertThat(SignalRange.ofLabel(range.label())).contains(range);
    assertThat(range.signalAt(range.leastPercent())).isEqualTo(range.low());
    assertThat(range.signalAt(100)).isEqualTo(range.high());
  }

  @Property
  void percentUndoesSignal(
      @ForAll SignalRange range, @ForAll @DoubleRange(min = -100, max = 100) double percent) {
    assertThat(range.percentAt(range.signalAt(percent))).isCloseTo(percent, within(1e-9));
  }

  @Test
  void aLostLoopIsBelowThreePointSix() {
    assertThat(SignalRange.MA_4_20.isLost(3.59)).isTrue();
    assertThat(SignalRange.MA_4_20.isLost(3.61)).isFalse();
    assertThat(SignalRange.MA_0_20.isLost(0)).isFalse();
  }
}
