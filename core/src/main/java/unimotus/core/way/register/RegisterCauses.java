package unimotus.core.way.register;

import java.util.Arrays;
import java.util.List;
import java.util.stream.DoubleStream;
import java.util.stream.Stream;
import unimotus.core.detective.AxisCause;
import unimotus.core.detective.Cause;
import unimotus.core.detective.Clues;
import unimotus.core.detective.Variant;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.fieldbus.WordOrder;
import unimotus.core.motor.SpeedScale;
import unimotus.core.path.FrequencyLimits;
import unimotus.core.quantity.QuantityFormat;

/** A reference in a register as it would be under each cause. */
final class RegisterCauses {
  /** One step more or less behind the point than the manual is read to say (common practice). */
  private static final double[] OTHER_SCALES = {0.01, 0.1, 10, 100};

  private final RegisterLink link;
  private final Clues clues;

  RegisterCauses(RegisterLink link, Clues clues) {
    this.link = link;
    this.clues = clues;
  }

  /** The variants of a cause on this link; empty where it does not occur here. */
  List<Variant> variants(Cause cause) {
    if (cause == AxisCause.DRIVE_SPAN) {
      return spans();
    }
    return cause instanceof RegisterCause own ? variants(own) : List.of();
  }

  private List<Variant> variants(RegisterCause cause) {
    return switch (cause) {
      case REGISTER_SCALE -> scales();
      case REGISTER_ORDER -> orders();
    };
  }

  private Variant variant(String text, DriveRegister faulty) {
    return Variant.of(text, clues.path().with(link.with(faulty)));
  }

  private RegisterEntry entry() {
    return link.drive().entry();
  }

  private List<Variant> scales() {
    Stream<Variant> factors =
        Arrays.stream(OTHER_SCALES)
            .map(factor -> entry().scale() * factor)
            .mapToObj(
                step ->
                    variant(
                        "one step is %s %s in the drive".formatted(text(step), entry().unit()),
                        link.drive().with(entry().withScale(step))));
    double hertzPerUnit = link.drive().speeds().hertz(1, entry().unit());
    Stream<Variant> units =
        Stream.of("Hz", "%", "rpm")
            .filter(unit -> link.drive().speeds().hertz(1, unit) != hertzPerUnit)
            .flatMap(this::inUnit);
    return Stream.concat(factors, units).toList();
  }

  /** The drive takes another unit, and with it often another number of decimals. */
  private Stream<Variant> inUnit(String unit) {
    return DoubleStream.concat(DoubleStream.of(1), Arrays.stream(OTHER_SCALES))
        .mapToObj(
            factor -> {
              double step = entry().scale() * factor;
              return variant(
                  "one step is %s %s in the drive".formatted(text(step), unit),
                  link.drive().with(entry().withScaling(step, unit)));
            });
  }

  private List<Variant> orders() {
    boolean two = entry().type().words() == 2;
    return Arrays.stream(WordOrder.values())
        .filter(order -> order != entry().order())
        // With one register only its bytes can be exchanged.
        .filter(order -> two || order == WordOrder.BADC || order == WordOrder.ABCD)
        .map(order -> variant("taken as " + order, link.drive().takenAs(order)))
        .toList();
  }

  /** What 100 % is in the drive; only a register in percent leaves that open. */
  private List<Variant> spans() {
    SpeedScale speeds = link.drive().speeds();
    return (entry().unit().equals("%") ? FrequencyLimits.usualHertz() : DoubleStream.empty())
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
