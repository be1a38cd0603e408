package unimotus.workbench.live;

import unimotus.core.machine.AxisAssembly;
import unimotus.core.motor.SpeedScale;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.value.DriveValue;
import unimotus.core.value.Limits;
import unimotus.core.value.Scaling;
import unimotus.devices.connection.NotDone;

/**
 * How far a reference may go: no further than its own limits, and no faster than the drive's
 * settings allow.
 *
 * @param speeds what units mean on the axis
 * @param mostHertz the greatest frequency either way; infinite where nothing limits it
 * @param source where that number comes from
 */
public record ReferenceLimit(SpeedScale speeds, double mostHertz, String source) {
  /** Its own limits alone hold. */
  public static final ReferenceLimit NONE =
      new ReferenceLimit(new SpeedScale(50, 4), Double.POSITIVE_INFINITY, "");

  /**
   * The limit of an axis: the frequency its reference ends at, and no more than the maximum
   * frequency of its drive. The limit of a positioning axis stands with its reference.
   */
  public static ReferenceLimit of(AxisAssembly axis) {
    if (axis.isPositioned()) {
      return NONE;
    }
    SpeedScale speeds = SpeedScale.of(axis);
    double full = Math.abs(axis.axis().reference().frequencyAtFullHertz());
    return full < speeds.maximumHertz()
        ? new ReferenceLimit(speeds, full, "full reference of the axis")
        : new ReferenceLimit(speeds, speeds.maximumHertz(), "maximum frequency of the drive");
  }

  /**
   * Refuses what is beyond it.
   *
   * @throws NotDone naming value and limit
   */
  void check(DriveValue reference, double value) throws NotDone {
    Limits limits = reference.limits();
    Scaling scaling = reference.scaling();
    if (!limits.hold(value)) {
      throw new NotDone(
          "%s takes %s to %s %s, not %s"
              .formatted(
                  reference.name(),
                  number(limits.minimum()),
                  number(limits.maximum()),
                  scaling.unit(),
                  number(value)));
    }
    if (!SpeedScale.measures(scaling.unit())) {
      return;
    }
    double hertz = Math.abs(speeds.hertz(value, scaling.unit()));
    if (hertz > mostHertz + Math.abs(speeds.hertz(scaling.scale(), scaling.unit()))) {
      throw new NotDone(
          "%s %s %s is %s Hz, over %s Hz: %s"
              .formatted(
                  reference.name(),
                  number(value),
                  scaling.unit(),
                  number(hertz),
                  number(mostHertz),
                  source));
    }
  }

  private static String number(double value) {
    return QuantityFormat.PLAIN.number(value);
  }
}
