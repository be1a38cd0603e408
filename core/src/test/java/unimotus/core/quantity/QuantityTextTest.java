package unimotus.core.quantity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.StringLength;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class QuantityTextTest {

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "7.5kW | 7500",
        "7,5 kW | 7500",
        "7500 W | 7500",
        "10 hp | 7456.998715822702",
        "+2e3 | 2000",
        ".5 kW | 500",
        "0,125kW | 125",
        "12. | 12"
      })
  void readsPowerTheWayPeopleTypeIt(String text, double watts) {
    assertThat(QuantityText.parseIn("power", text, MeasureUnit.WATT_UNIT))
        .isCloseTo(watts, within(1e-9));
  }

  @Test
  void readsTheTrueMinusSign() {
    assertThat(QuantityText.parseIn("speed", "−3.5 rpm", MeasureUnit.RPM)).isEqualTo(-3.5);
  }

  @ParameterizedTest
  @ValueSource(strings = {"", "  ", "abc", "kW", "-", ".", "--5", "1e9999", "NaN", "Infinity"})
  void refusesWhatIsNoNumberAndNamesTheThing(String text) {
    assertThatThrownBy(() -> QuantityText.parse("plate power", text, MeasureUnit.WATT_UNIT))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("plate power");
  }

  @Test
  void refusesACommaThatCouldBeAThousandsMark() {
    assertThatThrownBy(() -> QuantityText.parse("speed", "1,450 rpm", MeasureUnit.RPM))
        .hasMessageContaining("1450")
        .hasMessageContaining("1.450");
    assertThat(QuantityText.parseIn("speed", "0,450", MeasureUnit.RPM)).isEqualTo(0.45);
  }

  /** A gear ratio is written with a colon as often as without (common practice). */
  @Test
  void aRatioMayBeWrittenAsOne() {
    assertThat(QuantityText.parseIn("gear ratio", "20:1", MeasureUnit.ONE)).isEqualTo(20);
    assertThat(QuantityText.parseIn("gear ratio", "7 : 2", MeasureUnit.ONE)).isEqualTo(3.5);
    assertThatThrownBy(() -> QuantityText.parse("gear ratio", "20:0", MeasureUnit.ONE))
        .hasMessageContaining("gear ratio")
        .hasMessageContaining("20:0");
    assertThatThrownBy(() -> QuantityText.parse("speed", "20:1", MeasureUnit.RPM))
        .hasMessageContaining("speed");
  }

  @Test
  void refusesTwoDecimalMarks() {
    assertThatThrownBy(() -> QuantityText.parse("speed", "1.234,5", MeasureUnit.RPM))
        .hasMessageContaining("more than one decimal mark");
  }

  @Test
  void refusesAUnitOfAnotherDimension() {
    assertThatThrownBy(() -> QuantityText.parse("current", "5 V", MeasureUnit.AMPERE_UNIT))
        .isInstanceOf(UnitMismatch.class)
        .hasMessageContaining("measures voltage");
  }

  @Test
  void refusesAnUnknownUnitAndSaysWhatIsWritten() {
    assertThatThrownBy(() -> QuantityText.parse("current", "5 amps", MeasureUnit.AMPERE_UNIT))
        .hasMessageContaining("'amps' is not known")
        .hasMessageContaining("written in A");
  }

  @Property
  void whatIsWrittenIsReadBack(
      @ForAll @DoubleRange(min = -1e6, max = 1e6) double value, @ForAll boolean comma) {
    char mark = comma ? ',' : '.';
    String text = new QuantityFormat(mark, 12).text(value, MeasureUnit.HERTZ_UNIT);
    double read = QuantityText.parse("x", text, MeasureUnit.HERTZ_UNIT, mark).value();
    assertThat(read).isCloseTo(value, within(Math.max(1e-9, Math.abs(value) * 1e-10)));
  }

  @Test
  void theReadersOwnMarkIsNeverInDoubt() {
    assertThat(QuantityText.parse("x", "82,021", MeasureUnit.RPM, ',').value()).isEqualTo(82.021);
    assertThatThrownBy(() -> QuantityText.parse("x", "1.450", MeasureUnit.RPM, ','))
        .hasMessageContaining("1450")
        .hasMessageContaining("1,450");
  }

  @Property(tries = 2000)
  void noTextCrashesIt(@ForAll @StringLength(max = 80) String text) {
    try {
      assertThat(QuantityText.parse("x", text, MeasureUnit.ONE).value()).isFinite();
    } catch (IllegalArgumentException refused) {
      assertThat(refused.getMessage()).isNotBlank();
    }
  }
}
