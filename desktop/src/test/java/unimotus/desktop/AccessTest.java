package unimotus.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Button;
import javafx.scene.control.Control;
import javafx.scene.control.Labeled;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import unimotus.workbench.WorkStep;

/** Every control has a name for those who do not see it, and the keyboard comes to all of them. */
@Timeout(value = 4, unit = TimeUnit.MINUTES)
class AccessTest extends WindowTest {
  private final List<String> nameless = new ArrayList<>();

  @Test
  void noControlIsWithoutAName() {
    onWindow(desk::openDemo);
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
      settle();
      interact(() -> lookup("#map-" + part).<Button>query().fire());
      settle();
      look("map " + part);
    }
    onWindow(desk.navigation()::showBus);
    settle();
    look("bus");
    onWindow(desk::startAxis);
    settle();
    look("new axis");
    onWindow(shell::toggleFind);
    settle();
    look("find");
    assertThat(nameless).isEmpty();
  }

  private void look(String where) {
    interact(() -> look(where, shell));
  }

  private void look(String where, Node node) {
    if (!node.isVisible()) {
      return;
    }
    if (node instanceof Control control && control.isFocusTraversable()) {
      named(where, control);
    }
    if (node instanceof Parent parent && !(node instanceof TextInputControl)) {
      parent.getChildrenUnmodifiable().forEach(child -> look(where, child));
    }
  }

  private void named(String where, Control control) {
    boolean says = control instanceof Labeled l && l.getText() != null && !l.getText().isBlank();
    boolean named = control.getAccessibleText() != null && !control.getAccessibleText().isBlank();
    // A pane that scrolls only follows the keyboard; what is in it has the names.
    if (!says && !named && !(control instanceof ScrollPane)) {
      nameless.add(
          "%s: %s #%s".formatted(where, control.getClass().getSimpleName(), control.getId()));
    }
  }

  /**
   * Tab goes round: it leaves the first control and comes back to it, through the whole station.
   */
  @Test
  void tabGoesRoundEveryStation() {
    onWindow(desk::openDemo);
    for (WorkStep step : List.of(WorkStep.IDENTIFY, WorkStep.MAKE_SAFE, WorkStep.PROVE)) {
      onWindow(
          () -> {
            desk.show("rinse-drum", step);
            shell.lookup("#project-menu").requestFocus();
          });
      settle();
      List<Node> met = new ArrayList<>();
      Node at = focused();
      while (!met.contains(at) && met.size() < 400) {
        met.add(at);
        type(KeyCode.TAB);
        settle();
        at = focused();
      }
      assertThat(met).as(step.label()).hasSizeGreaterThan(15).contains(at);
      assertThat(met.indexOf(at)).as("%s: where Tab comes round to", step.label()).isZero();
      assertThat(met).as(step.label()).allMatch(Node::isVisible);
    }
  }

  private Node focused() {
    return stage.getScene().getFocusOwner();
  }
}
