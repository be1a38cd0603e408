package unimotus.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import javafx.geometry.Bounds;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import unimotus.core.machine.Axis;
import unimotus.desktop.shell.Shell;
import unimotus.workbench.AxisCopies;
import unimotus.workbench.Overview;
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

  /** Over the clipboard into a line without a controller. */
  @Test
  void anAxisIsCopiedIntoAnotherLine() {
    onWindow(
        () -> {
          desk.openDemo();
          desk.show("header-pump", WorkStep.IDENTIFY);
        });
    interact(() -> lookup("#axis-header-pump").query().requestFocus());
    push(KeyCode.CONTROL, KeyCode.C);
    settle();
    assertThat(desk.message().get().text()).contains("Header tank pump is on the clipboard");
    onWindow(() -> desk.session().startNew());
    interact(() -> lookup("#new-axis").query().requestFocus());
    push(KeyCode.CONTROL, KeyCode.V);
    settle();
    assertThat(names()).containsExactly("Header tank pump");
    assertThat(desk.session().project().controllers()).hasSize(1);
    assertThat(desk.message().get().text()).contains("run and reference wired");
    push(KeyCode.CONTROL, KeyCode.V);
    settle();
    assertThat(names()).containsExactly("Header tank pump", "Header tank pump 2");
    assertThat(desk.session().project().controllers()).hasSize(1);
    interact(
        () -> {
          ClipboardContent words = new ClipboardContent();
          words.putString("no axis at all");
          Clipboard.getSystemClipboard().setContent(words);
        });
    push(KeyCode.CONTROL, KeyCode.V);
    settle();
    assertThat(names()).hasSize(2);
    assertThat(desk.message().get().text()).contains("what is on the clipboard is no axis");
  }

  @Test
  void anAxisIsPutIntoAGroupAndTheOverviewStandsByGroup() {
    openDrum();
    choose("group-axis");
    interact(() -> lookup("#answer-text").<TextField>query().setText("washing"));
    click(this, "#answer-take");
    assertThat(desk.session().project().axis("rinse-drum").orElseThrow().group())
        .isEqualTo("washing");
    onWindow(() -> desk.show(null, null));
    interact(
        () ->
            lookup("#line-order")
                .<javafx.scene.control.ComboBox<Overview.Order>>query()
                .setValue(Overview.Order.GROUP));
    settle();
    assertThat(shows("washing: 1 axis, 1 error")).isTrue();
    assertThat(shows("of no group: 6 axes")).isTrue();
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
    Axis bare =
        desk.session()
            .project()
            .axis("bale-tie")
            .orElseThrow()
            .withDevices("controller-1", null, null)
            .withMotion(null);
    onWindow(
        () -> {
          for (int i = 0; i < 50; i++) {
            desk.session().apply(AxisCopies.duplicate(desk.session().sheets(), bare));
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
