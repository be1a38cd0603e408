package unimotus.core.stepper;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.util.Random;
import org.hipparchus.fraction.BigFraction;
import org.junit.jupiter.api.Test;
import unimotus.core.Campaign;
import unimotus.core.quantity.MeasureUnit;

/** Whole pulses of a travel; worked examples by hand, random ones by whole numbers alone. */
class PulseScaleTest {
  private static final int RUNS = Campaign.size(10_000, 500);

  /** A screw of 0.125 in a turn at 2000 pulses a turn. */
  private static final PulseScale SCREW =
      PulseScale.direct(200, 10, new BigDecimal("3.175"), MeasureUnit.MILLIMETRE);

  /** 300 mm are 94.488 turns are 188 976 steps; one is 1.5875 µm (worked example). */
  @Test
  void theScrewOfTheWorkedExample() {
    assertThat(SCREW.pulsesPerTurn()).isEqualTo(2000);
    PulseScale.Pulses pulses = SCREW.pulses(new BigDecimal(300));
    assertThat(pulses.whole()).isEqualTo(188_976);
    assertThat(pulses.whole() / 2000.0).isCloseTo(94.488, within(1e-3));
    assertThat(SCREW.travelPerPulse()).isCloseTo(0.0015875, within(1e-12));
    assertThat(pulses.missed()).isCloseTo(300 - 188_976 * 0.0015875, within(1e-9));
    // A hundred incremental moves miss a hundred times as much; absolute ones never.
    assertThat(SCREW.missedAfter(new BigDecimal(300), 100))
        .isCloseTo(100 * pulses.missed(), within(1e-9));
  }

  /** 5 turns at 400 are 2000 pulses, 20 s at 100 a second; 81 turns in 16 bits (worked example). */
  @Test
  void turnsAreCounted() {
    PulseScale turns = PulseScale.direct(200, 2, BigDecimal.ONE, MeasureUnit.REVOLUTION);
    assertThat(turns.pulses(new BigDecimal(5)).whole()).isEqualTo(2000);
    assertThat(turns.pulses(new BigDecimal(5)).whole() / 100.0).isEqualTo(20);
    assertThat(turns.turnsInWord(16)).isEqualTo(81);
    assertThat(turns.turnsInWord(32)).isEqualTo(5_368_709);
    assertThat(turns.velocity(100)).isEqualTo(0.25);
    assertThat(turns.rate(0.25)).isEqualTo(100);
  }

  /** |travel·n − whole·d| is never over half of d, by whole numbers that know no fraction. */
  @Test
  void pulsesAreTheNearestWholeOnes() {
    Random random = new Random(1020);
    for (int run = 0; run < RUNS; run++) {
      int steps = 20 * (1 + random.nextInt(50));
      int micro = 1 << random.nextInt(8);
      int over = 1 + random.nextInt(60);
      int under = 1 + random.nextInt(60);
      long lead = 1 + random.nextInt(200_000);
      long travel = random.nextInt(2_000_000) - 1_000_000;
      PulseScale scale =
          new PulseScale(
              steps,
              steps * micro,
              new BigFraction(over, under),
              BigDecimal.valueOf(lead, 3),
              MeasureUnit.MILLIMETRE);
      PulseScale.Pulses pulses = scale.pulses(BigDecimal.valueOf(travel, 3));
      BigInteger exact =
          BigInteger.valueOf(travel).multiply(BigInteger.valueOf((long) steps * micro * over));
      BigInteger one = BigInteger.valueOf(lead * under);
      BigInteger off = exact.subtract(one.multiply(BigInteger.valueOf(pulses.whole())));
      assertThat(off.abs().shiftLeft(1)).isLessThanOrEqualTo(one);
      double perPulse = lead / 1000.0 * under / ((double) steps * micro * over);
      assertThat(scale.travelPerPulse()).isCloseTo(perPulse, within(1e-9 * perPulse));
      assertThat(pulses.missed())
          .isCloseTo(off.doubleValue() / one.doubleValue() * perPulse, within(1e-6 * perPulse));
    }
  }

  @Test
  void whatCannotBeIsRefused() {
    assertThatThrownBy(() -> PulseScale.direct(0, 1, BigDecimal.ONE, MeasureUnit.REVOLUTION))
        .hasMessage("full steps a turn must be 1 or more, not 0");
    assertThatThrownBy(() -> PulseScale.direct(200, 0, BigDecimal.ONE, MeasureUnit.REVOLUTION))
        .hasMessage("microsteps must be 1 to 1024, not 0: 0 pulses a turn of 200 full steps");
    assertThatThrownBy(() -> PulseScale.direct(200, 1, BigDecimal.ZERO, MeasureUnit.MILLIMETRE))
        .hasMessage("travel a turn must be over 0, not 0");
    assertThatThrownBy(
            () ->
                new PulseScale(200, 200, BigFraction.ZERO, BigDecimal.ONE, MeasureUnit.MILLIMETRE))
        .hasMessageContaining("gear must be over 0");
    assertThatThrownBy(() -> SCREW.turnsInWord(1)).hasMessageContaining("2 to 62 bits");
  }
}
