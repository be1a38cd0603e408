package unimotus.core.way.number;

import static unimotus.core.path.Numbers.text;

import java.util.Optional;
import unimotus.core.derivation.Step;
import unimotus.core.motor.SpeedScale;
import unimotus.core.path.FrequencyLimits;
import unimotus.core.path.Stage;
import unimotus.core.path.Station;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.value.DriveValue;
import unimotus.core.value.PlacedValue;
import unimotus.core.value.Scaling;

/**
 * The drive turns the raw number of a fieldbus into output frequency: raw·scale + offset in the
 * unit of the value, kept between its minimum and maximum frequency.
 *
 * @param entry the value as it is meant, and where it stands
 * @param scaling what one step of it is in the drive; that of the entry unless the two ends
 *     disagree
 * @param taking which number the drive makes of its bits
 * @param speeds what its unit means in hertz
 * @param limits its least and greatest frequency
 */
public record DriveNumber(
    PlacedValue entry, Scaling scaling, Taking taking, SpeedScale speeds, FrequencyLimits limits)
    implements Stage {

  /** A drive that takes the number as it is meant. */
  public static DriveNumber asMeant(PlacedValue entry, SpeedScale speeds, FrequencyLimits limits) {
    return new DriveNumber(entry, entry.value().scaling(), Taking.AS_SENT, speeds, limits);
  }

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
    return speeds.hertz(value(raw), scaling.unit());
  }

  private double value(double raw) {
    return scaling.value(taking.of(raw));
  }

  @Override
  public double inverse(double hertz) {
    return scaling.raw(speeds.value(hertz, scaling.unit()));
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
    return Math.abs(speeds.hertz(scaling.scale(), scaling.unit()));
  }

  @Override
  public String origin() {
    return "drive: " + entry.where();
  }

  @Override
  public Step sum(double in, double out) {
    double value = value(in);
    double wanted = wanted(in);
    boolean shifted = scaling.offset() != 0;
    return new Step(
        "output frequency",
        shifted ? "raw·scale + offset" : "raw·scale",
        "%s·%s%s%s"
            .formatted(
                text(taking.of(in)),
                text(scaling.scale()),
                shifted ? " + " + text(scaling.offset()) : "",
                value == wanted ? "" : " = %s %s".formatted(text(value), scaling.unit())),
        out,
        unit(),
        origin());
  }

  @Override
  public Optional<String> condition(double raw) {
    return limits.condition(wanted(raw));
  }

  /** What it is meant to be. */
  public DriveValue meant() {
    return entry.value();
  }

  /** This stage with other limits. */
  public DriveNumber with(FrequencyLimits next) {
    return new DriveNumber(entry, scaling, taking, speeds, next);
  }

  /** This stage with other steps. */
  public DriveNumber with(Scaling next) {
    return new DriveNumber(entry, next, taking, speeds, limits);
  }

  /** This stage with another idea of what the unit means. */
  public DriveNumber with(SpeedScale next) {
    return new DriveNumber(entry, scaling, taking, next, limits);
  }

  /** This stage with another number made of the bits. */
  public DriveNumber with(Taking next) {
    return new DriveNumber(entry, scaling, next, speeds, limits);
  }
}
