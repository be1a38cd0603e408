package unimotus.core.power;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import unimotus.core.machine.ConductorSize;

/** Copper with alternating current: IEC 60228 and IEC 60287-1-1, from memory. */
class CableResistanceTest {

  /** α = 0.00393 1/K (IEC 60028): a fifth more at 70 °C, and nothing else with direct current. */
  @Test
  void copperOpposesMoreWhenItIsWarm() {
    ConductorSize size = ConductorSize.metric(2.5);
    assertThat(new CableResistance(size, 70, 0).ohmsPerKilometre())
        .isCloseTo(7.98 * 1.1965, within(1e-3));
    assertThat(new CableResistance(size, 20, 0).directOhmsPerKilometre()).isEqualTo(7.98);
  }

  /**
   * The usual tables of three-core cables give R_ac over R_dc of 1.00 up to 50 mm², about 1.01 at
   * 150 mm² and 1.02 to 1.03 at 240 mm², at 70 to 90 °C and 50 Hz (from memory).
   */
  @ParameterizedTest
  @CsvSource({"2.5, 1.000, 0.001", "50, 1.001, 0.002", "150, 1.011, 0.005", "240, 1.027, 0.01"})
  void largeConductorsOpposeAlternatingCurrentMore(double mm2, double ratio, double within) {
    CableResistance cable = new CableResistance(ConductorSize.metric(mm2), 70, 50);
    assertThat(cable.ohmsPerKilometre() / cable.directOhmsPerKilometre())
        .isCloseTo(ratio, within(within));
  }

  @Test
  void theEffectGrowsWithFrequency() {
    ConductorSize size = ConductorSize.metric(120);
    double slow = new CableResistance(size, 70, 50).ohmsPerKilometre();
    double fast = new CableResistance(size, 70, 400).ohmsPerKilometre();
    assertThat(fast).isGreaterThan(1.3 * slow);
    assertThat(new CableResistance(size, 70, 400).reactanceOhmsPerKilometre())
        .isCloseTo(0.64, within(1e-9));
  }

  /** √3·100 A·0.1 km·0.08 Ω/km, when only the reactance counts. */
  @Test
  void aLoadWithoutPowerLosesOverTheReactance() {
    CableResistance cable = new CableResistance(ConductorSize.metric(50), 70, 50);
    assertThat(cable.lostVolts(100, 100, 0)).isCloseTo(Math.sqrt(3) * 0.8, within(1e-9));
    assertThat(cable.lostVolts(100, 100, 1))
        .isCloseTo(Math.sqrt(3) * 10 * cable.ohmsPerKilometre(), within(1e-9));
  }
}
