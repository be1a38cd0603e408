package unimotus.core.scaling;

import java.math.BigInteger;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.hipparchus.fraction.BigFraction;
import unimotus.core.quantity.Dimension;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;

/** Lays two copies of the scaling side by side and says what makes them differ. */
public final class ScalingComparison {
  private static final int DEGREES = 360;
  private static final double TIME_FACTOR = 60;

  /** A feed entered for another one of these is a known slip; ratio within a thousandth of it. */
  private static final double LIKE = 0.001;

  private ScalingComparison() {}

  /** Compares two copies; the ratio is that of the first by the second. */
  public static ScalingDifference of(
      Holder first, AxisScaling one, Holder second, AxisScaling other) {
    boolean comparable = one.unit().dimension() == other.unit().dimension();
    BigFraction unit = comparable ? units(one.unit(), other.unit()) : BigFraction.ONE;
    // Counts for one unit of the second copy's, in the first.
    BigFraction ratio = one.countsPerUnit().divide(unit).divide(other.countsPerUnit());
    List<ScalingCause> causes = new ArrayList<>();
    encoder(one, other).ifPresent(causes::add);
    gear(one, other).ifPresent(causes::add);
    feed(one, other, unit, comparable).ifPresent(causes::add);
    if (one.reversed() != other.reversed()) {
      causes.add(
          new ScalingCause(
              ScalingCause.Kind.POLARITY,
              "%s counts backwards, %s forwards"
                  .formatted(
                      (one.reversed() ? first : second).label(),
                      (one.reversed() ? second : first).label()),
              -1));
    }
    if (one.time() != other.time()) {
      causes.add(
          new ScalingCause(
              ScalingCause.Kind.TIME,
              "speeds a %s against a %s: a speed is %s times as large"
                  .formatted(word(one), word(other), number(TIME_FACTOR)),
              one.time() == MeasureUnit.MINUTE_UNIT ? 1 / TIME_FACTOR : TIME_FACTOR));
    }
    return new ScalingDifference(first, second, ratio, comparable, causes);
  }

  private static String word(AxisScaling copy) {
    return copy.time() == MeasureUnit.MINUTE_UNIT ? "minute" : "second";
  }

  private static Optional<ScalingCause> encoder(AxisScaling one, AxisScaling other) {
    BigFraction ratio = one.countsPerTurn().divide(other.countsPerTurn());
    if (ratio.equals(BigFraction.ONE)) {
      return Optional.empty();
    }
    Optional<Integer> bits = bits(one.countsPerTurn());
    Optional<Integer> otherBits = bits(other.countsPerTurn());
    String seen;
    if (bits.isPresent() && otherBits.isPresent()) {
      seen = "%d bits a turn against %d".formatted(bits.get(), otherBits.get());
    } else if (ratio.equals(new BigFraction(4)) || ratio.equals(new BigFraction(1, 4))) {
      seen =
          "%s counts a turn against %s: lines of the encoder against edges, four to a line"
              .formatted(number(one.countsPerTurn()), number(other.countsPerTurn()));
    } else {
      seen =
          "%s counts a turn against %s"
              .formatted(number(one.countsPerTurn()), number(other.countsPerTurn()));
    }
    return Optional.of(new ScalingCause(ScalingCause.Kind.ENCODER, seen, ratio.doubleValue()));
  }

  private static Optional<ScalingCause> gear(AxisScaling one, AxisScaling other) {
    BigFraction ratio = one.gear().divide(other.gear());
    if (ratio.equals(BigFraction.ONE)) {
      return Optional.empty();
    }
    String numbers = "%s against %s".formatted(gearText(one), gearText(other));
    String seen;
    if (one.gear().equals(BigFraction.ONE) || other.gear().equals(BigFraction.ONE)) {
      seen = numbers + ": the gear is left out";
    } else if (one.gear().equals(other.gear().reciprocal())) {
      seen = numbers + ": the gear is entered the wrong way round";
    } else {
      seen = numbers;
    }
    return Optional.of(new ScalingCause(ScalingCause.Kind.GEAR, seen, ratio.doubleValue()));
  }

