package unimotus.workbench.live;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import unimotus.core.motion.ServoAxis;
import unimotus.core.move.MotionPlan;
import unimotus.core.scaling.AxisScaling;
import unimotus.core.scaling.Holder;
import unimotus.core.servo.RecordedMotion;
import unimotus.devices.drive.ServoBuild;
import unimotus.devices.drive.ServoSetting;
import unimotus.devices.drive.StandInServo;
import unimotus.devices.drive.SwitchSense;

/**
 * The moves of an axis run on the simulated drive, set-points cycle by cycle in the counts of the
 * motion axis; what the drive shows is taken back to the load by the machine's own scaling. Nothing
 * of it touches a real drive.
 *
 * @param motion position of the load as recorded, in the unit of the axis
 * @param fault the drive's fault code; 0 for none
 * @param faultSeconds when it came; 0 for none
 */
public record ServoTrial(RecordedMotion motion, int fault, double faultSeconds) {
  /** Runs of more than that nobody waits for. */
  public static final int MOST_TIMES = 100;

  private static final long NANOS = 1_000_000_000;
  private static final double BEFORE = 0.05;
  private static final double AFTERWARDS = 0.3;
  private static final double LONGEST = 600;
  private static final double SETTLE = 0.002;
  private static final int NO_HOMING = 0;

  /** Where the drive is while it is run, so that its clock can be moved. */
  private static final class Clock {
    private double seconds;

    long nanos() {
      return Math.round(seconds * NANOS);
    }
  }

  /**
   * Runs the moves.
   *
   * @param times how often, one after the other
   * @throws IllegalArgumentException where they lead outside the travel, do not return to where
   *     they began and are to be repeated, or take too long, in words
   */
  public static ServoTrial run(ServoAxis axis, int times) {
    MotionPlan plan = axis.plan();
    refuse(axis, plan, times);
    AxisScaling program =
        axis.copies()
            .of(Holder.PROGRAM)
            .orElseThrow(
                () ->
                    new IllegalArgumentException(
                        "the scaling of the motion axis is not read: what it sends is unknown"));
    ServoBuild build = Positioned.build(axis, SwitchSense.LIMITS);
    double shown =
        axis.machine().signedCountsPerUnit()
            * build.countsPerTurn()
            / axis.machine().countsPerTurn().doubleValue();
    double sent = program.signedCountsPerUnit();
    Clock clock = new Clock();
    double[] target = {Math.rint(plan.from() * sent)};
    StandInServo servo =
        new StandInServo(
            build,
            () ->
                new ServoSetting(
                    target[0],
                    0,
                    build.profileVelocity(),
                    build.acceleration(),
                    build.countsPerTurn(),
                    axis.design().cycleSeconds(),
                    NO_HOMING,
                    0),
            clock::nanos);
    servo.permit(true);
    enable(servo, clock, axis);
    return record(servo, clock, new Commanded(axis, plan, times, sent, target), shown);
  }

  /** What the drive did instead, in words; empty where it did not fault. */
  public String faultText() {
    if (fault == 0) {
      return "";
    }
    String meaning =
        fault == StandInServo.FAULT_FOLLOWING ? "following error too large" : "fault of the drive";
    return String.format(
        java.util.Locale.ROOT,
        "the drive faults after %.3f s: %s (0x%04X)",
        faultSeconds,
        meaning,
        fault);
  }

  private static void refuse(ServoAxis axis, MotionPlan plan, int times) {
    Optional<String> reversed = Positioned.reversed(axis);
    if (reversed.isPresent()) {
      throw new IllegalArgumentException(reversed.get());
    }
    if (times < 1 || times > MOST_TIMES) {
      throw new IllegalArgumentException(
          "the moves are run 1 to %d times, not %d".formatted(MOST_TIMES, times));
    }
    if (times > 1 && Math.abs(plan.to() - plan.from()) > 1e-9) {
      throw new IllegalArgumentException(
          "the moves begin at %s and end at %s %s; they can be run once only"
              .formatted(plan.from(), plan.to(), axis.unit().symbol()));
    }
    double whole = plan.seconds() * times;
    if (!(whole > 0) || whole > LONGEST) {
      throw new IllegalArgumentException(
          "the moves take %.4g s; over 0 and at most %.0f s are run".formatted(whole, LONGEST));
    }
  }

  private static void enable(StandInServo servo, Clock clock, ServoAxis axis) {
    for (int word : new int[] {0x06, 0x07, 0x0F}) {
      servo.control(word);
      clock.seconds += SETTLE;
    }
    clock.seconds += axis.brake().map(b -> 2 * b.openSeconds()).orElse(0.0);
  }

  /** What the controller sends. */
  private record Commanded(
      ServoAxis axis, MotionPlan plan, int times, double sent, double[] target) {
    double counts(double time) {
      int run = Math.min(times - 1, (int) (time / plan.seconds()));
      return Math.rint(plan.at(time - run * plan.seconds()).position() * sent);
    }

    double ends() {
      return plan.seconds() * times + AFTERWARDS;
    }
  }

  private static ServoTrial record(
      StandInServo servo, Clock clock, Commanded commanded, double shown) {
    double cycle = commanded.axis().design().cycleSeconds();
    List<Double> seconds = new ArrayList<>();
    List<Double> position = new ArrayList<>();
    int fault = 0;
    double faultSeconds = 0;
    int standing = (int) Math.ceil(BEFORE / cycle);
    int cycles = standing + (int) Math.ceil(commanded.ends() / cycle);
    for (int k = 0; k <= cycles; k++) {
      seconds.add(k * cycle);
      position.add(servo.position() / shown);
      if (servo.fault() != 0 && fault == 0) {
        fault = servo.fault();
        faultSeconds = k * cycle;
      }
      commanded.target()[0] = commanded.counts(Math.max(0, (k - standing) * cycle));
      servo.setPointsCame();
      clock.seconds += cycle;
    }
    return new ServoTrial(new RecordedMotion(array(seconds), array(position)), fault, faultSeconds);
  }

  private static double[] array(List<Double> values) {
    return values.stream().mapToDouble(Double::doubleValue).toArray();
  }
}
