package unimotus.core.way.analog;

import static unimotus.core.path.Numbers.text;

import java.util.Optional;
import unimotus.core.analog.SignalRange;
import unimotus.core.derivation.Step;
import unimotus.core.path.Numbers;
import unimotus.core.path.Stage;
import unimotus.core.path.Station;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.sheet.Option;

/**
 * The drive's analog input reads the signal as a percentage of its own range: p = (s − s₀)/(s₁₀₀ −
 * s₀)·100, in steps of its converter, kept within the range, with dead band and inversion.
 *
 * <p>Where volts meet an input set for current, or the other way round, the input's resistance
 * turns one into the other: volts over the burden, or a current that drives a high-resistance input
 * to its end. A test holds this against the solved circuit.
 *
 * @param terminal the input terminal
 * @param sent range of what is sent, which tells volts from milliamps
 * @param range range the input is set to
 * @param burdenOhms resistance of the input when set for current
 * @param joint share of the signal that arrives, 1 for a sound link
 * @param offset what is added on the way, in the unit sent; 0 for a sound link
 * @param deadBandPercent percent around zero that count as zero
 * @param inverted whether low is read as high
 * @param converterBits resolution of the converter over the range
 * @param lossAction {@code fault}, {@code hold} or {@code none} when a live zero is lost
 */
public record DriveInput(
    String terminal,
    SignalRange sent,
    SignalRange range,
    double burdenOhms,
    double joint,
    double offset,
    double deadBandPercent,
    boolean inverted,
    int converterBits,
    Option lossAction)
    implements Stage {

  @Override
  public Station from() {
    return Station.SIGNAL;
  }

  @Override
  public Station to() {
    return Station.DRIVE_PERCENT;
  }

  @Override
  public MeasureUnit unit() {
    return MeasureUnit.PERCENT;
  }

  @Override
  public double forward(double signal) {
    return read(received(signal));
  }

  /** What the drive makes of what its converter gets, in the unit of the input's own range. */
  double read(double taken) {
    double percent = range.percentAt(taken);
    double stepped = Numbers.quantise(percent, step());
    double held = Numbers.clamp(stepped, low(), high());
    double live = Math.abs(held) < deadBandPercent ? 0 : held;
    return inverted ? 100 - live : live;
  }

  @Override
  public double inverse(double percent) {
    double signal = range.signalAt(inverted ? 100 - percent : percent);
    return (translatedBack(signal) - offset) / joint;
  }

  @Override
  public double low() {
    return range.leastPercent();
  }

  @Override
  public double high() {
    return 100;
  }

  @Override
  public double step() {
    return (100 - range.leastPercent()) / (1L << converterBits);
  }

  @Override
  public String origin() {
    return "input %s: %s%s".formatted(terminal, range.label(), inverted ? ", inverted" : "");
  }

  @Override
  public Step sum(double in, double out) {
    double got = received(in);
    return new Step(
        "drive input",
        inverted ? "100 − (s − s₀)/(s₁₀₀ − s₀)·100" : "(s − s₀)/(s₁₀₀ − s₀)·100",
        "%s(%s − %s)/(%s − %s)·100"
            .formatted(
                inverted ? "100 − " : "",
                text(got),
                text(range.isBipolar() ? 0 : range.low()),
                text(range.high()),
                text(range.isBipolar() ? 0 : range.low())),
        out,
        unit(),
        origin());
  }

  @Override
  public Optional<String> condition(double signal) {
    double got = received(signal);
    if (range.isLost(got)) {
      return Optional.of(
          "%s is below the live zero: the drive takes it for a wire break (%s)"
              .formatted(text(got, range.unit()), lossAction.word()));
    }
    double percent = range.percentAt(got);
    if (percent > 100 + step()) {
      return Optional.of(
          "held at 100 %: the input's range ends at " + text(range.high(), range.unit()));
    }
    if (percent < low() - step()) {
      return Optional.of("held at %s: below the input's range".formatted(text(low(), unit())));
    }
    return Math.abs(percent) < deadBandPercent
        ? Optional.of("inside the dead band of " + text(deadBandPercent, unit()))
        : Optional.empty();
  }

  /** Whether the drive takes this signal for a broken wire and acts on it. */
  public boolean isLost(double signal) {
    return range.isLost(received(signal)) && lossAction != Option.NONE;
  }

  /** This input set to another range. */
  public DriveInput withRange(SignalRange next) {
    return new DriveInput(
        terminal,
        sent,
        next,
        burdenOhms,
        joint,
        offset,
        deadBandPercent,
        inverted,
        converterBits,
        lossAction);
  }

  /** This input the other way round. */
  public DriveInput turnedRound() {
    return new DriveInput(
        terminal,
        sent,
        range,
        burdenOhms,
        joint,
        offset,
        deadBandPercent,
        !inverted,
        converterBits,
        lossAction);
  }

  /** This input with another dead band. */
  public DriveInput withDeadBand(double percent) {
    return new DriveInput(
        terminal,
        sent,
        range,
        burdenOhms,
        joint,
        offset,
        percent,
        inverted,
        converterBits,
        lossAction);
  }

  /** This input behind a link that lets {@code share} of the signal through and adds an offset. */
  public DriveInput behind(double share, double added) {
    return new DriveInput(
        terminal,
        sent,
        range,
        burdenOhms,
        share,
        added,
        deadBandPercent,
        inverted,
        converterBits,
        lossAction);
  }

  /** What arrives at the input's converter, in the unit of its own range. */
  private double received(double signal) {
    double arrived = signal * joint + offset;
    if (sent.isCurrent() == range.isCurrent()) {
      return arrived;
    }
    return range.isCurrent() ? arrived / burdenOhms * 1000 : arrived > 0.1 ? range.high() * 1.2 : 0;
  }

  private double translatedBack(double signal) {
    if (sent.isCurrent() == range.isCurrent()) {
      return signal;
    }
    return range.isCurrent() ? signal / 1000 * burdenOhms : sent.signalAt(range.percentAt(signal));
  }
}
