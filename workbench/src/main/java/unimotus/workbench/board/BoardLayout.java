package unimotus.workbench.board;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.BoardPlace;
import unimotus.core.machine.BoardPlace.Side;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;

/**
 * Where devices, terminals and wires lie on the board. Devices stand on both sides of one duct, and
 * every wire runs in it: out of its terminal, along a lane, into the other. Controllers stand on
 * the left, drives on the right, panel parts where their side is the shorter one, unless somebody
 * put a device elsewhere. The terminals of a controller follow the height of what they are wired
 * to, so that few wires cross.
 *
 * @param blocks the devices
 * @param places the terminals
 * @param lanes the lanes of the duct, by wire
 * @param width width of the whole
 * @param height height of the whole
 */
public record BoardLayout(
    List<Block> blocks,
    Map<TerminalRef, Place> places,
    DuctLanes lanes,
    double width,
    double height) {
  /** Height of a terminal's row. */
  public static final double ROW = 24;

  /** Least width of a device on the left. */
  public static final double LEFT_WIDTH = 254;

  /** Least width of a device on the right. */
  public static final double RIGHT_WIDTH = 306;

  private static final double MOST_MORE = 120;
  private static final double GAP = 18;
  private static final double LEAST_DUCT = 58;
  private static final double PAD = 8;

  /**
   * A device to lay out.
   *
   * @param id id of the device
   * @param side where it stands; null where either side will do
   * @param headerHeight height of its name and switches
   * @param terminals the terminals to show, in the sheet's order
   * @param keepsOrder whether the terminals stay in that order
   */
  public record Item(
      String id,
      @Nullable Side side,
      double headerHeight,
      List<String> terminals,
      boolean keepsOrder) {}

  /** A device on the board. */
  public record Block(String id, Side side, double x, double y, double width, double height) {}

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
   * @param put where devices were put by hand, from the top
   * @param atLeast width to fill
   */
  public static BoardLayout of(
      List<Item> items, List<Wire> wires, List<BoardPlace> put, double atLeast) {
    return new Maker(items, wires, put, atLeast).make();
  }

  private static final class Maker {
    private final List<Wire> wires;
    private final double atLeast;
    private final Map<Side, List<Item>> sides = new EnumMap<>(Side.class);
    private final Map<TerminalRef, Double> heights = new LinkedHashMap<>();
    private final Map<String, Double> tops = new HashMap<>();
    private final Set<String> byHand;

    Maker(List<Item> items, List<Wire> wires, List<BoardPlace> put, double atLeast) {
      this.wires = wires;
      this.atLeast = atLeast;
      byHand = Set.copyOf(put.stream().map(BoardPlace::device).toList());
      sides.put(Side.LEFT, new ArrayList<>());
      sides.put(Side.RIGHT, new ArrayList<>());
      Map<String, Item> byId = new LinkedHashMap<>();
      items.forEach(i -> byId.put(i.id(), i));
      for (BoardPlace place : put) {
        Item item = byId.remove(place.device());
        if (item != null) {
          list(place.side()).add(item);
        }
      }
      byId.values().stream()
          .sorted(Comparator.comparing(i -> i.side() == null))
          .forEach(i -> list(i.side() == null ? shorter() : i.side()).add(i));
    }

    private List<Item> list(Side side) {
      return Objects.requireNonNull(sides.get(side));
    }

    private Side shorter() {
      return total(Side.RIGHT) < total(Side.LEFT) ? Side.RIGHT : Side.LEFT;
    }

    private double total(Side side) {
      return list(side).stream().mapToDouble(i -> height(i) + GAP).sum();
    }

    private static double height(Item item) {
      return item.headerHeight() + ROW * item.terminals().size() + PAD;
    }

    BoardLayout make() {
      double right = stack(Side.RIGHT);
      double left = stack(Side.LEFT);
      DuctLanes lanes = DuctLanes.of(wires, heights);
      double duct = Math.max(LEAST_DUCT, lanes.leastWidth());
      double width = Math.max(LEFT_WIDTH + RIGHT_WIDTH + duct, atLeast);
      // What the duct does not need lets the devices grow: long words stay whole.
      double spare = Math.max(0, width - LEFT_WIDTH - RIGHT_WIDTH - lanes.roomyWidth());
      double more = Math.min(MOST_MORE, spare / 2);
      return placed(LEFT_WIDTH + more, RIGHT_WIDTH + more, width, Math.max(left, right), lanes);
    }

    private BoardLayout placed(
        double leftWidth, double rightWidth, double width, double height, DuctLanes lanes) {
      List<Block> blocks = new ArrayList<>();
      Map<TerminalRef, Place> places = new LinkedHashMap<>();
      for (Side side : Side.values()) {
        boolean left = side == Side.LEFT;
        double wide = left ? leftWidth : rightWidth;
        double x = left ? 0 : width - rightWidth;
        for (Item item : list(side)) {
          double top = Objects.requireNonNull(tops.get(item.id()));
          blocks.add(new Block(item.id(), side, x, top, wide, height(item)));
          for (String terminal : item.terminals()) {
            TerminalRef ref = new TerminalRef(item.id(), terminal);
            double y = Objects.requireNonNull(heights.get(ref));
            places.put(ref, new Place(left ? wide : x, y, left, x, wide));
          }
        }
      }
      return new BoardLayout(
          List.copyOf(blocks), places, lanes.between(leftWidth, width - rightWidth), width, height);
    }

    /** Heights of a side's devices and rows from the top; returns where the next would begin. */
    private double stack(Side side) {
      double y = 0;
      for (Item item : list(side)) {
        if (y > 0 && side == Side.LEFT && !byHand.contains(item.id())) {
          y = Math.max(y, besidePartners(item));
        }
        y = onGrid(y, item, side);
        tops.put(item.id(), y);
        double row = y + item.headerHeight() + ROW / 2;
        for (String terminal : item.keepsOrder() ? item.terminals() : byPartner(item)) {
          heights.put(new TerminalRef(item.id(), terminal), row);
          row += ROW;
        }
        y += height(item) + GAP;
      }
      return y;
    }

    /**
     * A little lower where needed, so that no row of one side is as high as one of the other: two
     * wires on their way to their lanes then never lie on each other.
     */
    private static double onGrid(double y, Item item, Side side) {
      double wanted = side == Side.LEFT ? 0 : ROW / 2;
      double now = (y + item.headerHeight()) % ROW;
      return y + (wanted - now + ROW) % ROW;
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
        Double height = wire.touches(ref) ? heights.get(wire.otherEnd(ref)) : null;
        if (height != null) {
          sum += height;
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

  /** The way of a wire whose ends are both on the board. */
  public WireWay way(Wire wire) {
    Place from = place(wire.from());
    Place to = place(wire.to());
    return new WireWay(from.x(), from.y(), lanes.x(wire), to.x(), to.y());
  }
}
