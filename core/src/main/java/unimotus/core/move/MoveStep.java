package unimotus.core.move;

/** One step of a sequence of moves. Positions are in the unit of the axis. */
public sealed interface MoveStep {

  /** The words for its kind. */
  String label();

  /**
   * A move to a place.
   *
   * @param target where to
   */
  record Absolute(double target) implements MoveStep {
    /** Checks the number. */
    public Absolute {
      finite("target", target);
    }

    @Override
    public String label() {
      return "absolute";
    }
  }

  /**
   * A move by a distance.
   *
   * @param distance how far, negative for backwards
   */
  record Incremental(double distance) implements MoveStep {
    /** Checks the number. */
    public Incremental {
      finite("distance", distance);
    }

    @Override
    public String label() {
      return "incremental";
    }
  }

  /**
   * A motion while a button is held.
   *
   * @param velocity units a second, negative for backwards, not 0
   * @param seconds how long it is held, over 0
   */
  record Jog(double velocity, double seconds) implements MoveStep {
    /** Checks the numbers. */
    public Jog {
      finite("velocity", velocity);
      if (velocity == 0) {
        throw new IllegalArgumentException("jog: velocity must not be 0");
      }
      if (!(seconds > 0 && seconds < Double.POSITIVE_INFINITY)) {
        throw new IllegalArgumentException("jog: must be held for more than 0 s, not " + seconds);
      }
    }

    @Override
    public String label() {
      return "jog";
    }
  }

  /**
   * Standing still.
   *
   * @param seconds over 0
   */
  record Dwell(double seconds) implements MoveStep {
    /** Checks the number. */
    public Dwell {
      if (!(seconds > 0 && seconds < Double.POSITIVE_INFINITY)) {
        throw new IllegalArgumentException("dwell must be over 0 s, not " + seconds);
      }
    }

    @Override
    public String label() {
      return "dwell";
    }
  }

  private static void finite(String what, double value) {
    if (!Double.isFinite(value)) {
      throw new IllegalArgumentException(
          "move: %s must be a number, not %s".formatted(what, value));
    }
  }
}
