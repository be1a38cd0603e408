package unimotus.core.path;

import static unimotus.core.path.Numbers.text;

import java.util.Optional;
import unimotus.core.analog.SignalRange;
import unimotus.core.derivation.Step;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.sheet.SettingRole;

/**
 * The drive's analog output shows a quantity of the motor: s = s₀ + (x − x₀)/(X − x₀)·(s₁₀₀ − s₀),
 * held within its range.
 *
 * @param terminal the output terminal
 * @param range range the output is set to
 * @param shown what it is set to show
 */
public record DriveAnswer(String terminal, SignalRange range, ShownQuantity shown)
    implements Stage {

  /** The answer of an output; empty where it is set to show nothing. */
  public static Optional<DriveAnswer> of(AxisAssembly axis, String output, MotorLink motor) {
    EffectiveSettings settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
    SignalRange range =
        SignalRange.ofLabel(
                settings.choice(SettingRole.ANSWER_RANGE, output, Channels.USUAL_RANGE.label()))
            .orElse(Channels.USUAL_RANGE);
    return ShownQuantity.of(axis, output, motor)
        .map(shown -> new DriveAnswer(output, range, shown));
  }

  @Override
  public Station from() {
    return Station.FREQUENCY;
  }

  @Override
  public Station to() {
    return Station.ANSWER_SIGNAL;
  }

  @Override
  public MeasureUnit unit() {
    return range.unit();
  }

  @Override
  public double forward(double hertz) {
    return signal(shown.value(hertz));
  }

  /** The signal that shows a value, in the unit of the range. */
  public double signal(double value) {
    return range.signalAt(shown.percent(value));
  }

  /** Only a speed tells the frequency; anything else hangs on the load. */
  @Override
  public double inverse(double signal) {
    double value = shown.valueAt(range.percentAt(signal));
    return switch (shown.quantity()) {
      case SPEED -> shown.motor().hertz(value);
      case FREQUENCY -> value;
      default ->
          throw new IllegalArgumentException(
              "output %s shows the %s, which depends on the load and gives no speed"
                  .formatted(terminal, shown.quantity().label()));
    };
  }

  @Override
  public double low() {
    return Math.max(0, range.low());
  }

  @Override
  public double high() {
    return range.high();
  }

  @Override
  public String origin() {
    return "output %s: %s, %s at %s"
        .formatted(
            terminal, shown.quantity().label(), range.label(), text(shown.full(), shown.unit()));
  }

  @Override
  public Step sum(double in, double out) {
    return new Step(
        "answer signal",
        "s₀ + (x − x₀)/(X − x₀)·(s₁₀₀ − s₀)",
        "%s + (%s − %s)/(%s − %s)·%s"
            .formatted(
                text(low()),
                text(shown.value(in)),
                text(shown.low()),
                text(shown.full()),
                text(shown.low()),
                text(range.high() - low())),
        out,
        unit(),
        origin());
  }

  @Override
  public Optional<String> condition(double hertz) {
    return shown.isBeyond(shown.value(hertz))
        ? Optional.of(
            "held at full scale: the output shows no more than " + text(shown.full(), shown.unit()))
        : Optional.empty();
  }
}
