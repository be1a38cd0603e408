package unimotus.workbench.board;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.workbench.board.BoardLayout.Block;
import unimotus.workbench.board.BoardLayout.Column;
import unimotus.workbench.board.BoardLayout.Item;
import unimotus.workbench.board.BoardLayout.Place;

class BoardLayoutTest {
  private static final double NARROW = 700;
  private static final double WIDE = 1200;

  private static List<String> terminals(String stem, int count) {
    return IntStream.range(0, count).mapToObj(i -> stem + i).toList();
  }

  private static Item controller(int count) {
    return new Item("plc", Column.LEFT, 40, terminals("O", count), false);
  }

  private static Item drive(String id, int count) {
    return new Item(id, Column.RIGHT, 60, terminals("I", count), true);
  }

  private static Item relay() {
    return new Item("k1", Column.MIDDLE, 40, List.of("A1", "14"), true);
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
    BoardLayout layout = BoardLayout.of(List.of(controller(10), drive("d", 10)), crossed(), NARROW);
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
    BoardLayout layout = BoardLayout.of(items, List.of(), WIDE);
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
              List.of(controller(30), relay(), drive("d", 16), drive("e", 16)), List.of(), width);
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
  void partsStandBetweenWhereThereIsRoomAndBelowWhereThereIsNone() {
    List<Item> items = List.of(controller(4), relay(), drive("d", 4));
    assertThat(block(BoardLayout.of(items, List.of(), WIDE), "k1").x()).isPositive();
    Block below = block(BoardLayout.of(items, List.of(), NARROW), "k1");
    assertThat(below.x()).isZero();
    assertThat(below.y()).isPositive();
  }

  private static Block block(BoardLayout layout, String id) {
    return layout.blocks().stream().filter(b -> b.id().equals(id)).findFirst().orElseThrow();
  }

  @Test
  void aWireWithAnEndOffTheBoardIsNotShown() {
    BoardLayout layout = BoardLayout.of(List.of(controller(2), drive("d", 2)), List.of(), NARROW);
    assertThat(layout.shows(wire(1, "plc:O0", "d:I1"))).isTrue();
    assertThat(layout.shows(wire(2, "plc:O0", "elsewhere:I1"))).isFalse();
  }
}
