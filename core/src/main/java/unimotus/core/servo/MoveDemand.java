package unimotus.core.servo;

import org.hipparchus.analysis.integration.gauss.GaussIntegrator;
import org.hipparchus.analysis.integration.gauss.GaussIntegratorFactory;
import unimotus.core.move.MotionPlan;
import unimotus.core.move.MotionState;
import unimotus.core.move.Phase;
import unimotus.core.quantity.MeasureUnit;

/**
 * What a motion asks of the motor.
 *
 * @param seconds how long the motion takes, standing times included
 * @param peakNewtonMetres largest torque, not negative
 * @param peakAtRpm speed at which it is needed
 * @param effectiveNewtonMetres √(∫T²·dt / t), what warms the motor
 * @param meanRpm mean of the speed's size
 * @param peakRpm highest speed
 * @param peakWatts largest power at the shaft, not negative
 * @param returnedJoules energy that comes back from the shaft, not negative
 */
public record MoveDemand(
    double seconds,
    double peakNewtonMetres,
    double peakAtRpm,
    double effectiveNewtonMetres,
    double meanRpm,
    double peakRpm,
    double peakWatts,
    double returnedJoules) {

  /**
   * Exact for the polynomials of a phase: torque squared has at most the fourth power of time.
   * Where gear losses or the returned power change side within a phase there is a kink, so each
   * phase is summed in {@link #LOOKS} pieces.
   */
  private static final GaussIntegrator GAUSS = new GaussIntegratorFactory().legendre(7);

  /** Where the torque of a phase may turn: its ends, and between them by so many looks. */
  private static final int LOOKS = 16;

  /** At its very ends a phase may be at rest, where friction has no direction. */
  private static final double INSIDE = 1e-9;

  /**
   * The demand of a motion.
   *
   * @param radiansPerUnit radians of the motor for one unit of the axis
   */
  public static MoveDemand of(MotionPlan plan, ServoLoad load, double radiansPerUnit) {
    Tally tally = new Tally(load, radiansPerUnit);
    plan.phases().forEach(tally::add);
    return tally.demand(plan.seconds());
  }

  /** Adds up phase by phase. */
  private static final class Tally {
    private final ServoLoad load;
    private final double scale;
    private double peak;
    private double peakAt;
    private double peakSpeed;
    private double peakPower;
    private double torqueSquared;
    private double turned;
    private double returned;

    Tally(ServoLoad load, double scale) {
      this.load = load;
      this.scale = scale;
    }

    void add(Phase phase) {
      torqueSquared += integral(phase, (t, w) -> t * t);
      turned += integral(phase, (t, w) -> Math.abs(w));
      returned += integral(phase, (t, w) -> Math.max(0, -t * w));
      peakSpeed = Math.max(peakSpeed, phase.peakVelocity() * Math.abs(scale));
      for (int i = 0; i <= LOOKS; i++) {
        double part = Math.max(INSIDE, Math.min(1 - INSIDE, (double) i / LOOKS));
        look(phase.start().after(phase.seconds() * part));
      }
    }

    private void look(MotionState state) {
      double speed = state.velocity() * scale;
      double torque = load.torque(speed, state.acceleration() * scale);
      if (Math.abs(torque) > peak) {
        peak = Math.abs(torque);
        peakAt = Math.abs(speed);
      }
      peakPower = Math.max(peakPower, torque * speed);
    }

    /** What is summed over time, of torque and speed. */
    private interface Summed {
      double of(double torque, double speed);
    }

    private double integral(Phase phase, Summed summed) {
      double half = phase.seconds() / LOOKS / 2;
      double sum = 0;
      for (int piece = 0; piece < LOOKS; piece++) {
        double middle = (2 * piece + 1) * half;
        for (int i = 0; i < GAUSS.getNumberOfPoints(); i++) {
          MotionState state = phase.start().after(middle + half * GAUSS.getPoint(i));
          double speed = state.velocity() * scale;
          double torque = load.torque(speed, state.acceleration() * scale);
          sum += GAUSS.getWeight(i) * summed.of(torque, speed);
        }
      }
      return sum * half;
    }

    MoveDemand demand(double seconds) {
      double time = seconds == 0 ? 1 : seconds;
      return new MoveDemand(
          seconds,
          peak,
          rpm(peakAt),
          Math.sqrt(torqueSquared / time),
          rpm(turned / time),
          rpm(peakSpeed),
          peakPower,
          returned);
    }

    private static double rpm(double radiansPerSecond) {
      return MeasureUnit.RADIANS_PER_SECOND.convert(radiansPerSecond, MeasureUnit.RPM);
    }
  }
}
