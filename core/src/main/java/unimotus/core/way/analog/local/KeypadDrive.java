package unimotus.core.way.analog.local;

import static unimotus.core.path.Numbers.text;

import java.util.Optional;
import unimotus.core.derivation.Step;
import unimotus.core.path.FrequencyLimits;
import unimotus.core.path.Stage;
import unimotus.core.path.Station;
import unimotus.core.quantity.MeasureUnit;

/**
 * The drive keeps what is entered between its limits.
 *
 * @param limits the limits
 */
record KeypadDrive(FrequencyLimits limits) implements Stage {

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
  public double forward(double hertz) {
    return limits.kept(hertz);
  }

  @Override
  public double inverse(double hertz) {
    return hertz;
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
  public String origin() {
    return "drive: minimum and maximum frequency";
  }

  @Override
  public Step sum(double in, double out) {
    return new Step("output frequency", "f", text(in), out, unit(), origin());
  }

  @Override
  public Optional<String> condition(double hertz) {
    return limits.condition(hertz);
  }
}
