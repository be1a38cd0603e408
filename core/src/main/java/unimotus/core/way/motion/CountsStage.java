package unimotus.core.way.motion;

import static unimotus.core.path.Numbers.text;

import java.util.Optional;
import unimotus.core.derivation.Step;
import unimotus.core.path.Stage;
import unimotus.core.path.Station;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.scaling.AxisScaling;

/**
 * The motion axis turns a position into whole counts: counts = position · counts a turn · gear /
 * feed.
 *
 * @param copy its copy of the scaling
 * @param factor 1, or how many times too many counts it makes; negative the other way
 */
record CountsStage(AxisScaling copy, double factor) implements Stage {
  private static final String SOURCE = "IEC 61800-7-201 (from memory)";

  CountsStage with(double next) {
    return new CountsStage(copy, next);
  }

  private double countsPerUnit() {
    return copy.signedCountsPerUnit() * factor;
  }

  @Override
  public Station from() {
    return Station.NUMBER;
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
  public double forward(double number) {
    return Math.rint(number * countsPerUnit());
  }

  @Override
  public double inverse(double counts) {
    return counts / countsPerUnit();
  }

  @Override
  public double low() {
    return Integer.MIN_VALUE;
  }

  @Override
  public double high() {
    return Integer.MAX_VALUE;
  }

  @Override
  public double step() {
    return 1;
  }

  @Override
  public String origin() {
    return "motion axis: " + text(countsPerUnit()) + " counts for 1 " + symbol();
  }

  private String symbol() {
    return copy.unit().symbol().isEmpty() ? "unit" : copy.unit().symbol();
  }

  @Override
  public Step sum(double in, double out) {
    return new Step(
        "counts",
        "position · counts a turn · gear / feed, rounded",
        "%s · %s · %s / %s"
            .formatted(
                text(in),
                text(copy.countsPerTurn().doubleValue(), unit()),
                text(copy.gear().doubleValue()),
                text(copy.feedPerTurn().doubleValue(), copy.unit())),
        out,
        unit(),
        SOURCE);
  }

  @Override
  public Optional<String> condition(double number) {
    double counts = forward(number);
    return counts < low() || counts > high()
        ? Optional.of("%s do not fit into 32 bits".formatted(text(counts, unit())))
        : Optional.empty();
  }
}
