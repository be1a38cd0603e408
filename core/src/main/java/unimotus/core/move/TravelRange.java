package unimotus.core.move;

/**
 * Where an axis may go, and whether its position starts again after a turn. Positions are in the
 * unit of the axis.
 *
 * @param least lowest position; with {@code most} equal to it there is no limit
 * @param most highest position
 * @param modulo length after which the position starts again at 0; 0 for an axis that does not turn
 * @param way which way a turning axis takes to an absolute position
 */
public record TravelRange(double least, double most, double modulo, Way way) {

  /** No limit, and no turn after which the position starts again. */
  public static final TravelRange ENDLESS = new TravelRange(0, 0, 0, Way.SHORTEST);

  /** Which way a turning axis takes. */
  public enum Way {
    SHORTEST("shortest way"),
    POSITIVE("always forward"),
    NEGATIVE("always backward");

    private final String label;

    Way(String label) {
      this.label = label;
    }

    /** The words shown. */
    public String label() {
      return label;
    }
  }

  /** Checks the numbers. */
  public TravelRange {
    if (!(least <= most) || Double.isInfinite(least) || Double.isInfinite(most)) {
      throw new IllegalArgumentException(
          "travel: the lowest position must not be over the highest, but is %s over %s"
              .formatted(least, most));
    }
    if (!(modulo >= 0 && modulo < Double.POSITIVE_INFINITY)) {
      throw new IllegalArgumentException(
          "travel: modulo must be over 0, or 0 for none, not " + modulo);
    }
    if (modulo > 0 && least != most) {
      throw new IllegalArgumentException(
          "travel: an axis whose position starts again after %s has no limits".formatted(modulo));
    }
  }

  /** An axis between two ends. */
  public static TravelRange between(double least, double most) {
    return new TravelRange(least, most, 0, Way.SHORTEST);
  }

  /** An axis whose position starts again. */
  public static TravelRange turning(double modulo, Way way) {
    return new TravelRange(0, 0, modulo, way);
  }

  /** Whether it has limits. */
  public boolean isLimited() {
    return least != most;
  }

  /** Whether a position is inside. */
  public boolean holds(double position) {
    return !isLimited() || (position >= least && position <= most);
  }

  /**
   * Where an absolute move ends, counted on and on from where it begins.
   *
   * @throws IllegalArgumentException where a turning axis is sent to a place that it does not have
   */
  public double destination(double from, double target) {
    if (modulo == 0) {
      return target;
    }
    if (!(target >= 0 && target < modulo)) {
      throw new IllegalArgumentException(
          "move: target must be from 0 to under %s on an axis that starts again there, not %s"
              .formatted(modulo, target));
    }
    double here = from - Math.floor(from / modulo) * modulo;
    double forward = target - here + (target < here ? modulo : 0);
    double by =
        switch (way) {
          case POSITIVE -> forward;
          case NEGATIVE -> forward == 0 ? 0 : forward - modulo;
          case SHORTEST -> forward <= modulo / 2 ? forward : forward - modulo;
        };
    return from + by;
  }
}
