package unimotus.core.stepper;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import unimotus.core.Campaign;

/** A resistor before an input, against every value of three decades tried by Ohm's law. */
class SeriesResistorTest {
  private static final int RUNS = Campaign.size(10_000, 1000);

  /** E12 of IEC 60063, from memory, written out over its decades. */
  private static final String E12 = "10 12 15 18 22 27 33 39 47 56 68 82";

  /** An input of 5 V on 24 V wants about 2 kΩ (common practice). */
  @Test
  void fiveVoltsOnTwentyFour() {
    SeriesResistor fit =
        SeriesResistor.of(24, new SeriesResistor.Input(1.2, 330, 0.007, 0.016)).orElseThrow();
    assertThat(fit.ohms()).isEqualTo(1800);
    assertThat(fit.amperes()).isCloseTo(22.8 / 2130, within(1e-9));
    assertThat(fit.watts()).isCloseTo(0.206, within(0.001));
    assertThat(fit.ratedWatts()).isEqualTo(0.5);
    assertThat(SeriesResistor.of(5, new SeriesResistor.Input(1.2, 330, 0.007, 0.016))).isEmpty();
  }

  @Test
  void itIsFoundWhereOneFitsAndOnlyThere() {
    Random random = new Random(60063);
    int found = 0;
    for (int run = 0; run < RUNS; run++) {
      double volts = 3 + random.nextInt(60);
      double forward = random.nextInt(30) / 10.0;
      double inside = random.nextInt(5) * 110;
      double least = 0.001 + random.nextInt(20) / 1000.0;
      double most = least * (1.02 + random.nextDouble());
      SeriesResistor.Input input = new SeriesResistor.Input(forward, inside, least, most);
      boolean bare = inside > 0 && (volts - forward) / inside <= most;
      boolean one = false;
      for (int decade = -1; decade < 6; decade++) {
        for (String value : E12.split(" ")) {
          double ohms = Double.parseDouble(value) * Math.pow(10, decade);
          double amperes = (volts - forward) / (inside + ohms);
          one |= amperes >= least * (1 + 1e-9) && amperes <= most * (1 - 1e-9);
        }
      }
      Optional<SeriesResistor> fit = SeriesResistor.of(volts, input);
      if (bare) {
        assertThat(fit).isEmpty();
      } else if (one) {
        found++;
        double amperes = (volts - forward) / (inside + fit.orElseThrow().ohms());
        assertThat(amperes).isBetween(least * (1 - 1e-9), most * (1 + 1e-9));
        assertThat(fit.orElseThrow().watts())
            .isCloseTo(amperes * amperes * fit.orElseThrow().ohms(), within(1e-9));
      }
    }
    assertThat(found).isGreaterThan(RUNS / 3);
  }

  @Test
  void anInputThatCannotBeIsRefused() {
    assertThatThrownBy(() -> new SeriesResistor.Input(-1, 330, 0.007, 0.016))
        .hasMessageContaining("must not be negative");
    assertThatThrownBy(() -> new SeriesResistor.Input(1.2, 330, 0.016, 0.007))
        .hasMessage("input: what it bears (0.007 A) must be over what it needs (0.016 A)");
  }
}
