package unimotus.core.way.register;

import static unimotus.core.path.Numbers.text;

import java.util.Optional;
import unimotus.core.derivation.Step;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.fieldbus.WordOrder;
import unimotus.core.motor.SpeedScale;
import unimotus.core.path.FrequencyLimits;
import unimotus.core.path.Numbers;
import unimotus.core.path.Stage;
import unimotus.core.path.Station;
import unimotus.core.quantity.MeasureUnit;

/**
 * The drive turns the raw number of its register into output frequency: raw·scale + offset in the
 * unit of the register, kept between its minimum and maximum frequency.
 *
 * @param entry the register as the drive has it
 * @param order how the drive takes its bytes; that of the entry unless the two ends disagree
 * @param speeds what its unit means in hertz
 * @param limits its least and greatest frequency
 */
public record DriveRegister(
    RegisterEntry entry, WordOrder order, SpeedScale speeds, FrequencyLimits limits)
    implements Stage {

  @Override
  public Station from() {
    return Station.COUNTS;
  }

  @Override
  public Station to() {
    return Station.FREQUENCY;
  }

  @Override
  public MeasureUnit unit() {
    return MeasureUnit.HERTZ_UNIT;
  }

  @Override
  public double forward(double raw) {
    return limits.kept(wanted(raw));
  }

  private double wanted(double raw) {
    return speeds.hertz(value(raw), entry.unit());
  }

  private double value(double raw) {
    return taken(raw) * entry.scale() + entry.offset();
  }

  private double taken(double raw) {
    if (order == entry.order()) {
      return raw;
    }
    double sent = Numbers.clamp(raw, entry.type().least(), entry.type().most());
    return order.raw(entry.type(), entry.order().words(entry.type(), sent));
  }

  @Override
  public double inverse(double hertz) {
    return (speeds.value(hertz, entry.unit()) - entry.offset()) / entry.scale();
  }

  @Override
  public double low() {
    return limits.minimumHertz();
  }

  @Override
  public double high() {
    return limits.maximumHertz();
  }

  @Override
  public double step() {
    return Math.abs(speeds.hertz(entry.scale(), entry.unit()));
  }

  @Override
  public String origin() {
    return "drive: " + entry.where();
  }

  @Override
  public Step sum(double in, double out) {
    double value = value(in);
    double wanted = wanted(in);
    boolean shifted = entry.offset() != 0;
    return new Step(
        "output frequency",
        shifted ? "raw·scale + offset" : "raw·scale",
        "%s·%s%s%s"
            .formatted(
                text(taken(in)),
                text(entry.scale()),
                shifted ? " + " + text(entry.offset()) : "",
                value == wanted ? "" : " = %s %s".formatted(text(value), entry.unit())),
        out,
        unit(),
        origin());
  }

  @Override
  public Optional<String> condition(double raw) {
    return limits.condition(wanted(raw));
  }

  /** This stage with other limits. */
  public DriveRegister with(FrequencyLimits next) {
    return new DriveRegister(entry, order, speeds, next);
  }

  /** This stage with another idea of the register. */
  public DriveRegister with(RegisterEntry next) {
    return new DriveRegister(next, order, speeds, limits);
  }

  /** This stage with another idea of what the unit means. */
  public DriveRegister with(SpeedScale next) {
    return new DriveRegister(entry, order, next, limits);
  }

  /** This stage with bytes in another order. */
  public DriveRegister takenAs(WordOrder next) {
    return new DriveRegister(entry, next, speeds, limits);
  }
}
