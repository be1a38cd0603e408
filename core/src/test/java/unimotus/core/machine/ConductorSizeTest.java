package unimotus.core.machine;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class ConductorSizeTest {

  /** IEC 60228 table 3, class 5, plain copper at 20 °C (from memory). */
  @ParameterizedTest
  @CsvSource({
    "0.5, 39.0",
    "0.75, 26.0",
    "1, 19.5",
    "1.5, 13.3",
    "2.5, 7.98",
    "4, 4.95",
    "6, 3.30",
    "10, 1.91"
  })
  void metricSizesHaveTheResistanceOfIec60228(double size, double ohms) {
    assertThat(ConductorSize.metric(size).ohmsPerKilometre()).isEqualTo(ohms);
  }

  /** Areas of American gauges by their definition, ASTM B258 (from memory). */
  @ParameterizedTest
  @CsvSource({"24, 0.2047", "22, 0.3255", "18, 0.8230", "16, 1.309", "14, 2.081", "10, 5.261"})
  void americanGaugesHaveTheAreaOfTheirDefinition(int gauge, double area) {
    assertThat(ConductorSize.awg(gauge).squareMillimetres()).isEqualTo(area, within(area * 0.001));
  }

  /**
   * Six gauges double the diameter nearly exactly: 92^(6/39) = 2.005 [follows from the definition].
   */
  @Test
  void sixGaugesDoubleTheDiameter() {
    double thin = ConductorSize.awg(18).squareMillimetres();
    double thick = ConductorSize.awg(12).squareMillimetres();
    assertThat(Math.sqrt(thick / thin)).isEqualTo(2.005, within(0.001));
  }

  /** 4/0 has 107.2 mm² by its definition, ASTM B258 (from memory). */
  @Test
  void theNoughtsGoOnBelowNought() {
    assertThat(ConductorSize.parse("4/0 AWG").squareMillimetres()).isEqualTo(107.2, within(0.05));
  }

  @Test
  void theTableLiesAboveTheResistivityOfCopperAndNotFar() {
    for (double size : new double[] {0.5, 0.75, 1, 1.5, 2.5, 4, 6, 10}) {
      double ideal = 1000.0 / 58 / size;
      assertThat(ConductorSize.metric(size).ohmsPerKilometre())
          .as(size + " mm²")
          .isBetween(ideal, ideal * 1.2);
    }
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "0.75 mm²|0.75 mm²",
        "0,75|0.75 mm²",
        "1.5mm2|1.5 mm²",
        "AWG 18|AWG 18",
        "awg18|AWG 18",
        "18 AWG|AWG 18",
        "AWG 0|AWG 1/0",
        "2/0 AWG|AWG 2/0",
        "AWG 4/0|AWG 4/0",
        "6 qmm|6 mm²",
        "2.5 mm²|2.5 mm²"
      })
  void sizesAreReadAsTheyAreWritten(String text, String shown) {
    assertThat(ConductorSize.parse(text)).hasToString(shown);
    assertThat(ConductorSize.parse(shown)).isEqualTo(ConductorSize.parse(text));
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "",
        "thick",
        "-1",
        "0",
        "1000 mm²",
        "AWG 99",
        "AWG -2",
        "0.75 m",
        "1,500",
        "AWG 5/0",
        "1.5 A"
      })
  void impossibleSizesAreRefusedByName(String text) {
    assertThatThrownBy(() -> ConductorSize.parse(text))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("conductor");
  }

  @Test
  void aHundredMetresOfUsualWireHaveTwoPointSixOhms() {
    assertThat(WireMake.PLAIN.withLength(100).ohms()).isEqualTo(2.6, within(1e-9));
    assertThatThrownBy(() -> WireMake.PLAIN.withLength(20_000)).hasMessageContaining("10000");
  }
}
