package unimotus.core.safety;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.assertj.core.data.Percentage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import unimotus.core.machine.StopUse;

class SafetyFormulasTest {

  /**
   * ISO 13849-1, annex C, worked example of a pneumatic valve (from memory): B10d of 60 million
   * cycles, 220 days of 16 hours, a cycle every 5 seconds.
   */
  @Test
  void theWorkedExampleOfAnnexCComesOut() {
    StopUse use = StopUse.USUAL.withRhythm(3600 / 5.0, 16, 220);
    double operations = FailureFormulas.operationsPerYear(use);
    assertThat(operations).isCloseTo(2.53e6, Percentage.withPercentage(0.3));
    assertThat(FailureFormulas.meanYears(60e6, operations)).isCloseTo(237, within(0.5));
    assertThat(FailureFormulas.replaceAfterYears(60e6, operations)).isCloseTo(23.7, within(0.05));
  }

  /** ISO 13849-1, annex D.2, worked example (from memory): 3 and 100 years make 66 years. */
  @Test
  void twoUnequalChannelsAreMadeEqual() {
    assertThat(FailureFormulas.symmetrised(3, 100)).isCloseTo(66, within(0.8));
    assertThat(FailureFormulas.symmetrised(40, 40)).isCloseTo(40, within(1e-9));
  }

  /** ISO 13849-1, table 2, and the bands of IEC 62061 (from memory). */
  @ParameterizedTest
  @CsvSource({
    "5e-5, A, none",
    "1e-5, A, none",
    "9.9e-6, B, 1",
    "3e-6, B, 1",
    "2.9e-6, C, 1",
    "9.9e-7, D, 2",
    "1e-7, D, 2",
    "9.9e-8, E, 3",
    "1e-9, E, 3"
  })
  void theBandsOfThePerformanceLevels(double perHour, PerformanceLevel level, String sil) {
    assertThat(PerformanceLevel.of(perHour)).contains(level);
    assertThat(level.safetyIntegrityLevel()).isEqualTo(sil);
  }

  /** ISO 13849-1, annex A (from memory): S1F1P1 asks for a, S2F2P2 for e. */
  @ParameterizedTest
  @CsvSource({
    "false, false, false, A",
    "false, false, true, B",
    "false, true, false, B",
    "false, true, true, C",
    "true, false, false, C",
    "true, false, true, D",
    "true, true, false, D",
    "true, true, true, E"
  })
  void theRiskGraph(boolean severe, boolean frequent, boolean hardly, PerformanceLevel level) {
    assertThat(RiskGraph.required(severe, frequent, hardly)).isEqualTo(level);
  }

  /** ISO 13849-1, table F.1 (from memory): the list makes 100 points, 65 are needed. */
  @Test
  void theCommonCausePointsMakeAHundred() {
    int all = 0;
    for (CommonCause measure : CommonCause.values()) {
      all += measure.points();
    }
    assertThat(all).isEqualTo(100);
    assertThat(CommonCause.points(List.of("EMC", "DIVERSITY", "nonsense"))).isEqualTo(45);
  }
}
