package unimotus.desktop.shell;

import java.nio.charset.StandardCharsets;
import java.util.Base64;
import javafx.scene.Scene;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.Region;
import javafx.scene.transform.Scale;
import org.jspecify.annotations.Nullable;
import unimotus.desktop.Desk;
import unimotus.workbench.Preferences;

/**
 * Draws the whole interface larger or smaller: what is in it is laid out for the room it then has.
 */
final class Zoomed extends Region {
  /** What menus, lists and tips, which are windows of their own, are written with, in pixels. */
  private static final double PLAIN_PIXELS = 13;

  private final Desk desk;
  private final Region content;
  private final Scale scale = new Scale(1, 1);
  private String popups = "";

  Zoomed(Desk desk, Region content) {
    this.desk = desk;
    this.content = content;
    content.getTransforms().add(scale);
    getChildren().add(content);
    sceneProperty().addListener((o, was, is) -> refresh());
  }

  /** Shows the size that is chosen. */
  void refresh() {
    double factor = desk.preferences().get().zoomPercent() / 100.0;
    if (factor != scale.getX()) {
      scale.setX(factor);
      scale.setY(factor);
      requestLayout();
    }
    wear(getScene(), factor);
  }

  private void wear(@Nullable Scene scene, double factor) {
    if (scene == null) {
      return;
    }
    String next = factor == 1 ? "" : sheet(factor);
    if (!next.equals(popups)) {
      scene.getStylesheets().remove(popups);
      popups = next;
      if (!next.isEmpty()) {
        scene.getStylesheets().add(next);
      }
    }
  }

  private static String sheet(double factor) {
    String css =
        ".context-menu, .combo-box-popup .list-cell, .tooltip { -fx-font-size: %spx; }"
            .formatted(PLAIN_PIXELS * factor);
    return "data:text/css;base64,"
        + Base64.getEncoder().encodeToString(css.getBytes(StandardCharsets.UTF_8));
  }

  /** Takes Ctrl with plus, minus or zero; says whether it did. */
  boolean take(KeyEvent e) {
    if (!e.isShortcutDown() || e.isAltDown()) {
      return false;
    }
    KeyCode code = e.getCode();
    if (code == KeyCode.PLUS || code == KeyCode.EQUALS || code == KeyCode.ADD) {
      remember(desk.preferences().get().zoomed(1));
    } else if (code == KeyCode.MINUS || code == KeyCode.SUBTRACT) {
      remember(desk.preferences().get().zoomed(-1));
    } else if (code == KeyCode.DIGIT0 || code == KeyCode.NUMPAD0) {
      remember(desk.preferences().get().withZoom(Preferences.PLAIN_ZOOM));
    } else {
      return false;
    }
    return true;
  }

  private void remember(Preferences next) {
    desk.remember(next);
    desk.say("zoom %d %%".formatted(next.zoomPercent()));
  }

  @Override
  protected void layoutChildren() {
    content.resizeRelocate(0, 0, getWidth() / scale.getX(), getHeight() / scale.getY());
  }

  @Override
  protected double computeMinWidth(double height) {
    return 0;
  }

  @Override
  protected double computeMinHeight(double width) {
    return 0;
  }
}
