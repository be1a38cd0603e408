package unimotus.core.way.number;

import java.util.Arrays;
import java.util.List;
import java.util.stream.DoubleStream;
import java.util.stream.Stream;
import unimotus.core.detective.Variant;
import unimotus.core.motor.SpeedScale;
import unimotus.core.path.FrequencyLimits;
import unimotus.core.path.SignalPath;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.value.Scaling;

/** A reference as a number as it would be where its two ends mean different things by it. */
public final class NumberCauses {
  /** One step more or less behind the point than the manual is read to say (common practice). */
  private static final double[] OTHER_SCALES = {0.01, 0.1, 10, 100};

  private final NumberLink link;
  private final SignalPath path;

  /** Those of a link on a path. */
  public NumberCauses(NumberLink link, SignalPath path) {
    this.link = link;
    this.path = path;
  }

  /** The path with a drive that takes the number otherwise. */
  public Variant variant(String text, DriveNumber faulty) {
    return Variant.of(text, path.with(link.with(faulty)));
  }

  /** Other steps of the number, in its unit and in others. */
  public List<Variant> scales() {
    Scaling meant = link.drive().scaling();
    Stream<Variant> factors =
        Arrays.stream(OTHER_SCALES).mapToObj(f -> step(f * meant.scale(), meant.unit()));
    double hertzPerUnit = link.drive().speeds().hertz(1, meant.unit());
    Stream<Variant> units =
        Stream.of("Hz", "%", "rpm")
            .filter(unit -> link.drive().speeds().hertz(1, unit) != hertzPerUnit)
            .flatMap(unit -> inUnit(unit, meant.scale()));
    return Stream.concat(factors, units).toList();
  }

  /** The drive takes another unit, and with it often another number of decimals. */
  private Stream<Variant> inUnit(String unit, double scale) {
    return DoubleStream.concat(DoubleStream.of(1), Arrays.stream(OTHER_SCALES))
        .mapToObj(factor -> step(factor * scale, unit));
  }

  private Variant step(double scale, String unit) {
    double offset = link.drive().scaling().offset();
    return variant(
        "one step is %s %s in the drive".formatted(text(scale), unit),
        link.drive().with(new Scaling(scale, offset, unit)));
  }

  /** What 100 % is in the drive; only a number in percent leaves that open. */
  public List<Variant> spans() {
    SpeedScale speeds = link.drive().speeds();
    boolean inPercent = link.drive().scaling().unit().equals("%");
    return (inPercent ? FrequencyLimits.usualHertz() : DoubleStream.empty())
        .filter(top -> Math.abs(top - speeds.maximumHertz()) > 0.5)
        .mapToObj(
            top ->
                variant(
                    "100 %% is %s Hz in the drive".formatted(text(top)),
                    // 100 % is the maximum frequency: another one moves the limit as well.
                    link.drive()
                        .with(new SpeedScale(top, speeds.poles()))
                        .with(new FrequencyLimits(link.limits().minimumHertz(), top))))
        .toList();
  }

  private static String text(double value) {
    return QuantityFormat.PLAIN.number(value);
  }
}
