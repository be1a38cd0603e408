package unimotus.core.quantity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class QuantityFormatTest {

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "0 | 0",
        "25.000000000000004 | 25",
        "1455 | 1455",
        "13824 | 13 824",
        "1234567 | 1 234 600",
        "0.0000123456 | 0.000012346",
        "-3.5 | −3.5"
      })
  void writesFiveDigitsWithNarrowSpaces(double value, String text) {
    assertThat(QuantityFormat.PLAIN.number(value).replace('\u202f', ' ')).isEqualTo(text);
  }

  @Test
  void writesTheReadersDecimalMark() {
    assertThat(new QuantityFormat(',', 4).text(12.344, MeasureUnit.MILLIAMPERE))
        .isEqualTo("12,34 mA");
  }

  /** 2^17 of an encoder is not 131 070. */
  @Test
  void wholeCountsKeepAllTheirDigits() {
    QuantityFormat plain = QuantityFormat.PLAIN;
    assertThat(plain.text(131_072, MeasureUnit.COUNTS)).isEqualTo("131\u202f072 counts");
    assertThat(plain.text(0, MeasureUnit.COUNTS)).isEqualTo("0 counts");
    assertThat(plain.text(13_824.25, MeasureUnit.COUNTS)).isEqualTo("13\u202f824 counts");
    assertThat(plain.text(131_072, MeasureUnit.RPM)).isEqualTo("131\u202f070 rpm");
  }

  @Test
  void writesADashForWhatIsNoNumber() {
    assertThat(QuantityFormat.PLAIN.number(Double.NaN)).isEqualTo("–");
    assertThat(QuantityFormat.PLAIN.number(Double.POSITIVE_INFINITY)).isEqualTo("–");
  }

  @Test
  void refusesAnImpossibleFormat() {
    assertThatThrownBy(() -> new QuantityFormat(';', 5)).hasMessageContaining("';'");
    assertThatThrownBy(() -> new QuantityFormat('.', 1)).hasMessageContaining("not 1");
  }

  @Test
  void aQuantityIsFinite() {
    assertThatThrownBy(() -> new Quantity(Double.NaN, MeasureUnit.ONE))
        .hasMessageContaining("finite");
  }

  /** BIPM, SI prefixes: one to three digits before the mark, four that carry meaning. */
  @ParameterizedTest
  @CsvSource({
    "10.02, V, 10.02 V",
    "0.01002, V, 10.02 mV",
    "0.0004784, A, 478.4 µA",
    "0.99996, V, 1 V",
    "4700, Ω, 4.7 kΩ",
    "2200000, Ω, 2.2 MΩ",
    "-0.005, A, −5 mA",
    "0, V, 0 V",
    "-0.0, V, 0 V",
    "13, Ω, 13 Ω"
  })
  void engineeringPrefixes(double value, String symbol, String text) {
    assertThat(QuantityFormat.PLAIN.engineering(value, symbol)).isEqualTo(text);
    assertThat(new QuantityFormat(',', 5).engineering(value, symbol))
        .isEqualTo(text.replace('.', ','));
  }
}
