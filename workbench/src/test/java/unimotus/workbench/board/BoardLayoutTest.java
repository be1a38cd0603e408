package unimotus.workbench.board;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import unimotus.core.machine.BoardPlace;
import unimotus.core.machine.BoardPlace.Side;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.workbench.board.BoardLayout.Block;
import unimotus.workbench.board.BoardLayout.Item;
import unimotus.workbench.board.BoardLayout.Place;

class BoardLayoutTest {
  private static final double NARROW = 700;
  private static final double WIDE = 1200;

  private static List<String> terminals(String stem, int count) {
    return IntStream.range(0, count).mapToObj(i -> stem + i).toList();
  }

  private static Item controller(int count) {
    return new Item("plc", Side.LEFT, 40, terminals("O", count), false);
  }

  private static Item drive(String id, int count) {
    return new Item(id, Side.RIGHT, 60, terminals("I", count), true);
  }

  private static Item relay() {
    return new Item("k1", null, 40, List.of("A1", "14"), true);
  }

  private static Wire wire(int number, String from, String to) {
    return new Wire("w" + number, ref(from), ref(to));
  }

  private static TerminalRef ref(String text) {
    String[] halves = text.split(":");
    return new TerminalRef(halves[0], halves[1]);
  }

  /** Output n wired to input 9 − n: in the sheet's order all ten wires would cross. */
  private static List<Wire> crossed() {
    return IntStream.range(0, 10).mapToObj(i -> wire(i, "plc:O" + i, "d:I" + (9 - i))).toList();
  }

  @Test
  void pointsFollowWhatTheyAreWiredToSoThatWiresDoNotCross() {
    BoardLayout layout =
        BoardLayout.of(List.of(controller(10), drive("d", 10)), crossed(), List.of(), NARROW);
    for (Wire one : crossed()) {
      for (Wire other : crossed()) {
        double left = layout.places().get(one.from()).y() - layout.places().get(other.from()).y();
        double right = layout.places().get(one.to()).y() - layout.places().get(other.to()).y();
        assertThat(left * right).as("%s against %s", one.id(), other.id()).isNotNegative();
      }
    }
  }

  @Test
  void everyTerminalHasARowOfItsOwnInsideItsDevice() {
    List<Item> items = List.of(controller(12), relay(), drive("d", 9), drive("e", 7));
    BoardLayout layout = BoardLayout.of(items, List.of(), List.of(), WIDE);
    assertThat(layout.places()).hasSize(12 + 2 + 9 + 7);
    for (Block block : layout.blocks()) {
      List<Place> own = new ArrayList<>();
      layout
          .places()
          .forEach(
              (ref, place) -> {
                if (ref.device().equals(block.id())) {
                  own.add(place);
                }
              });
      assertThat(own).extracting(Place::y).doesNotHaveDuplicates();
      assertThat(own)
          .allSatisfy(
              p -> {
                assertThat(p.y()).isBetween(block.y(), block.y() + block.height());
                assertThat(p.x()).isBetween(block.x(), block.x() + block.width());
              });
    }
  }

  @Test
  void devicesDoNotOverlap() {
    for (double width : new double[] {NARROW, WIDE}) {
      BoardLayout layout =
          BoardLayout.of(
              List.of(controller(30), relay(), drive("d", 16), drive("e", 16)),
              List.of(),
              List.of(),
              width);
      for (Block a : layout.blocks()) {
        for (Block b : layout.blocks()) {
          boolean apart =
              a.equals(b)
                  || a.x() + a.width() <= b.x()
                  || b.x() + b.width() <= a.x()
                  || a.y() + a.height() <= b.y()
                  || b.y() + b.height() <= a.y();
          assertThat(apart).as("%s and %s at %s", a.id(), b.id(), width).isTrue();
        }
      }
      assertThat(layout.width()).isLessThanOrEqualTo(Math.max(width, 720));
    }
  }

  @Test
  void aPartStandsOnTheShorterSideUnlessItWasPutElsewhere() {
    List<Item> items = List.of(controller(4), relay(), drive("d", 16));
    assertThat(block(BoardLayout.of(items, List.of(), List.of(), WIDE), "k1").side())
        .isEqualTo(Side.LEFT);
    List<BoardPlace> put =
        List.of(new BoardPlace("k1", Side.RIGHT), new BoardPlace("d", Side.RIGHT));
    BoardLayout moved = BoardLayout.of(items, List.of(), put, WIDE);
    assertThat(block(moved, "k1").side()).isEqualTo(Side.RIGHT);
    assertThat(block(moved, "k1").y()).isLessThan(block(moved, "d").y());
  }

