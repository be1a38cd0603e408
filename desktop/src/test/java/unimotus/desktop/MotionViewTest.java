package unimotus.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import unimotus.core.finding.Rule;
import unimotus.core.machine.MotionDesign;
import unimotus.core.machine.Project;
import unimotus.core.move.MoveStep;
import unimotus.core.positioning.HandshakeCase;
import unimotus.core.positioning.TablePosition;
import unimotus.desktop.kit.Plot;
import unimotus.workbench.MotionEdits;
import unimotus.workbench.WorkStep;

/** The motion of an axis in the window: the demo's, a wrong copy, one without moves. */
class MotionViewTest extends WindowTest {

  private void open(String axis) {
    onWindow(
        () -> {
          desk.openDemo();
          desk.show(axis, WorkStep.MAP);
        });
    press("#map-motion");
  }

  private MotionDesign design() {
    return desk.axis().orElseThrow().motion();
  }

  private boolean isFinding(Rule rule) {
    return desk.review().orElseThrow().findings().stream().anyMatch(f -> f.rule() == rule);
  }

  @Test
  void theCopiesStandSideBySideAndAWrongOneIsNamed() {
    open("slicer-x");
    assertThat(shows("2184.5")).isTrue();
    Project before = desk.session().project();
    type("#program-counts", "8388608");
    assertThat(design().programScaling().counts()).isEqualTo(8_388_608);
    assertThat(shows("64 times; counts of the encoder: 23 bits a turn against 17")).isTrue();
    assertThat(isFinding(Rule.SCALING_COPY)).isTrue();
    type("#program-counts", "0");
    assertThat(shows("encoder counts must be 1 to 4294967295, not 0")).isTrue();
    assertThat(design().programScaling().counts()).isEqualTo(8_388_608);
    type("#program-counts", "1.5");
    assertThat(shows("counts must be a whole number")).isTrue();
    type("#program-feed", "sixty");
    assertThat(shows("'sixty' is not a number")).isTrue();
    press("#unread-program");
    assertThat(design().programScaling()).isNull();
    assertThat(isFinding(Rule.SCALING_NOT_READ)).isTrue();
    press("#read-program");
    assertThat(isFinding(Rule.SCALING_COPY)).isFalse();
    for (int i = 0; i < 3; i++) {
      onWindow(() -> desk.session().undo());
    }
    assertThat(desk.session().project()).isEqualTo(before);
  }

  /** 300 mm are 655 360 counts are 5 turns; the other way round from the shaft. */
  @Test
  void aPositionIsFollowedBothWays() {
    open("slicer-x");
    type("#way-number", "300");
    assertThat(((TextField) lookup("#way-counts").query()).getText()).contains("655");
    type("#way-motor", "2.5");
    assertThat(((TextField) lookup("#way-number").query()).getText()).isEqualTo("150 mm");
  }

  @Test
  void movesAreEnteredRunAndRefusedAtTheField() {
    open("slicer-x");
    press("#motion-moves");
    assertThat(shows("the motor gives 8.7 N·m for a short time")).isTrue();
    type("#move-step-0-to", "320");
    assertThat(design().moves().steps().get(0)).isEqualTo(new MoveStep.Absolute(320));
    press("#add-jog");
    assertThat(design().moves().steps()).hasSize(5);
    press("#step-remove-4");
    type("#move-times", "2");
    assertThat(design().moves().times()).isEqualTo(2);
    type("#jerk-mm-s-0-for-no-limit", "-3");
    assertThat(shows("jerk must be over 0, or 0 for no limit, not -3")).isTrue();
    type("#move-step-0-to", "900");
    assertThat(shows("step 1, absolute leads to 900")).isTrue();
    assertThat(isFinding(Rule.MOVE_RANGE)).isTrue();
    assertThat(lookup("#move-position").queryAs(Plot.class).isVisible()).isTrue();
    onWindow(() -> desk.session().undo());
    assertThat(isFinding(Rule.MOVE_RANGE)).isFalse();
  }

  @Test
  void gainsAreProposedAndEntered() {
    open("slicer-z");
    onWindow(() -> desk.apply(MotionEdits.change("slicer-z", "no gains", d -> d.withGains(null))));
    press("#motion-loops");
    assertThat(shows("none entered: the calm proposal is run")).isTrue();
    press("#take-medium");
    assertThat(design().gains()).isNotNull();
    assertThat(shows("as entered")).isTrue();
    type("#velocity-feed-forward-0-to-1", "2");
    assertThat(shows("velocity feed-forward must be 0 to 1")).isTrue();
  }

  /** Three runs on the simulated drive lie on the prediction; a changed design drops them. */
  @Test
  void aRunIsLaidOverThePrediction() {
    open("slicer-x");
    press("#motion-trace");
    assertThat(shows("Nothing is recorded yet")).isTrue();
    type("#trace-times", "0");
    assertThat(shows("the moves are run 1 to 100 times, a whole number, not 0")).isTrue();
    type("#trace-times", "2");
    press("#trace-run");
    assertThat(shows("run on the simulated drive")).isTrue();
    assertThat(shows("2 repeats; within")).isTrue();
    assertThat(shows("as predicted")).isTrue();
    onWindow(
        () -> desk.apply(MotionEdits.limits("slicer-x", "velocity", l -> l.withVelocity(500))));
    settle();
    assertThat(shows("Nothing is recorded yet")).isTrue();
  }

