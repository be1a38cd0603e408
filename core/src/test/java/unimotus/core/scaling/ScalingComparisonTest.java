package unimotus.core.scaling;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.scaling.ScalingCause.Kind;

/** Copies of a scaling: worked examples, and mistakes put in one by one and two by two. */
final class ScalingComparisonTest {
  private static final AxisScaling SIXTY =
      AxisScaling.direct(131_072, new BigDecimal("60"), MeasureUnit.MILLIMETRE);

  private static ScalingDifference against(AxisScaling one, AxisScaling other) {
    return ScalingComparison.of(Holder.PROGRAM, one, Holder.MACHINE, other);
  }

  /** 2^17 counts a turn and 60 mm a turn: 2184.53 counts a millimetre (common practice). */
  @Test
  void countsForAMillimetre() {
    assertThat(SIXTY.countsPerUnit().doubleValue()).isCloseTo(2184.5333, within(1e-4));
    assertThat(SIXTY.resolution()).isCloseTo(0.000457764, within(1e-9));
    // 2^31 counts are 16 384 turns of 2^17: 983 m at 60 mm.
    assertThat(SIXTY.farthest()).isCloseTo(983_040, within(1.0));
  }

  /** 23 against 17 bits is 64 (common practice). */
  @Test
  void bitsOfTheEncoder() {
    ScalingDifference found = against(SIXTY.withCounts(1 << 23), SIXTY);
    assertThat(found.ratio().doubleValue()).isEqualTo(64);
    assertThat(found.isEqual()).isFalse();
    assertThat(found.causes())
        .singleElement()
        .satisfies(
            c -> {
              assertThat(c.kind()).isEqualTo(Kind.ENCODER);
              assertThat(c.seen()).isEqualTo("23 bits a turn against 17");
            });
  }

  /** 60 mm against 360° a turn: plain numbers, a sixth. */
  @Test
  void aLengthAgainstAnAngle() {
    AxisScaling degrees = SIXTY.with().feed(new BigDecimal("360")).unit(MeasureUnit.DEGREE).build();
    ScalingDifference found = against(degrees, SIXTY);
    assertThat(found.comparable()).isFalse();
    assertThat(found.isEqual()).isFalse();
    assertThat(found.ratio().doubleValue()).isCloseTo(1 / 6.0, within(1e-15));
    assertThat(found.causes().get(0).kind()).isEqualTo(Kind.UNIT);
    ScalingDifference numbers = against(SIXTY.withFeed(new BigDecimal("360")), SIXTY);
    assertThat(numbers.causes().get(0).seen()).contains("360 is a turn in degrees");
  }

  /** 60 mm is 0.06 m is 60 000 µm: one scaling in three units. */
  @Test
  void otherUnitsOfTheSameLengthAreEqual() {
    AxisScaling metres =
        SIXTY.with().feed(new BigDecimal("0.06")).unit(MeasureUnit.METRE_UNIT).build();
    AxisScaling micro =
        SIXTY.with().feed(new BigDecimal("60000")).unit(MeasureUnit.MICROMETRE).build();
    assertThat(against(metres, SIXTY).isEqual()).isTrue();
    assertThat(against(metres, SIXTY).causes()).isEmpty();
    assertThat(against(micro, metres).isEqual()).isTrue();
  }

  /** Two turns with 120 mm and 2^18 counts in two turns say the same. */
  @Test
  void theSameInOtherNumbersIsEqual() {
    AxisScaling other =
        SIXTY
            .with()
            .counts(262_144)
            .encoderTurns(2)
            .feed(new BigDecimal("120"))
            .feedTurns(2)
            .build();
    assertThat(against(other, SIXTY).isEqual()).isTrue();
    assertThat(against(other, SIXTY).causes()).isEmpty();
  }

  @Test
  void aMinuteAgainstASecond() {
    ScalingDifference found = against(SIXTY.withTime(MeasureUnit.MINUTE_UNIT), SIXTY);
    assertThat(found.ratio().doubleValue()).isEqualTo(1);
    assertThat(found.isEqual()).isFalse();
    assertThat(found.causes().get(0).factor()).isCloseTo(1 / 60.0, within(1e-15));
  }

