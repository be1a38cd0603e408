package unimotus.core.process;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import java.util.stream.DoubleStream;
import org.junit.jupiter.api.Test;

/**
 * Tuning against the figures published with the rule (Skogestad 2003, tables 1 and 2, from memory),
 * margins against their definitions, the step response against the method of steps.
 */
class LoopTuningTest {
  /** At τc = θ and Ti = τ: gain margin 3.14 = π, phase margin 61.4°, sensitivity 1.59. */
  @Test
  void theQuickLoopHasThePublishedMargins() {
    LoopMargins margins = LoopTuning.of(StepModel.firstOrder(2, 6, 1), Pace.QUICK).margins();
    assertThat(margins.gain()).isCloseTo(Math.PI, within(1e-6));
    assertThat(margins.phaseDegrees()).isCloseTo(61.35, within(0.01));
    assertThat(margins.sensitivity()).isCloseTo(1.59, within(0.005));
  }

  /** Where it integrates: 2.96, 46.9°, 1.70. */
  @Test
  void theQuickLoopOfALevelHasThePublishedMargins() {
    LoopMargins margins = LoopTuning.of(StepModel.integrating(0.03, 4), Pace.QUICK).margins();
    assertThat(margins.gain()).isCloseTo(2.96, within(0.005));
    assertThat(margins.phaseDegrees()).isCloseTo(46.9, within(0.05));
    assertThat(margins.sensitivity()).isCloseTo(1.70, within(0.005));
  }

  /** Kc = 6/(2·(1 + 1)) = 1.5, Ti = min(6, 8) = 6; a lag of 20 s is too slow for that: 8 s. */
  @Test
  void gainAndIntegralTimeAreThoseOfTheRule() {
    LoopTuning tuned = LoopTuning.of(StepModel.firstOrder(2, 6, 1), Pace.QUICK);
    assertThat(tuned.gain()).isCloseTo(1.5, within(1e-12));
    assertThat(tuned.integralSeconds()).isCloseTo(6, within(1e-12));
    assertThat(LoopTuning.of(StepModel.firstOrder(2, 20, 1), Pace.QUICK).integralSeconds())
        .isCloseTo(8, within(1e-12));
    LoopTuning calm = LoopTuning.of(StepModel.integrating(0.1, 2), Pace.CALM);
    assertThat(calm.gain()).isCloseTo(1, within(1e-12));
    assertThat(calm.integralSeconds()).isCloseTo(40, within(1e-12));
    assertThat(calm.sum(Pace.CALM.times()).text()).contains("1/(0.1·(4·2 + 2))");
  }

  /**
   * What a margin says is tried: with the gain multiplied by it the loop swings on, with a little
   * less it comes to rest, with a little more it does not.
   */
  @Test
  void theGainMarginIsWhereTheLoopBeginsToSwing() {
    Random random = new Random(5);
    for (int i = 0; i < 40; i++) {
      StepModel model =
          random.nextBoolean()
              ? StepModel.integrating(0.01 + random.nextDouble(), 0.2 + random.nextDouble())
              : StepModel.firstOrder(
                  0.1 + random.nextDouble(),
                  0.5 + 9 * random.nextDouble(),
                  0.2 + random.nextDouble());
      LoopTuning tuned = LoopTuning.of(model, Pace.values()[random.nextInt(3)]);
      double margin = tuned.margins().gain();
      assertThat(end(tuned, 0.93 * margin)).as("%s under its margin", tuned).isLessThan(0.1);
      assertThat(end(tuned, 1.07 * margin)).as("%s over its margin", tuned).isGreaterThan(1);
    }
  }

  /** How far it still swings after 150 dead times, with another integrator than the product's. */
  private static double end(LoopTuning loop, double times) {
    StepModel m = loop.model();
    int steps = 400;
    double tick = m.deadSeconds() / steps;
    double[] told = new double[150 * steps + steps];
    double value = 0;
    double sum = 0;
    double most = 0;
    double gain = times * loop.gain();
    for (int i = 0; i + steps < told.length; i++) {
      sum += (1 - value) * tick;
      told[i + steps] = gain * (1 - value + sum / loop.integralSeconds());
      double slope =
          m.isIntegrating() ? m.gain() * told[i] : (m.gain() * told[i] - value) / m.lagSeconds();
      value += slope * tick;
      most = i > 140 * steps ? Math.max(most, Math.abs(1 - value)) : most;
    }
    return most;
  }

  /**
   * Method of steps: with Ti = τ the open loop is Kc·g/(τs)·e^(−θs), so that the value rises by
   * straight pieces and their sums: after θ by r·(t − θ), after 2θ by less by r²·(t − 2θ)²/2, …
   */
  @Test
  void theResponseIsThatOfTheMethodOfSteps() {
    StepModel model = StepModel.firstOrder(2, 6, 1);
    LoopTuning tuned = LoopTuning.of(model, Pace.QUICK);
    double rate = tuned.gain() * model.gain() / model.lagSeconds();
    double highest =
        DoubleStream.iterate(0, t -> t < 30, t -> t + 0.001)
            .map(t -> exact(rate, model.deadSeconds(), t))
            .max()
            .orElseThrow();
    LoopTuning.Response response = tuned.response();
    assertThat(response.overshoot()).isCloseTo(highest - 1, within(0.003));
    double settles =
        DoubleStream.iterate(0, t -> t < 30, t -> t + 0.001)
            .filter(t -> Math.abs(1 - exact(rate, model.deadSeconds(), t)) > 0.02)
            .max()
            .orElseThrow();
    assertThat(response.settlingSeconds()).isCloseTo(settles, within(0.05));
  }

  private static double exact(double rate, double dead, double t) {
    double value = 0;
    double factor = 1;
    for (int n = 1; n * dead <= t; n++) {
      factor *= rate / n;
      value += (n % 2 == 1 ? 1 : -1) * factor * Math.pow(t - n * dead, n);
    }
    return value;
  }

  @Test
  void calmerIsSlowerAndGoesBeyondLess() {
    StepModel model = StepModel.firstOrder(2, 6, 1);
    LoopTuning.Response quick = LoopTuning.of(model, Pace.QUICK).response();
    LoopTuning.Response calm = LoopTuning.of(model, Pace.CALM).response();
    assertThat(calm.settlingSeconds()).isGreaterThan(quick.settlingSeconds());
    assertThat(calm.overshoot()).isLessThanOrEqualTo(quick.overshoot());
    LoopTuning wild = new LoopTuning(model, 4 * 1.5, 6);
    assertThat(wild.response().settlingSeconds()).isInfinite();
    assertThat(wild.margins().phaseDegrees()).isNegative();
  }

  @Test
  void whatCannotBeTunedIsRefused() {
    assertThatThrownBy(() -> StepModel.firstOrder(2, 6, 0))
        .hasMessageContaining("count the transmitter and the filter in");
    assertThatThrownBy(() -> StepModel.firstOrder(0, 6, 1)).hasMessageContaining("over 0, not 0.0");
    assertThatThrownBy(() -> StepModel.firstOrder(1, 0, 1)).hasMessageContaining("lag");
    assertThatThrownBy(() -> new LoopTuning(StepModel.integrating(1, 1), 1, 0))
        .hasMessageContaining("not 1.0 and 0.0 s");
  }
}
