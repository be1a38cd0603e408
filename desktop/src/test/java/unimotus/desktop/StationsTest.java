package unimotus.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import unimotus.core.path.Station;
import unimotus.desktop.kit.Plot;
import unimotus.workbench.Edit;
import unimotus.workbench.WorkStep;

/** Each station's own work, on the demo line. */
class StationsTest extends WindowTest {

  private void at(String axis, WorkStep step) {
    onWindow(
        () -> {
          desk.openDemo();
          desk.show(axis, step);
        });
  }

  private long wires() {
    return desk.session().project().wires().stream().filter(w -> w.touches("drum-drive")).count();
  }

  @Test
  void twoTerminalsAreJoinedByKeyboardAndTheWireTakenAwayAgain() {
    at("rinse-drum", WorkStep.WIRE);
    long before = wires();
    interact(() -> lookup("#terminal-controller-1-DO5").query().requestFocus());
    push(KeyCode.ENTER);
    assertThat(shows("from controller-1:DO5")).isTrue();
    interact(() -> lookup("#terminal-drum-drive-DI3").query().requestFocus());
    push(KeyCode.ENTER);
    assertThat(wires()).isEqualTo(before + 1);
    Node wire = lookup("#wire-w" + desk.session().project().wires().size()).query();
    clickOn(wire);
    settle();
    push(KeyCode.DELETE);
    settle();
    assertThat(wires()).isEqualTo(before);
  }

  @Test
  void aBrokenWireIsToldAndUndone() {
    at("rinse-drum", WorkStep.WIRE);
    interact(() -> lookup("#terminal-drum-drive-COM").query().requestFocus());
    push(KeyCode.W);
    settle();
    click(this, "#remove-wire");
    assertThat(shows("COM of the drive and 0V of the controller are not connected")).isTrue();
    push(KeyCode.CONTROL, KeyCode.Z);
    settle();
    assertThat(shows("COM of the drive and 0V of the controller are not connected")).isFalse();
  }

  @Test
  void escapeLetsGoOfATerminal() {
    at("rinse-drum", WorkStep.WIRE);
    click(this, "#terminal-drum-drive-DI3");
    push(KeyCode.ESCAPE);
    settle();
    assertThat(shows("choose two terminals")).isTrue();
    click(this, "#all-points");
    assertThat(lookup("#terminal-controller-1-DO7").tryQuery()).isPresent();
  }

  @Test
  void thePlateIsEditedInPlaceAndDoubted() {
    at("rinse-drum", WorkStep.IDENTIFY);
    enter(this, "#current", "3 A");
    assertThat(shows("efficiency from the plate is")).isTrue();
    assertThat(stage.getScene().getFocusOwner().getId())
        .as("the keyboard stays in the field")
        .isEqualTo("current");
    enter(this, "#cos-", "1.4");
    assertThat(message(this)).contains("power factor must be over 0 to 1, not 1.4");
    push(KeyCode.ESCAPE);
    enter(this, "#current", "-8 A");
    assertThat(message(this)).contains("current must be positive");
    assertThat(lookup("#current").query().getStyleClass()).contains("refused");
  }

  @Test
  void aSwitchIsPutByKeyboard() {
    at("rinse-drum", WorkStep.IDENTIFY);
    enter(this, "#gear-ratio", "112.5");
    assertThat(desk.axis().orElseThrow().mechanics().gearRatio()).isEqualTo(112.5);
    assertThat(desk.review().orElseThrow().findings())
        .anyMatch(f -> f.rule().code().equals("MEC-002"));
  }

  @Test
  void walkingThroughAnOpenListIsNotYetAChoice() {
    at("rinse-drum", WorkStep.SET_UP);
    ComboBox<?> field = lookup("#setting-I60").queryAs(ComboBox.class);
    interact(field::requestFocus);
    push(KeyCode.F4);
    push(KeyCode.DOWN);
    push(KeyCode.DOWN);
    assertThat(desk.session().undoName()).as("nothing chosen yet").isEmpty();
    push(KeyCode.ENTER);
    settle();
    assertThat(desk.session().undoName()).contains("set I60 to 0-20 mA");
    choose(this, "#setting-I60", "0-10 V");
    assertThat(desk.session().undoName()).contains("set I60 to 0-10 V");
  }

