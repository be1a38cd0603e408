package unimotus.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import unimotus.workbench.Preferences;
import unimotus.workbench.WorkStep;

/** The whole interface is drawn larger and smaller by keys, and is remembered so. */
class ZoomTest extends WindowTest {
  private double heightOf(String query) {
    Node node = lookup(query).query();
    Bounds shown = node.localToScene(node.getLayoutBounds());
    return shown.getHeight();
  }

  @Test
  void plusMinusAndZeroZoom() {
    onWindow(desk::openDemo);
    settle();
    double plain = heightOf("#project-menu");
    press(KeyCode.CONTROL, KeyCode.EQUALS).release(KeyCode.EQUALS, KeyCode.CONTROL);
    settle();
    assertThat(desk.preferences().get().zoomPercent()).isEqualTo(110);
    assertThat(heightOf("#project-menu")).isCloseTo(1.1 * plain, within(0.5));
    press(KeyCode.CONTROL, KeyCode.MINUS).release(KeyCode.MINUS, KeyCode.CONTROL);
    press(KeyCode.CONTROL, KeyCode.MINUS).release(KeyCode.MINUS, KeyCode.CONTROL);
    settle();
    assertThat(desk.preferences().get().zoomPercent()).isEqualTo(90);
    assertThat(Preferences.load(folder.resolve("preferences.properties")).zoomPercent())
        .isEqualTo(90);
    press(KeyCode.CONTROL, KeyCode.DIGIT0).release(KeyCode.DIGIT0, KeyCode.CONTROL);
    settle();
    assertThat(heightOf("#project-menu")).isEqualTo(plain);
  }

  /** What is drawn larger is still met by the mouse, and fills the window. */
  @Test
  void theMouseMeetsWhatItSees() {
    onWindow(
        () -> {
          desk.openDemo();
          desk.remember(desk.preferences().get().withZoom(150));
          desk.show("rinse-drum", WorkStep.MAP);
        });
    settle();
    click(this, "#station-frequency");
    assertThat(lookup("#station-entry").tryQuery()).isPresent();
    Node line = lookup(".message-line").query();
    Bounds shown = line.localToScene(line.getLayoutBounds());
    assertThat(shown.getMaxY()).isBetween(780.0, 801.0);
    assertThat(shown.getMaxX()).isBetween(1270.0, 1281.0);
  }
}
