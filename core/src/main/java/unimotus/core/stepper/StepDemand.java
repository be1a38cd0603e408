package unimotus.core.stepper;

import java.util.OptionalDouble;
import unimotus.core.move.MotionPlan;
import unimotus.core.move.MotionState;
import unimotus.core.move.Phase;
import unimotus.core.sheet.PullOutCurve;

/**
 * What a motion asks of a step motor, against its pull-out curve. Rates are in full steps a second.
 *
 * @param peakRate highest rate
 * @param peakNewtonMetres largest torque, not negative
 * @param used largest share of the torque that is there, 1 where it just keeps step; infinite where
 *     nothing is there
 * @param usedAtRate rate at which that is
 * @param stallsAt seconds after which it is to fall out of step; empty where it keeps step
 * @param bandSeconds seconds spent moving where steps may shake it
 */
public record StepDemand(
    double peakRate,
    double peakNewtonMetres,
    double used,
    double usedAtRate,
    OptionalDouble stallsAt,
    double bandSeconds) {

  /** Share of the curve that may be used (common practice: 50 to 70 %). */
  public static final double MOST_USED = 0.7;

  /** Where the steps fall into the motor's own frequency (common practice). */
  public static final double BAND_LOW = 50;

  /** The upper end of it. */
  public static final double BAND_HIGH = 250;

  private static final int LOOKS = 64;
  private static final double SECONDS_PER_MINUTE = 60;

  /**
   * The demand of a motion.
   *
   * @param scale pulses of the axis
   */
  public static StepDemand of(
      MotionPlan plan, PulseScale scale, StepLoad load, PullOutCurve curve) {
    Tally tally = new Tally(scale, load, curve);
    for (Phase phase : plan.phases()) {
      tally.add(phase);
    }
    return tally.demand();
  }

  /** Whether more of the curve is used than is usual. */
  public boolean isTight() {
    return used > MOST_USED;
  }

  /** Goes through a plan phase by phase. */
  private static final class Tally {
    private final StepLoad load;
    private final PullOutCurve curve;
    private final double stepsPerUnit;
    private final double radiansPerUnit;
    private final double rpmPerUnit;
    private double time;
    private double peakRate;
    private double peak;
    private double used;
    private double usedAt;
    private double stalls = Double.NaN;
    private double band;

    Tally(PulseScale scale, StepLoad load, PullOutCurve curve) {
      this.load = load;
      this.curve = curve;
      double turnsPerUnit = scale.pulsesPerUnit().doubleValue() / scale.pulsesPerTurn();
      this.stepsPerUnit = turnsPerUnit * scale.fullSteps();
      this.radiansPerUnit = turnsPerUnit * 2 * Math.PI;
      this.rpmPerUnit = turnsPerUnit * SECONDS_PER_MINUTE;
    }

    void add(Phase phase) {
      double part = phase.seconds() / LOOKS;
      for (int i = 0; i <= LOOKS; i++) {
        MotionState state = phase.start().after(i * part);
        boolean moves = state.velocity() != 0 || state.acceleration() != 0;
        if (moves) {
          look(state, time + i * part, i < LOOKS ? part : 0);
        }
      }
      time += phase.seconds();
    }

    private void look(MotionState state, double at, double lasts) {
      double rate = Math.abs(state.velocity()) * stepsPerUnit;
      double direction = state.velocity() == 0 ? state.acceleration() : state.velocity();
      double torque =
          Math.abs(
              load.torque(
                  state.acceleration() * radiansPerUnit, direction, state.velocity() * rpmPerUnit));
      double given = curve.at(rate);
      double share = torque == 0 ? 0 : given == 0 ? Double.POSITIVE_INFINITY : torque / given;
      peakRate = Math.max(peakRate, rate);
      peak = Math.max(peak, torque);
      if (share > used) {
        used = share;
        usedAt = rate;
      }
      if (share > 1 && Double.isNaN(stalls)) {
        stalls = at;
      }
      band += rate >= BAND_LOW && rate <= BAND_HIGH ? lasts : 0;
    }

    StepDemand demand() {
      return new StepDemand(
          peakRate,
          peak,
          used,
          usedAt,
          Double.isNaN(stalls) ? OptionalDouble.empty() : OptionalDouble.of(stalls),
          band);
    }
  }
}
