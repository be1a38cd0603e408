package unimotus.core.way.analog.local;

import static unimotus.core.path.Numbers.text;

import unimotus.core.derivation.Step;
import unimotus.core.path.Numbers;
import unimotus.core.path.Stage;
import unimotus.core.path.Station;
import unimotus.core.quantity.MeasureUnit;

/**
 * A potentiometer on the drive's own supply: a divider that the input loads. With x the share of
 * the travel, U = U₀·x/(1 + x·(1 − x)·R/R_i) (Kirchhoff's laws).
 *
 * @param volts U₀, over the whole track
 * @param trackOhms R, of the whole track
 * @param inputOhms R_i, of the input at the wiper
 * @param ends how the ends of the track are joined
 */
record Knob(double volts, double trackOhms, double inputOhms, Ends ends) implements Stage {

  /** How the ends of a track are joined. */
  enum Ends {
    /** The lower end to the common, the upper to the supply. */
    RIGHT,
    /** The other way round. */
    EXCHANGED,
    /** The lower end to nothing. */
    LOWER_OPEN,
    /** The upper end, or the wiper, to nothing. */
    DEAD
  }

  @Override
  public Station from() {
    return Station.PERCENT;
  }

  @Override
  public Station to() {
    return Station.SIGNAL;
  }

  @Override
  public MeasureUnit unit() {
    return MeasureUnit.VOLT_UNIT;
  }

  @Override
  public double forward(double percent) {
    double x = Numbers.clamp(percent / 100, 0, 1);
    return switch (ends) {
      case RIGHT -> divided(x);
      case EXCHANGED -> divided(1 - x);
      case LOWER_OPEN -> volts * inputOhms / (inputOhms + (1 - x) * trackOhms);
      case DEAD -> 0;
    };
  }

  private double divided(double x) {
    return volts * x / (1 + x * (1 - x) * load());
  }

  private double load() {
    return trackOhms / inputOhms;
  }

  /** The positive root of u·k·x² + (1 − u·k)·x − u = 0, with u = U/U₀ and k = R/R_i. */
  @Override
  public double inverse(double wanted) {
    double u = wanted / volts;
    double uk = u * load();
    double x =
        Math.abs(uk) < 1e-9 ? u : (uk - 1 + Math.sqrt((1 - uk) * (1 - uk) + 4 * u * uk)) / (2 * uk);
    return 100 * (ends == Ends.EXCHANGED ? 1 - x : x);
  }

  @Override
  public double low() {
    return 0;
  }

  @Override
  public double high() {
    return volts;
  }

  @Override
  public String origin() {
    return "potentiometer of %s on %s"
        .formatted(text(trackOhms, MeasureUnit.OHM_UNIT), text(volts, MeasureUnit.VOLT_UNIT));
  }

  @Override
  public Step sum(double in, double out) {
    double x = in / 100;
    return new Step(
        "wiper",
        "U₀·x/(1 + x·(1 − x)·R/R_i)",
        "%s·%s/(1 + %s·(1 − %s)·%s/%s)"
            .formatted(text(volts), text(x), text(x), text(x), text(trackOhms), text(inputOhms)),
        out,
        unit(),
        origin());
  }

  /** This potentiometer with its ends joined otherwise. */
  Knob with(Ends next) {
    return new Knob(volts, trackOhms, inputOhms, next);
  }

  /** This potentiometer on another voltage. */
  Knob on(double otherVolts) {
    return new Knob(otherVolts, trackOhms, inputOhms, ends);
  }

  /** This potentiometer at an input of another resistance. */
  Knob into(double ohms) {
    return new Knob(volts, trackOhms, ohms, ends);
  }
}
