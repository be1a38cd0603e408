package unimotus.core.move;

import java.util.ArrayList;
import java.util.List;

/** A motion from rest to rest, phase by phase. */
public final class MotionPlan {
  private final List<Phase> phases;
  private final double[] begins;
  private final MotionState from;
  private final MotionState to;
  private final double seconds;

  /** Phases from {@code from}; the end is {@code to} to the last digit, where rounding left it. */
  MotionPlan(double from, double to, List<Phase> phases) {
    this.phases = List.copyOf(phases);
    this.from = MotionState.rest(from);
    this.to = MotionState.rest(to);
    this.begins = new double[phases.size()];
    double at = 0;
    for (int i = 0; i < begins.length; i++) {
      begins[i] = at;
      at += phases.get(i).seconds();
    }
    this.seconds = at;
  }

  /** Standing still. */
  public static MotionPlan standing(double position, double seconds) {
    return new MotionPlan(
        position,
        position,
        seconds == 0 ? List.of() : List.of(new Phase(seconds, MotionState.rest(position))));
  }

  /** One after the other; each has to begin where the one before it ends. */
  public static MotionPlan chained(double start, List<MotionPlan> plans) {
    List<Phase> all = new ArrayList<>();
    double at = start;
    for (MotionPlan each : plans) {
      if (each.from.position() != at) {
        throw new IllegalArgumentException(
            "a motion begins at %s, but the one before it ends at %s"
                .formatted(each.from.position(), at));
      }
      all.addAll(each.phases);
      at = each.to.position();
    }
    return new MotionPlan(start, at, all);
  }

  /** The phases in order; empty where nothing moves and no time passes. */
  public List<Phase> phases() {
    return phases;
  }

  /** How long it takes. */
  public double seconds() {
    return seconds;
  }

  /** Where it begins. */
  public double from() {
    return from.position();
  }

  /** Where it ends. */
  public double to() {
    return to.position();
  }

  /** The largest speed, not negative. */
  public double peakVelocity() {
    return phases.stream().mapToDouble(Phase::peakVelocity).max().orElse(0);
  }

  /** The largest acceleration, not negative. */
  public double peakAcceleration() {
    return phases.stream().mapToDouble(Phase::peakAcceleration).max().orElse(0);
  }

  /** The state at a time; at rest before the beginning and after the end. */
  public MotionState at(double time) {
    if (time <= 0 && (begins.length == 0 || time < 0)) {
      return from;
    }
    if (time >= seconds) {
      return to;
    }
    int low = 0;
    int high = begins.length - 1;
    while (low < high) {
      int middle = (low + high + 1) >>> 1;
      if (begins[middle] <= time) {
        low = middle;
      } else {
        high = middle - 1;
      }
    }
    return phases.get(low).start().after(time - begins[low]);
  }

  /** Takes one state after another. */
  public interface Sampler {
    /** Takes the state of a cycle. */
    void take(double time, MotionState state);
  }

  /**
   * The state at the beginning of every cycle, the first at 0 and the last at the end or after it.
   *
   * @param period of the cycle in seconds, over 0
   */
  public void sample(double period, Sampler sampler) {
    if (!(period > 0)) {
      throw new IllegalArgumentException("cycle must be over 0 s, not " + period);
    }
    long last = (long) Math.ceil(seconds / period - 1e-9);
    int phase = 0;
    for (long k = 0; k < last; k++) {
      double time = k * period;
      while (phase + 1 < begins.length && begins[phase + 1] <= time) {
        phase++;
      }
      sampler.take(time, phases.get(phase).start().after(time - begins[phase]));
    }
    sampler.take(last * period, to);
  }

  /** Takes position and velocity of one cycle after another. */
  public interface PositionSampler {
    /** Takes those of a cycle. */
    void take(double position, double velocity);
  }

  /**
   * Position and velocity at the beginning of every cycle, as {@link #sample} gives them, without a
   * state for each: loops run through millions.
   *
   * @param period of the cycle in seconds, over 0
   */
  public void samplePositions(double period, PositionSampler sampler) {
    if (!(period > 0)) {
      throw new IllegalArgumentException("cycle must be over 0 s, not " + period);
    }
    long last = (long) Math.ceil(seconds / period - 1e-9);
    long k = 0;
    for (int phase = 0; phase < begins.length; phase++) {
      MotionState start = phases.get(phase).start();
      double begin = begins[phase];
      double end = phase + 1 < begins.length ? begins[phase + 1] : Double.POSITIVE_INFINITY;
      double position = start.position();
      double velocity = start.velocity();
      double acceleration = start.acceleration();
      double jerk = start.jerk();
      for (; k < last && k * period < end; k++) {
        double t = k * period - begin;
        sampler.take(
            position + t * (velocity + t * (acceleration / 2 + t * jerk / 6)),
            velocity + t * (acceleration + t * jerk / 2));
      }
    }
    sampler.take(to.position(), 0);
  }
}
