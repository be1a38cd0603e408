package unimotus.desktop.wire;

import javafx.application.Platform;
import javafx.scene.Group;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.StackPane;
import unimotus.desktop.kit.FollowingPane;
import unimotus.desktop.kit.Parts;

/** The window on the board: scrolled, panned by dragging, zoomed by Ctrl and the wheel, fitted. */
final class BoardPane extends StackPane {
  private static final double LEAST = 0.3;
  private static final double MOST = 2;
  private static final double STEP = 1.15;

  /** Room for the dots at the edges and the scroll bar. */
  private static final double BESIDE_BOARD = 24;

  private final Board board;
  private final Group zoomed;
  private final FollowingPane pane;

  /**
   * @param layOut called when there is more or less room
   */
  BoardPane(Board board, Runnable layOut) {
    this.board = board;
    zoomed = new Group(board);
    pane = new FollowingPane(zoomed);
    pane.setFitToWidth(false);
    pane.setHbarPolicy(ScrollPane.ScrollBarPolicy.AS_NEEDED);
    pane.setPannable(true);
    pane.addEventFilter(ScrollEvent.SCROLL, this::scroll);
    widthProperty().addListener((o, was, is) -> layOut.run());
    pane.vvalueProperty().addListener((o, was, is) -> reveal());
    pane.viewportBoundsProperty().addListener((o, was, is) -> reveal());
    getChildren().add(pane);
  }

  /** Buttons that zoom. */
  HBox actions() {
    return Parts.row(
        4,
        Parts.quiet("board-smaller", "−", () -> zoom(board.getScaleX() / STEP)),
        Parts.quiet("board-larger", "+", () -> zoom(board.getScaleX() * STEP)),
        Parts.quiet("board-actual", "100 %", () -> zoom(1)),
        Parts.quiet("board-fit", "fit", this::fit));
  }

  /** Room for a board at actual size. */
  double room() {
    return Math.floor(getWidth() / 8) * 8 - BESIDE_BOARD;
  }

  private void scroll(ScrollEvent e) {
    if (e.isShortcutDown()) {
      zoom(board.getScaleX() * (e.getDeltaY() > 0 ? STEP : 1 / STEP));
      e.consume();
    }
  }

  private void zoom(double scale) {
    board.setScaleX(Math.max(LEAST, Math.min(MOST, scale)));
    board.setScaleY(board.getScaleX());
    Platform.runLater(this::reveal);
  }

  /** As large as the whole board can be seen, and no larger than it is. */
  void fit() {
    double across = pane.getViewportBounds().getWidth() / board.laidOut().width();
    double down = pane.getViewportBounds().getHeight() / board.laidOut().height();
    zoom(Math.min(1, Math.min(across, down)));
  }

  /** Has the board make what is in sight, and a little around it. */
  void reveal() {
    double height = pane.getViewportBounds().getHeight();
    double hidden = Math.max(0, zoomed.getBoundsInLocal().getHeight() - height);
    double top = pane.getVvalue() * hidden;
    double scale = board.getScaleY();
    board.reveal((top - height / 4) / scale, (top + 5 * height / 4) / scale);
  }
}
