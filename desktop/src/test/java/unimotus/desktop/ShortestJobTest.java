package unimotus.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.concurrent.TimeUnit;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import unimotus.core.proof.AxisProof;
import unimotus.core.proof.Expectation;
import unimotus.core.proof.Prediction;
import unimotus.core.stops.StopOutcome;
import unimotus.workbench.Evidence;

/**
 * From an empty project to a proven axis with an emergency stop, counted: once with the mouse, once
 * without it. What is typed and walked with arrows is not a click.
 */
@Timeout(value = 4, unit = TimeUnit.MINUTES)
class ShortestJobTest extends WindowTest {
  private static final int MOST_CLICKS = 45;
  private static final int MOST_TABS = 150;

  private int clicks;
  private int keys;

  private void clickOn(Node node) {
    settle();
    super.clickOn(node);
    settle();
    clicks++;
  }

  private void clicking(String query) {
    settle();
    clickOn(lookup(query).<Node>query());
  }

  private void key(KeyCode... codes) {
    push(codes);
    settle();
    keys++;
  }

  private void typed(String text) {
    write(text, 0);
    keys += text.length();
  }

  /** Walks by Tab to a control, as somebody without a mouse does. */
  private void tabTo(String id) {
    int tabs = 0;
    while (!isFocused(id)) {
      key(KeyCode.TAB);
      assertThat(++tabs).as("Tab to " + id).isLessThan(MOST_TABS);
    }
  }

  private boolean isFocused(String id) {
    Node owner = stage.getScene().getFocusOwner();
    return owner != null && id.equals(owner.getId());
  }

  /** Opens the list that has the keyboard and takes one of it. */
  private void pick(String words) {
    ComboBox<?> box = (ComboBox<?>) stage.getScene().getFocusOwner();
    int wanted = index(box, words);
    int at = box.getSelectionModel().getSelectedIndex();
    // A click has opened it already.
    if (!box.isShowing()) {
      key(KeyCode.DOWN);
    }
    for (; at < wanted; at++) {
      key(KeyCode.DOWN);
    }
    for (; at > wanted; at--) {
      key(KeyCode.UP);
    }
    key(KeyCode.ENTER);
  }

  private static <T> int index(ComboBox<T> box, String words) {
    for (int i = 0; i < box.getItems().size(); i++) {
      if (box.getConverter().toString(box.getItems().get(i)).equals(words)) {
        return i;
      }
    }
    throw new AssertionError(words + " is not offered by " + box.getId());
  }

  @Test
  void withTheMouse() {
    clicking("#start-axis");
    clicking("#axis-name");
    typed("Belt");
    clicking("#axis-gear");
    typed("91.5");
    clicking("#axis-size");
    typed("500 mm");
    clicking("#axis-speed");
    typed("25 m/min");
    clicking("#axis-add");
    clicking("#wire-by-intent");
    clicking("#step-make-safe");
    clicking("#new-trigger");
    pick("Emergency stop button");
    clicking("#new-effect");
    pick("Safe torque off");
    clicking("#build-stop");
    clicking("#step-prove");
    clicking("#measured-by");
    typed("A. Tester");
    clicking("#" + fieldOf(predictions().get(0)));
    prove(false);
    isProven();
    System.out.printf("from nothing to a proven axis with the mouse: %d clicks%n", clicks);
    assertThat(clicks).isLessThanOrEqualTo(MOST_CLICKS);
  }

  @Test
  void withoutTheMouse() {
    key(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.N);
    tabTo("axis-name");
    typed("Belt");
    tabTo("axis-gear");
    typed("91.5");
    tabTo("axis-size");
    typed("500 mm");
    tabTo("axis-speed");
    typed("25 m/min");
    key(KeyCode.ENTER);
    tabTo("wire-by-intent");
    key(KeyCode.SPACE);
    key(KeyCode.ALT, KeyCode.DIGIT3);
    tabTo("new-trigger");
    pick("Emergency stop button");
    tabTo("new-effect");
    pick("Safe torque off");
    tabTo("build-stop");
    key(KeyCode.SPACE);
    key(KeyCode.ALT, KeyCode.DIGIT7);
    tabTo("measured-by");
    key(KeyCode.CONTROL, KeyCode.A);
    typed("A. Tester");
    tabTo(fieldOf(predictions().get(0)));
    prove(true);
    isProven();
    System.out.printf("from nothing to a proven axis without the mouse: %d keys%n", keys);
    assertThat(clicks).isZero();
  }

  /** Row after row as it is predicted; Enter goes on to the next. */
  private void prove(boolean byTab) {
    for (Prediction prediction : predictions()) {
      if (!isFocused(fieldOf(prediction))) {
        go(fieldOf(prediction), byTab);
      }
      if (prediction.expectation() instanceof Expectation.Amount a) {
        key(KeyCode.CONTROL, KeyCode.A);
        typed(desk.units().number(a.value(), a.unit()).replace("\u202f", "").replace("−", "-"));
        key(KeyCode.ENTER);
      } else {
        pick(((Expectation.Word) prediction.expectation()).expected());
      }
    }
  }

  private void go(String id, boolean byTab) {
    if (byTab) {
      tabTo(id);
    } else {
      clicking("#" + id);
    }
  }

  private static String fieldOf(Prediction prediction) {
    return "reading-" + prediction.key().replace('.', '-');
  }

  private List<Prediction> predictions() {
    return evidence().predictions();
  }

  private Evidence evidence() {
    return desk.evidence().orElseThrow();
  }

  private void isProven() {
    assertThat(evidence().proof().verdicts())
        .filteredOn(v -> v.outcome() != unimotus.core.proof.Verdict.Outcome.AGREES)
        .extracting(v -> v.prediction().key() + " " + v.outcome())
        .isEmpty();
    assertThat(evidence().proof().state()).isEqualTo(AxisProof.State.PROVEN);
    assertThat(desk.review().orElseThrow().stops())
        .singleElement()
        .satisfies(s -> assertThat(s.verdict().outcome()).isEqualTo(StopOutcome.STOPS));
  }
}
