package unimotus.desktop.kit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TicksTest {

  @Test
  void ticksAreRoundNumbersInsideTheRange() {
    assertThat(Ticks.between(0, 25, 5)).containsExactly(0.0, 5.0, 10.0, 15.0, 20.0, 25.0);
    assertThat(Ticks.between(-50, 50, 4)).containsExactly(-50.0, 0.0, 50.0);
  }

  @ParameterizedTest
  @CsvSource({"0, 1e-6, 5", "-3, 1e9, 8", "0.1, 0.11, 3", "1e6, 1000010, 6"})
  void thereAreAboutAsManyAsWanted(double low, double high, double wanted) {
    List<Double> ticks = Ticks.between(low, high, wanted);
    assertThat(ticks.size()).isBetween(1, (int) (2.6 * wanted) + 2);
    assertThat(ticks)
        .allSatisfy(
            t -> assertThat(t).isBetween(low - (high - low) * 1e-6, high + (high - low) * 1e-6));
  }

  @Test
  void anEmptyRangeHasNone() {
    assertThat(Ticks.between(3, 3, 5)).isEmpty();
    assertThat(Ticks.between(0, Double.NaN, 5)).isEmpty();
    assertThat(Ticks.between(0, 10, 0)).isNotEmpty();
  }

  @Test
  void stepsAreOneTwoOrFive() {
    for (double span = 0.003; span < 1e5; span *= 1.7) {
      List<Double> ticks = Ticks.between(0, span, 5);
      double step = ticks.get(1) - ticks.get(0);
      double mantissa = step / Math.pow(10, Math.floor(Math.log10(step * (1 + 1e-9))));
      assertThat(List.of(1.0, 2.0, 5.0))
          .anySatisfy(m -> assertThat(mantissa).isCloseTo(m, within(1e-6)));
    }
  }
}
