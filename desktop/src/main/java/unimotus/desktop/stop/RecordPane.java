package unimotus.desktop.stop;

import java.io.IOException;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import javafx.scene.Node;
import javafx.scene.control.TextField;
import javafx.scene.layout.VBox;
import unimotus.core.machine.SafetyNote;
import unimotus.core.proof.Verdict;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Mark;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.station.NameField;
import unimotus.desktop.station.States;
import unimotus.workbench.Evidence;
import unimotus.workbench.ProofLists;
import unimotus.workbench.StopEdits;
import unimotus.workbench.StopProof;
import unimotus.workbench.WorkStep;

/** The proof of the stops in short, the list to print, and what stays on record. */
final class RecordPane extends VBox {
  private final Desk desk;
  private final TextField words = new TextField();
  private final NameField who;

  RecordPane(Desk desk) {
    super(7);
    this.desk = desk;
    setId("stop-record");
    words.setId("note-words");
    words.setPromptText("reason, or what is bypassed and how");
    who = new NameField(desk, "note-who");
  }

  void show(Evidence evidence) {
    StopProof proof = StopProof.of(desk.session().project(), evidence);
    LocalDate today = LocalDate.ofInstant(desk.clock().instant(), ZoneOffset.UTC);
    getChildren()
        .setAll(
            Parts.label("Stop " + proof.state().label(), "ink-title"),
            Parts.prose(
                proof
                    .due()
                    .map(
                        d ->
                            d.isBefore(today)
                                ? "The periodic proof was due on " + d
                                : "To be proved again by " + d)
                    .orElse(
                        "Prove it before motion, in this order, and again after every change of what it covers."),
                proof.due().filter(d -> d.isBefore(today)).isPresent()
                    ? "ink-attention"
                    : "ink-label"),
            barred(evidence),
            Parts.row(
                8,
                Parts.primary("go-prove", "Prove it", () -> desk.step().set(WorkStep.PROVE)),
                Parts.action("print-list", "Print the list", () -> print(evidence))));
    int number = 1;
    for (Verdict verdict : evidence.proof().ofStops().verdicts()) {
      getChildren().add(line(number++, verdict));
    }
    getChildren()
        .addAll(
            Parts.label("On record", "ink-strong"),
            words,
            who,
            Parts.row(
                8,
                Parts.action("note-go-on", "Go on without proof", () -> note(GOING_ON)),
                Parts.action("note-bypass", "Record a bypass", () -> note(BYPASS))));
    for (SafetyNote note : proof.notes()) {
      getChildren().add(Parts.prose(StopProof.text(note), "ink-label"));
      if (note.isStanding()) {
        getChildren().add(Parts.quiet("note-removed", "it is removed", () -> removed(note)));
      }
    }
  }

  private static Node barred(Evidence evidence) {
    VBox list = Parts.column(2);
    for (String stop : evidence.proof().barred()) {
      list.getChildren()
          .add(Parts.prose(stop + ". It cannot be proved before it is fixed.", "ink-attention"));
    }
    return list;
  }

  private static final SafetyNote.Kind GOING_ON = SafetyNote.Kind.GOING_ON;
  private static final SafetyNote.Kind BYPASS = SafetyNote.Kind.BYPASS;

  private Node line(int number, Verdict verdict) {
    Mark mark = new Mark(States.mark(verdict.outcome()), verdict.outcome().label());
    return Parts.row(
        7,
        mark,
        Parts.prose(
            "%d  %s: %s"
                .formatted(
                    number,
                    verdict.prediction().title(),
                    verdict.prediction().expectation().text(desk.units().format())),
            "ink-label"));
  }

  private void note(SafetyNote.Kind kind) {
    String axis = desk.axis().orElseThrow().id();
    try {
      SafetyNote note =
          new SafetyNote(axis, kind, words.getText().strip(), who.name(), now(), null, null);
      if (desk.apply(StopEdits.note(note))) {
        words.clear();
      }
    } catch (IllegalArgumentException e) {
      desk.refuse(e.getMessage());
    }
  }

  private void removed(SafetyNote note) {
    if (who.name().isEmpty()) {
      desk.refuse("enter who removed the bypass");
      return;
    }
    desk.apply(StopEdits.removeBypass(note, who.name(), now()));
  }

  private String now() {
    return desk.clock().instant().truncatedTo(ChronoUnit.SECONDS).toString();
  }

  private void print(Evidence evidence) {
    desk.dialogs()
        .export("proof-of-stops.pdf")
        .ifPresent(
            file -> {
              try {
                ProofLists.write(
                    StopProof.list(desk.session().project(), evidence, desk.units().format()),
                    file);
                desk.say("proof list written to " + file);
              } catch (IOException | IllegalArgumentException e) {
                desk.refuse("the proof list could not be written: " + e.getMessage());
              }
            });
  }
}
