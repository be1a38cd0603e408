package unimotus.core.way.position;

import static unimotus.core.path.Numbers.text;

import java.util.Optional;
import unimotus.core.derivation.Step;
import unimotus.core.path.Stage;
import unimotus.core.path.Station;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.scaling.AxisScaling;

/**
 * The program turns a position into whole counts: counts = position · counts a turn · gear / feed.
 *
 * @param counted what it counts in
 * @param bits of the signed number that holds them
 * @param copy its copy of the scaling
 * @param factor 1, or how many times too many counts it makes; negative the other way
 */
public record CountsStage(Counted counted, int bits, AxisScaling copy, double factor)
    implements Stage {
  private static final int USUAL_BITS = 32;

  /** Counts of an encoder in 32 bits, as the copy has it. */
  public static CountsStage ofEncoder(AxisScaling copy) {
    return new CountsStage(Counted.COUNTS, USUAL_BITS, copy, 1);
  }

  /** This stage making so many times its counts. */
  public CountsStage with(double next) {
    return new CountsStage(counted, bits, copy, next);
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
    return -Math.pow(2, bits - 1.0);
  }

  @Override
  public double high() {
    return Math.pow(2, bits - 1.0) - 1;
  }

  @Override
  public double step() {
    return 1;
  }

  @Override
  public String origin() {
    return "%s: %s %s for 1 %s"
        .formatted(counted.by(), text(countsPerUnit()), counted.word(), symbol());
  }

  private String symbol() {
    return copy.unit().symbol().isEmpty() ? "unit" : copy.unit().symbol();
  }

  @Override
  public Step sum(double in, double out) {
    return new Step(
        counted.word(),
        "position · %s a turn · gear / feed, rounded".formatted(counted.word()),
        "%s · %s · %s / %s"
            .formatted(
                text(in),
                text(copy.countsPerTurn().doubleValue(), unit()),
                text(copy.gear().doubleValue()),
                text(copy.feedPerTurn().doubleValue(), copy.unit())),
        out,
        unit(),
        counted.source());
  }

  @Override
  public Optional<String> condition(double number) {
    double counts = forward(number);
    return counts < low() || counts > high()
        ? Optional.of("%s do not fit into %d bits".formatted(text(counts, unit()), bits))
        : Optional.empty();
  }
}
