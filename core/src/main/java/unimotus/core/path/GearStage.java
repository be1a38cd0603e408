package unimotus.core.path;

import static unimotus.core.path.Numbers.text;

import unimotus.core.derivation.Step;
import unimotus.core.quantity.MeasureUnit;

/**
 * The gear divides speed and turns alike: n_out = n/i.
 *
 * @param ratio i, motor turns for one turn of the output
 * @param unit of the turning: revolutions, or revolutions per minute
 */
public record GearStage(double ratio, MeasureUnit unit) implements Stage {

  /** A gear whose speed is looked at. */
  public GearStage(double ratio) {
    this(ratio, MeasureUnit.RPM);
  }

  @Override
  public Station from() {
    return Station.SHAFT;
  }

  @Override
  public Station to() {
    return Station.GEAR;
  }

  @Override
  public double forward(double rpm) {
    return rpm / ratio;
  }

  @Override
  public double inverse(double rpm) {
    return rpm * ratio;
  }

  @Override
  public String origin() {
    return "gear %s : 1".formatted(text(ratio));
  }

  @Override
  public Step sum(double in, double out) {
    return new Step(
        "gear output", "n/i", "%s/%s".formatted(text(in), text(ratio)), out, unit(), origin());
  }
}
