package unimotus.core.safety;

import static org.assertj.core.api.Assertions.assertThat;

import org.assertj.core.data.Percentage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/**
 * Table K.1 of ISO 13849-1:2015 (from memory), held against what it was made from: the one channel
 * by its formula, two watched channels by a chain of states, and the levels along its columns.
 */
class TableK1Test {
  private static double cell(Structure structure, CoverageBand band, double years) {
    return TableK1.perHour(structure, band, years).orElseThrow();
  }

  /** 1/(8760 h·y) for one channel that nothing tests. */
  @ParameterizedTest
  @CsvSource({"B, 3", "B, 10", "B, 27", "ONE, 30", "ONE, 56", "ONE, 100"})
  void oneChannelIsItsFormula(Structure structure, double years) {
    assertThat(cell(structure, CoverageBand.NONE, years))
        .isCloseTo(1 / (8760 * years), Percentage.withPercentage(0.5));
  }

  /**
   * Two equal channels that watch each other, with 2 % common cause, over twenty years: sound, one
   * hidden failure, failed. This chain gives structure 4 and the long-lived rows of structure 3.
   */
  private static double chain(double years, double coverage) {
    double rate = 1 / (8760 * years);
    double hours = 20 * 8760;
    int steps = 20_000;
    double step = hours / steps;
    double sound = 1;
    double hidden = 0;
    double failed = 0;
    for (int i = 0; i < steps; i++) {
      double hides = 2 * rate * (1 - coverage) * 0.98 * sound * step;
      double both = 0.02 * rate * sound * step;
      double second = rate * hidden * step;
      sound -= hides + both;
      hidden += hides - second;
      failed += both + second;
    }
    return failed / hours;
  }

  @ParameterizedTest
  @CsvSource({
    "FOUR, HIGH, 30, 0.99, 1.5",
    "FOUR, HIGH, 100, 0.99, 1.5",
    "FOUR, HIGH, 510, 0.99, 1.5",
    "FOUR, HIGH, 2500, 0.99, 1.5",
    "THREE, MEDIUM, 30, 0.90, 2",
    "THREE, MEDIUM, 100, 0.90, 2",
    "THREE, LOW, 100, 0.60, 2"
  })
  void twoChannelsFollowTheChainOfStates(
      Structure structure, CoverageBand band, double years, double coverage, double percent) {
    assertThat(cell(structure, band, years))
        .isCloseTo(chain(years, coverage), Percentage.withPercentage(percent));
  }

  /**
   * At few years and a low coverage the chain is far too good, which is why the table is stored.
   */
  @Test
  void theChainIsTooGoodForShortLivedChannels() {
    assertThat(cell(Structure.THREE, CoverageBand.LOW, 3)).isGreaterThan(1.3 * chain(3, 0.60));
  }

  /** The levels along the columns (ISO 13849-1:2015, from memory). */
  @ParameterizedTest
  @CsvSource({
    "B, NONE, 11, A",
    "B, NONE, 12, B",
    "ONE, NONE, 30, B",
    "ONE, NONE, 39, C",
    "TWO, LOW, 6.8, A",
    "TWO, LOW, 7.5, B",
    "TWO, LOW, 22, C",
    "TWO, LOW, 62, D",
    "TWO, MEDIUM, 5.6, B",
    "TWO, MEDIUM, 16, C",
    "TWO, MEDIUM, 36, D",
    "THREE, LOW, 3.9, B",
    "THREE, LOW, 11, C",
    "THREE, LOW, 24, D",
    "THREE, LOW, 100, D",
    "THREE, MEDIUM, 3, B",
    "THREE, MEDIUM, 5.6, C",
    "THREE, MEDIUM, 13, D",
    "THREE, MEDIUM, 56, D",
    "THREE, MEDIUM, 62, E",
    "FOUR, HIGH, 30, E"
  })
  void theLevelsAlongTheColumns(
      Structure structure, CoverageBand band, double years, PerformanceLevel level) {
    assertThat(PerformanceLevel.of(cell(structure, band, years))).contains(level);
  }

  /** Between two rows the lower one counts. */
  @Test
  void betweenTwoRowsTheLowerOneCounts() {
    assertThat(cell(Structure.THREE, CoverageBand.MEDIUM, 61.9))
        .isEqualTo(cell(Structure.THREE, CoverageBand.MEDIUM, 56));
    assertThat(cell(Structure.THREE, CoverageBand.MEDIUM, 5000))
        .isEqualTo(cell(Structure.THREE, CoverageBand.MEDIUM, 100));
  }

  /** No structure is allowed under 3 years, none with two channels without coverage. */
  @Test
  void whatTheStandardDoesNotKnowHasNoRate() {
    assertThat(TableK1.perHour(Structure.B, CoverageBand.NONE, 2.9)).isEmpty();
    assertThat(TableK1.perHour(Structure.THREE, CoverageBand.LOW, 2.9)).isEmpty();
    assertThat(TableK1.perHour(Structure.THREE, CoverageBand.NONE, 100)).isEmpty();
    assertThat(TableK1.perHour(Structure.TWO, CoverageBand.NONE, 100)).isEmpty();
    assertThat(TableK1.perHour(Structure.FOUR, CoverageBand.MEDIUM, 100)).isEmpty();
    assertThat(TableK1.perHour(Structure.FOUR, CoverageBand.HIGH, 29)).isEmpty();
    assertThat(TableK1.perHour(Structure.ONE, CoverageBand.NONE, 29)).isEmpty();
  }

  /** A coverage over 99 % in structure 3 counts as medium. */
  @Test
  void highCoverageInStructureThreeCountsAsMedium() {
    assertThat(cell(Structure.THREE, CoverageBand.HIGH, 47))
        .isEqualTo(cell(Structure.THREE, CoverageBand.MEDIUM, 47));
  }

  /** Longer lives never make it worse. */
  @ParameterizedTest
  @EnumSource(Structure.class)
  void theRateFallsWithTheYears(Structure structure) {
    CoverageBand band =
        structure == Structure.FOUR
            ? CoverageBand.HIGH
            : structure == Structure.B || structure == Structure.ONE
                ? CoverageBand.NONE
                : CoverageBand.LOW;
    double before = Double.POSITIVE_INFINITY;
    for (double years = 30; years <= structure.mostYears(); years *= 1.05) {
      double rate = cell(structure, band, years);
      assertThat(rate).isLessThanOrEqualTo(before);
      before = rate;
    }
  }

  /** The bounds carry five percent: 57, 85.5 and 94 % are read as 60, 90 and 99 % (memory). */
  @ParameterizedTest
  @CsvSource({
    "0.56, NONE",
    "0.571, LOW",
    "0.60, LOW",
    "0.85, LOW",
    "0.856, MEDIUM",
    "0.90, MEDIUM",
    "0.94, MEDIUM",
    "0.941, HIGH",
    "0.99, HIGH"
  })
  void theBandsOfCoverageCarryATolerance(double coverage, CoverageBand band) {
    assertThat(CoverageBand.of(coverage)).isEqualTo(band);
  }
}