  /** Panels made at random: no wire lies on another's lane or way, none leaves the duct. */
  @Test
  void wiresOfDifferentBundlesNeverLieOnEachOther() {
    Random random = new Random(17);
    for (int n = 0; n < 60; n++) {
      List<Item> items = List.of(controller(20), relay(), drive("d", 16), drive("e", 12));
      List<Wire> wires = randomWires(random, items);
      BoardLayout layout = BoardLayout.of(items, wires, List.of(), n % 2 == 0 ? NARROW : WIDE);
      for (Wire one : wires) {
        WireWay way = layout.way(one);
        assertThat(way.laneX()).isGreaterThan(leftEdge(layout)).isLessThan(rightEdge(layout));
        for (Wire other : wires) {
          if (!joined(one, other, wires)) {
            assertThat(liesOn(way, layout.way(other))).as("%s %s", one, other).isFalse();
          }
        }
      }
    }
  }

  private static double leftEdge(BoardLayout layout) {
    return layout.blocks().stream()
        .filter(b -> b.side() == Side.LEFT)
        .mapToDouble(b -> b.x() + b.width())
        .max()
        .orElse(0);
  }

  private static double rightEdge(BoardLayout layout) {
    return layout.blocks().stream()
        .filter(b -> b.side() == Side.RIGHT)
        .mapToDouble(Block::x)
        .min()
        .orElseThrow();
  }

  private static List<Wire> randomWires(Random random, List<Item> items) {
    List<TerminalRef> ends =
        items.stream()
            .flatMap(i -> i.terminals().stream().map(t -> new TerminalRef(i.id(), t)))
            .toList();
    List<Wire> wires = new ArrayList<>();
    while (wires.size() < 25) {
      TerminalRef from = ends.get(random.nextInt(ends.size()));
      TerminalRef to = ends.get(random.nextInt(ends.size()));
      if (!from.equals(to)) {
        wires.add(new Wire("w" + wires.size(), from, to));
      }
    }
    return wires;
  }

  /** Whether two wires are of one net, found by spreading from terminal to terminal. */
  private static boolean joined(Wire one, Wire other, List<Wire> wires) {
    Set<TerminalRef> reached = new HashSet<>(List.of(one.from()));
    int before = 0;
    while (reached.size() > before) {
      before = reached.size();
      for (Wire wire : wires) {
        if (reached.contains(wire.from()) || reached.contains(wire.to())) {
          reached.add(wire.from());
          reached.add(wire.to());
        }
      }
    }
    return reached.contains(other.from());
  }

  /** Whether two ways share more than a crossing. */
  private static boolean liesOn(WireWay one, WireWay other) {
    boolean sameLane =
        one.laneX() == other.laneX()
            && Math.min(one.fromY(), one.toY()) <= Math.max(other.fromY(), other.toY())
            && Math.min(other.fromY(), other.toY()) <= Math.max(one.fromY(), one.toY());
    return sameLane
        || one.fromY() == other.fromY()
        || one.fromY() == other.toY()
        || one.toY() == other.fromY()
        || one.toY() == other.toY();
  }

  @Test
  void aWireIsFoundNearItsWay() {
    WireWay way = new WireWay(100, 20, 150, 300, 220);
    assertThat(way.distance(120, 20)).isZero();
    assertThat(way.distance(150, 100)).isZero();
    assertThat(way.distance(153, 100)).isEqualTo(3);
    assertThat(way.distance(200, 224)).isEqualTo(4);
    assertThat(way.distance(90, 20)).isEqualTo(10);
    assertThat(way.distance(150, 10)).isEqualTo(10);
  }

  private static Block block(BoardLayout layout, String id) {
    return layout.blocks().stream().filter(b -> b.id().equals(id)).findFirst().orElseThrow();
  }

  @Test
  void aWireWithAnEndOffTheBoardIsNotShown() {
    BoardLayout layout =
        BoardLayout.of(List.of(controller(2), drive("d", 2)), List.of(), List.of(), NARROW);
    assertThat(layout.shows(wire(1, "plc:O0", "d:I1"))).isTrue();
    assertThat(layout.shows(wire(2, "plc:O0", "elsewhere:I1"))).isFalse();
  }
}
