package unimotus.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import unimotus.core.finding.Rule;
import unimotus.core.machine.SequenceDesign;
import unimotus.core.machine.SwitchUse;
import unimotus.core.machine.TerminalRef;
import unimotus.workbench.SequenceEdits;
import unimotus.workbench.WorkStep;

/** Sequences in the window: steps, names, what answers, the bench; switches along the travel. */
class SequenceWindowTest extends WindowTest {

  private void open(String axis) {
    onWindow(
        () -> {
          desk.openDemo();
          desk.show(axis, WorkStep.DRY_RUN);
        });
  }

  private SequenceDesign design() {
    return desk.session().project().sequences().get(0);
  }

  private void steps(String words) {
    interact(
        () -> {
          TextArea area = lookup("#sequence-words").query();
          area.requestFocus();
          area.setText(words);
        });
    push(KeyCode.CONTROL, KeyCode.ENTER);
    settle();
  }

  private void ran(String words) throws Exception {
    waitUntil(() -> text(this, "#bench-summary").contains(words));
  }

  private boolean found(Rule rule) {
    return desk.review().orElseThrow().findings().stream().anyMatch(f -> f.rule() == rule);
  }

  /** 1200 mm at 200 mm/s and 800 mm/s² take 6.25 s; twice a minute. */
  @Test
  void theBaleTieFeederRunsThroughItsWires() throws Exception {
    open("bale-tie");
    ran("the machine stands at 3600 mm, the program counts 3600 mm; no pulse lost");
    assertThat(text(this, "#step-takes-1")).isEqualTo("6.25 s");
    assertThat(text(this, "#step-begins-5")).isEqualTo("30.1 s");
    assertThat(text(this, "#bench-notes")).isEmpty();
    interact(() -> lookup("#bench-events").<TextField>query().clear());
    type("#bench-events", "0.1 start; 3 permit off; 5 permit; 20 end");
    ran("was lost after 5");
    assertThat(text(this, "#bench-notes")).contains("permission lost: it ends");
    type("#bench-events", "0.1 start; 3 open w63; 40 end");
    ran("pulses lost");
    assertThat(text(this, "#bench-notes")).contains("do not reach bale-tie-driver:ST+");
    type("#bench-events", "1 wobble");
    ran("cannot read '1 wobble'");
  }

  @Test
  void wordsAreTakenRunAgainAndUndone() throws Exception {
    open("bale-tie");
    steps("600 mm; wait 1 s");
    assertThat(design().words()).isEqualTo("600 mm; wait 1 s");
    ran("Run to its end after 4.");
    assertThat(text(this, "#step-takes-2")).startsWith("1.0");
    steps("600 mm; wobble");
    assertThat(found(Rule.SEQUENCE_WORDS)).isTrue();
    assertThat(lookup("#sequence-words").<TextArea>query().getText())
        .as("what is not understood is not lost")
        .isEqualTo("600 mm; wobble");
    ran("step 2, 'wobble'");
    onWindow(() -> desk.session().undo());
    assertThat(design().words()).isEqualTo("600 mm; wait 1 s");
    assertThat(found(Rule.SEQUENCE_WORDS)).isFalse();
  }

  @Test
  void namesArePlacedByHandAndByThePartsThatAreCalledSo() throws Exception {
    open("bale-tie");
    assertThat(design().signals())
        .containsEntry("tie", new TerminalRef("bale-tie-controller", "DS4"));
    onWindow(() -> desk.apply(SequenceEdits.place(design(), "tie", null)));
    assertThat(found(Rule.SEQUENCE_NAMES)).isTrue();
    ran("");
    steps("Bale-tie knotter valve on until tie-closed switch within 3 s");
    press("#place-by-name");
    assertThat(design().signals())
        .containsEntry("Bale-tie knotter valve", new TerminalRef("bale-tie-controller", "DS4"))
        .containsEntry("tie-closed switch", new TerminalRef("bale-tie-controller", "DI0"));
    assertThat(found(Rule.SEQUENCE_NAMES)).isFalse();
    ran("Run to its end");
    steps("lamp on; wait 1 s; lamp off");
    press("#place-by-name");
    assertThat(message(this)).contains("no wired part is called 'lamp'");
  }

  @Test
  void eventsAreChosenFromAMenu() throws Exception {
    open("bale-tie");
    ran("3600");
    interact(
        () -> {
          MenuButton menu = lookup("#add-bench-event").query();
          menu.show();
          menu.getItems().stream()
              .filter(Menu.class::isInstance)
              .flatMap(m -> ((Menu) m).getItems().stream())
              .filter(i -> "event-permit-off".equals(i.getId()))
              .forEach(MenuItem::fire);
          menu.hide();
        });
    assertThat(lookup("#bench-events").<TextField>query().getText())
        .isEqualTo("1 start; 3 permit off");
    press("#run-sequence");
    ran("was lost after 3");
  }

