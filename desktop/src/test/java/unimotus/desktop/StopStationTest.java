package unimotus.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.util.List;
import java.util.Objects;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Labeled;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import unimotus.core.finding.Rule;
import unimotus.core.link.StopRequest.RelayClass;
import unimotus.core.machine.Project;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.StopFunction;
import unimotus.core.machine.StopLogic;
import unimotus.core.machine.StopTrigger;
import unimotus.core.machine.TerminalRef;
import unimotus.core.proof.AxisProof;
import unimotus.core.proof.Expectation;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.StopPredictions;
import unimotus.workbench.Edit;
import unimotus.workbench.Edits;
import unimotus.workbench.Evidence;
import unimotus.workbench.Progress;
import unimotus.workbench.StopEdits;
import unimotus.workbench.WiringEdits;
import unimotus.workbench.WorkStep;

/** The station Make safe in a real window: from no stop to a proved one. */
class StopStationTest extends WindowTest {

  private Project project() {
    return desk.session().project();
  }

  /** The rinse drum of the demo without its guard stop. */
  private void atDrumWithoutStop() {
    interact(
        () -> {
          desk.openDemo();
          desk.show("rinse-drum", WorkStep.MAKE_SAFE);
          desk.apply(StopEdits.remove(desk.session().sheets(), drumsStops().get(0)));
        });
    settle();
  }

  private boolean finds(Rule rule) {
    return desk.review().orElseThrow().findings().stream().anyMatch(f -> f.rule() == rule);
  }

  private void time(String field, String text) {
    interact(() -> lookup(field).<TextInputControl>query().requestFocus());
    push(KeyCode.CONTROL, KeyCode.A);
    write(text, 0);
    push(KeyCode.ENTER);
    settle();
  }

  private List<StopFunction> drumsStops() {
    return project().stopsOf("rinse-drum");
  }

  @Test
  void theDrumsGuardStopFromIntentToProof() throws Exception {
    atDrumWithoutStop();
    assertThat(shows("What stops this axis?")).isTrue();
    time("#new-ramp", "6");
    time("#new-delay", "4");
    press("#build-stop");
    StopFunction stop = drumsStops().get(0);
    assertThat(stop.trigger()).isEqualTo(StopTrigger.GUARD_LOCK);

    // The ramp does not fit: torque goes at a third of the speed.
    assertThat(shows("Stop category 1, cut short")).isTrue();
    assertThat(shows("torque goes at 500 rpm")).isTrue();
    assertThat(finds(Rule.STOP_RAMP)).isTrue();
    time("#safe-delay", "8");
    assertThat(shows("Stop category 1 in effect")).isTrue();
    assertThat(finds(Rule.STOP_RAMP)).isFalse();

    press("#run-faults");
    waitUntil(() -> lookup("#fault-matrix").tryQuery().isPresent());
    assertThat(shows("0 lose the stop")).isTrue();
    assertThat(shows("brings motion back without a new run command")).isTrue();

    prove();
    interact(() -> desk.step().set(WorkStep.MAKE_SAFE));
    press("#side-record");
    assertThat(shows("Stop proven")).isTrue();
    assertThat(shows("To be proved again by 2027-01-02")).isTrue();

    answers.file = folder.resolve("proof.pdf");
    press("#print-list");
    assertThat(Files.exists(answers.file)).isTrue();
    try (PDDocument pdf = Loader.loadPDF(answers.file.toFile())) {
      String text = new PDFTextStripper().getText(pdf);
      assertThat(text)
          .contains("Proof of the stops")
          .contains("time from the demand to standstill")
          .contains("does not certify")
          .contains("due on 2027-01-02");
    }
  }

