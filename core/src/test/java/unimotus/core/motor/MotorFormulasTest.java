package unimotus.core.motor;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import unimotus.core.Fixtures;
import unimotus.core.sheet.InductionPlate;

class MotorFormulasTest {

  /** Synchronous speeds of IEC 60034-1 machines at 50 and 60 Hz (common practice tables). */
  @ParameterizedTest
  @CsvSource({
    "50, 2, 3000",
    "50, 4, 1500",
    "50, 6, 1000",
    "50, 8, 750",
    "60, 2, 3600",
    "60, 4, 1800",
    "60, 6, 1200"
  })
  void synchronousSpeedsAreThoseOfTheTables(double hertz, int poles, double rpm) {
    assertThat(MotorFormulas.synchronousRpm(hertz, poles)).isEqualTo(rpm);
  }

  /**
   * The pole count is that of the least synchronous speed not below the plate speed (handbook
   * rule).
   */
  @ParameterizedTest
  @CsvSource({
    "50, 2890, 2",
    "50, 1456, 4",
    "50, 935, 6",
    "50, 700, 8",
    "60, 1750, 4",
    "60, 3450, 2",
    "60, 1140, 6"
  })
  void polesFollowFromThePlateSpeed(double hertz, double rpm, int poles) {
    assertThat(MotorFormulas.poles(hertz, rpm)).isEqualTo(poles);
  }

  @Test
  void fourPoleMotorAt1440RpmSlipsFourPercent() {
    assertThat(MotorFormulas.slip(1500, 1440)).isCloseTo(0.04, within(1e-12));
  }

  /** The well-known 9550·kW/rpm, a rounding of 30 000/π (common practice). */
  @ParameterizedTest
  @CsvSource({"4, 1456", "7.5, 1455", "0.75, 935", "55, 1480"})
  void torqueAgreesWithTheRuleOf9550(double kilowatts, double rpm) {
    double rule = 9550 * kilowatts / rpm;
    assertThat(MotorFormulas.torqueNewtonMetres(kilowatts * 1000, rpm))
        .isCloseTo(rule, within(rule * 1e-4));
  }

  /** One horsepower at 5252 rpm is one pound-foot: T = 5252·hp/rpm (common practice). */
  @Test
  void torqueAgreesWithTheRuleOf5252() {
    double poundFeet = MotorFormulas.torqueNewtonMetres(10 * 745.69987, 1750) / 1.3558179;
    assertThat(poundFeet).isCloseTo(5252 * 10 / 1750.0, within(0.01));
  }

  /** IE3 four-pole 4 kW at 50 Hz: 88.6 % (IEC 60034-30-1, from memory). */
  @Test
  void plateEfficiencyIsThatOfItsClass() {
    assertThat(MotorFormulas.efficiency(Fixtures.PLATE)).isCloseTo(0.886, within(0.002));
  }

  /** IEC 60034-30-1, IE3, 50 Hz, four poles, 1.5 kW: 85.3 % (from memory). */
  @Test
  void currentFollowsFromPowerAndEfficiencyClass() {
    assertThat(MotorFormulas.currentAmperes(1500, 400, 0.77, 0.853)).isCloseTo(3.3, within(0.02));
  }

  @Test
  void ratedCurrentFlowsAtRatedTorqueAndMagnetisingCurrentAtNone() {
    InductionPlate plate = Fixtures.PLATE;
    assertThat(MotorFormulas.currentEstimateAmperes(plate, 1))
        .isCloseTo(plate.currentAmperes(), within(1e-9));
    double magnetising = plate.currentAmperes() * Math.sqrt(1 - 0.81 * 0.81);
    assertThat(MotorFormulas.currentEstimateAmperes(plate, 0)).isCloseTo(magnetising, within(1e-9));
  }

  @Property
  void torqueRatioUndoesTheCurrentEstimate(@ForAll @DoubleRange(min = 0, max = 3) double ratio) {
    double amperes = MotorFormulas.currentEstimateAmperes(Fixtures.PLATE, ratio);
    assertThat(MotorFormulas.torqueRatioAt(Fixtures.PLATE, amperes)).isCloseTo(ratio, within(1e-6));
  }

  @Property
  void frequencyUndoesSynchronousSpeed(
      @ForAll @DoubleRange(min = 0, max = 400) double hertz,
      @ForAll @IntRange(min = 1, max = 12) int pairs) {
    double rpm = MotorFormulas.synchronousRpm(hertz, 2 * pairs);
    assertThat(MotorFormulas.frequencyHertz(rpm, 2 * pairs)).isCloseTo(hertz, within(1e-9));
  }

  @Property
  void polesAreTheMostWhoseFieldIsNotSlowerThanTheShaft(
      @ForAll @IntRange(min = 1, max = 12) int pairs,
      @ForAll @DoubleRange(min = 0.01, max = 0.06) double slip) {
    double rpm = MotorFormulas.synchronousRpm(50, 2 * pairs) * (1 - slip);
    assertThat(MotorFormulas.poles(50, rpm)).isEqualTo(2 * pairs);
  }

  @Test
  void refusesWhatCannotBe() {
    assertThatThrownBy(() -> MotorFormulas.synchronousRpm(50, 3)).hasMessageContaining("not 3");
    assertThatThrownBy(() -> MotorFormulas.poles(50, 3100)).hasMessageContaining("3100");
    assertThatThrownBy(() -> MotorFormulas.poles(50, 0)).hasMessageContaining("no pole count");
    assertThatThrownBy(() -> MotorFormulas.slip(0, 0)).hasMessageContaining("0 rpm");
    assertThatThrownBy(() -> MotorFormulas.torqueNewtonMetres(100, 0))
        .hasMessageContaining("0 rpm");
  }

  @Test
  void aPlateRefusesWhatNoPlateCanSay() {
    assertThatThrownBy(() -> new InductionPlate(-4000, 400, 8, 50, 1456, 0.8, 1, 0.01))
        .hasMessageContaining("power must be positive, not -4000");
    assertThatThrownBy(() -> new InductionPlate(4000, 400, 8, 50, 1456, 1.2, 1, 0.01))
        .hasMessageContaining("power factor");
    assertThatThrownBy(() -> new InductionPlate(4000, 400, 8, 50, 1456, 0.8, 0.5, 0.01))
        .hasMessageContaining("service factor");
    assertThatThrownBy(() -> new InductionPlate(4000, 400, 8, 50, Double.NaN, 0.8, 1, 0.01))
        .hasMessageContaining("speed");
  }
}