  @Test
  void aFindingLeadsToItsField() {
    open("bale-tie");
    onWindow(() -> desk.apply(SequenceEdits.place(design(), "tie", null)));
    goTo(Rule.SEQUENCE_NAMES);
    assertThat(lookup("#place-tie").query().isFocused()).isTrue();
    onWindow(() -> desk.apply(SequenceEdits.words(design(), "jog until tie")));
    goTo(Rule.SEQUENCE_STEPS);
    assertThat(lookup("#sequence-words").query().isFocused()).isTrue();
  }

  private void goTo(Rule rule) {
    var finding =
        desk.review().orElseThrow().findings().stream()
            .filter(f -> f.rule() == rule)
            .findFirst()
            .orElseThrow();
    onWindow(
        () -> {
          desk.step().set(WorkStep.IDENTIFY);
          desk.navigation().goTo(finding);
        });
    settle();
  }

  @Test
  void whatAnswersIsEnteredInPlace() throws Exception {
    open("bale-tie");
    ran("3600");
    type("#response-0-on", "2");
    assertThat(design().responses().get(0).onSeconds()).isEqualTo(2);
    waitUntil(() -> text(this, "#step-takes-2").startsWith("2.0"));
    type("#response-0-on", "4000");
    assertThat(message(this)).contains("0 to 3600 s");
    press("#forget-response-0");
    assertThat(design().responses()).isEmpty();
    ran("A step took longer than it may");
    press("#add-response");
    assertThat(design().responses()).hasSize(1);
  }

  @Test
  void anAxisHasSeveralSequencesAndTheProgramIsWritten() throws Exception {
    open("bale-tie");
    press("#another-sequence");
    assertThat(desk.session().project().sequences()).hasSize(2);
    type("#sequence-name", "Clean");
    assertThat(desk.session().project().sequences().get(1).name()).isEqualTo("Clean");
    steps("tie on; wait 5 s; tie off");
    answers.file = folder.resolve("clean.st");
    press("#write-sequence");
    assertThat(Files.readString(answers.file)).contains("FUNCTION_BLOCK").contains("out_tie");
    press("#remove-sequence");
    assertThat(desk.session().project().sequences()).hasSize(1);
    press("#remove-sequence");
    assertThat(lookup("#begin-sequence").tryQuery()).isPresent();
    press("#begin-sequence");
    ran("Run to its end");
  }

  /** Soak – dry on a drive that two outputs command. */
  @Test
  void outputsOfASequenceRunADriveThroughItsWires() throws Exception {
    open("drying-fan");
    press("#run-steps");
    press("#begin-sequence");
    steps("fan on; wait 6 s; fan off; wait 4 s");
    onWindow(
        () ->
            desk.apply(
                SequenceEdits.place(
                    desk.session().project().sequencesOf("drying-fan").get(0),
                    "fan",
                    new TerminalRef("controller-1", "RO0"))));
    ran("Run to its end after 10.");
    assertThat(lookup("#trace-frequency").query().isVisible()).isTrue();
    assertThat(found(Rule.TWO_OWNERS)).as("its own axis is what it is there to run").isFalse();
    press("#run-wires");
    assertThat(lookup("#sequence-words").query().getScene() == null || !isSeen("#sequence-words"))
        .isTrue();
  }

  private boolean isSeen(String query) {
    javafx.scene.Node node = lookup(query).query();
    while (node != null) {
      if (!node.isVisible()) {
        return false;
      }
      node = node.getParent();
    }
    return true;
  }

  @Test
  void switchesArePlacedAlongTheTravel() {
    onWindow(
        () -> {
          desk.openDemo();
          desk.show("bale-tie", WorkStep.MAP);
        });
    press("#map-motion");
    press("#motion-moves");
    press("#place-switch");
    var placed = desk.axis().orElseThrow().motion().stepping().switches().get(0);
    assertThat(placed.use()).isEqualTo(SwitchUse.HOME);
    assertThat(lookup("#travel-" + placed.part()).tryQuery()).isPresent();
    type("#switch-from-0", "-30 mm");
    type("#velocity-of-a-jog", "20");
    var now = desk.axis().orElseThrow().motion().stepping();
    assertThat(now.switches().get(0).from()).isEqualTo(-30);
    assertThat(now.creep()).isEqualTo(20);
    type("#switch-from-0", "5 mm");
    assertThat(message(this)).contains("the first must be below the second");
    press("#switch-remove-0");
    assertThat(desk.axis().orElseThrow().motion().stepping().switches()).isEmpty();
  }

  @Test
  void aCurveIsEnteredPointByPointAndHasToFall() {
    onWindow(
        () -> {
          desk.openDemo();
          desk.show("bale-tie", WorkStep.IDENTIFY);
        });
    type("#pull-out-curve", "0 1.8; 1000 1.5; 3000 0.6");
    assertThat(plate().pullOut().points()).hasSize(3);
    type("#pull-out-curve", "0 1; 100 2");
    assertThat(message(this)).contains("it only falls");
    type("#pull-out-curve", "fast");
    assertThat(message(this)).contains("'fast' is no point");
    assertThat(plate().pullOut().points()).as("what stood there stays").hasSize(3);
  }

  private unimotus.core.sheet.StepperPlate plate() {
    return (unimotus.core.sheet.StepperPlate)
        desk.session().project().motor("bale-tie-motor").orElseThrow().plate();
  }
}
