package unimotus.core.proof;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

/** What a sound instrument on sound devices may be off, worked by hand (common practice). */
class TolerancesTest {
  @Test
  void aSignalMayBeOffByHalfAPercentAndAStep() {
    assertThat(Tolerances.signal(16, 0.01)).isCloseTo(0.09, within(1e-12));
  }

  @Test
  void aDisplayByHalfAPercentAndNoLessThanItsLastDigits() {
    assertThat(Tolerances.frequency(50)).isCloseTo(0.25, within(1e-12));
    assertThat(Tolerances.frequency(4)).isCloseTo(0.05, within(1e-12));
  }

  @Test
  void aShaftByHalfItsSlipMore() {
    assertThat(Tolerances.shaft(1500, 44)).isCloseTo(29.5, within(1e-12));
    assertThat(Tolerances.machine(2)).isCloseTo(3, within(1e-12));
  }

  @Test
  void aWatchByTheHandAndATenth() {
    assertThat(Tolerances.time(5)).isCloseTo(0.8, within(1e-12));
  }

  @Test
  void aMeterByATenthAndTwoInAHundredEitherWay() {
    assertThat(Tolerances.meter(24)).isCloseTo(0.58, within(1e-12));
    assertThat(Tolerances.meter(-24)).isCloseTo(0.58, within(1e-12));
  }

  @Test
  void aRegisterByAStepAndAFloatByHalfAPercentOfItsMost() {
    assertThat(Tolerances.register(1, 65535)).isEqualTo(1);
    assertThat(Tolerances.register(0, 50)).isCloseTo(0.005 * 50, within(1e-9));
    assertThat(Tolerances.register(0, -50)).isCloseTo(0.005 * 50, within(1e-9));
  }
}
