package unimotus.core.discrete;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;

/** Hand closes stop and start at nearly the same time: how often the motor starts. */
class StartRaceTest {
  private static final int TURNS = 1000;

  /** The plain start is unreliable, the delayed one is not (common practice). */
  @Test
  void plainStartsOftenAreLostAndDelayedOnesNever() {
    int plain = StartRace.usual(0).starts(TURNS, new Random(1));
    int delayed = StartRace.usual(0.2).starts(TURNS, new Random(1));
    assertThat(plain).isBetween(TURNS / 20, TURNS / 2);
    assertThat(delayed).isEqualTo(TURNS);
  }

  /**
   * Without bounce and filter the chance can be worked out: stop must come before a scan that comes
   * before start. Skews spread evenly over ±a and scans every T ≥ a give a/(4·T).
   */
  @Test
  void withoutBounceTheChanceIsAQuarterOfSkewOverScan() {
    double a = 0.004;
    double scan = 0.008;
    int turns = 200_000;
    double share = (double) new StartRace(a, 0, 0, scan, 0).starts(turns, new Random(2)) / turns;
    assertThat(share).isEqualTo(a / (4 * scan), within(0.003));
  }

  @Test
  void contactsThatCloseTogetherNeverStart() {
    assertThat(new StartRace(0, 0, 0.002, 0.008, 0).starts(TURNS, new Random(3))).isZero();
  }

  @Test
  void theSameChanceGivesTheSameCount() {
    assertThat(StartRace.usual(0).starts(TURNS, new Random(4)))
        .isEqualTo(StartRace.usual(0).starts(TURNS, new Random(4)));
  }

  @Test
  void aScanTakesTime() {
    assertThatThrownBy(() -> new StartRace(0, 0, 0, 0, 0)).hasMessageContaining("scan");
    assertThatThrownBy(() -> new StartRace(-1, 0, 0, 1, 0)).hasMessageContaining("negative");
  }
}
