package unimotus.core.path;

import static unimotus.core.path.Numbers.text;

import unimotus.core.derivation.Step;
import unimotus.core.motor.MotorFormulas;
import unimotus.core.quantity.MeasureUnit;

/**
 * The motor turns frequency into the speed of its field: n_s = ±120·f/p (IEC 60034-1).
 *
 * @param poles pole count of the motor
 * @param direction 1 where the phases turn the shaft the meant way, −1 where two are swapped
 * @param maximumHertz greatest frequency that arrives
 */
public record MotorPoles(int poles, int direction, double maximumHertz) implements Stage {

  @Override
  public Station from() {
    return Station.FREQUENCY;
  }

  @Override
  public Station to() {
    return Station.SYNCHRONOUS;
  }

  @Override
  public MeasureUnit unit() {
    return MeasureUnit.RPM;
  }

  @Override
  public double forward(double hertz) {
    return direction * MotorFormulas.synchronousRpm(hertz, poles);
  }

  @Override
  public double inverse(double rpm) {
    return direction * MotorFormulas.frequencyHertz(rpm, poles);
  }

  @Override
  public double low() {
    return -high();
  }

  @Override
  public double high() {
    return MotorFormulas.synchronousRpm(maximumHertz, poles);
  }

  @Override
  public String origin() {
    return "motor plate: %d poles".formatted(poles);
  }

  @Override
  public Step sum(double in, double out) {
    return new Step(
        "synchronous speed",
        "120·f/p",
        "120·%s/%d".formatted(text(in), poles),
        out,
        unit(),
        "IEC 60034-1; " + origin());
  }
}
