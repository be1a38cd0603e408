package unimotus.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import javafx.geometry.Bounds;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import unimotus.core.machine.Axis;
import unimotus.desktop.shell.Shell;
import unimotus.workbench.AxisEdits;
import unimotus.workbench.WorkStep;

/** An axis renamed, moved, copied and removed in the window, by keys and by its menu. */
class AxisActionsTest extends WindowTest {

  private void openDrum() {
    onWindow(
        () -> {
          desk.openDemo();
          desk.show("rinse-drum", WorkStep.IDENTIFY);
        });
    settle();
  }

  private List<String> names() {
    return desk.session().project().axes().stream().map(Axis::name).toList();
  }

  private void choose(String item) {
    Button axis = lookup("#axis-rinse-drum").query();
    interact(
        () ->
            axis.getContextMenu().getItems().stream()
                .filter(i -> item.equals(i.getId()))
                .findFirst()
                .orElseThrow()
                .fire());
    settle();
  }

  @Test
  void anAxisIsRenamedByKeyAndTakenBack() {
    openDrum();
    push(KeyCode.F2);
    settle();
    TextField name = lookup("#answer-text").query();
    assertThat(name.getText()).isEqualTo("Rinse drum");
    interact(() -> name.setText("Wash drum"));
    type(KeyCode.ENTER);
    settle();
    assertThat(names()).contains("Wash drum");
    assertThat(lookup("#axis-rinse-drum").<Button>query().getText()).isEqualTo("Wash drum");
    onWindow(() -> desk.session().undo());
    assertThat(names()).contains("Rinse drum");
  }

  @Test
  void aNameThatCannotBeIsRefusedAndNothingIsLost() {
    openDrum();
    choose("rename-axis");
    TextField name = lookup("#answer-text").query();
    interact(() -> name.setText("  "));
    type(KeyCode.ENTER);
    settle();
    assertThat(names()).contains("Rinse drum");
    assertThat(lookup("#message").<Label>query().getText()).isNotBlank();
  }

  @Test
  void whatGoesAlongIsNamedBeforeAnAxisIsRemoved() {
    openDrum();
    int before = names().size();
    choose("remove-axis");
    assertThat(shows("Rinse drum selector")).isTrue();
    click(this, "#answer-keep");
    assertThat(names()).hasSize(before);
    choose("remove-axis");
    click(this, "#answer-remove");
    settle();
    assertThat(names()).hasSize(before - 1).doesNotContain("Rinse drum");
    onWindow(() -> desk.session().undo());
    assertThat(names()).hasSize(before).contains("Rinse drum");
  }

  @Test
  void anAxisIsCopiedAndMoved() {
    openDrum();
    choose("duplicate-axis");
    assertThat(names().subList(0, 2)).containsExactly("Rinse drum", "Rinse drum 2");
    choose("axis-down");
    assertThat(names().subList(0, 2)).containsExactly("Rinse drum 2", "Rinse drum");
  }

  /** The file's name, and a star while something is not saved. */
  @Test
  void theTitleSaysWhatIsOpenAndWhetherItIsSaved() {
    openDrum();
    Shell shell = (Shell) lookup("#project-menu").query().getScene().getRoot();
    String open = shell.title().get();
    assertThat(open).endsWith("– Unimotus").doesNotStartWith("*");
    choose("axis-down");
    assertThat(shell.title().get()).startsWith("* ");
  }

  /**
   * Fifty axes more: the list scrolls in its own place, and nothing around it leaves the window.
   */
  @Test
  void aLongLineScrollsInItsOwnPlace() {
    openDrum();
    Axis bare = desk.session().project().axis("slicer-x").orElseThrow();
    onWindow(
        () -> {
          for (int i = 0; i < 50; i++) {
            desk.session().apply(AxisEdits.duplicate(desk.session().sheets(), bare));
          }
        });
    settle();
    double height = lookup("#project-menu").query().getScene().getHeight();
    for (String id : List.of("#project-menu", "#new-axis", "#message", "#step-identify")) {
      Bounds at = lookup(id).query().localToScene(lookup(id).query().getBoundsInLocal());
      assertThat(at.getMinY()).as(id).isGreaterThanOrEqualTo(0);
      assertThat(at.getMaxY()).as(id).isLessThanOrEqualTo(height);
    }
  }
}
