package unimotus.core.positioning;

import java.util.List;
import java.util.Optional;
import unimotus.core.move.MoveLimits;
import unimotus.core.move.MoveSequence;
import unimotus.core.move.MoveStep;
import unimotus.core.move.TravelRange;

/**
 * Positions in the drive, chosen by their number from 1. Positions are in the unit of the axis.
 *
 * @param entries absolute and incremental moves, in order
 * @param limits what every move keeps to
 * @param travel where it may go
 */
public record PositionTable(List<MoveStep> entries, MoveLimits limits, TravelRange travel) {
  /** A jog is so much slower than a move (common practice). */
  private static final double JOG_SHARE = 0.1;

  /** Takes a copy. */
  public PositionTable {
    entries = List.copyOf(entries);
    for (MoveStep each : entries) {
      if (!isPosition(each)) {
        throw new IllegalArgumentException(
            "position table: a %s is no position".formatted(each.label()));
      }
    }
  }

  /** The positions of a sequence; its jogs and standing times are the controller's. */
  public static PositionTable of(MoveSequence moves, TravelRange travel) {
    return new PositionTable(
        moves.steps().stream().filter(PositionTable::isPosition).toList(), moves.limits(), travel);
  }

  private static boolean isPosition(MoveStep step) {
    return step instanceof MoveStep.Absolute || step instanceof MoveStep.Incremental;
  }

  /** The entry of a number; empty where the table has none. */
  public Optional<MoveStep> entry(int number) {
    return number < 1 || number > entries.size()
        ? Optional.empty()
        : Optional.of(entries.get(number - 1));
  }

  /** The number of the first entry of a kind; 0 where there is none. */
  public int first(Class<? extends MoveStep> kind) {
    for (int i = 0; i < entries.size(); i++) {
      if (kind.isInstance(entries.get(i))) {
        return i + 1;
      }
    }
    return 0;
  }

  /** Speed of a jog. */
  public double jogVelocity() {
    return JOG_SHARE * limits.velocity();
  }
}
