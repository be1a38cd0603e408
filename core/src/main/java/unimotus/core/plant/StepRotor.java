package unimotus.core.plant;

import java.util.Optional;
import org.jspecify.annotations.Nullable;
import unimotus.core.motion.StepAxis;
import unimotus.core.sheet.PullOutCurve;
import unimotus.core.stepper.StepLoad;

/**
 * The rotor of a step motor behind its pulses: it follows them while its load needs no more torque
 * than the curve gives at their rate, else it falls out of step and stands until they end. Not
 * thread-safe.
 */
final class StepRotor {
  private static final double SECONDS_PER_MINUTE = 60;

  private final StepLoad load;
  private final @Nullable PullOutCurve curve;
  private final double startHertz;
  private final double fullStepsPerPulse;
  private final double radiansPerPulse;
  private final double rpmPerHertz;
  private final double travelPerPulse;
  private double position;
  private boolean stalled;
  private boolean turning;
  private long lost;

  StepRotor(StepAxis axis, double position) {
    this.load = axis.load();
    this.curve = axis.curve().orElse(null);
    this.startHertz = axis.pullInHertz().orElse(Double.POSITIVE_INFINITY);
    this.fullStepsPerPulse = (double) axis.plate().stepsPerTurn() / axis.pulsesPerTurn();
    this.radiansPerPulse = 2 * Math.PI / axis.pulsesPerTurn();
    this.rpmPerHertz = SECONDS_PER_MINUTE / axis.pulsesPerTurn();
    this.travelPerPulse = axis.scale().travelPerPulse();
    this.position = position;
  }

  /** Where the machine stands, in the travel unit. */
  double position() {
    return position;
  }

  /** Whether it stands while pulses go on. */
  boolean isStalled() {
    return stalled;
  }

  /** Pulses it did not follow, since the beginning. */
  long lost() {
    return lost;
  }

  /** Why its torque cannot be looked at; empty where it can. */
  Optional<String> unknown() {
    return curve == null
        ? Optional.of("the torque over speed of this motor is not known: stalling is not looked at")
        : Optional.empty();
  }

  /**
   * Pulses of one tick.
   *
   * @param pulses how many, negative backwards; 0 where none came
   * @param rate pulses a second, not negative; 0 at rest
   * @param change of the rate of signed pulses, a second
   * @param begins rate with which they begin, where they come from rest
   * @param holds whether the driver is fed and enabled and the pulses reach it
   * @param blocked whether it stands against its mechanical end that way
   * @return whether it fell out of step in this tick
   */
  boolean take(
      long pulses, double rate, double change, double begins, boolean holds, boolean blocked) {
    boolean fell =
        rate > 0 && !stalled && holds && (blocked || !keepsUp(pulses, rate, change, begins));
    stalled |= fell;
    if (holds && !stalled && !blocked) {
      position += pulses * travelPerPulse;
    } else {
      lost += Math.abs(pulses);
    }
    turning = rate > 0;
    stalled &= turning;
    return fell;
  }

  private boolean keepsUp(long pulses, double rate, double change, double begins) {
    if (!turning && begins > startHertz) {
      return false;
    }
    if (curve == null) {
      return true;
    }
    double torque =
        Math.abs(
            load.torque(
                change * radiansPerPulse, Math.signum((double) pulses), rate * rpmPerHertz));
    return torque <= curve.at(rate * fullStepsPerPulse);
  }
}
