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
 * @param limits what every move keeps to, but for a velocity of its own
 * @param travel where it may go
 */
public record PositionTable(List<TablePosition> entries, MoveLimits limits, TravelRange travel) {
  /** A jog is so much slower than a move (common practice). */
  private static final double JOG_SHARE = 0.1;

  /** Takes a copy. */
  public PositionTable {
    entries = List.copyOf(entries);
  }

  /** The positions of a sequence; its jogs and standing times are the controller's. */
  public static PositionTable of(MoveSequence moves, TravelRange travel) {
    return ofMoves(
        moves.steps().stream().filter(TablePosition::canBe).toList(), moves.limits(), travel);
  }

  /**
   * Positions at the velocity of the axis.
   *
   * @throws IllegalArgumentException where a step is no position
   */
  public static PositionTable ofMoves(List<MoveStep> moves, MoveLimits limits, TravelRange travel) {
    return new PositionTable(
        moves.stream().map(m -> new TablePosition(m, 0)).toList(), limits, travel);
  }

  /** The entry of a number; empty where the table has none. */
  public Optional<TablePosition> entry(int number) {
    return number < 1 || number > entries.size()
        ? Optional.empty()
        : Optional.of(entries.get(number - 1));
  }

  /** The number of the first entry of a kind; 0 where there is none. */
  public int first(Class<? extends MoveStep> kind) {
    for (int i = 0; i < entries.size(); i++) {
      if (kind.isInstance(entries.get(i).move())) {
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