  @Test
  void aSettingGoesBackToTheWorks() {
    at("rinse-drum", WorkStep.SET_UP);
    interact(() -> lookup("#setting-R30").query().requestFocus());
    settle();
    click(this, "#default-R30");
    assertThat(desk.session().project().drive("drum-drive").orElseThrow().settings())
        .doesNotContainKey("R30");
    fill(this, "#search-settings", "overload");
    assertThat(lookup(".sought").queryAll()).hasSize(1);
  }

  @Test
  void theMistakeIsMendedAndTheCurveFollows() {
    at("rinse-drum", WorkStep.MAP);
    assertThat(desk.review().orElseThrow().path().value(Station.MACHINE, 0)).isGreaterThan(4);
    click(this, "#go-ANA-002");
    onWindow(() -> desk.step().set(WorkStep.SET_UP));
    choose(this, "#setting-I70", "4-20 mA");
    assertThat(desk.review().orElseThrow().path().value(Station.MACHINE, 0))
        .isCloseTo(0, within(0.01));
    assertThat(desk.review().orElseThrow().findings())
        .noneMatch(f -> f.rule().code().equals("ANA-002"));
  }

  @Test
  void aValueThatCannotBeReachedSaysWhatItGets() {
    at("rinse-drum", WorkStep.MAP);
    click(this, "#station-frequency");
    enter(this, "#station-entry", "70 Hz");
    assertThat(message(this)).contains("cannot be 70 Hz here; it gets 50 Hz");
    assertThat(lookup(".thread-knot.held").queryAll()).isNotEmpty();
  }

  @Test
  void theCurveIsReadWithThePointer() {
    at("rinse-drum", WorkStep.MAP);
    Plot plot = lookup("#path-curve").queryAs(Plot.class);
    clickOn(plot);
    settle();
    assertThat(message(this)).startsWith("Number ");
  }

  @Test
  void cursorsMoveTogetherAndZoomWithTheKeyboard() throws Exception {
    at("rinse-drum", WorkStep.DRY_RUN);
    waitUntil(() -> shows("run and stop: "));
    Plot frequency = lookup("#trace-frequency").queryAs(Plot.class);
    Plot shaft = lookup("#trace-shaft").queryAs(Plot.class);
    clickOn(frequency);
    settle();
    assertThat(frequency.cursor().get()).isPositive();
    assertThat(shaft.cursor().get()).isEqualTo(frequency.cursor().get());
    push(KeyCode.SHIFT, KeyCode.RIGHT);
    assertThat(Double.isFinite(shaft.secondCursor().get())).isTrue();
    double wide = frequency.xHigh().get() - frequency.xLow().get();
    push(KeyCode.MINUS);
    push(KeyCode.EQUALS);
    push(KeyCode.EQUALS);
    double close = frequency.xHigh().get() - frequency.xLow().get();
    assertThat(close).isLessThan(wide);
    assertThat(shaft.xLow().get()).isEqualTo(frequency.xLow().get());
    push(KeyCode.HOME);
    assertThat(frequency.xHigh().get() - frequency.xLow().get()).isCloseTo(wide, within(1e-9));
    scroll(3, javafx.geometry.VerticalDirection.UP);
    settle();
    assertThat(frequency.xHigh().get() - frequency.xLow().get()).isLessThan(wide);
  }

  @Test
  void aTraceIsWrittenAsAPicture() throws Exception {
    at("rinse-drum", WorkStep.DRY_RUN);
    waitUntil(() -> shows("run and stop: "));
    answers.file = folder.resolve("trace.png");
    click(this, "#export-png");
    assertThat(javax.imageio.ImageIO.read(answers.file.toFile()).getWidth()).isGreaterThan(800);
  }