  @Test
  void copiesThatWereNotReadAreNotCompared() {
    ScalingCopies copies = new ScalingCopies(SIXTY, null, null, SIXTY.withReversed(true));
    assertThat(copies.notRead()).containsExactly(Holder.DRIVE, Holder.BUS);
    assertThat(copies.differences()).hasSize(1);
    assertThat(copies.againstMachine(Holder.DRIVE)).isEmpty();
    assertThat(copies.againstMachine(Holder.PROGRAM).orElseThrow().isEqual()).isFalse();
  }

  @Test
  void badNumbersAreNamed() {
    assertThatThrownBy(() -> SIXTY.withCounts(0))
        .hasMessageContaining("encoder counts")
        .hasMessageContaining("not 0");
    assertThatThrownBy(() -> SIXTY.withMotorTurns(0))
        .hasMessageContaining("motor turns of the gear");
    assertThatThrownBy(() -> SIXTY.withFeed(new BigDecimal("-5"))).hasMessageContaining("-5");
    assertThatThrownBy(() -> SIXTY.withUnit(MeasureUnit.BAR)).hasMessageContaining("bar");
    assertThatThrownBy(() -> SIXTY.withTime(MeasureUnit.HOUR_UNIT)).hasMessageContaining("minute");
  }

  /** There and back over the way of a position. */
  @Test
  void theWayOfAPositionBothWays() {
    PositionPath path =
        new PositionPath(SIXTY.with().motorTurns(5).loadTurns(2).reversed(true).build());
    PositionPath.Places places = path.fromNumber(300);
    // 300 mm / 60 mm · 2.5 turns of the motor · 131 072 counts, backwards.
    assertThat(places.counts()).isEqualTo(-1_638_400);
    assertThat(places.motorTurns()).isEqualTo(-12.5);
    assertThat(places.outputTurns()).isEqualTo(-5);
    assertThat(path.fromCounts(-1_638_400).reached()).isCloseTo(300, within(1e-9));
    assertThat(path.fromMotorTurns(-12.5).reached()).isCloseTo(300, within(1e-9));
    // 3000 rpm = 50 turns a second · 131 072 · 1 ms
    assertThat(path.countsPerCycle(3000, 0.001)).isCloseTo(6553.6, within(1e-9));
    // 360° a minute is one turn a minute.
    AxisScaling degrees = AxisScaling.direct(131_072, new BigDecimal("360"), MeasureUnit.DEGREE);
    assertThat(new PositionPath(degrees).motorRpm(360 / 60.0)).isCloseTo(1, within(1e-12));
  }

  private record Mistake(String name, AxisScaling copy, double factor, Kind kind) {}

  /** Mistakes in one field each, with what they do to the counts worked out by hand here. */
  private static List<Mistake> mistakes(AxisScaling sound) {
    List<Mistake> all = new ArrayList<>();
    for (int bits : new int[] {12, 13, 16, 20, 22, 23, 24}) {
      all.add(
          new Mistake(
              bits + " bits", sound.withCounts(1L << bits), Math.pow(2, bits - 17), Kind.ENCODER));
    }
    all.add(new Mistake("lines", sound.withCounts(32_768), 0.25, Kind.ENCODER));
    all.add(
        new Mistake(
            "no power of two", sound.withCounts(100_000), 100_000 / 131_072.0, Kind.ENCODER));
    all.add(
        new Mistake(
            "no gear", sound.with().motorTurns(1).loadTurns(1).build(), 1 / 3.0, Kind.GEAR));
    all.add(
        new Mistake(
            "inverse gear", sound.with().motorTurns(1).loadTurns(3).build(), 1 / 9.0, Kind.GEAR));
    all.add(
        new Mistake(
            "other gear", sound.with().motorTurns(7).loadTurns(2).build(), 7 / 6.0, Kind.GEAR));
    for (String feed : new String[] {"20", "61", "6", "63.5"}) {
      all.add(
          new Mistake(
              "feed " + feed,
              sound.withFeed(new BigDecimal(feed)),
              60 / Double.parseDouble(feed),
              Kind.FEED));
    }
    all.add(new Mistake("feed of 360", sound.withFeed(new BigDecimal("360")), 1 / 6.0, Kind.UNIT));
    all.add(new Mistake("metres", sound.withFeed(new BigDecimal("0.06")), 1000, Kind.UNIT));
    all.add(new Mistake("micrometres", sound.withFeed(new BigDecimal("60000")), 0.001, Kind.UNIT));
    all.add(new Mistake("inches", sound.withFeed(new BigDecimal("2.3622047244")), 25.4, Kind.UNIT));
    all.add(
        new Mistake(
            "circumference",
            sound.withFeed(new BigDecimal("188.4955592")),
            1 / Math.PI,
            Kind.UNIT));
    all.add(new Mistake("direction", sound.withReversed(true), 1, Kind.POLARITY));
    all.add(new Mistake("minute", sound.withTime(MeasureUnit.MINUTE_UNIT), 1, Kind.TIME));
    return all;
  }

