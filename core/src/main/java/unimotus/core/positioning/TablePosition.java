package unimotus.core.positioning;

import unimotus.core.move.MoveLimits;
import unimotus.core.move.MoveStep;

/**
 * An entry of the table in a drive, in the unit of the axis.
 *
 * @param move absolute or incremental
 * @param velocity of this move; 0 for that of the axis
 */
public record TablePosition(MoveStep move, double velocity) {
  /** Checks kind and number. */
  public TablePosition {
    if (!(move instanceof MoveStep.Absolute || move instanceof MoveStep.Incremental)) {
      throw new IllegalArgumentException(
          "position table: a %s is no position".formatted(move.label()));
    }
    if (!(velocity >= 0 && velocity < Double.POSITIVE_INFINITY)) {
      throw new IllegalArgumentException(
          "position table: velocity must be over 0, or 0 for that of the axis, not " + velocity);
    }
  }

  /** Whether a step of a sequence can stand in a table. */
  static boolean canBe(MoveStep step) {
    return step instanceof MoveStep.Absolute || step instanceof MoveStep.Incremental;
  }

  /** The target of an absolute, the distance of an incremental move. */
  public double value() {
    return move instanceof MoveStep.Absolute absolute
        ? absolute.target()
        : ((MoveStep.Incremental) move).distance();
  }

  /** This entry with another target or distance. */
  public TablePosition withValue(double next) {
    return new TablePosition(
        move instanceof MoveStep.Absolute
            ? new MoveStep.Absolute(next)
            : new MoveStep.Incremental(next),
        velocity);
  }

  /** What its move keeps to. */
  public MoveLimits limits(MoveLimits ofAxis) {
    return velocity == 0 ? ofAxis : ofAxis.withVelocity(velocity);
  }
}
