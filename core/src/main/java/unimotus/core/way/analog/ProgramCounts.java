package unimotus.core.way.analog;

import static unimotus.core.path.Numbers.text;

import unimotus.core.analog.AnalogFormulas;
import unimotus.core.derivation.Step;
import unimotus.core.path.Stage;
import unimotus.core.path.Station;
import unimotus.core.quantity.MeasureUnit;

/**
 * The program scales to whole counts: counts = percent/100·N.
 *
 * @param fullScaleCounts N, counts the program takes for 100 %
 * @param leastPercent −100 where the sign carries the direction, else 0
 */
public record ProgramCounts(int fullScaleCounts, double leastPercent) implements Stage {

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
    return Math.rint(AnalogFormulas.counts(percent, fullScaleCounts));
  }

  @Override
  public double inverse(double counts) {
    return AnalogFormulas.percent(counts, fullScaleCounts);
  }

  @Override
  public double low() {
    return leastPercent / 100 * fullScaleCounts;
  }

  @Override
  public double high() {
    return fullScaleCounts;
  }

  @Override
  public double step() {
    return 1;
  }

  @Override
  public String origin() {
    return "program: %s counts at 100 %%".formatted(text(fullScaleCounts));
  }

  @Override
  public Step sum(double in, double out) {
    return new Step(
        "counts",
        "percent/100·N",
        "%s/100·%s, whole".formatted(text(in), text(fullScaleCounts)),
        out,
        unit(),
        origin());
  }
}
