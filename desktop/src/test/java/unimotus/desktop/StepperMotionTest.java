package unimotus.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import javafx.scene.Node;
import javafx.scene.control.ToggleButton;
import org.junit.jupiter.api.Test;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.machine.MotionDesign;
import unimotus.core.move.MoveStep;
import unimotus.core.sheet.CoilConnection;
import unimotus.desktop.kit.Plot;
import unimotus.workbench.Edits;
import unimotus.workbench.WorkStep;

/** The coils, switches and moves of the bale-tie feeder in the window. */
class StepperMotionTest extends WindowTest {
  private static final String AXIS = "bale-tie";

  private void open() {
    onWindow(
        () -> {
          desk.openDemo();
          desk.show(AXIS, WorkStep.MAP);
        });
    press("#map-motion");
  }

  private MotionDesign design() {
    return desk.axis().orElseThrow().motion();
  }

  private String switched(String selector) {
    return desk.session()
        .project()
        .drive("bale-tie-driver")
        .orElseThrow()
        .selectors()
        .get(selector);
  }

  private boolean isFinding(Rule rule) {
    return desk.review().orElseThrow().findings().stream().anyMatch(f -> f.rule() == rule);
  }

  /** Parallel instead of series: twice the current, and the switches at the next lower one. */
  @Test
  void coilsAreChosenAndTheCurrentFollows() {
    open();
    assertThat(shows("phase A, first end")).isTrue();
    press("#coils-parallel");
    assertThat(design().stepping().coils()).isEqualTo(CoilConnection.PARALLEL);
    assertThat(shows("A1 and A3")).isTrue();
    assertThat(isFinding(Rule.PHASE_CURRENT)).isTrue();
    press("#set-phase-current");
    assertThat(switched("current")).isEqualTo("2.8 A");
    assertThat(isFinding(Rule.PHASE_CURRENT)).isFalse();
    press("#coils-unipolar");
    assertThat(isFinding(Rule.COILS)).isTrue();
    onWindow(() -> desk.session().undo());
    assertThat(isFinding(Rule.COILS)).isFalse();
  }

  /** Switches are turned as they sit on the driver, and mean something else then. */
  @Test
  void switchesAreReadBothWays() {
    open();
    ToggleButton first = lookup("#bank-current-4").queryAs(ToggleButton.class);
    assertThat(first.getAccessibleText()).isEqualTo("Switch 4, off");
    press("#bank-current-4");
    assertThat(switched("current")).as("1.4 and 0.1 A").isEqualTo("1.5 A");
    assertThat(isFinding(Rule.PHASE_CURRENT)).isTrue();
    type("#wanted-resolution", "0.01 mm");
    assertThat(switched("steps")).as("40 mm a turn, 0.01 mm a pulse").isEqualTo("6400");
    assertThat(isFinding(Rule.SCALING_COPY)).isTrue();
    type("#wanted-resolution", "0.001 mm");
    assertThat(shows("the finest pulse of this driver is")).isTrue();
    assertThat(switched("steps")).isEqualTo("6400");
  }

  @Test
  void theCurrentAtStandstillIsThatOfItsSwitch() {
    open();
    assertThat(shows("reduced to 50 % at standstill")).isTrue();
    onWindow(() -> desk.apply(Edits.driveSelector("bale-tie-driver", "rest", "full")));
    assertThat(shows("the same at standstill")).isTrue();
    assertThat(shows("reduced to 50 % at standstill")).isFalse();
  }

  @Test
  void whatCannotBeIsToldAtTheField() {
    open();
    type("#supply-of-the-driver", "60");
    assertThat(isFinding(Rule.STEP_SUPPLY)).isTrue();
    type("#supply-of-the-driver", "-5");
    assertThat(shows("supply of the driver must be 0 to 1000 V, not -5")).isTrue();
    type("#bits-of-the-number", "7");
    assertThat(shows("8 to 64 bits, not 7")).isTrue();
    type("#bits-of-the-number", "16.5");
    assertThat(shows("bits of the number")).isTrue();
    assertThat(design().stepping().wordBits()).isEqualTo(32);
    type("#pulses-begin-at-0-from-rest", "9000");
    assertThat(isFinding(Rule.START_RATE)).isTrue();
  }

  @Test
  void movesStandUnderTheCurve() {
    open();
    press("#motion-moves");
    assertThat(lookup("#step-torque").queryAs(Plot.class).isVisible()).isTrue();
    assertThat(shows("pull-in rate with its load")).isTrue();
    tooFast();
    assertThat(isFinding(Rule.STEP_STALL)).isTrue();
    assertThat(shows("falls out of step after")).isTrue();
    onWindow(() -> desk.session().undo());
    onWindow(() -> desk.session().undo());
    type("#move-step-0-by", "0.33333");
    assertThat(design().moves().steps().get(0)).isEqualTo(new MoveStep.Incremental(0.33333));
    onWindow(() -> desk.session().undo());
    press("#motion-scaling");
    assertThat(shows("switches of the driver and mechanics")).isTrue();
    type("#way-number", "300");
    assertThat(shows("one pulse is")).isTrue();
    type("#program-counts", "800");
    assertThat(isFinding(Rule.SCALING_COPY)).isTrue();
  }

  /** Every finding of an axis on pulses leads to a field of the motion pane. */
  @Test
  void findingsLeadToTheirFields() {
    open();
    press("#motion-moves");
    tooFast();
    assertThat(fieldOf(Rule.STEP_STALL)).isEqualTo("velocity");
    press("#motion-coils");
    press("#coils-parallel");
    assertThat(fieldOf(Rule.PHASE_CURRENT)).isEqualTo("switch-current");
    type("#supply-of-the-driver", "60");
    assertThat(fieldOf(Rule.STEP_SUPPLY)).isEqualTo("supply-of-the-driver");
    press("#motion-scaling");
    press("#unread-program");
    assertThat(fieldOf(Rule.SCALING_NOT_READ)).isEqualTo("read-program");
  }

  /** 10 000 full steps a second, where 36 V leave some 0.18 N·m, and 0.2 N·m of friction alone. */
  private void tooFast() {
    type("#acceleration", "20000");
    type("#velocity", "2000");
  }

  private String fieldOf(Rule rule) {
    onWindow(
        () ->
            desk.navigation()
                .goTo(
                    desk.review().orElseThrow().findings().stream()
                        .filter(f -> f.rule() == rule)
                        .findFirst()
                        .map(Finding.class::cast)
                        .orElseThrow(() -> new AssertionError(rule))));
    settle();
    Node focused = lookup("#motion-coils").query().getScene().getFocusOwner();
    assertThat(focused).as(rule.name()).isNotNull();
    return focused.getId();
  }

  @Test
  void everyStationShowsItAndNoneFallsOver() {
    onWindow(() -> desk.openDemo());
    for (WorkStep step : WorkStep.values()) {
      if (step != WorkStep.HAND_OVER) {
        onWindow(() -> desk.show(AXIS, step));
        settle();
        assertThat(desk.step().get()).isEqualTo(step);
      }
    }
  }
}
