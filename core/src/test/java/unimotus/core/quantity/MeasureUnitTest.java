package unimotus.core.quantity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.HashSet;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class MeasureUnitTest {

  /** Conversion factors of NIST Special Publication 811, appendix B.8 (from memory). */
  @ParameterizedTest
  @CsvSource({
    "hp, W, 745.6999",
    "in, mm, 25.4",
    "ft, m, 0.3048",
    "lbf·ft, N·m, 1.355818",
    "lbf·in, N·m, 0.1129848",
    "psi, kPa, 6.894757",
    "bar, kPa, 100",
    "lb, kg, 0.45359237",
    "ft/min, m/min, 0.3048"
  })
  void agreesWithThePublishedFactor(String from, String to, double factor) {
    double converted = unit(from).convert(1, unit(to));
    assertThat(converted).isCloseTo(factor, within(factor * 1e-6));
  }

  @Test
  void oneRevolutionPerSecondIsSixtyRpmAndTwoPiRadians() {
    assertThat(unit("rev/s").convert(1, MeasureUnit.RPM)).isCloseTo(60, within(1e-9));
    assertThat(unit("rev/s").convert(1, unit("rad/s"))).isCloseTo(2 * Math.PI, within(1e-12));
  }

  @ParameterizedTest
  @EnumSource(MeasureUnit.class)
  void everyUnitIsFoundByItsSymbolAndConvertsToItselfUnchanged(MeasureUnit unit) {
    assertThat(MeasureUnit.ofSymbol(unit.symbol())).contains(unit);
    assertThat(unit.convert(12.3456789, unit)).isEqualTo(12.3456789);
  }

  @ParameterizedTest
  @EnumSource(MeasureUnit.class)
  void everyUnitGoesThereAndBackWithinItsDimension(MeasureUnit unit) {
    for (MeasureUnit other : MeasureUnit.of(unit.dimension())) {
      assertThat(other.convert(unit.convert(3.5, other), unit)).isCloseTo(3.5, within(1e-12));
    }
  }

  @Test
  void noSymbolStandsForTwoUnits() {
    Set<String> symbols = new HashSet<>();
    for (MeasureUnit unit : MeasureUnit.values()) {
      assertThat(symbols.add(unit.symbol())).as(unit.symbol()).isTrue();
    }
  }

  @Test
  void hertzIsNotRpmThoughBothAreOnePerSecond() {
    assertThatThrownBy(() -> MeasureUnit.HERTZ_UNIT.convert(50, MeasureUnit.RPM))
        .isInstanceOf(UnitMismatch.class)
        .hasMessageContaining("'Hz' measures frequency")
        .hasMessageContaining("rpm");
  }

  @Test
  void caseMattersOnlyWhereItTellsUnitsApart() {
    assertThat(MeasureUnit.ofSymbol("RPM")).contains(MeasureUnit.RPM);
    assertThat(MeasureUnit.ofSymbol("hz")).contains(MeasureUnit.HERTZ_UNIT);
    assertThat(MeasureUnit.ofSymbol("furlong")).isEmpty();
  }

  private static MeasureUnit unit(String symbol) {
    return MeasureUnit.ofSymbol(symbol).orElseThrow();
  }
}
