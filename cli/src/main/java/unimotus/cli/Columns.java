package unimotus.cli;

import java.io.PrintWriter;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/** Rows of words in line, each column as wide as its widest word; the last is not padded. */
final class Columns {
  private static final String GAP = "  ";

  private final String indent;
  private final Set<Integer> rightAligned;
  private final List<List<String>> rows = new ArrayList<>();

  /**
   * None yet.
   *
   * @param indent what stands before each row
   * @param rightAligned the columns whose words end in line, counted from 0
   */
  Columns(String indent, Set<Integer> rightAligned) {
    this.indent = indent;
    this.rightAligned = Set.copyOf(rightAligned);
  }

  /** Adds a row. */
  void row(String... cells) {
    rows.add(List.of(cells));
  }

  /** Prints them all. */
  void print(PrintWriter out) {
    for (List<String> row : rows) {
      StringBuilder line = new StringBuilder(indent);
      for (int i = 0; i < row.size(); i++) {
        boolean last = i == row.size() - 1;
        line.append(last ? row.get(i) : padded(row.get(i), i)).append(last ? "" : GAP);
      }
      out.println(line);
    }
  }

  private String padded(String cell, int column) {
    String room = " ".repeat(width(column) - cell.length());
    return rightAligned.contains(column) ? room + cell : cell + room;
  }

  private int width(int column) {
    return rows.stream()
        .filter(r -> r.size() > column)
        .mapToInt(r -> r.get(column).length())
        .max()
        .orElse(0);
  }
}
