package unimotus.core.servo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import unimotus.core.Campaign;

/**
 * Recordings are reckoned here from the law of a trapezoid alone (kinematics); neither the planner
 * nor the overlay has a part in them.
 */
class TraceOverlayTest {
  private static final double PERIOD = 0.002;
  private static final double UNIT = 0.1;

  /** Out by a way, a dwell, and back, with a dwell after it. */
  private record Law(double way, double velocity, double acceleration, double dwell) {
    double moveSeconds() {
      return Math.abs(way) / velocity + velocity / acceleration;
    }

    double seconds() {
      return 2 * (moveSeconds() + dwell);
    }

    private double out(double t) {
      double ramp = velocity / acceleration;
      double time = Math.max(0, Math.min(moveSeconds(), t));
      double left = moveSeconds() - time;
      double gone =
          time < ramp
              ? acceleration * time * time / 2
              : left < ramp
                  ? Math.abs(way) - acceleration * left * left / 2
                  : velocity * (time - ramp / 2);
      return Math.signum(way) * gone;
    }

    double at(double t) {
      double second = moveSeconds() + dwell;
      return t < second ? out(t) : way - out(t - second);
    }
  }

  private static Law law(Random random) {
    double velocity = 50 + 400 * random.nextDouble();
    double acceleration = velocity * (2 + 10 * random.nextDouble());
    double least = 1.2 * velocity * velocity / acceleration;
    double way = (least + 300 * random.nextDouble()) * (random.nextBoolean() ? 1 : -1);
    return new Law(way, velocity, acceleration, 0.1 + random.nextDouble());
  }

  private static ServoTrace predicted(Law law) {
    int size = (int) (law.seconds() / PERIOD) + 100;
    double[] load = new double[size];
    double[] velocity = new double[size];
    for (int i = 0; i < size; i++) {
      load[i] = law.at(Math.min(law.seconds(), i * PERIOD)) * UNIT;
      velocity[i] = i == 0 ? 0 : (load[i] - load[i - 1]) / PERIOD;
    }
    return new ServoTrace(PERIOD, load, load, load, velocity, new double[size]);
  }

  /** Repeats that begin at these moments, sampled unevenly. */
  private static RecordedMotion recording(
      Law law, List<Double> starts, double ratio, double offset, Random random) {
    List<Double> seconds = new ArrayList<>();
    List<Double> position = new ArrayList<>();
    double end = starts.get(starts.size() - 1) + law.seconds() + 0.2;
    double t = -0.1;
    while (t < end) {
      double at = t;
      double begun = starts.stream().filter(s -> s <= at).reduce((a, b) -> b).orElse(at);
      double own = Math.min(law.seconds(), at - begun);
      seconds.add(at);
      position.add(offset + ratio * law.at(own));
      t += 0.0005 + 0.003 * random.nextDouble();
    }
    return new RecordedMotion(
        seconds.stream().mapToDouble(Double::doubleValue).toArray(),
        position.stream().mapToDouble(Double::doubleValue).toArray());
  }

  private static List<Double> starts(Law law, Random random) {
    List<Double> starts = new ArrayList<>();
    double t = 0.1 + random.nextDouble();
    int count = 1 + random.nextInt(4);
    for (int i = 0; i < count; i++) {
      starts.add(t);
      t += law.seconds() + random.nextDouble();
    }
    return starts;
  }

  @Test
  void everyStartIsFoundAndWhatIsWrongIsTold() {
    Random random = new Random(19);
    int wrong = 0;
    int all = Campaign.size(20_000, 600);
    for (int n = 0; n < all; n++) {
      Law law = law(random);
      List<Double> starts = starts(law, random);
      boolean scaled = random.nextInt(3) == 0;
      double ratio = scaled ? Math.pow(2, 1 + random.nextInt(6)) : 1;
      boolean shifted = !scaled && random.nextInt(3) == 0;
      double offset = shifted ? (random.nextBoolean() ? 1 : -1) * Math.abs(law.way()) * 0.3 : 0;
      TraceOverlay overlay =
          TraceOverlay.of(
              recording(law, starts, ratio, offset, random), predicted(law), UNIT, law.seconds());
      boolean found = overlay.repeats().size() == starts.size();
      for (int i = 0; found && i < starts.size(); i++) {
        TraceOverlay.Repeat repeat = overlay.repeats().get(i);
        found =
            Math.abs(repeat.begins() - starts.get(i)) < 0.005
                && repeat.whole()
                && Math.abs(repeat.ratio() / ratio - 1) < 0.01
                && overlay.holds(repeat) == (!scaled && !shifted)
                && overlay
                    .seen(repeat)
                    .contains(
                        scaled ? "times the way" : shifted ? "begins elsewhere" : "as predicted");
      }
      wrong += found ? 0 : 1;
    }
    assertThat(wrong).as("of %d recordings", all).isZero();
  }

  @Test
  void aRecordingThatEndsBeforeTheMoveIsNotWhole() {
    Law law = new Law(100, 200, 1000, 0.5);
    RecordedMotion whole = recording(law, List.of(0.5), 1, 0, new Random(1));
    int half = whole.size() / 2;
    RecordedMotion cut =
        new RecordedMotion(
            java.util.Arrays.copyOf(whole.seconds(), half),
            java.util.Arrays.copyOf(whole.position(), half));
    TraceOverlay overlay = TraceOverlay.of(cut, predicted(law), UNIT, law.seconds());
    assertThat(overlay.repeats()).hasSize(1);
    assertThat(overlay.holds()).isFalse();
    assertThat(overlay.seen(overlay.repeats().get(0))).contains("ends before");
    assertThat(overlay.spread()).isNaN();
  }

  /** Slower by a tenth: the same way, another time. */
  @Test
  void anotherTimeIsTold() {
    Law law = new Law(100, 200, 1000, 0.5);
    Law slow = new Law(100, 150, 1000, 0.5);
    RecordedMotion recorded = recording(slow, List.of(0.5), 1, 0, new Random(1));
    TraceOverlay overlay = TraceOverlay.of(recorded, predicted(law), UNIT, law.seconds());
    assertThat(overlay.seen(overlay.repeats().get(0))).contains("in another time");
    assertThat(overlay.repeats().get(0).ratio()).isCloseTo(1, within(0.01));
  }

  @Test
  void whatCannotBeLaidOverIsRefused() {
    Law law = new Law(100, 200, 1000, 0.5);
    ServoTrace trace = predicted(law);
    RecordedMotion still = new RecordedMotion(new double[] {0, 1, 2}, new double[] {5, 5, 5});
    assertThatThrownBy(() -> TraceOverlay.of(still, trace, UNIT, 2))
        .hasMessageContaining("does not move in the recording");
    RecordedMotion moving =
        new RecordedMotion(new double[] {0, 0.01, 0.02}, new double[] {0, 50, 100});
    assertThatThrownBy(() -> TraceOverlay.of(moving, trace, UNIT, 2))
        .hasMessageContaining("moves already");
    assertThatThrownBy(() -> new RecordedMotion(new double[] {0, 2, 1}, new double[3]))
        .hasMessageContaining("from 2.0 s to 1.0 s at value 3");
    assertThatThrownBy(() -> new RecordedMotion(new double[2], new double[2]))
        .hasMessageContaining("3 of each");
    assertThatThrownBy(
            () -> new RecordedMotion(new double[] {0, 1, 2}, new double[] {0, Double.NaN, 1}))
        .hasMessageContaining("value 2");
  }
}