  /** A wire of 24 V on both inputs of safe torque off: no figure, no proof, the wires named. */
  @Test
  void noFigureStandsOverAStopThatIsBridged() {
    interact(
        () -> {
          desk.openDemo();
          desk.show("rinse-drum", WorkStep.MAKE_SAFE);
        });
    settle();
    assertThat(lookup(".verdict-word").<Labeled>query().getText()).startsWith("Stops");
    bridge("STO1");
    bridge("STO2");
    assertThat(lookup(".verdict-word").<Labeled>query().getText()).isEqualTo("Does not stop");
    assertThat(shows("in effect")).isFalse();
    assertThat(lookup("#run-faults").tryQuery()).isEmpty();
    press("#side-figures");
    assertThat(shows("No stop category, time, level or proof")).isTrue();
    assertThat(progress().stopProved()).isFalse();
    interact(() -> desk.session().undo());
    interact(() -> desk.session().undo());
    settle();
    assertThat(lookup(".verdict-word").<Labeled>query().getText()).startsWith("Stops");
    assertThat(shows("Stop category 1 in effect")).isTrue();
  }

  private void bridge(String input) {
    String drive = Objects.requireNonNull(desk.axis().orElseThrow().drive());
    interact(
        () ->
            desk.apply(
                WiringEdits.connect(new TerminalRef(drive, "P24"), new TerminalRef(drive, input))));
    settle();
  }

  /** A drive cut from the mains by contactors goes dark; nothing withdraws its permission. */
  @Test
  void contactorsBeforeTheDriveLeaveItDark() {
    atDrumWithoutStop();
    interact(
        () -> {
          choose("#new-trigger", StopTrigger.EMERGENCY_STOP);
          choose("#new-relay", RelayClass.OPPOSITE);
          choose("#new-effect", StopEffect.CONTACTORS);
        });
    press("#build-stop");
    assertThat(lookup(".verdict-word").<Labeled>query().getText()).startsWith("Stops");
    List<Prediction> rows =
        desk.evidence().orElseThrow().predictions().stream()
            .filter(p -> p.key().startsWith(StopPredictions.PREFIX))
            .toList();
    assertThat(rows).isNotEmpty();
    assertThat(rows.toString())
        .contains("expected=no power")
        .doesNotContain("expected=not permitted");
  }

  /** Every prediction of the stop is measured as it was foretold. */
  private void prove() {
    interact(
        () -> {
          for (Prediction prediction : desk.evidence().orElseThrow().predictions()) {
            if (prediction.key().startsWith(StopPredictions.PREFIX)) {
              desk.apply(reading(prediction));
            }
          }
        });
    settle();
    assertThat(desk.evidence().orElseThrow().proof().ofStops().state())
        .isEqualTo(AxisProof.State.PROVEN);
  }

  private Edit reading(Prediction prediction) {
    Evidence evidence = desk.evidence().orElseThrow();
    String text =
        prediction.expectation() instanceof Expectation.Amount a
            ? a.value() + " " + a.unit().symbol()
            : ((Expectation.Word) prediction.expectation()).expected();
    return Edits.reading(
        evidence.reading(prediction, text, desk.units(), "meter", "A. Tester", CLOCK));
  }

  private Progress progress() {
    return desk.progress(desk.review().orElseThrow());
  }

  @Test
  void aChangeOfTheStopMakesItsProofStale() {
    interact(
        () -> {
          desk.openDemo();
          desk.show("rinse-drum", WorkStep.MAKE_SAFE);
        });
    prove();
    assertThat(progress().stopProved()).isTrue();
    interact(() -> lookup("#stop-cross").<CheckBox>query().fire());
    settle();
    assertThat(desk.evidence().orElseThrow().proof().ofStops().state())
        .isEqualTo(AxisProof.State.STALE);
    assertThat(progress().stopProved()).isFalse();
    interact(() -> desk.session().undo());
    assertThat(progress().stopProved()).isTrue();
  }

  @Test
  void aCellOpensTheCircuitInThatState() throws Exception {
    interact(
        () -> {
          desk.openDemo();
          desk.show("rinse-drum", WorkStep.MAKE_SAFE);
        });
    press("#run-faults");
    waitUntil(() -> lookup(".fault-cell").tryQuery().isPresent());
    Node cell = lookup(".fault-cell").query();
    assertThat(cell.getAccessibleText()).contains("does not open").contains("next demand");
    interact(() -> ((Button) cell).fire());
    settle();
    assertThat(desk.step().get()).isEqualTo(WorkStep.WIRE);
    assertThat(lookup("#faults").tryQuery()).isPresent();
    assertThat(shows("Faults to try")).isTrue();
    assertThat(lookup("#mend").tryQuery()).isPresent();
  }

