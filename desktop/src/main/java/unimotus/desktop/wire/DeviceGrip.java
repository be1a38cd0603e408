package unimotus.desktop.wire;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.Supplier;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Region;
import unimotus.core.machine.BoardPlace.Side;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Hint;
import unimotus.workbench.BoardEdits;
import unimotus.workbench.board.BoardLayout;
import unimotus.workbench.board.BoardLayout.Block;

/**
 * What a device is moved by: dragged along its side or over the duct, or by the arrow keys. It
 * snaps in between the others, so that the wires keep their duct.
 */
final class DeviceGrip extends Region {
  /** Under so many points it was no drag. */
  private static final double LEAST_DRAG = 6;

  private final Desk desk;
  private final String id;
  private final String name;
  private final Supplier<BoardLayout> layout;
  private final Region block;
  private double fromX;
  private double fromY;

  /**
   * @param block what is seen moving while it is dragged
   * @param layout how the board is laid out now
   */
  DeviceGrip(Desk desk, String id, String name, Region block, Supplier<BoardLayout> layout) {
    this.desk = desk;
    this.id = id;
    this.name = name;
    this.block = block;
    this.layout = layout;
    setId("grip-" + id);
    getStyleClass().add("grip");
    setFocusTraversable(true);
    setAccessibleText("move %s on the board: arrow keys".formatted(name));
    Hint.on(this, () -> "drag, or arrow keys: move " + name);
    setOnMousePressed(this::press);
    setOnMouseDragged(this::drag);
    setOnMouseReleased(this::release);
    setOnKeyPressed(this::key);
  }

  private Block own() {
    return layout.get().blocks().stream().filter(b -> b.id().equals(id)).findFirst().orElseThrow();
  }

  private List<Block> column(Side side) {
    return layout.get().blocks().stream()
        .filter(b -> b.side() == side)
        .sorted(Comparator.comparingDouble(Block::y))
        .toList();
  }

  private void press(MouseEvent e) {
    fromX = e.getSceneX();
    fromY = e.getSceneY();
    requestFocus();
    e.consume();
  }

  private void drag(MouseEvent e) {
    double scale = block.getParent().getLocalToSceneTransform().getMxx();
    block.setTranslateX((e.getSceneX() - fromX) / scale);
    block.setTranslateY((e.getSceneY() - fromY) / scale);
    block.getStyleClass().add("moving");
    e.consume();
  }

  private void release(MouseEvent e) {
    double dx = block.getTranslateX();
    double dy = block.getTranslateY();
    block.setTranslateX(0);
    block.setTranslateY(0);
    block.getStyleClass().removeAll(List.of("moving"));
    if (Math.hypot(dx, dy) >= LEAST_DRAG) {
      Block own = own();
      double middle = own.x() + dx + own.width() / 2;
      Side side = middle < layout.get().width() / 2 ? Side.LEFT : Side.RIGHT;
      double top = own.y() + dy;
      List<Block> others = new ArrayList<>(column(side));
      others.remove(own);
      int above = (int) others.stream().filter(b -> b.y() + b.height() / 2 < top).count();
      put(side, above);
    }
    e.consume();
  }

  private void key(KeyEvent e) {
    Block own = own();
    int index = column(own.side()).indexOf(own);
    switch (e.getCode()) {
      case UP -> put(own.side(), index - 1);
      case DOWN -> put(own.side(), index + 1);
      case LEFT -> put(Side.LEFT, above(own, Side.LEFT));
      case RIGHT -> put(Side.RIGHT, above(own, Side.RIGHT));
      default -> {
        return;
      }
    }
    e.consume();
  }

  /** How many of a side begin above a device. */
  private int above(Block own, Side side) {
    return (int) column(side).stream().filter(b -> b.y() < own.y() && b != own).count();
  }

  private void put(Side side, int index) {
    Block own = own();
    int most = column(side).size() - (own.side() == side ? 1 : 0);
    boolean same = own.side() == side && column(side).indexOf(own) == index;
    if (!same && index >= 0 && index <= most) {
      desk.apply(BoardEdits.put(name, layout.get().blocks(), id, side, index));
    }
  }
}
