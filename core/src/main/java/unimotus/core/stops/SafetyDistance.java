package unimotus.core.stops;

import unimotus.core.derivation.Derivation;
import unimotus.core.derivation.Step;
import unimotus.core.machine.StopApproach;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;

/**
 * Distance between where a person is noticed and the danger, S = K·T + C (ISO 13855:2010, from
 * memory; the edition of 2024 adds a supplement).
 *
 * @param distanceMillimetres S
 * @param seconds T, from being noticed to standstill
 * @param sum how it came about
 */
public record SafetyDistance(double distanceMillimetres, double seconds, Derivation sum) {
  private static final double NEAR_SPEED = 2000;
  private static final double FAR_SPEED = 1600;
  private static final double NEAR_MILLIMETRES = 500;
  private static final double LEAST_MILLIMETRES = 100;
  private static final double FINEST_MILLIMETRES = 14;
  private static final double COARSE_MILLIMETRES = 40;
  private static final double COARSEST_MILLIMETRES = 70;
  private static final double BEAM_REACH_MILLIMETRES = 850;
  private static final double ONE_BEAM_REACH_MILLIMETRES = 1200;
  private static final double FOOT_REACH_MILLIMETRES = 1200;
  private static final double TWO_HAND_REACH_MILLIMETRES = 250;
  private static final double FIELD_SLOPE = 0.4;
  private static final double HIGHEST_FIELD_MILLIMETRES = 1000;
  private static final String SOURCE = "ISO 13855:2010 (from memory)";

  /** Speed, reach, least distance, and what is subtracted from the time. */
  private record Rule(double speed, double reach, double least, double openingSeconds) {
    double distance(double seconds) {
      return Math.max(least, speed * Math.max(0, seconds - openingSeconds) + reach);
    }
  }

  /**
   * The distance a stop of this length needs.
   *
   * @param seconds T, finite and not negative
   * @throws IllegalArgumentException where the stop never ends, nobody is noticed, or the approach
   *     is outside what the standard knows
   */
  public static SafetyDistance needed(double seconds, StopApproach approach) {
    if (!(seconds >= 0 && seconds < Double.POSITIVE_INFINITY)) {
      throw new IllegalArgumentException(
          "safety distance: the stop must end, but its time is %s s".formatted(seconds));
    }
    Rule rule = rule(approach, true);
    if (isFine(approach) && rule.distance(seconds) > NEAR_MILLIMETRES) {
      rule = rule(approach, false);
    }
    double distance = rule.distance(seconds);
    String time =
        rule.openingSeconds() > 0
            ? "(%s s − %s s)".formatted(number(seconds), number(rule.openingSeconds()))
            : number(seconds) + " s";
    return new SafetyDistance(
        distance,
        seconds,
        Derivation.of(
            new Step(
                "distance needed",
                rule.least() > 0
                    ? "S = K·T + C, at least %s mm".formatted(number(rule.least()))
                    : "S = K·T + C",
                "%s mm/s·%s + %s mm".formatted(number(rule.speed()), time, number(rule.reach())),
                distance,
                MeasureUnit.MILLIMETRE,
                SOURCE)));
  }

  /**
   * The longest stop that the distance there is allows.
   *
   * @throws IllegalArgumentException where no distance is known, or no stop is short enough
   */
  public static SafetyDistance allowed(StopApproach approach) {
    double there = approach.distanceMillimetres();
    if (!(there > 0)) {
      throw new IllegalArgumentException(
          "safety distance: it must be over 0 mm, not %s mm".formatted(there));
    }
    Rule rule = rule(approach, isFine(approach) && there <= NEAR_MILLIMETRES);
    if (there < rule.least() || there < rule.reach()) {
      throw new IllegalArgumentException(
          "safety distance: %s mm are under the least of %s mm, however long the stop takes"
              .formatted(number(there), number(Math.max(rule.least(), rule.reach()))));
    }
    double seconds = (there - rule.reach()) / rule.speed() + rule.openingSeconds();
    return new SafetyDistance(
        there,
        seconds,
        Derivation.of(
            new Step(
                "longest stop",
                "T = (S − C)/K",
                "(%s mm − %s mm)/%s mm/s"
                    .formatted(number(there), number(rule.reach()), number(rule.speed())),
                seconds,
                MeasureUnit.SECOND_UNIT,
                SOURCE)));
  }

  /** Whether the slower hand counts only beyond 500 mm. */
  private static boolean isFine(StopApproach approach) {
    return approach.kind() == StopApproach.Kind.CURTAIN
        && approach.resolutionMillimetres() <= COARSE_MILLIMETRES;
  }

  private static Rule rule(StopApproach approach, boolean near) {
    return switch (approach.kind()) {
      case NONE ->
          throw new IllegalArgumentException(
              "safety distance: no approach is detected here, so there is no distance to calculate");
      case CURTAIN -> curtain(approach.resolutionMillimetres(), near);
      case BEAMS ->
          new Rule(
              FAR_SPEED,
              approach.beams() <= 1 ? ONE_BEAM_REACH_MILLIMETRES : BEAM_REACH_MILLIMETRES,
              0,
              0);
      case FIELD -> field(approach);
      case TWO_HAND ->
          new Rule(
              FAR_SPEED,
              approach.shrouded() ? 0 : TWO_HAND_REACH_MILLIMETRES,
              LEAST_MILLIMETRES,
              0);
      case GUARD -> new Rule(FAR_SPEED, 0, 0, approach.openingSeconds());
      case FOOT_SWITCH -> new Rule(FAR_SPEED, FOOT_REACH_MILLIMETRES, 0, 0);
    };
  }

  private static Rule curtain(double resolution, boolean near) {
    if (!(resolution > 0 && resolution <= COARSEST_MILLIMETRES)) {
      throw new IllegalArgumentException(
          "safety distance: the resolution of a curtain is over 0 to 70 mm, not %s mm; beyond, count single beams"
              .formatted(number(resolution)));
    }
    if (resolution > COARSE_MILLIMETRES) {
      return new Rule(FAR_SPEED, BEAM_REACH_MILLIMETRES, 0, 0);
    }
    double reach = Math.max(0, 8 * (resolution - FINEST_MILLIMETRES));
    return near
        ? new Rule(NEAR_SPEED, reach, LEAST_MILLIMETRES, 0)
        : new Rule(FAR_SPEED, reach, NEAR_MILLIMETRES, 0);
  }

  private static Rule field(StopApproach approach) {
    double height = approach.heightMillimetres();
    if (height > HIGHEST_FIELD_MILLIMETRES) {
      throw new IllegalArgumentException(
          "safety distance: a field lies up to 1000 mm high, not %s mm".formatted(number(height)));
    }
    double coarsest = height / 15 + 50;
    if (approach.resolutionMillimetres() > coarsest) {
      throw new IllegalArgumentException(
          "safety distance: at %s mm a field has to see %s mm or less, not %s mm: a leg would pass under it"
              .formatted(
                  number(height),
                  number(Math.floor(coarsest)),
                  number(approach.resolutionMillimetres())));
    }
    double reach =
        Math.max(BEAM_REACH_MILLIMETRES, ONE_BEAM_REACH_MILLIMETRES - FIELD_SLOPE * height);
    return new Rule(FAR_SPEED, reach, 0, 0);
  }

  private static String number(double value) {
    return QuantityFormat.PLAIN.number(value);
  }
}
