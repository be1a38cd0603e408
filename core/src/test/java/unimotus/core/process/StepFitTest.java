package unimotus.core.process;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import unimotus.core.Campaign;

/** A recorded step read back: the step of a known process, with noise on it. */
class StepFitTest {
  private static final int CASES = Campaign.size(10_000, 500);

  @Test
  void aKnownProcessIsReadBack() {
    Random random = new Random(21);
    List<String> differ = new ArrayList<>();
    for (int i = 0; i < CASES; i++) {
      double gain = (random.nextBoolean() ? 1 : -1) * (0.01 + random.nextDouble());
      double lag = 1 + 30 * random.nextDouble();
      double dead = 0.5 + 10 * random.nextDouble();
      double step = (random.nextBoolean() ? 1 : -1) * (5 + 20 * random.nextDouble());
      double noise = 0.002 * Math.abs(gain * step);
      double[] t = new double[4000];
      double[] y = new double[4000];
      double at = 10;
      for (int k = 0; k < t.length; k++) {
        t[k] = k * (at + dead + 8 * lag) / t.length;
        double since = t[k] - at - dead;
        double there = since < 0 ? 0 : gain * step * (1 - Math.exp(-since / lag));
        y[k] = 3 + there + noise * (2 * random.nextDouble() - 1);
      }
      StepFit fit = StepFit.of(t, y, at, step);
      boolean same =
          fit.rises() == gain > 0
              && Math.abs(fit.model().gain() / Math.abs(gain) - 1) < 0.01
              && Math.abs(fit.model().lagSeconds() / lag - 1) < 0.05
              && Math.abs(fit.model().deadSeconds() - dead) < 0.05 * lag;
      if (!same) {
        differ.add("%s for %s %s %s".formatted(fit, gain, lag, dead));
      }
    }
    assertThat(differ).isEmpty();
  }

  private static double[] times(int n) {
    double[] t = new double[n];
    for (int i = 0; i < n; i++) {
      t[i] = i;
    }
    return t;
  }

  @Test
  void whatIsNoStepIsRefused() {
    double[] flat = new double[100];
    assertThatThrownBy(() -> StepFit.of(times(100), flat, 10, 5))
        .hasMessageContaining("did not change");
    assertThatThrownBy(() -> StepFit.of(times(100), times(100), 10, 5))
        .hasMessageContaining("record for longer");
    assertThatThrownBy(() -> StepFit.of(times(100), flat, 100, 5))
        .hasMessageContaining("within the record of 0.0 to 99.0 s");
    assertThatThrownBy(() -> StepFit.of(times(100), flat, 10, 0))
        .hasMessageContaining("must not be 0");
    assertThatThrownBy(() -> StepFit.of(times(10), new double[10], 5, 1))
        .hasMessageContaining("20 at least");
    double[] back = times(100);
    back[50] = 3;
    assertThatThrownBy(() -> StepFit.of(back, flat, 10, 1)).hasMessageContaining("row 51");
    double[] exact = times(100);
    double[] values = new double[100];
    for (int i = 30; i < 100; i++) {
      values[i] = 7;
    }
    StepFit jump = StepFit.of(exact, values, 10, 2);
    assertThat(jump.model().deadSeconds()).isCloseTo(19, within(1.0));
    assertThat(jump.model().gain()).isCloseTo(3.5, within(1e-9));
  }
}
