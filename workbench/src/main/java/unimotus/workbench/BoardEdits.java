package unimotus.workbench;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import unimotus.core.machine.BoardPlace;
import unimotus.core.machine.BoardPlace.Side;
import unimotus.core.machine.Project;
import unimotus.workbench.board.BoardLayout.Block;

/** The named changes of where devices stand on the wire board. They change nothing else. */
public final class BoardEdits {
  private BoardEdits() {}

  /**
   * Puts a device elsewhere; all others on the board keep where they stand now.
   *
   * @param name what the device is called
   * @param shown the devices on the board as they stand
   * @param id the device
   * @param side the side it is put on
   * @param index how many devices of that side are to be above it
   */
  public static Edit put(String name, List<Block> shown, String id, Side side, int index) {
    List<BoardPlace> next = new ArrayList<>();
    for (Side each : Side.values()) {
      List<String> column =
          shown.stream()
              .filter(b -> b.side() == each && !b.id().equals(id))
              .map(Block::id)
              .collect(Collectors.toCollection(ArrayList::new));
      if (each == side) {
        column.add(Math.max(0, Math.min(column.size(), index)), id);
      }
      column.forEach(c -> next.add(new BoardPlace(c, each)));
    }
    return new Edit("move %s on the board".formatted(name), p -> with(p, next));
  }

  /** Lets the layout put these devices where it would. */
  public static Edit arrange(List<Block> shown) {
    return new Edit("arrange the board", p -> p.withBoard(others(p, ids(shown))));
  }

  private static Project with(Project project, List<BoardPlace> places) {
    List<BoardPlace> all =
        others(project, places.stream().map(BoardPlace::device).collect(Collectors.toSet()));
    all.addAll(places);
    return project.withBoard(all);
  }

  private static Set<String> ids(List<Block> shown) {
    return shown.stream().map(Block::id).collect(Collectors.toSet());
  }

  private static List<BoardPlace> others(Project project, Set<String> devices) {
    return project.board().stream()
        .filter(b -> !devices.contains(b.device()))
        .collect(Collectors.toCollection(ArrayList::new));
  }
}
