package unimotus.core.positioning;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

/**
 * What should be seen, moment by moment, while a controller positions a drive by bits.
 *
 * @param table the positions
 * @param start where the axis stands, in its unit
 * @param steps what the controller does, in order of time
 * @param moments what comes of it, in order of time
 */
public record Handshake(PositionTable table, double start, List<Step> steps, List<Moment> moments) {
  /** Homing takes as long as it takes; the timeline draws it so long. */
  public static final double HOMING_SECONDS = 1;

  /** Takes copies. */
  public Handshake {
    steps = List.copyOf(steps);
    moments = List.copyOf(moments);
  }

  /**
   * Bits that a controller sets.
   *
   * @param time seconds from the beginning, not negative
   * @param bits all that are on from then on
   * @param number of the position, from 1
   */
  public record Step(double time, Set<Request> bits, int number) {
    /** Takes a copy and checks the time. */
    public Step {
      if (!(time >= 0 && time < Double.POSITIVE_INFINITY)) {
        throw new IllegalArgumentException("handshake: time must be 0 s or more, not " + time);
      }
      bits = Set.copyOf(bits);
    }
  }

  /**
   * What stands at a moment at which something changes.
   *
   * @param time seconds from the beginning
   * @param requests bits to the drive
   * @param number of the position that is chosen
   * @param replies bits from the drive, from then on
   * @param position where it is, in the unit of the axis
   * @param note what happens, in words; possibly empty
   */
  public record Moment(
      double time,
      Set<Request> requests,
      int number,
      Set<Reply> replies,
      double position,
      String note) {
    /** Takes copies. */
    public Moment {
      requests = Set.copyOf(requests);
      replies = Set.copyOf(replies);
    }
  }

  /**
   * Plays the steps of a controller.
   *
   * @param start where the axis stands, in its unit
   * @param steps in order of time
   * @throws IllegalArgumentException where they are not in order
   */
  public static Handshake of(PositionTable table, double start, List<Step> steps) {
    PositioningDrive drive = new PositioningDrive(table, start, HOMING_SECONDS);
    List<Moment> moments = new ArrayList<>();
    Step last = new Step(0, EnumSet.noneOf(Request.class), 0);
    for (Step step : steps) {
      if (step.time() < last.time()) {
        throw new IllegalArgumentException(
            "handshake: %s s comes after %s s".formatted(step.time(), last.time()));
      }
      ends(drive, last, step.time(), moments);
      drive.passTo(step.time());
      drive.take(step.bits(), step.number());
      moments.add(moment(step.time(), step, drive));
      last = step;
    }
    ends(drive, last, Double.POSITIVE_INFINITY, moments);
    return new Handshake(table, start, steps, moments);
  }

  /** What ends by itself before a time. */
  private static void ends(
      PositioningDrive drive, Step standing, double before, List<Moment> moments) {
    while (drive.nextEnd() <= before && drive.nextEnd() < Double.POSITIVE_INFINITY) {
      double time = drive.nextEnd();
      drive.passTo(time);
      moments.add(moment(time, standing, drive));
    }
  }

  private static Moment moment(double time, Step step, PositioningDrive drive) {
    return new Moment(
        time, step.bits(), step.number(), drive.replies(), drive.position(), drive.takeNote());
  }

  /**
   * Where the axis is, at even times from 0.
   *
   * @param period from one to the next, over 0
   * @param number how many
   */
  public double[] positions(double period, int number) {
    PositioningDrive drive = new PositioningDrive(table, start, HOMING_SECONDS);
    double[] positions = new double[number];
    int next = 0;
    for (int i = 0; i < number; i++) {
      double time = i * period;
      while (next < steps.size() && steps.get(next).time() <= time) {
        Step step = steps.get(next++);
        drive.passTo(step.time());
        drive.take(step.bits(), step.number());
      }
      drive.passTo(time);
      positions[i] = drive.position();
    }
    return positions;
  }

  /** When the last of it happens. */
  public double seconds() {
    return moments.isEmpty() ? 0 : moments.get(moments.size() - 1).time();
  }
}
