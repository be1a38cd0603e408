package unimotus.core.positioning;

import java.util.List;

/**
 * How a drive is positioned by bits: its table, and where the bits stand in its words.
 *
 * @param positions numbered from 1; empty where the table is made of the moves
 * @param words where the bits stand
 */
public record PositioningDesign(List<TablePosition> positions, PositioningWords words) {
  /** A table made of the moves, and bits as they often stand. */
  public static final PositioningDesign USUAL =
      new PositioningDesign(List.of(), PositioningWords.USUAL);

  /** Takes a copy. */
  public PositioningDesign {
    positions = List.copyOf(positions);
  }

  /** With another table. */
  public PositioningDesign withPositions(List<TablePosition> next) {
    return new PositioningDesign(next, words);
  }

  /** With bits elsewhere. */
  public PositioningDesign withWords(PositioningWords next) {
    return new PositioningDesign(positions, next);
  }
}