  /** One mistake, and every two in different fields: the ratio, and each cause by name. */
  @Test
  void mistakesOneByOneAndTwoByTwo() {
    AxisScaling sound = SIXTY.withMotorTurns(3);
    List<Mistake> mistakes = mistakes(sound);
    int cases = 0;
    for (Mistake one : mistakes) {
      check(one.name(), one.copy(), sound, one.factor(), EnumSet.of(one.kind()));
      cases++;
      for (Mistake other : mistakes) {
        if (field(one.kind()) < field(other.kind())) {
          AxisScaling both = joined(sound, one.copy(), other.copy());
          check(
              one.name() + " and " + other.name(),
              both,
              sound,
              one.factor() * other.factor(),
              EnumSet.of(one.kind(), other.kind()));
          cases++;
        }
      }
    }
    assertThat(cases).isGreaterThanOrEqualTo(100);
  }

  private static void check(
      String name, AxisScaling copy, AxisScaling sound, double factor, Set<Kind> kinds) {
    ScalingDifference found = against(copy, sound);
    // No gear and a third of the feed make up for one another, and both are still told.
    boolean madeUp = factor == 1 && !kinds.contains(Kind.POLARITY) && !kinds.contains(Kind.TIME);
    assertThat(found.isEqual()).describedAs(name).isEqualTo(madeUp);
    assertThat(found.ratio().doubleValue())
        .describedAs(name)
        .isCloseTo(factor, within(factor * 1e-9));
    assertThat(found.causes().stream().map(ScalingCause::kind))
        .describedAs(name)
        .containsExactlyInAnyOrderElementsOf(kinds);
    double product =
        found.causes().stream()
            .filter(c -> c.kind() != Kind.POLARITY && c.kind() != Kind.TIME)
            .mapToDouble(ScalingCause::factor)
            .reduce(1, (a, b) -> a * b);
    assertThat(product).describedAs(name).isCloseTo(factor, within(factor * 1e-9));
  }

  /** Kinds that stand in one field have one number. */
  private static int field(Kind kind) {
    return kind == Kind.UNIT ? Kind.FEED.ordinal() : kind.ordinal();
  }

  /** Takes from each copy the field in which it differs. */
  private static AxisScaling joined(AxisScaling sound, AxisScaling one, AxisScaling other) {
    AxisScaling all = sound;
    for (AxisScaling each : List.of(one, other)) {
      all =
          all.with()
              .counts(each.counts() == sound.counts() ? all.counts() : each.counts())
              .motorTurns(each.gear().equals(sound.gear()) ? all.motorTurns() : each.motorTurns())
              .loadTurns(each.gear().equals(sound.gear()) ? all.loadTurns() : each.loadTurns())
              .feed(each.feed().equals(sound.feed()) ? all.feed() : each.feed())
              .reversed(each.reversed() || all.reversed())
              .time(each.time() == sound.time() ? all.time() : each.time())
              .build();
    }
    return all;
  }
}
