package unimotus.core.way.analog;

import static unimotus.core.path.Numbers.text;

import java.util.Optional;
import unimotus.core.analog.SignalRange;
import unimotus.core.derivation.Step;
import unimotus.core.path.Numbers;
import unimotus.core.path.Stage;
import unimotus.core.path.Station;
import unimotus.core.quantity.MeasureUnit;

/**
 * The controller's output module makes a signal of counts: s = s₀ + counts/M·(s₁₀₀ − s₀), in steps
 * of its converter and held at the ends of its range.
 *
 * @param point the output point
 * @param range range the channel is set to
 * @param fullScaleCounts M, counts the module takes as full scale
 * @param converterBits resolution of the converter over the range
 */
public record OutputModule(String point, SignalRange range, int fullScaleCounts, int converterBits)
    implements Stage {
  /** Stands for a channel that is not chosen yet. */
  public static final String NONE = "–";

  @Override
  public Station from() {
    return Station.COUNTS;
  }

  @Override
  public Station to() {
    return Station.SIGNAL;
  }

  @Override
  public MeasureUnit unit() {
    return range.unit();
  }

  @Override
  public double forward(double counts) {
    double exact = range.signalAt(counts / fullScaleCounts * 100);
    double stepped = range.low() + Numbers.quantise(exact - range.low(), converterStep());
    return Numbers.clamp(stepped, low(), high());
  }

  @Override
  public double inverse(double signal) {
    return range.percentAt(signal) / 100 * fullScaleCounts;
  }

  @Override
  public double low() {
    return range.low();
  }

  @Override
  public double high() {
    return range.high();
  }

  @Override
  public double step() {
    return Math.max(converterStep(), (range.high() - Math.max(0, range.low())) / fullScaleCounts);
  }

  @Override
  public String origin() {
    return "module %s: %s, %s counts, %d bit"
        .formatted(point, range.label(), text(fullScaleCounts), converterBits);
  }

  @Override
  public Step sum(double in, double out) {
    String formula = range.isBipolar() ? "counts/M·s₁₀₀" : "s₀ + counts/M·(s₁₀₀ − s₀)";
    String put =
        range.isBipolar()
            ? "%s/%s·%s".formatted(text(in), text(fullScaleCounts), text(range.high()))
            : "%s + %s/%s·%s"
                .formatted(
                    text(range.low()),
                    text(in),
                    text(fullScaleCounts),
                    text(range.high() - range.low()));
    return new Step("signal", formula, put, out, unit(), origin());
  }

  @Override
  public Optional<String> condition(double counts) {
    if (counts > fullScaleCounts) {
      return Optional.of(
          "held at %s: the module's full scale is %s counts"
              .formatted(text(high(), unit()), text(fullScaleCounts)));
    }
    double least = range.leastPercent() / 100 * fullScaleCounts;
    return counts < least
        ? Optional.of("held at %s: the module's range ends there".formatted(text(low(), unit())))
        : Optional.empty();
  }

  private double converterStep() {
    return (range.high() - range.low()) / (1L << converterBits);
  }
}
