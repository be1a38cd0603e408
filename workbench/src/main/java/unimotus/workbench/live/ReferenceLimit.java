package unimotus.workbench.live;

import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.motor.SpeedScale;
import unimotus.core.quantity.QuantityFormat;

/**
 * How far a reference may go: no further than its register holds, and no faster than the drive's
 * settings allow.
 *
 * @param speeds what units mean on the axis
 * @param mostHertz the greatest frequency either way; infinite where nothing limits it
 * @param source where that number comes from
 */
public record ReferenceLimit(SpeedScale speeds, double mostHertz, String source) {
  /** The register alone limits it. */
  public static final ReferenceLimit NONE =
      new ReferenceLimit(new SpeedScale(50, 4), Double.POSITIVE_INFINITY, "");

  /**
   * The limit of an axis: the frequency its reference ends at, and no more than the maximum
   * frequency of its drive.
   */
  public static ReferenceLimit of(AxisAssembly axis) {
    SpeedScale speeds = SpeedScale.of(axis);
    double full = Math.abs(axis.axis().reference().frequencyAtFullHertz());
    return full < speeds.maximumHertz()
        ? new ReferenceLimit(speeds, full, "full reference of the axis")
        : new ReferenceLimit(speeds, speeds.maximumHertz(), "maximum frequency of the drive");
  }

  /**
   * Refuses what is beyond it.
   *
   * @throws NotDone naming register, value and limit
   */
  void check(RegisterEntry entry, double value) throws NotDone {
    if (value < entry.minimum() || value > entry.maximum()) {
      throw new NotDone(
          "%s takes %s to %s %s, not %s"
              .formatted(
                  entry.name(),
                  number(entry.minimum()),
                  number(entry.maximum()),
                  entry.unit(),
                  number(value)));
    }
    if (!SpeedScale.measures(entry.unit())) {
      return;
    }
    double hertz = Math.abs(speeds.hertz(value, entry.unit()));
    if (hertz > mostHertz + Math.abs(speeds.hertz(entry.scale(), entry.unit()))) {
      throw new NotDone(
          "%s %s %s is %s Hz, over %s Hz: %s"
              .formatted(
                  entry.name(),
                  number(value),
                  entry.unit(),
                  number(hertz),
                  number(mostHertz),
                  source));
    }
  }

  private static String number(double value) {
    return QuantityFormat.PLAIN.number(value);
  }
}
