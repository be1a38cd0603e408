package unimotus.core.way.number;

import static unimotus.core.path.Numbers.text;
import static unimotus.core.quantity.MeasureUnit.HERTZ_UNIT;

import java.util.Optional;
import unimotus.core.derivation.Step;
import unimotus.core.motor.SpeedScale;
import unimotus.core.path.Numbers;
import unimotus.core.path.Stage;
import unimotus.core.path.Station;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.value.DriveValue;
import unimotus.core.value.Limits;
import unimotus.core.value.PlacedValue;
import unimotus.core.value.ValueType;

/**
 * The program turns percent into the raw number that stands on a fieldbus: f = f₀ + p/100·(f₁₀₀ −
 * f₀), in the unit of the value, less its offset, over its scale.
 *
 * @param entry the value as the program knows it, and where it stands
 * @param place what it stands in, in a word, such as {@code register}
 * @param speeds what its unit means in hertz
 * @param hertzAtZero f₀, frequency the program means by 0 %
 * @param hertzAtFull f₁₀₀, frequency the program means by 100 %
 */
public record ProgramNumber(
    PlacedValue entry, String place, SpeedScale speeds, double hertzAtZero, double hertzAtFull)
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
    double hertz = speeds.hertz(value().scaling().value(raw), unitOfValue());
    return (hertz - hertzAtZero) / (hertzAtFull - hertzAtZero) * 100;
  }

  /** The raw number of a value in its unit, as its type holds it. */
  public double raw(double value) {
    return value().type().decode(value().type().encode(value().heldRaw(value)));
  }

  private DriveValue value() {
    return entry.value();
  }

  private String unitOfValue() {
    return value().scaling().unit();
  }

  private double hertz(double percent) {
    return hertzAtZero + percent / 100 * (hertzAtFull - hertzAtZero);
  }

  /** In the unit of the value. */
  private double wanted(double percent) {
    return speeds.value(hertz(percent), unitOfValue());
  }

  private double held(double value) {
    Limits limits = value().limits();
    return value().held(Numbers.clamp(value, limits.minimum(), limits.maximum()));
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
    return value().type() == ValueType.FLOAT_32 ? 0 : 1;
  }

  @Override
  public String origin() {
    return "program: " + entry.where();
  }

  @Override
  public Step sum(double in, double out) {
    double offset = value().scaling().offset();
    boolean shifted = offset != 0;
    double wanted = wanted(in);
    return new Step(
        "number in the " + place,
        shifted ? "(f − offset)/scale" : "f/scale",
        "%s + %s/100·(%s − %s) = %s%s; %s/%s%s"
            .formatted(
                text(hertzAtZero),
                text(in),
                text(hertzAtFull),
                text(hertzAtZero),
                text(hertz(in), HERTZ_UNIT),
                wanted == hertz(in) ? "" : ", that is %s %s".formatted(text(wanted), unitOfValue()),
                shifted ? "(%s − %s)".formatted(text(wanted), text(offset)) : text(wanted),
                text(value().scaling().scale()),
                step() == 0 ? "" : ", whole"),
        out,
        unit(),
        origin());
  }

  @Override
  public Optional<String> condition(double percent) {
    double wanted = wanted(percent);
    double held = held(wanted);
    return Math.abs(wanted - held) > Math.abs(value().scaling().scale())
        ? Optional.of(
            "held at %s %s: the %s takes no more".formatted(text(held), unitOfValue(), place))
        : Optional.empty();
  }
}
