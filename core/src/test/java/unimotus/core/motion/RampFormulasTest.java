package unimotus.core.motion;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import unimotus.core.machine.Load;
import unimotus.core.machine.Mechanics;

class RampFormulasTest {

  /** T = J·Δω/t: 0.5 kg·m² to 1500 rpm in 5 s takes 5π = 15.708 N·m (by arithmetic). */
  @Test
  void halfAKilogramSquareMetreToFifteenHundredRpmInFiveSeconds() {
    assertThat(RampFormulas.acceleratingTorqueNewtonMetres(0.5, 1500, 5))
        .isCloseTo(5 * Math.PI, within(1e-12));
  }

  /**
   * The imperial rule T[lbf·ft] = WK²[lb·ft²]·Δn/(308·t), where 308 is g·60/2π rounded (common
   * practice).
   */
  @Test
  void agreesWithTheRuleOf308() {
    double poundFeetSquared = 10;
    double kilograms = poundFeetSquared * 0.45359237 * 0.3048 * 0.3048;
    double rule = poundFeetSquared * 1750 / (308 * 4);
    double newtonMetres = RampFormulas.acceleratingTorqueNewtonMetres(kilograms, 1750, 4);
    assertThat(newtonMetres / 1.3558179).isCloseTo(rule, within(rule * 0.003));
  }

  @Property
  void rampTimeUndoesTorque(
      @ForAll @DoubleRange(min = 0.01, max = 100) double inertia,
      @ForAll @DoubleRange(min = 1, max = 6000) double rpm,
      @ForAll @DoubleRange(min = 0.01, max = 600) double seconds) {
    double torque = RampFormulas.acceleratingTorqueNewtonMetres(inertia, rpm, seconds);
    assertThat(RampFormulas.rampSeconds(inertia, rpm, torque))
        .isCloseTo(seconds, within(seconds * 1e-9));
  }

  /** Energy: ½Jω² is used up by friction over the angle turned (conservation of energy). */
  @Test
  void coastTurnsUseUpTheEnergyOfRotation() {
    double omega = RampFormulas.radiansPerSecond(1500);
    double energy = 0.5 * 0.8 * omega * omega;
    double turns = RampFormulas.coastTurns(0.8, 1500, 3);
    assertThat(turns * 2 * Math.PI * 3).isCloseTo(energy, within(energy * 1e-9));
  }

  @Test
  void inertiaBehindAGearShrinksWithTheSquare() {
    assertThat(RampFormulas.reflectedInertiaKgM2(40, 20)).isCloseTo(0.1, within(1e-12));
  }

  @Test
  void powerAtTheShaftIsPowerAtTheOutputOverEfficiency() {
    ShaftLoad load = ShaftLoad.of(new Load(9, 120, 3, 0.2, 0.9), new Mechanics.Turning(30), 0.01);
    double shaftRpm = 1500;
    double outputRpm = shaftRpm / 30;
    double outputTorque = 120 + 3 * outputRpm + 0.2 * outputRpm * outputRpm;
    assertThat(load.torqueNewtonMetres(shaftRpm) * shaftRpm * 0.9)
        .isCloseTo(outputTorque * outputRpm, within(1e-6));
    assertThat(load.inertiaKgM2()).isCloseTo(0.01 + 9.0 / 900, within(1e-12));
  }

  @Test
  void refusesRampsWithoutTimeOrTorque() {
    assertThatThrownBy(() -> RampFormulas.acceleratingTorqueNewtonMetres(1, 100, 0))
        .hasMessageContaining("not 0.0 s");
    assertThatThrownBy(() -> RampFormulas.rampSeconds(1, 100, -2)).hasMessageContaining("-2");
  }
}
