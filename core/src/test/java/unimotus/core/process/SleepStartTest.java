package unimotus.core.process;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import unimotus.core.Campaign;

/** Asleep while starting: closed form against a ramp and a timer that are run tick by tick. */
class SleepStartTest {
  private static final int CASES = Campaign.size(20_000, 2000);
  private static final double TICK = 0.01;

  /** Handbook, section 9: 60 Hz, 30 s, 40 Hz for 15 s: passes at 20 s, asleep at 15 s. */
  @Test
  void theHandbooksPump() {
    SleepStart start = new SleepStart(60, 30, 40, 15, 0);
    assertThat(start.passesSeconds()).isCloseTo(20, within(1e-12));
    assertThat(start.fallsAsleep()).isTrue();
    assertThat(start.marginSeconds()).isCloseTo(-5, within(1e-12));
    assertThat(start.longestRamp().orElseThrow()).isCloseTo(22.5, within(1e-12));
    assertThat(start.highestLevel().orElseThrow()).isCloseTo(30, within(1e-12));
    assertThat(start.words())
        .isEqualTo(
            "it is asleep after 15 s and would pass 40 Hz after 20 s: a delay over 20 s, a ramp"
                + " under 22.5 s, a level under 30 Hz");
    assertThat(new SleepStart(60, 15, 40, 15, 0).words()).contains("stays awake; 5 s are left");
  }

  /** Falls asleep as the timer counts it. */
  private static boolean played(SleepStart start) {
    double below = 0;
    for (int tick = 0; ; tick++) {
      double now = tick * TICK;
      double ramped =
          start.rampSeconds() == 0
              ? start.maximumHertz()
              : (now - start.lagSeconds()) / start.rampSeconds() * start.maximumHertz();
      double output =
          now < start.lagSeconds() ? 0 : Math.min(start.maximumHertz(), Math.max(0, ramped));
      if (output >= start.levelHertz() && now >= start.lagSeconds()) {
        return false;
      }
      below += TICK;
      if (below >= start.delaySeconds()) {
        return true;
      }
    }
  }

  @Test
  void theVerdictIsThatOfTheTimer() {
    Random random = new Random(61);
    List<String> differ = new ArrayList<>();
    int asleep = 0;
    int looked = 0;
    for (int i = 0; i < CASES; i++) {
      double maximum = 30 + random.nextInt(60);
      SleepStart start =
          new SleepStart(
              maximum,
              random.nextInt(600) / 10.0,
              Math.rint(random.nextDouble() * maximum),
              (1 + random.nextInt(400)) / 10.0,
              random.nextInt(50) / 10.0);
      if (Math.abs(start.marginSeconds()) < 2 * TICK) {
        continue;
      }
      looked++;
      asleep += start.fallsAsleep() ? 1 : 0;
      if (start.fallsAsleep() != played(start)) {
        differ.add(start.toString());
      }
    }
    assertThat(differ).isEmpty();
    assertThat(asleep).isBetween(looked / 10, looked * 9 / 10);
  }

  /** Each cure alone, a little more than the least, keeps it awake; a little less does not. */
  @Test
  void everyCureIsTheSmallestThatCures() {
    Random random = new Random(67);
    for (int i = 0; i < CASES / 10; i++) {
      SleepStart start =
          new SleepStart(
              50 + random.nextInt(11),
              5 + random.nextInt(60),
              10 + random.nextInt(40),
              1 + random.nextInt(30),
              random.nextInt(20) / 10.0);
      if (!start.fallsAsleep()) {
        continue;
      }
      for (double part : new double[] {0.99, 1.01}) {
        double more = 2 - part;
        assertThat(
                new SleepStart(
                        start.maximumHertz(),
                        start.rampSeconds(),
                        start.levelHertz(),
                        start.shortestDelay() * more,
                        start.lagSeconds())
                    .fallsAsleep())
            .isEqualTo(part > 1);
        start
            .longestRamp()
            .ifPresent(
                r ->
                    assertThat(
                            new SleepStart(
                                    start.maximumHertz(),
                                    r * part,
                                    start.levelHertz(),
                                    start.delaySeconds(),
                                    start.lagSeconds())
                                .fallsAsleep())
                        .isEqualTo(part > 1));
        start
            .highestLevel()
            .ifPresent(
                l ->
                    assertThat(
                            new SleepStart(
                                    start.maximumHertz(),
                                    start.rampSeconds(),
                                    Math.min(start.maximumHertz(), l * part),
                                    start.delaySeconds(),
                                    start.lagSeconds())
                                .fallsAsleep())
                        .isEqualTo(part > 1));
      }
    }
  }

  @Test
  void whatCannotBeIsRefused() {
    assertThatThrownBy(() -> new SleepStart(60, 30, 61, 15, 0))
        .hasMessageContaining("the level must be 0 to the maximum of 60.0 Hz, not 61.0 Hz");
    assertThatThrownBy(() -> new SleepStart(0, 30, 0, 15, 0)).hasMessageContaining("over 0 Hz");
    assertThatThrownBy(() -> new SleepStart(60, -1, 40, 15, 0)).hasMessageContaining("ramp");
    assertThatThrownBy(() -> new SleepStart(60, 30, 40, 0, 0)).hasMessageContaining("delay");
    assertThat(new SleepStart(60, 30, 40, 5, 6).longestRamp()).isEmpty();
    assertThat(new SleepStart(60, 30, 40, 5, 6).words())
        .contains("a delay over 26 s")
        .doesNotContain("ramp under");
  }
}
