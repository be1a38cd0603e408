package unimotus.core.machine;

import io.soabase.recordbuilder.core.RecordBuilder;

/**
 * How a person comes near the danger, and how far away that is noticed: what the safety distance is
 * worked out from.
 *
 * @param kind what notices the person
 * @param resolutionMillimetres detection capability d of a curtain or a field; 0 for others
 * @param beams number of single beams, 1 to 4; 0 for others
 * @param heightMillimetres height H of a field or a mat above the floor; 0 for others
 * @param openingSeconds time a guard takes to open far enough for a hand; 0 for others
 * @param shrouded whether a two-hand control keeps the hand from reaching past it
 * @param distanceMillimetres distance there is from where it is noticed to the danger; 0 for not
 *     known
 */
@RecordBuilder
public record StopApproach(
    Kind kind,
    double resolutionMillimetres,
    int beams,
    double heightMillimetres,
    double openingSeconds,
    boolean shrouded,
    double distanceMillimetres)
    implements StopApproachBuilder.With {

  /** What notices a person. */
  public enum Kind {
    NONE("no approach is detected: it is operated by hand"),
    CURTAIN("light curtain, approached at right angles"),
    BEAMS("single beams"),
    FIELD("field or mat, approached along the floor"),
    TWO_HAND("two-hand control"),
    GUARD("guard without lock"),
    FOOT_SWITCH("foot switch");

    private final String label;

    Kind(String label) {
      this.label = label;
    }

    /** The words shown to the user. */
    public String label() {
      return label;
    }
  }

  /** A demand by hand, from anywhere. */
  public static final StopApproach NONE = new StopApproach(Kind.NONE, 0, 0, 0, 0, false, 0);

  /** Checks the numbers. */
  public StopApproach {
    notNegative("resolution", resolutionMillimetres, "mm");
    notNegative("height", heightMillimetres, "mm");
    notNegative("opening time", openingSeconds, "s");
    notNegative("distance", distanceMillimetres, "mm");
    if (beams < 0 || beams > 4) {
      throw new IllegalArgumentException("stop: beams are 1 to 4, not " + beams);
    }
  }

  private static void notNegative(String what, double value, String unit) {
    if (!(value >= 0 && value < Double.POSITIVE_INFINITY)) {
      throw new IllegalArgumentException(
          "stop: %s must not be negative, but is %s %s".formatted(what, value, unit));
    }
  }

  /** What is usual for a trigger. */
  public static StopApproach usual(StopTrigger trigger) {
    return switch (trigger) {
      case LIGHT_CURTAIN -> new StopApproach(Kind.CURTAIN, 30, 0, 0, 0, false, 0);
      case GUARD_SWITCH, TRAPPED_KEY -> new StopApproach(Kind.GUARD, 0, 0, 0, 0, false, 0);
      case EMERGENCY_STOP, CABLE_PULL, GUARD_LOCK -> NONE;
    };
  }

  /** This approach noticed by something else. */
  public StopApproach withKind(Kind next) {
    int some = next == Kind.BEAMS && beams == 0 ? 4 : beams;
    return with().kind(next).beams(some).build();
  }

  /** This approach with another detection capability. */
  public StopApproach withResolution(double millimetres) {
    return withResolutionMillimetres(millimetres);
  }

  /** This approach with the field at another height. */
  public StopApproach withHeight(double millimetres) {
    return withHeightMillimetres(millimetres);
  }

  /** This approach with a guard that opens otherwise. */
  public StopApproach withOpening(double seconds) {
    return withOpeningSeconds(seconds);
  }

  /** This approach with or without a shroud. */
  public StopApproach withShroud(boolean there) {
    return withShrouded(there);
  }

  /** This approach from another distance. */
  public StopApproach withDistance(double millimetres) {
    return withDistanceMillimetres(millimetres);
  }
}