  private static Optional<ScalingCause> feed(
      AxisScaling one, AxisScaling other, BigFraction unit, boolean comparable) {
    // A larger feed makes fewer counts for one unit.
    BigFraction ratio = other.feedPerTurn().divide(unit).divide(one.feedPerTurn());
    if (comparable && Math.abs(ratio.doubleValue() - 1) < ScalingDifference.LAST_DIGIT) {
      return Optional.empty();
    }
    String numbers = "%s against %s a turn".formatted(feedText(one), feedText(other));
    if (!comparable) {
      return Optional.of(
          new ScalingCause(
              ScalingCause.Kind.UNIT,
              numbers + ": a length in one, an angle or a count in the other",
              ratio.doubleValue()));
    }
    return Optional.of(
        slip(one, other, ratio.doubleValue())
            .map(
                why ->
                    new ScalingCause(
                        ScalingCause.Kind.UNIT, numbers + ": " + why, ratio.doubleValue()))
            .orElseGet(
                () -> new ScalingCause(ScalingCause.Kind.FEED, numbers, ratio.doubleValue())));
  }

  /** Feeds whose numbers stand in a ratio of two units of the trade. */
  private static Optional<String> slip(AxisScaling one, AxisScaling other, double ratio) {
    boolean length = one.unit().dimension() == Dimension.LENGTH;
    boolean angle = one.unit().dimension() == Dimension.ANGLE;
    if (length && isRatio(ratio, 1000)) {
      return Optional.of("metres against millimetres, or millimetres against micrometres");
    }
    if (length && isRatio(ratio, 25.4)) {
      return Optional.of("inches against millimetres");
    }
    if (length && isRatio(ratio, Math.PI)) {
      return Optional.of("diameter against circumference");
    }
    if (angle && isRatio(ratio, DEGREES)) {
      return Optional.of("turns against degrees");
    }
    if (length && (isDegrees(one) || isDegrees(other))) {
      return Optional.of("360 is a turn in degrees");
    }
    return Optional.empty();
  }

  private static boolean isDegrees(AxisScaling copy) {
    return copy.feedPerTurn().equals(new BigFraction(DEGREES));
  }

  private static boolean isRatio(double ratio, double of) {
    return Math.abs(ratio / of - 1) < LIKE || Math.abs(ratio * of - 1) < LIKE;
  }

  /** One unit of the first in units of the second, exactly. */
  private static BigFraction units(MeasureUnit one, MeasureUnit other) {
    return one == other ? BigFraction.ONE : base(one).divide(base(other));
  }

  /** Lengths in millionths of a metre, angles in degrees. */
  private static BigFraction base(MeasureUnit unit) {
    return switch (unit) {
      case METRE_UNIT -> new BigFraction(1_000_000);
      case MILLIMETRE -> new BigFraction(1000);
      case INCH -> new BigFraction(25_400);
      case FOOT -> new BigFraction(304_800);
      case REVOLUTION -> new BigFraction(DEGREES);
      default -> BigFraction.ONE;
    };
  }

  private static Optional<Integer> bits(BigFraction counts) {
    BigInteger whole = counts.getNumerator();
    boolean power = counts.getDenominator().equals(BigInteger.ONE) && whole.bitCount() == 1;
    return power && whole.bitLength() > 10 ? Optional.of(whole.bitLength() - 1) : Optional.empty();
  }

  private static String gearText(AxisScaling copy) {
    return "%d/%d".formatted(copy.motorTurns(), copy.loadTurns());
  }

  private static String feedText(AxisScaling copy) {
    return QuantityFormat.PLAIN.text(copy.feedPerTurn().doubleValue(), copy.unit());
  }

  private static String number(BigFraction value) {
    return value.getDenominator().equals(BigInteger.ONE)
        ? QuantityFormat.PLAIN.text(value.doubleValue(), MeasureUnit.COUNTS).replace(" counts", "")
        : number(value.doubleValue());
  }

  private static String number(double value) {
    return QuantityFormat.PLAIN.number(value);
  }
}
