package unimotus.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.Labeled;
import javafx.scene.input.KeyCode;
import javafx.scene.shape.Line;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import unimotus.core.machine.BoardPlace;
import unimotus.core.machine.Project;
import unimotus.workbench.WorkStep;

/** The wire board by mouse and keyboard: two states, wires in their duct, devices moved. */
class WireBoardTest extends WindowTest {
  @BeforeEach
  void openTheDrum() {
    interact(
        () -> {
          desk.openDemo();
          desk.show("rinse-drum", WorkStep.WIRE);
        });
    settle();
  }

  private Project project() {
    return desk.session().project();
  }

  private Node terminal(String id) {
    return lookup("#terminal-" + id).query();
  }

  private void keyOn(String terminal, KeyCode key) {
    interact(() -> terminal(terminal).requestFocus());
    push(key);
    settle();
  }

  private String text(String id) {
    return lookup(id).<Labeled>query().getText();
  }

  private String focused() {
    return stage.getScene().getFocusOwner().getId();
  }

  @Test
  void whileMeasuringClicksPutProbesAndNothingIsRewired() {
    Project before = project();
    click(this, "#activity-measuring");
    clickOn(terminal("controller-1-24V"));
    clickOn(terminal("controller-1-0V"));
    settle();
    // A hundredth is lost in the supply, which feeds a safety relay.
    assertThat(text("#meter-reading")).isEqualTo("23.99 V");
    assertThat(text("#probe-red")).isEqualTo("red  " + text("#meter-reading"));
    assertThat(lookup("#probe-black").query().isVisible()).isTrue();
    keyOn("controller-1-DO0", KeyCode.W);
    push(KeyCode.DELETE);
    settle();
    assertThat(desk.message().get().text()).contains("no wire is made, moved or removed");
    keyOn("drum-drive-DI4", KeyCode.M);
    assertThat(project()).as("no wire made, moved or removed").isSameAs(before);
    clickOn(terminal("drum-drive-P24"));
    settle();
    assertThat(text("#meter-reading"))
        .as("the red probe goes round, the black one stays")
        .endsWith("V");
    push(KeyCode.ESCAPE);
    push(KeyCode.ESCAPE);
    settle();
    assertThat(lookup("#probe-red").query().isVisible()).isFalse();
    assertThat(text("#meter-reading")).startsWith("–");
  }

  @Test
  void aProbeIsPickedUpByItsButtonAndSetDownByEnter() {
    interact(() -> lookup("#pick-up-black").<javafx.scene.control.Button>query().fire());
    settle();
    assertThat(lookup("#activity-measuring").query().getStyleClass()).contains("chosen");
    keyOn("drum-drive-COM", KeyCode.ENTER);
    keyOn("drum-drive-P24", KeyCode.ENTER);
    assertThat(text("#meter-reading")).startsWith("24").endsWith("V");
  }

  @Test
  void aWireUnderWayIsSeenAndEscapeDropsIt() {
    Project before = project();
    clickOn(terminal("controller-1-DO5"));
    moveTo(terminal("drum-drive-DI4"));
    settle();
    Line underWay = lookup("#wire-under-way").query();
    assertThat(underWay.isVisible()).isTrue();
    assertThat(underWay.getEndX()).isGreaterThan(underWay.getStartX());
    push(KeyCode.ESCAPE);
    settle();
    assertThat(underWay.isVisible()).isFalse();
    assertThat(project()).isSameAs(before);
    clickOn(terminal("controller-1-DO5"));
    clickOn(terminal("drum-drive-DI4"));
    settle();
    assertThat(project().wires()).hasSize(before.wires().size() + 1);
  }

  @Test
  void aWireIsFollowedToItsOtherEndAndLitOverItsWay() {
    keyOn("controller-1-AO0", KeyCode.E);
    assertThat(focused()).isEqualTo("terminal-drum-drive-AI2");
    assertThat(lookup("#wire-w4").query().getStyleClass()).contains("chosen");
    push(KeyCode.E);
    settle();
    assertThat(focused()).isEqualTo("terminal-controller-1-AO0");
  }

  @Test
  void aWireInTheDuctIsChosenByTheMouse() {
    Node wire = lookup("#wire-w4").query();
    Bounds bounds = wire.localToScreen(wire.getBoundsInLocal());
    // Near the lane, not on it: within reach.
    Node from = terminal("controller-1-AO0");
    Bounds row = from.localToScreen(from.getBoundsInLocal());
    clickOn(row.getMaxX() + 9, row.getCenterY() + 2);
    settle();
    assertThat(bounds.getWidth()).isPositive();
    assertThat(wire.getStyleClass()).contains("chosen");
  }

  @Test
  void aDeviceIsMovedByKeysStaysWhereItWasPutAndIsUndone() {
    Node grip = lookup("#grip-rinse-drum-motor-temperature").query();
    interact(grip::requestFocus);
    push(KeyCode.RIGHT);
    settle();
    assertThat(project().board())
        .contains(new BoardPlace("rinse-drum-motor-temperature", BoardPlace.Side.RIGHT));
    assertThat(lookup("#arrange").query().isVisible()).isTrue();
    click(this, "#arrange");
    assertThat(project().board()).isEmpty();
    interact(() -> desk.session().undo());
    settle();
    assertThat(project().board()).isNotEmpty();
    interact(() -> desk.session().undo());
    settle();
    assertThat(project().board()).isEmpty();
  }

  @Test
  void aDeviceIsDraggedOverTheDuct() {
    Node grip = lookup("#grip-drum-drive").query();
    drag(grip).dropTo(terminal("controller-1-DO0"));
    settle();
    assertThat(project().board()).contains(new BoardPlace("drum-drive", BoardPlace.Side.LEFT));
  }

  @Test
  void theBoardIsZoomedAndFitted() {
    Node board = lookup("#board").query();
    click(this, "#board-fit");
    assertThat(board.getScaleX()).isLessThan(1);
    click(this, "#board-actual");
    assertThat(board.getScaleX()).isEqualTo(1);
    click(this, "#board-larger");
    assertThat(board.getScaleX()).isGreaterThan(1);
  }
}
