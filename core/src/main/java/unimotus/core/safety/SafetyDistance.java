package unimotus.core.safety;

import unimotus.core.derivation.Derivation;
import unimotus.core.derivation.Step;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;

/**
 * Distance between where a person is noticed and the danger (ISO 13855, from memory): S = K·T + C,
 * with the hand at 2000 mm/s up to 500 mm and 1600 mm/s beyond.
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
  private static final double COARSEST_MILLIMETRES = 40;
  private static final double BEAM_REACH_MILLIMETRES = 850;
  private static final String SOURCE = "ISO 13855 (from memory)";

  /**
   * C: how far a hand gets before it is noticed.
   *
   * @param resolutionMillimetres detection capability of a light curtain; 0 for a guard or button,
   *     where nothing is added
   */
  public static double reachMillimetres(double resolutionMillimetres) {
    if (!(resolutionMillimetres >= 0)) {
      throw new IllegalArgumentException(
          "resolution must not be negative, but is %s mm".formatted(resolutionMillimetres));
    }
    return resolutionMillimetres > COARSEST_MILLIMETRES
        ? BEAM_REACH_MILLIMETRES
        : Math.max(0, 8 * (resolutionMillimetres - FINEST_MILLIMETRES));
  }

  /**
   * The distance a stop of this length needs.
   *
   * @param seconds T, finite and not negative
   */
  public static SafetyDistance needed(double seconds, double resolutionMillimetres) {
    if (!(seconds >= 0 && seconds < Double.POSITIVE_INFINITY)) {
      throw new IllegalArgumentException(
          "safety distance: the stop must end, but its time is %s s".formatted(seconds));
    }
    double reach = reachMillimetres(resolutionMillimetres);
    boolean coarse = resolutionMillimetres > COARSEST_MILLIMETRES;
    double near = NEAR_SPEED * seconds + reach;
    boolean far = coarse || near > NEAR_MILLIMETRES;
    double speed = far ? FAR_SPEED : NEAR_SPEED;
    double least = far && !coarse ? NEAR_MILLIMETRES : LEAST_MILLIMETRES;
    double distance = Math.max(least, speed * seconds + reach);
    return new SafetyDistance(
        distance,
        seconds,
        Derivation.of(
            new Step(
                "distance needed",
                "S = K·T + C",
                "%s mm/s·%s s + %s mm".formatted(number(speed), number(seconds), number(reach)),
                distance,
                MeasureUnit.MILLIMETRE,
                SOURCE)));
  }

  /**
   * The longest stop that a distance allows.
   *
   * @param distanceMillimetres over 0
   */
  public static SafetyDistance allowed(double distanceMillimetres, double resolutionMillimetres) {
    if (!(distanceMillimetres > 0)) {
      throw new IllegalArgumentException(
          "safety distance: it must be over 0 mm, not %s mm".formatted(distanceMillimetres));
    }
    double reach = reachMillimetres(resolutionMillimetres);
    boolean far =
        resolutionMillimetres > COARSEST_MILLIMETRES || distanceMillimetres >= NEAR_MILLIMETRES;
    double speed = far ? FAR_SPEED : NEAR_SPEED;
    double seconds = Math.max(0, (distanceMillimetres - reach) / speed);
    return new SafetyDistance(
        distanceMillimetres,
        seconds,
        Derivation.of(
            new Step(
                "longest stop",
                "T = (S − C)/K",
                "(%s mm − %s mm)/%s mm/s"
                    .formatted(number(distanceMillimetres), number(reach), number(speed)),
                seconds,
                MeasureUnit.SECOND_UNIT,
                SOURCE)));
  }

  private static String number(double value) {
    return QuantityFormat.PLAIN.number(value);
  }
}
