package unimotus.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Button;
import javafx.scene.control.Labeled;
import javafx.scene.control.ScrollPane;
import javafx.scene.text.Text;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.testfx.util.WaitForAsyncUtils;
import unimotus.workbench.WorkStep;

/**
 * At every size that has to be usable no word is cut, none is broken inside, and nothing is lost.
 */
class SizesTest extends WindowTest {
  /** What a text may be narrower than its box by rounding, in pixels. */
  private static final double ROUNDING = 1.5;

  /** What these show comes from beside the window: a run of faults, a device that answers. */
  private static final Set<String> AWAITED =
      Set.of("make-safe", "make-safe-running", "live", "find", "dry-run", "set-up-compare");

  private static final long AWAITED_MILLIS = 700;

  private final List<String> wrong = new ArrayList<>();

  /** Some sixty views are laid out one after the other: more than a test usually takes. */
  @Timeout(240)
  @ParameterizedTest
  @CsvSource({"1000, 700, 100", "1280, 800, 100", "1920, 1080, 150", "1920, 1080, 200"})
  void everyStationIsWhole(int width, int height, int zoom) {
    onWindow(
        () -> {
          stage.setWidth(width);
          stage.setHeight(height);
          desk.openDemo();
          desk.remember(desk.preferences().get().withZoom(zoom));
        });
    settle();
    look("line");
    for (WorkStep step : WorkStep.values()) {
      if (step != WorkStep.HAND_OVER) {
        onWindow(() -> desk.show("rinse-drum", step));
        settle();
        look(step.label());
      }
    }
    for (String part : List.of("words", "registers", "frames", "live", "find", "controller")) {
      onWindow(() -> desk.show("infeed-belt", WorkStep.MAP));
      fire("#map-" + part);
      look("map " + part);
    }
    fire("#map-frames");
    fire("#frames-process_data");
    look("map telegrams");
    fire("#frames-registers");
    for (String part : List.of("scaling", "moves", "loops", "bits")) {
      onWindow(() -> desk.show("slicer-z", WorkStep.MAP));
      fire("#map-motion");
      fire("#motion-" + part);
      look("motion " + part);
    }
    for (String part : List.of("compare", "rehearse", "borrow", "ready")) {
      onWindow(() -> desk.show("rinse-drum", WorkStep.SET_UP));
      fire("#side-" + part);
      look("set up " + part);
    }
    for (String part : List.of("image", "controller_list", "start_up", "objects", "cycle")) {
      onWindow(desk.navigation()::showBus);
      fire("#station-dock-coupler");
      fire("#bus-" + part);
      look("bus " + part);
    }
    onWindow(desk::startAxis);
    settle();
    look("new axis");
    lookAtThePictures();
    assertThat(wrong).isEmpty();
  }

  /** Every view that a picture is taken of. */
  private void lookAtThePictures() {
    for (Shots.Shot view : new Shots(stage, desk, Path.of("none")).views()) {
      onWindow(() -> view.pose().accept(desk));
      settle();
      if (AWAITED.contains(view.name())) {
        WaitForAsyncUtils.sleep(AWAITED_MILLIS, TimeUnit.MILLISECONDS);
      }
      look(view.name());
    }
  }

  private void fire(String button) {
    settle();
    interact(() -> lookup(button).<Button>query().fire());
    settle();
  }

  private void look(String where) {
    interact(
        () -> {
          shell.applyCss();
          shell.layout();
          look(where, shell);
        });
  }

  private void look(String where, Node node) {
    if (!node.isVisible()) {
      return;
    }
    if (node instanceof Labeled labeled && isShown(node)) {
      cut(where, labeled);
    }
    if (node instanceof Parent parent) {
      for (Node child : parent.getChildrenUnmodifiable()) {
        look(where, child);
      }
    }
  }

  private void cut(String where, Labeled labeled) {
    String meant = labeled.getText();
    if (meant == null || meant.isBlank()) {
      return;
    }
    Text drawn = (Text) labeled.lookup(".text");
    if (drawn == null) {
      return;
    }
    if (!drawn.getText().equals(meant)) {
      wrong.add("%s: '%s' is cut to '%s'".formatted(where, meant, drawn.getText()));
    } else if (labeled.isWrapText()) {
      broken(where, labeled, drawn);
    }
    Bounds shown = labeled.localToScene(labeled.getLayoutBounds());
    if (shown.getMaxX() > shell.getWidth() + ROUNDING && !isScrolledSideways(labeled)) {
      wrong.add("%s: '%s' lies outside the window".formatted(where, meant));
    }
  }

  /** A word that is wider than the label has to be broken inside. */
  private void broken(String where, Labeled labeled, Text drawn) {
    double room =
        labeled.getWidth() - labeled.getInsets().getLeft() - labeled.getInsets().getRight();
    for (String word : labeled.getText().split("\\s+")) {
      Text measured = new Text(word);
      measured.setFont(drawn.getFont());
      // What has no place to break is a path or a formula; it may.
      boolean plain = word.matches("[\\p{L}'’]+[,.:;]?");
      if (plain && measured.getLayoutBounds().getWidth() > room + ROUNDING) {
        wrong.add("%s: '%s' is broken inside '%s'".formatted(where, word, labeled.getText()));
      }
    }
  }

  private static boolean isShown(Node node) {
    return node.getLayoutBounds().getWidth() > 0;
  }

  private static boolean isScrolledSideways(Node node) {
    for (Node at = node.getParent(); at != null; at = at.getParent()) {
      if (at instanceof ScrollPane pane
          && pane.getHbarPolicy() != ScrollPane.ScrollBarPolicy.NEVER) {
        return true;
      }
    }
    return false;
  }
}
