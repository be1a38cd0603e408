package unimotus.core.way.register;

import static unimotus.core.path.Numbers.text;
import static unimotus.core.quantity.MeasureUnit.HERTZ_UNIT;

import java.util.Optional;
import unimotus.core.derivation.Step;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.motor.SpeedScale;
import unimotus.core.path.Numbers;
import unimotus.core.path.Stage;
import unimotus.core.path.Station;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.value.ValueType;

/**
 * The program turns percent into the raw number of a register: f = f₀ + p/100·(f₁₀₀ − f₀), in the
 * unit of the register, less its offset, over its scale.
 *
 * @param entry the register as the program knows it
 * @param speeds what its unit means in hertz
 * @param hertzAtZero f₀, frequency the program means by 0 %
 * @param hertzAtFull f₁₀₀, frequency the program means by 100 %
 */
public record ProgramRegister(
    RegisterEntry entry, SpeedScale speeds, double hertzAtZero, double hertzAtFull)
    implements Stage {

  @Override
  public Station from() {
    return Station.PERCENT;
  }

  @Override
  public Station to() {
    return Station.COUNTS;
  }

  @Override
  public MeasureUnit unit() {
    return MeasureUnit.COUNTS;
  }

  @Override
  public double forward(double percent) {
    return raw(held(wanted(percent)));
  }

  @Override
  public double inverse(double raw) {
    double hertz = speeds.hertz(raw * entry.scale() + entry.offset(), entry.unit());
    return (hertz - hertzAtZero) / (hertzAtFull - hertzAtZero) * 100;
  }

  /** The raw number of a value in the unit of the register. */
  public double raw(double value) {
    return entry.order().raw(entry.type(), entry.heldWords(value));
  }

  private double hertz(double percent) {
    return hertzAtZero + percent / 100 * (hertzAtFull - hertzAtZero);
  }

  /** In the unit of the register. */
  private double wanted(double percent) {
    return speeds.value(hertz(percent), entry.unit());
  }

  private double held(double value) {
    return entry.held(Numbers.clamp(value, entry.minimum(), entry.maximum()));
  }

  @Override
  public double low() {
    return Math.min(forward(0), forward(100));
  }

  @Override
  public double high() {
    return Math.max(forward(0), forward(100));
  }

  @Override
  public double step() {
    return entry.type() == ValueType.FLOAT_32 ? 0 : 1;
  }

  @Override
  public String origin() {
    return "program: " + entry.where();
  }

  @Override
  public Step sum(double in, double out) {
    boolean shifted = entry.offset() != 0;
    double wanted = wanted(in);
    return new Step(
        "number in the register",
        shifted ? "(f − offset)/scale" : "f/scale",
        "%s + %s/100·(%s − %s) = %s%s; %s/%s%s"
            .formatted(
                text(hertzAtZero),
                text(in),
                text(hertzAtFull),
                text(hertzAtZero),
                text(hertz(in), HERTZ_UNIT),
                wanted == hertz(in) ? "" : ", that is %s %s".formatted(text(wanted), entry.unit()),
                shifted ? "(%s − %s)".formatted(text(wanted), text(entry.offset())) : text(wanted),
                text(entry.scale()),
                step() == 0 ? "" : ", whole"),
        out,
        unit(),
        origin());
  }

  @Override
  public Optional<String> condition(double percent) {
    double wanted = wanted(percent);
    double held = held(wanted);
    return Math.abs(wanted - held) > Math.abs(entry.scale())
        ? Optional.of(
            "held at %s %s: the register takes no more".formatted(text(held), entry.unit()))
        : Optional.empty();
  }
}
