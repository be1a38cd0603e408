package unimotus.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import org.junit.jupiter.api.Test;
import unimotus.core.machine.Axis;
import unimotus.core.machine.Project;
import unimotus.core.way.DialWay;
import unimotus.core.way.LoopWay;
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

  private void openLooped(String note, WorkStep step) {
    onWindow(
        () -> {
          desk.openDemo();
          desk.session().apply(new Edit(note, project -> looped(project, "header-pump", note)));
          desk.show("header-pump", step);
        });
    settle();
  }

  private Project looped(Project project, String id, String note) {
    Axis axis = project.axes().stream().filter(a -> a.id().equals(id)).findFirst().orElseThrow();
    return project.with(LoopWay.looped(axis, note));
  }

  /** An axis that is told a position is drawn in its own stations and units. */
  @Test
  void anAxisThatIsToldAPositionIsDrawnAndTouched() {
    openLooped(LoopWay.Positioner.NOTE, WorkStep.MAP);
    assertThat(lookup("#station-frequency").tryQuery()).isEmpty();
    assertThat(lookup("#station-signal").tryQuery()).isEmpty();
    click(this, "#station-shaft");
    enter(this, "#station-entry", "2");
    settle();
    assertThat(numberAt("counts")).isEqualTo("2000");
    assertThat(lookup("#path-curve").tryQuery()).isPresent();
  }

  @Test
  void itsFieldsAndPredictionsSpeakOfAPosition() {
    openLooped(LoopWay.Positioner.NOTE, WorkStep.IDENTIFY);
    assertThat(shows("Position at 100 %")).isTrue();
    onWindow(() -> desk.show("header-pump", WorkStep.PROVE));
    settle();
    assertThat(shows("position of the machine")).isTrue();
  }

  /** What it cannot be it says: a dry-run is of speeds. */
  @Test
  void itsDryRunSaysWhyThereIsNone() {
    openLooped(LoopWay.PressureLoop.NOTE, WorkStep.DRY_RUN);
    assertThat(shows("the dry-run is for axes that command a speed")).isTrue();
  }

  /** In Hand the drum follows a speed: an axis cannot command both, and says so. */
  @Test
  void anAxisThatCommandsTwoThingsSaysSo() {
    onWindow(
        () -> {
          desk.openDemo();
          desk.session()
              .apply(
                  new Edit("a pressure", p -> looped(p, "rinse-drum", LoopWay.PressureLoop.NOTE)));
          desk.show("rinse-drum", WorkStep.DRY_RUN);
        });
    settle();
    assertThat(shows("it commands a process value, but a speed")).isTrue();
  }
}
