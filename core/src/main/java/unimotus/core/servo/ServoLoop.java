package unimotus.core.servo;

import java.util.List;
import unimotus.core.move.MotionPlan;

/**
 * Position and velocity loop of a servo axis following a motion, tick by tick: position loop with
 * Kv, velocity loop with gain and integral time, torque limit, current loop as a lag, the encoder
 * with its counts.
 */
public final class ServoLoop {
  /** The longest run, so that nobody waits for it; a longer one has to be taken in parts. */
  private static final double MOST_SECONDS = 600;

  /** More values than that no picture shows. */
  private static final int MOST_KEPT = 4000;

  private final ServoSetup setup;
  private final double radiansPerUnit;

  /**
   * A loop.
   *
   * @param radiansPerUnit radians of the motor for one unit of the axis
   */
  public ServoLoop(ServoSetup setup, double radiansPerUnit) {
    this.setup = setup;
    this.radiansPerUnit = radiansPerUnit;
  }

  /**
   * Runs a motion, from rest with the torque there that carries a suspended load.
   *
   * @param afterSeconds how long it stands afterwards, not negative
   * @throws IllegalArgumentException where the motion takes more than ten minutes
   */
  public ServoTrace run(MotionPlan plan, double afterSeconds) {
    MotionPlan whole =
        MotionPlan.chained(
            plan.from(), List.of(plan, MotionPlan.standing(plan.to(), afterSeconds)));
    if (whole.seconds() > MOST_SECONDS) {
      throw new IllegalArgumentException(
          "the moves take %.0f s; the loops are run for %.0f s at most"
              .formatted(whole.seconds(), MOST_SECONDS));
    }
    int ticks = (int) Math.ceil(whole.seconds() / setup.tickSeconds() - 1e-9) + 1;
    int every = Math.max(1, (ticks + MOST_KEPT - 1) / MOST_KEPT);
    Recorder recorder = new Recorder((ticks + every - 1) / every, every);
    ServoMotion motion = new ServoMotion(setup, plan.from() * radiansPerUnit);
    whole.samplePositions(
        setup.tickSeconds(),
        (position, velocity) -> {
          double wanted = position * radiansPerUnit;
          recorder.take(wanted, motion);
          motion.follow(wanted, velocity * radiansPerUnit);
        });
    return recorder.trace(setup.tickSeconds() * every);
  }

  /** Keeps every so many-th tick. */
  private static final class Recorder {
    private final double[] wanted;
    private final double[] motor;
    private final double[] load;
    private final double[] velocity;
    private final double[] torque;
    private final int every;
    private int kept;
    private int skipped;

    Recorder(int size, int every) {
      this.every = every;
      wanted = new double[size];
      motor = new double[size];
      load = new double[size];
      velocity = new double[size];
      torque = new double[size];
    }

    void take(double position, ServoMotion motion) {
      if (skipped == 0) {
        int at = kept++;
        wanted[at] = position;
        motor[at] = motion.position();
        load[at] = motion.loadPosition();
        velocity[at] = motion.velocity();
        torque[at] = motion.torque();
      }
      skipped = skipped + 1 == every ? 0 : skipped + 1;
    }

    ServoTrace trace(double period) {
      return new ServoTrace(period, wanted, motor, load, velocity, torque);
    }
  }
}
