package unimotus.core.path;

import static unimotus.core.path.Numbers.text;

import unimotus.core.derivation.Step;
import unimotus.core.quantity.MeasureUnit;

/**
 * The output moves the machine: v = n·c.
 *
 * @param unitsPerTurn c, machine units for one turn
 * @param unit machine units per minute
 * @param factorText what c is, such as {@code π·d}
 */
public record ProductStage(double unitsPerTurn, MeasureUnit unit, String factorText, Commanded what)
    implements Stage {

  /** A stage whose speed is looked at. */
  public ProductStage(double unitsPerTurn, MeasureUnit unit, String factorText) {
    this(unitsPerTurn, unit, factorText, Commanded.SPEED);
  }

  @Override
  public Station from() {
    return Station.GEAR;
  }

  @Override
  public Station to() {
    return Station.MACHINE;
  }

  @Override
  public double forward(double rpm) {
    return rpm * unitsPerTurn;
  }

  @Override
  public double inverse(double speed) {
    return speed / unitsPerTurn;
  }

  @Override
  public String origin() {
    return "mechanics: %s = %s".formatted(factorText, text(unitsPerTurn));
  }

  @Override
  public Step sum(double in, double out) {
    return new Step(
        "machine " + what.word(),
        "n·" + factorText,
        "%s·%s".formatted(text(in), text(unitsPerTurn)),
        out,
        unit,
        origin());
  }
}
