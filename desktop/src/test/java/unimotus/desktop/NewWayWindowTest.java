package unimotus.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import org.junit.jupiter.api.Test;
import unimotus.core.machine.Axis;
import unimotus.core.machine.Project;
import unimotus.core.way.DialWay;
import unimotus.workbench.Edit;
import unimotus.workbench.WorkStep;

/** A way of command that the window has never heard of is drawn, touched, predicted and kept. */
class NewWayWindowTest extends WindowTest {

  private void openDialled() {
    onWindow(
        () -> {
          desk.openDemo();
          desk.session().apply(new Edit("by the dial", this::dialled));
          desk.show("rinse-drum", WorkStep.MAP);
        });
  }

  private Project dialled(Project project) {
    Axis axis =
        project.axes().stream().filter(a -> a.id().equals("rinse-drum")).findFirst().orElseThrow();
    return project.with(DialWay.dialled(axis));
  }

  private String numberAt(String station) {
    return lookup("#station-%s .ink-big".formatted(station)).<Label>query().getText();
  }

  @Test
  void itIsDrawnAndTouched() {
    openDialled();
    assertThat(lookup("#station-signal").tryQuery()).isEmpty();
    click(this, "#station-frequency");
    enter(this, "#station-entry", "25 Hz");
    settle();
    assertThat(numberAt("counts")).isEqualTo("5");
    assertThat(numberAt("frequency")).isEqualTo("25");
  }

  /** The menu of links offers it, and choosing it makes the axis one of its kind. */
  @Test
  void itIsWiredFromTheMenu() {
    onWindow(
        () -> {
          desk.openDemo();
          desk.show("rinse-drum", WorkStep.WIRE);
        });
    settle();
    MenuButton menu = lookup("#link-menu").query();
    interact(
        () ->
            menu.getItems().stream()
                .filter(i -> "link-DIAL".equals(i.getId()))
                .findFirst()
                .orElseThrow()
                .fire());
    settle();
    onWindow(() -> desk.show("rinse-drum", WorkStep.MAP));
    settle();
    assertThat(lookup("#station-signal").tryQuery()).isEmpty();
  }

  @Test
  void itIsPredicted() {
    openDialled();
    onWindow(() -> desk.show("rinse-drum", WorkStep.PROVE));
    assertThat(shows("click of the dial")).isTrue();
  }
}
