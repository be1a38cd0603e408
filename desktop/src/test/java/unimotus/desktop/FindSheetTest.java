package unimotus.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import javafx.scene.Node;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import unimotus.desktop.find.Entry;
import unimotus.workbench.WorkStep;

/** Anything by a few words, without the mouse. */
class FindSheetTest extends WindowTest {

  private void open(String words) {
    push(KeyCode.CONTROL, KeyCode.K);
    settle();
    interact(() -> lookup("#find-words").<TextField>query().setText(words));
    settle();
  }

  private Entry first() {
    return lookup("#find-list").<ListView<Entry>>query().getItems().get(0);
  }

  private boolean isShown() {
    return lookup("#find-words")
        .tryQuery()
        .filter(n -> n.getScene() != null && isSeen(n))
        .isPresent();
  }

  private static boolean isSeen(Node node) {
    for (Node at = node; at != null; at = at.getParent()) {
      if (!at.isVisible()) {
        return false;
      }
    }
    return true;
  }

  private void demo() {
    onWindow(
        () -> {
          desk.openDemo();
          desk.show(null, null);
        });
    settle();
  }

  @Test
  void aSettingIsGoneToAndEscapeChangesNothing() {
    demo();
    open("i70");
    assertThat(first().title()).startsWith("I70");
    type(KeyCode.ESCAPE);
    settle();
    assertThat(isShown()).isFalse();
    assertThat(desk.step().get()).isNull();
    open("i70");
    type(KeyCode.ENTER);
    settle();
    assertThat(isShown()).isFalse();
    assertThat(desk.axisId().get()).isEqualTo("rinse-drum");
    assertThat(desk.step().get()).isEqualTo(WorkStep.SET_UP);
    assertThat(shows("4-20 mA would follow.")).as("the very setting").isTrue();
  }

  @Test
  void aTerminalIsFoundOnItsBoard() throws Exception {
    demo();
    open("drum-drive:sto1");
    type(KeyCode.ENTER);
    settle();
    assertThat(desk.step().get()).isEqualTo(WorkStep.WIRE);
    waitUntil(
        () -> {
          Node owner = lookup("#terminal-drum-drive-STO1").query().getScene().getFocusOwner();
          return owner != null && "terminal-drum-drive-STO1".equals(owner.getId());
        });
  }

  @Test
  void arrowsWalkTheListAndCommandsAreGiven() {
    demo();
    open("rinse");
    type(KeyCode.DOWN);
    settle();
    assertThat(lookup("#find-list").<ListView<Entry>>query().getSelectionModel().getSelectedIndex())
        .isEqualTo(1);
    type(KeyCode.ESCAPE);
    settle();
    boolean dark = desk.preferences().get().dark();
    open("command dark");
    type(KeyCode.ENTER);
    settle();
    assertThat(desk.preferences().get().dark()).isNotEqualTo(dark);
  }

  @Test
  void aCalculatorOpensAtItsQuestion() {
    demo();
    open("calculator quantity in another unit");
    type(KeyCode.ENTER);
    settle();
    assertThat(shows("quantity with its unit")).isTrue();
  }

  @Test
  void whatIsNotThereIsSaid() {
    demo();
    open("no such thing at all");
    assertThat(shows("Nothing matches these words.")).isTrue();
  }
}
