package unimotus.desktop.kit;

import javafx.beans.value.ChangeListener;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.MouseEvent;

/** Scrolls up and down, and brings what gets the keyboard into sight. */
public final class FollowingPane extends ScrollPane {
  private static final double MARGIN = 24;

  /** Known before any child is told: the pressed property comes later. */
  private boolean pointerDown;

  private final ChangeListener<Node> follow = (o, was, is) -> bringIntoSight(is);

  /** A pane over its content, as wide as there is room. */
  public FollowingPane(Node content) {
    super(content);
    setFitToWidth(true);
    setHbarPolicy(ScrollBarPolicy.NEVER);
    addEventFilter(MouseEvent.MOUSE_PRESSED, e -> pointerDown = true);
    addEventFilter(MouseEvent.MOUSE_RELEASED, e -> pointerDown = false);
    sceneProperty().addListener((o, was, is) -> move(was, is));
  }

  /**
   * Keeps no picture of the content. The skin asks for one, but it has to be drawn anew at each
   * step, and everything that is out of sight with it.
   */
  @Override
  protected void layoutChildren() {
    super.layoutChildren();
    Node viewport = lookup(".viewport");
    if (viewport != null && viewport.isCache()) {
      viewport.setCache(false);
    }
  }

  private void move(Scene from, Scene to) {
    if (from != null) {
      from.focusOwnerProperty().removeListener(follow);
    }
    if (to != null) {
      to.focusOwnerProperty().addListener(follow);
    }
  }

  private void bringIntoSight(Node focused) {
    // What is pressed is in sight, and must not move under the pointer.
    if (focused == null || pointerDown || !isInside(focused)) {
      return;
    }
    Bounds place = getContent().sceneToLocal(focused.localToScene(focused.getBoundsInLocal()));
    double hidden = getContent().getBoundsInLocal().getHeight() - getViewportBounds().getHeight();
    if (hidden <= 0 || place == null) {
      return;
    }
    double top = getVvalue() * hidden;
    double wanted =
        Math.max(
            Math.min(top, place.getMinY() - MARGIN),
            place.getMaxY() + MARGIN - getViewportBounds().getHeight());
    setVvalue(Math.max(0, Math.min(1, wanted / hidden)));
  }

  private boolean isInside(Node node) {
    for (Node at = node; at != null; at = at.getParent()) {
      if (at == getContent()) {
        return true;
      }
    }
    return false;
  }
}
