package unimotus.core.stops;

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
 */
public record StopPhase(
    Kind kind, double fromSeconds, double toSeconds, double fromRpm, double toRpm, double turns) {
  /** Halvings while a speed is sought; the speed is then known to a part in a thousand million. */
  private static final int HALVINGS = 30;

  /** What a shaft does during a stop. */
  public enum Kind {
    REACTION("runs on"),
    RAMP("ramps down"),
    HOLD("stands, torque on"),
    COAST("coasts"),
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
      case RAMP -> fromRpm + (toRpm - fromRpm) * since / seconds();
      case COAST -> coasting(since, load);
    };
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