  @Test
  void designsStandSideBySide() throws Exception {
    interact(
        () -> {
          desk.openDemo();
          desk.show("rinse-drum", WorkStep.MAKE_SAFE);
        });
    press("#side-designs");
    press("#compare");
    waitUntil(() -> shows("direct contacts"));
    assertThat(shows("– as designed")).isTrue();
    assertThat(desk.session().isDirty()).isFalse();
  }

  @Test
  void goingOnWithoutProofNeedsAReasonAndAName() {
    interact(
        () -> {
          desk.openDemo();
          desk.show("rinse-drum", WorkStep.SET_UP);
        });
    settle();
    assertThat(shows("Stop not proved")).isTrue();
    interact(() -> desk.step().set(WorkStep.MAKE_SAFE));
    press("#side-record");
    press("#note-go-on");
    assertThat(project().notes()).isEmpty();
    assertThat(desk.message().get().attention()).isTrue();
    interact(
        () -> {
          lookup("#note-words").<TextInputControl>query().setText("commissioning on the bench");
          lookup("#note-who").<TextInputControl>query().setText("A. Tester");
        });
    press("#note-go-on");
    assertThat(project().notes()).hasSize(1);
    interact(() -> lookup("#note-words").<TextInputControl>query().setText("bridge on guard"));
    press("#note-bypass");
    assertThat(finds(Rule.STANDING_BYPASS)).isTrue();
    press("#note-removed");
    assertThat(finds(Rule.STANDING_BYPASS)).isFalse();
    assertThat(project().notes()).hasSize(2);
  }

  @Test
  void anImpossibleDelayIsRefusedAndNothingIsLost() {
    atDrumWithoutStop();
    Project before = project();
    time("#new-delay", "0");
    press("#build-stop");
    assertThat(desk.message().get().text()).contains("delay must be over 0 s");
    assertThat(project()).isEqualTo(before);
  }

  /** A stop on the enable input beside the guard; each is shown by itself. */
  @Test
  void aSecondStopStandsBesideTheFirst() {
    interact(
        () -> {
          desk.openDemo();
          desk.show("rinse-drum", WorkStep.MAKE_SAFE);
        });
    settle();
    press("#another-stop");
    assertThat(shows("What stops this axis?")).isTrue();
    press("#new-stop-back");
    assertThat(shows("Drum guard")).isTrue();
    press("#another-stop");
    interact(
        () -> {
          choose("#new-trigger", StopTrigger.EMERGENCY_STOP);
          choose("#new-logic", StopLogic.DIRECT);
          choose("#new-effect", StopEffect.ENABLE);
        });
    press("#build-stop");
    assertThat(drumsStops()).hasSize(2);
    assertThat(finds(Rule.NO_SAFETY_STOP)).isTrue();
    press("#stop-" + drumsStops().get(0).id());
    assertThat(shows("Stop category 1 in effect")).isTrue();
  }

  @Test
  void whatIsKnownOfADeviceIsEnteredAndNonsenseRefused() throws Exception {
    interact(
        () -> {
          desk.openDemo();
          desk.show("rinse-drum", WorkStep.MAKE_SAFE);
        });
    settle();
    press("#run-faults");
    waitUntil(() -> lookup("#fault-matrix").tryQuery().isPresent());
    press("#side-figures");
    String trigger = drumsStops().get(0).triggers().get(0);
    String field = "#use-b10d-of-rinse-drum-guard-lock";
    time(field, "0");
    assertThat(message(this)).contains("B10d of " + trigger).contains("over 0");
    assertThat(drumsStops().get(0).use().b10dCycles()).isEmpty();
    time(field, "300000");
    assertThat(drumsStops().get(0).use().b10dCycles()).containsEntry(trigger, 300000.0);
    time("#stop-link", "0");
    assertThat(message(this)).contains("over 0 µF");
    time("#stop-name", "Drum door");
    assertThat(drumsStops().get(0).name()).isEqualTo("Drum door");
    time("#stop-name", " ");
    assertThat(message(this)).contains("a name is needed");
  }
}