  @Test
  void theDetectiveLeadsToTheNextMeasurement() {
    at("header-pump", WorkStep.PROVE);
    interact(() -> lookup("#reading-ref100-frequency").query().requestFocus());
    settle();
    enter(this, "#reading-ref100-frequency", "45");
    assertThat(shows("Measure next")).isTrue();
    click(this, "#go-next");
    assertThat(stage.getScene().getFocusOwner().getId()).startsWith("reading-ref");
  }

  @Test
  void aReadingIsTakenAwayAgain() {
    at("drying-fan", WorkStep.PROVE);
    int before = desk.session().project().readings().size();
    interact(() -> lookup("#reading-ref100-frequency").query().requestFocus());
    push(KeyCode.CONTROL, KeyCode.DELETE);
    settle();
    assertThat(desk.session().project().readings()).hasSize(before - 1);
    assertThat(text(this, "#reading-ref100-frequency")).isEmpty();
  }

  @Test
  void aReadingThatCannotBeIsMarkedAndStaysInTheField() {
    at("drying-fan", WorkStep.PROVE);
    enter(this, "#reading-ref0-counts", "many");
    assertThat(message(this)).contains("'many' is not a number");
    assertThat(text(this, "#reading-ref0-counts")).isEqualTo("many");
    assertThat(lookup("#reading-ref0-counts").query().getStyleClass()).contains("refused");
  }

  /** The demo with nothing chosen for its last axis, at a station of that. */
  private void atUnfinished(WorkStep step) {
    onWindow(
        () -> {
          desk.openDemo();
          desk.apply(
              new Edit(
                  "take devices away",
                  p ->
                      p.with(
                          p.axis("bale-tie")
                              .orElseThrow()
                              .withDevices("controller-1", null, null)
                              .withMotion(null))));
          desk.show("bale-tie", step);
        });
  }

  @Test
  void anIncompleteAxisIsCompletedByChoosing() {
    atUnfinished(WorkStep.IDENTIFY);
    choose(this, "#choose-drive", "Terminal drive 4 kW");
    choose(this, "#choose-motor", "Motor 0.75 kW, 6 poles");
    assertThat(desk.review().orElseThrow().assembly()).isNotNull();
    choose(this, "#channel", "AO3");
    choose(this, "#input", "AI1");
    assertThat(desk.axis().orElseThrow().reference().output()).isEqualTo("AO3");
    assertThat(desk.axis().orElseThrow().reference().input()).isEqualTo("AI1");
    choose(this, "#channel", "none");
    assertThat(desk.axis().orElseThrow().reference().output()).isNull();
  }

  @Test
  void anIncompleteAxisSaysWhatItMissesAtEveryStation() {
    for (WorkStep step :
        new WorkStep[] {
          WorkStep.IDENTIFY,
          WorkStep.WIRE,
          WorkStep.SET_UP,
          WorkStep.MAP,
          WorkStep.DRY_RUN,
          WorkStep.PROVE
        }) {
      atUnfinished(step);
      assertThat(shows("still missing: a drive, a motor")).as(step.label()).isTrue();
    }
  }

  /** A servo motor on a drive of induction motors: told at once, and no view falls over it. */
  @Test
  void aServoMotorOnTheWrongDriveIsTold() {
    atUnfinished(WorkStep.IDENTIFY);
    choose(this, "#choose-drive", "Terminal drive 4 kW");
    choose(this, "#choose-motor", "Servo motor 0.75 kW");
    assertThat(text(this, "#stall-torque")).contains("2.9");
    assertThat(desk.review().orElseThrow().findings())
        .anyMatch(f -> f.rule().code().equals("MOT-009"));
    enter(this, "#volts-at-1000-rpm", "30 V");
    assertThat(desk.review().orElseThrow().findings())
        .anyMatch(f -> f.rule().code().equals("MOT-008"));
    for (WorkStep step : WorkStep.values()) {
      if (step != WorkStep.HAND_OVER) {
        onWindow(() -> desk.show("bale-tie", step));
        assertThat(desk.step().get()).isEqualTo(step);
      }
    }
  }
}
