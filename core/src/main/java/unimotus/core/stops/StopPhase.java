package unimotus.core.stops;

import java.util.List;
import unimotus.core.bench.Bench;
import unimotus.core.motion.RampFormulas;
import unimotus.core.motion.ShaftLoad;

/**
 * One part of a stop during which the shaft does one thing.
 *
 * @param kind what it does
 * @param fromSeconds from the demand to the phase's beginning
 * @param toSeconds from the demand to its end; infinity where it never ends
 * @param fromRpm speed of the motor shaft at the beginning
 * @param toRpm speed at the end
 * @param turns turns of the motor shaft meanwhile
 * @param samples speed of the motor shaft every ten milliseconds of a ramp, the beginning left out;
 *     empty for other phases
 */
public record StopPhase(
    Kind kind,
    double fromSeconds,
    double toSeconds,
    double fromRpm,
    double toRpm,
    double turns,
    List<Float> samples) {
  /** Ticks of the dry-run between two samples of a ramp. */
  static final int TICKS_A_SAMPLE = 10;

  /** Halvings while a speed is sought; the speed is then known to a part in a thousand million. */
  private static final int HALVINGS = 30;

  /** Takes a copy. */
  public StopPhase {
    samples = List.copyOf(samples);
  }

  /** What a shaft does during a stop, labelled as seen from the end of the phase. */
  public enum Kind {
    REACTION("ran on until then"),
    RAMP("has ramped down"),
    HOLD("torque off at standstill"),
    COAST("has coasted to standstill"),
    /** Nothing holds a hanging load: the springs of the brake are on their way. */
    FALL("has fallen until the brake held"),
    BRAKE("is held by the brake"),
    /** A hanging load that no brake holds. */
    SINK("sinks");

    private final String label;

    Kind(String label) {
      this.label = label;
    }

    /** The words shown to the user. */
    public String label() {
      return label;
    }
  }

  /** How long it lasts, in seconds. */
  public double seconds() {
    return toSeconds - fromSeconds;
  }

  /** Speed of the shaft at a time within the phase, in revolutions per minute. */
  double rpmAt(double at, ShaftLoad load) {
    double since = Math.max(0, at - fromSeconds);
    return switch (kind) {
      case REACTION, HOLD, SINK -> fromRpm;
      case RAMP -> ramping(since);
      case COAST -> coasting(since, load);
      case FALL, BRAKE -> fromRpm + (toRpm - fromRpm) * Math.min(1, since / seconds());
    };
  }

  /** Straight between the samples. */
  private double ramping(double since) {
    double step = TICKS_A_SAMPLE * Bench.TICK_SECONDS;
    int before = (int) Math.floor(since / step);
    double from = before == 0 ? fromRpm : sample(before - 1);
    double share = since / step - before;
    return from + (sample(before) - from) * share;
  }

  private double sample(int index) {
    return index < samples.size() ? samples.get(index) : toRpm;
  }

  /** The closed form gives the time for a speed; the speed for a time is found by halving. */
  private double coasting(double since, ShaftLoad load) {
    double low = 0;
    double high = fromRpm;
    for (int i = 0; i < HALVINGS; i++) {
      double middle = (low + high) / 2;
      if (RampFormulas.coastSeconds(load, fromRpm, middle) > since) {
        low = middle;
      } else {
        high = middle;
      }
    }
    return high;
  }
}