  /** A finding leads to the very copy; an axis without moves says what to begin with. */
  @Test
  void aFindingLeadsToItsField() {
    open("slicer-x");
    onWindow(
        () -> {
          desk.apply(
              MotionEdits.change(
                  "slicer-x", "spoil", d -> d.withBusScaling(d.busScaling().withReversed(true))));
          desk.show("slicer-x", WorkStep.IDENTIFY);
          desk.navigation()
              .goTo(
                  desk.review().orElseThrow().findings().stream()
                      .filter(f -> f.rule() == Rule.SCALING_COPY)
                      .findFirst()
                      .orElseThrow());
        });
    settle();
    assertThat(lookup("#bus-counts").query().isFocused()).isTrue();
    onWindow(
        () -> {
          desk.apply(
              new unimotus.workbench.Edit(
                  "forget",
                  p -> p.with(p.axis("slicer-x").orElseThrow().with().motion(null).build())));
        });
    settle();
    assertThat(shows("scaling, travel and moves of this axis are not entered yet")).isTrue();
    press("#motion-begin");
    assertThat(design().programScaling()).isNull();
    assertThat(shows("not read")).isTrue();
    press("#map-path");
    assertThat(shows("the scaling of the drive is not read: see Motion at Map, Scaling")).isTrue();
    onWindow(() -> desk.show("rinse-drum", WorkStep.MAP));
    press("#map-motion");
    assertThat(shows("moves are worked out for servo motors")).isTrue();
    push(KeyCode.ESCAPE);
  }

  /** By bits: a held start makes one move of two; what the moves do not have is said. */
  @Test
  void theHandshakeIsPlayed() {
    open("slicer-x");
    press("#motion-bits");
    assertThat(shows("start taken, position 2")).isTrue();
    choose("#handshake-case", HandshakeCase.HELD_START);
    assertThat(shows("no other, since the next start has no edge")).isTrue();
    assertThat(shows("start taken, position 1")).isTrue();
    assertThat(shows("start taken, position 2")).isFalse();
    choose("#handshake-case", HandshakeCase.INCREMENTAL_TWICE);
    assertThat(shows("no incremental move is entered: see Moves")).isTrue();
  }

  /** A table of its own: entered, refused, found wrong and led back to; bits at other places. */
  @Test
  void aTableOfItsOwnIsEntered() {
    open("slicer-x");
    press("#motion-bits");
    assertThat(shows("Made of the moves")).isTrue();
    press("#own-table");
    type("#position-1-to", "120");
    type("#position-1-at", "50");
    assertThat(design().positioning().positions().get(0))
        .isEqualTo(new TablePosition(new MoveStep.Absolute(120), 50));
    type("#position-1-at", "-1");
    assertThat(shows("velocity must be over 0")).isTrue();
    press("#add-position-incremental");
    type("#position-3-by", "9000");
    assertThat(isFinding(Rule.POSITION_TABLE)).isTrue();
    press("#motion-moves");
    onWindow(
        () ->
            desk.navigation()
                .goTo(
                    desk.review().orElseThrow().findings().stream()
                        .filter(f -> f.rule() == Rule.POSITION_TABLE)
                        .findFirst()
                        .orElseThrow()));
    settle();
    assertThat(lookup("#position-1-to").query().isFocused()).isTrue();
    press("#position-remove-2");
    assertThat(isFinding(Rule.POSITION_TABLE)).isFalse();
    assertThat(shows("to the drive 0x0105")).isTrue();
    type("#bit-start", "3");
    assertThat(shows("stop: bit 3 is that of start already")).isTrue();
    type("#bit-start", "6");
    assertThat(shows("to the drive 0x0141")).isTrue();
    press("#table-of-moves");
    assertThat(design().positioning().positions()).isEmpty();
  }

  /** A servo axis has its path, its list to prove, and no dry-run but its moves. */
  @Test
  void aServoAxisIsProvedAndItsMistakeIsNamed() {
    open("slicer-x");
    press("#map-path");
    assertThat(shows("What the path says")).isTrue();
    onWindow(() -> desk.show("slicer-x", WorkStep.DRY_RUN));
    press("#run-motion");
    assertThat(desk.step().get()).isEqualTo(WorkStep.MAP);
    assertThat(lookup("#velocity").tryQuery()).isPresent();
    onWindow(() -> desk.show("slicer-x", WorkStep.PROVE));
    // 300 mm at 23 bits for 17 are 64 times 655 360 counts.
    type("#reading-place1-counts", "41943040");
    assertThat(shows("Motion axis counts another encoder")).isTrue();
  }
}
