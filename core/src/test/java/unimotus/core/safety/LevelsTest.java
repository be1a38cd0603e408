package unimotus.core.safety;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The words and bounds of ISO 13849-1:2015 (from memory). */
class LevelsTest {

  /** Table 5, with the five percent it allows: 57, 85.5 and 94.05 % are the bounds. */
  @ParameterizedTest
  @CsvSource({
    "0, none",
    "0.569, none",
    "0.57, low",
    "0.6, low",
    "0.854, low",
    "0.855, medium",
    "0.9, medium",
    "0.94, medium",
    "0.9405, high",
    "0.99, high",
    "1, high"
  })
  void coverageIsReadInBands(double coverage, String band) {
    assertThat(CoverageBand.of(coverage).label()).isEqualTo(band);
  }

  @Test
  void levelsHaveLettersAndAnOrder() {
    assertThat(List.of(PerformanceLevel.values()).stream().map(PerformanceLevel::letter))
        .containsExactly("a", "b", "c", "d", "e");
    assertThat(PerformanceLevel.E.noBetterThan(PerformanceLevel.C)).isEqualTo(PerformanceLevel.C);
    assertThat(PerformanceLevel.B.noBetterThan(PerformanceLevel.C)).isEqualTo(PerformanceLevel.B);
    assertThat(PerformanceLevel.C.noBetterThan(PerformanceLevel.C)).isEqualTo(PerformanceLevel.C);
    assertThat(PerformanceLevel.of(9.9e-5)).contains(PerformanceLevel.A);
    assertThat(PerformanceLevel.of(1e-4)).as("under level a").isEmpty();
    assertThat(PerformanceLevel.of(Double.NaN)).isEmpty();
  }

  /**
   * Clause 6.2: one channel below category 3; 100 years count, 2500 in category 4 (from memory).
   */
  @Test
  void structuresSayWhatTheyRestOn() {
    assertThat(List.of(Structure.values()).stream().map(Structure::label))
        .containsExactly("B", "1", "2", "3", "4");
    assertThat(List.of(Structure.values()).stream().filter(Structure::isTwoChannel))
        .containsExactly(Structure.THREE, Structure.FOUR);
    assertThat(List.of(Structure.values()).stream().map(Structure::mostYears))
        .containsExactly(100.0, 100.0, 100.0, 100.0, 2500.0);
    assertThat(List.of(Structure.values()).stream().map(Structure::best))
        .containsExactly(
            PerformanceLevel.B,
            PerformanceLevel.C,
            PerformanceLevel.D,
            PerformanceLevel.E,
            PerformanceLevel.E);
    assertThat(Structure.values()).allSatisfy(s -> assertThat(s.hint()).isNotBlank());
  }

  @Test
  void measuresAgainstCommonCausesAreKnownByName() {
    for (CommonCause measure : CommonCause.values()) {
      assertThat(CommonCause.isKnown(measure.name())).isTrue();
      assertThat(CommonCause.points(List.of(measure.name()))).isEqualTo(measure.points());
      assertThat(measure.label()).isNotBlank();
    }
    assertThat(CommonCause.isKnown("LUCK")).isFalse();
    assertThat(CommonCause.NEEDED).isEqualTo(65);
  }
}
