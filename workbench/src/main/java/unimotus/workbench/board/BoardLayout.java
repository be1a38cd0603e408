package unimotus.workbench.board;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;

/**
 * Where devices, terminals and wires lie on the board. Controllers stand on the left, drives on the
 * right, panel parts between them, or below the controllers where there is no room for three
 * columns. The terminals of a controller follow the height of what they are wired to, so that few
 * wires cross.
 *
 * @param blocks the devices
 * @param places the terminals
 * @param width width of the whole
 * @param height height of the whole
 */
public record BoardLayout(
    List<Block> blocks, Map<TerminalRef, Place> places, double width, double height) {
  public static final double ROW = 24;
  public static final double LEFT_WIDTH = 254;
  public static final double MIDDLE_WIDTH = 214;
  public static final double RIGHT_WIDTH = 306;
  private static final double GAP = 18;
  private static final double GUTTER = 96;
  private static final double LEAST_GUTTER = 58;
  private static final double PAD = 8;

  /** Which column a device stands in. */
  public enum Column {
    LEFT,
    MIDDLE,
    RIGHT
  }

  /**
   * A device to lay out.
   *
   * @param id id of the device
   * @param column where it stands
   * @param headerHeight height of its name and switches
   * @param terminals the terminals to show, in the sheet's order
   * @param keepsOrder whether the terminals stay in that order
   */
  public record Item(
      String id, Column column, double headerHeight, List<String> terminals, boolean keepsOrder) {}

  /** A device on the board. */
  public record Block(String id, double x, double y, double width, double height) {}

  /**
   * A terminal on the board.
   *
   * @param x where its dot is
   * @param y middle of its row
   * @param rightward whether its wires leave to the right
   * @param rowX left edge of its row
   * @param rowWidth width of its row
   */
  public record Place(double x, double y, boolean rightward, double rowX, double rowWidth) {}

  /**
   * Lays devices out.
   *
   * @param atLeast width to fill
   */
  public static BoardLayout of(List<Item> items, List<Wire> wires, double atLeast) {
    return new Maker(items, wires, atLeast).make();
  }

  private static final class Maker {
    private final List<Item> items;
    private final List<Wire> wires;
    private final Map<String, Column> columns = new HashMap<>();
    private final List<Block> blocks = new ArrayList<>();
    private final Map<TerminalRef, Place> places = new LinkedHashMap<>();
    private final double width;

    Maker(List<Item> items, List<Wire> wires, double atLeast) {
      this.wires = wires;
      boolean threeFit = atLeast >= LEFT_WIDTH + MIDDLE_WIDTH + RIGHT_WIDTH + 2 * GUTTER;
      this.items = threeFit ? items : items.stream().map(Maker::belowControllers).toList();
      this.items.forEach(i -> columns.put(i.id(), i.column()));
      width = Math.max(LEFT_WIDTH + RIGHT_WIDTH + LEAST_GUTTER, atLeast);
    }

    private static Item belowControllers(Item item) {
      return item.column() == Column.MIDDLE
          ? new Item(
              item.id(), Column.LEFT, item.headerHeight(), item.terminals(), item.keepsOrder())
          : item;
    }

    BoardLayout make() {
      double right = stack(Column.RIGHT, width - RIGHT_WIDTH, RIGHT_WIDTH);
      double room = width - LEFT_WIDTH - RIGHT_WIDTH;
      double middle = stack(Column.MIDDLE, LEFT_WIDTH + (room - MIDDLE_WIDTH) / 2, MIDDLE_WIDTH);
      double left = stack(Column.LEFT, 0, LEFT_WIDTH);
      return new BoardLayout(
          List.copyOf(blocks), places, width, Math.max(left, Math.max(middle, right)));
    }

    private double stack(Column column, double x, double blockWidth) {
      double y = 0;
      for (Item item : items) {
        if (item.column() == column) {
          if (y > 0 && column == Column.LEFT) {
            y = Math.max(y, besidePartners(item));
          }
          double height = place(item, x, y, blockWidth);
          blocks.add(new Block(item.id(), x, y, blockWidth, height));
          y += height + GAP;
        }
      }
      return y;
    }

    /**
     * Top of a block whose middle stands where its wires go, so that no wire is longer than needed.
     */
    private double besidePartners(Item item) {
      double middle =
          item.terminals().stream()
              .mapToDouble(t -> partnerHeight(new TerminalRef(item.id(), t)))
              .filter(h -> h < Double.MAX_VALUE)
              .average()
              .orElse(0);
      return middle - (item.headerHeight() + ROW * item.terminals().size()) / 2;
    }

    private double place(Item item, double x, double y, double blockWidth) {
      List<String> order = item.keepsOrder() ? new ArrayList<>(item.terminals()) : byPartner(item);
      double rowY = y + item.headerHeight();
      int row = 0;
      boolean twoSided = item.column() == Column.MIDDLE;
      for (String terminal : order) {
        TerminalRef ref = new TerminalRef(item.id(), terminal);
        boolean rightward = item.column() == Column.LEFT || (twoSided && goesRight(ref));
        double rowX = x;
        double dot = rightward ? x + blockWidth : x;
        places.put(ref, new Place(dot, rowY + ROW * (row + 0.5), rightward, rowX, blockWidth));
        row++;
      }
      return item.headerHeight() + ROW * row + PAD;
    }

    /** A part's terminal looks to the side most of its wires go to. */
    private boolean goesRight(TerminalRef ref) {
      int balance = 0;
      for (Wire wire : wires) {
        if (wire.touches(ref)) {
          Column other = columns.get(wire.otherEnd(ref).device());
          balance += other == Column.LEFT ? -1 : other == null ? 0 : 1;
        }
      }
      return balance > 0;
    }

    private List<String> byPartner(Item item) {
      return item.terminals().stream()
          .map(t -> Map.entry(t, partnerHeight(new TerminalRef(item.id(), t))))
          .sorted(Map.Entry.comparingByValue())
          .map(Map.Entry::getKey)
          .toList();
    }

    private double partnerHeight(TerminalRef ref) {
      double sum = 0;
      int count = 0;
      for (Wire wire : wires) {
        Place place = wire.touches(ref) ? places.get(wire.otherEnd(ref)) : null;
        if (place != null) {
          sum += place.y();
          count++;
        }
      }
      return count == 0 ? Double.MAX_VALUE : sum / count;
    }
  }

  /**
   * Where a terminal lies.
   *
   * @throws NullPointerException naming it, where it is not on the board
   */
  public Place place(TerminalRef terminal) {
    return Objects.requireNonNull(places.get(terminal), terminal::toString);
  }

  /** Whether both ends of a wire are on the board. */
  public boolean shows(Wire wire) {
    return places.keySet().containsAll(Set.of(wire.from(), wire.to()));
  }
}
