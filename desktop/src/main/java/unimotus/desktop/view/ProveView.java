package unimotus.desktop.view;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import javafx.application.Platform;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import unimotus.core.machine.Reading;
import unimotus.core.proof.AxisProof;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.Verdict;
import unimotus.core.quantity.Count;
import unimotus.core.review.AxisReview;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.Sides;
import unimotus.desktop.station.NameField;
import unimotus.desktop.station.View;
import unimotus.workbench.Edits;
import unimotus.workbench.Evidence;
import unimotus.workbench.ProveWalk;
import unimotus.workbench.ReadingLists;

/** Prediction beside measurement, line by line, and the detective where they part. */
final class ProveView implements View {
  private static final double LEAST_LIST = 570;
  private static final double LEAST_SIDE = 220;
  private static final double SIDE = 306;
  private static final String LARGE = "large-fields";

  private final Desk desk;
  private final Label title = Parts.label("", "ink-title");
  private final Label state = Parts.label("", "ink-label");
  private final Label hindered = Parts.label("", "ink-strong");
  private final NameField by;
  private final TextField instrument = new TextField();
  private final VBox rows = new VBox(1);
  private final DetectivePane detective;
  private final Node node;
  private final List<VerdictRow> shown = new ArrayList<>();
  private final VerdictRow.Work work =
      new VerdictRow.Work() {
        @Override
        public boolean take(Prediction prediction, String text) {
          return record(prediction, text);
        }

        @Override
        public void forget(Prediction prediction) {
          desk.axis().ifPresent(a -> desk.apply(Edits.forgetReading(a.id(), prediction.key())));
        }

        @Override
        public void annotate(Prediction prediction, String note, String photo) {
          desk.axis()
              .ifPresent(a -> desk.apply(Edits.annotate(a.id(), prediction.key(), note, photo)));
        }
      };
  private ProveWalk walk = ProveWalk.PROVING;
  private List<Prediction> shownPredictions = List.of();
  private String shownAxis = "";

  ProveView(Desk desk) {
    this.desk = desk;
    this.detective = new DetectivePane(desk);
    by = new NameField(desk, "measured-by");
    hindered.setId("not-predicted");
    hindered.setWrapText(true);
    hindered.setManaged(false);
    instrument.setId("instrument");
    instrument.setAccessibleText("instrument");
    instrument.setPromptText("instrument, else as listed");
    instrument.setPrefColumnCount(15);
    title.setMinWidth(Region.USE_PREF_SIZE);
    ChoiceField<ProveWalk> walks =
        new ChoiceField<>(
            "order of the rows", List.of(ProveWalk.values()), ProveWalk::label, this::walk);
    walks.setId("prove-walk");
    walks.show(walk);
    FlowPane head =
        Parts.flow(
            10,
            title,
            by,
            instrument,
            walks,
            Parts.quiet("large-fields", "larger fields", this::toggleSize),
            Parts.quiet("print-readings", "print the list", this::printList),
            Parts.quiet("write-readings", "write the list", this::writeList),
            Parts.quiet("read-readings", "read a list", this::readList));
    VBox left =
        new VBox(
            10,
            Parts.caution(
                "Uncouple the motor for the first tests. Rotating parts; an unexpected start is possible. Prove the stop first."),
            head,
            state,
            hindered,
            Parts.scrolling(rows));
    VBox right = Parts.sheet(8, Parts.scrolling(detective));
    VBox.setVgrow(right.getChildren().get(0), Priority.ALWAYS);
    Sides page = new Sides(left, right, LEAST_LIST, LEAST_SIDE, SIDE);
    page.setPadding(new Insets(12, 16, 12, 16));
    node = page;
  }

  private void walk(ProveWalk next) {
    walk = next;
    shownAxis = "";
    refresh();
  }

  @Override
  public Node node() {
    return node;
  }

  @Override
  public void refresh() {
    AxisReview review = desk.review().orElse(null);
    Evidence evidence = desk.evidence().orElse(null);
    title.setText(review == null ? "" : review.axis().name());
    if (evidence == null) {
      state.setText(review == null ? "" : review.whyNoPath());
      rows.getChildren().clear();
      shownPredictions = List.of();
      detective.clear();
      return;
    }
    state.setText(summary(evidence.proof()));
    List<String> untold = evidence.proof().unpredicted();
    hindered.setText(
        untold.isEmpty() ? "" : "Motion is not predicted: %s".formatted(String.join("; ", untold)));
    hindered.setManaged(!untold.isEmpty());
    if (!evidence.axis().axis().id().equals(shownAxis)
        || !keys(evidence.predictions()).equals(keys(shownPredictions))) {
      shownAxis = evidence.axis().axis().id();
      build(evidence);
    }
    shownPredictions = evidence.predictions();
    Map<String, Verdict> verdicts = new HashMap<>();
    evidence.proof().verdicts().forEach(v -> verdicts.put(v.prediction().key(), v));
    shown.forEach(row -> row.show(Objects.requireNonNull(verdicts.get(row.key()))));
    desk.navigation().takeAim().ifPresent(this::focus);
    detective.show(evidence);
  }

  private static List<String> keys(List<Prediction> predictions) {
    return predictions.stream().map(Prediction::key).toList();
  }

  private String summary(AxisProof proof) {
    String state =
        "%s: %d of %d agree, %d differ, %d stale"
            .formatted(
                proof.state().label(),
                proof.count(Verdict.Outcome.AGREES),
                proof.verdicts().size(),
                proof.count(Verdict.Outcome.DIFFERS),
                proof.count(Verdict.Outcome.STALE));
    return proof.unasked().isEmpty()
        ? state
        : "%s; %d readings answer no prediction of this design"
            .formatted(state, proof.unasked().size());
  }

  private void build(Evidence evidence) {
    rows.getChildren().clear();
    shown.clear();
    for (ProveWalk.Stop stop : walk.stops(evidence.proof().verdicts())) {
      Label heading = Parts.label(stop.title(), "ink-strong");
      heading.setMinWidth(Region.USE_PREF_SIZE);
      heading.setPadding(new Insets(9, 0, 1, 8));
      Label words = Parts.prose(stop.words(), "ink-caption");
      HBox line = Parts.row(12, heading, words);
      HBox.setHgrow(words, Priority.ALWAYS);
      HBox.setMargin(words, new Insets(9, 0, 1, 0));
      rows.getChildren().add(line);
      for (Verdict verdict : stop.verdicts()) {
        VerdictRow row = new VerdictRow(desk, verdict.prediction(), walk == ProveWalk.PLACES, work);
        shown.add(row);
        rows.getChildren().add(row);
      }
    }
  }

  /** Fields for a cold hand at the cabinet, or as many rows as there is room for. */
  private void toggleSize() {
    if (!rows.getStyleClass().remove(LARGE)) {
      rows.getStyleClass().add(LARGE);
    }
  }

  private void printList() {
    desk.evidence()
        .ifPresent(
            evidence ->
                desk.dialogs()
                    .export(evidence.axis().axis().id() + "-readings.pdf")
                    .ifPresent(file -> printList(evidence, file)));
  }

  private void printList(Evidence evidence, Path file) {
    try {
      ReadingLists.print(
          desk.session().project().name(),
          evidence.axis().axis().name(),
          walk.stops(evidence.proof().verdicts()),
          desk.units().format(),
          file);
      desk.say("list of readings to print written to " + file);
    } catch (IOException | IllegalArgumentException e) {
      desk.refuse("the list could not be written: " + e.getMessage());
    }
  }

  private void writeList() {
    desk.evidence()
        .ifPresent(
            evidence ->
                desk.dialogs()
                    .export(evidence.axis().axis().id() + "-readings.csv")
                    .ifPresent(file -> writeList(evidence, file)));
  }

  private void writeList(Evidence evidence, Path file) {
    try {
      List<Verdict> inOrder =
          walk.stops(evidence.proof().verdicts()).stream()
              .flatMap(s -> s.verdicts().stream())
              .toList();
      ReadingLists.write(inOrder, file);
      desk.say("list of readings written to " + file);
    } catch (IOException e) {
      desk.refuse("the list could not be written: " + e.getMessage());
    }
  }

  private void readList() {
    desk.evidence()
        .ifPresent(
            evidence -> desk.dialogs().importFile().ifPresent(file -> readList(evidence, file)));
  }

  private void readList(Evidence evidence, Path file) {
    try {
      ReadingLists.Read read =
          ReadingLists.read(file, evidence, desk.units(), by.name(), desk.clock());
      String name = String.valueOf(file.getFileName());
      if (!read.readings().isEmpty() || !read.notes().isEmpty()) {
        desk.apply(ReadingLists.record(read, name));
      }
      String words = Count.of(read.readings().size(), "new reading") + " from " + name;
      if (read.problems().isEmpty()) {
        desk.say(words);
      } else {
        desk.refuse("%s; %s".formatted(words, String.join("; ", read.problems())));
      }
    } catch (IOException | IllegalArgumentException e) {
      desk.refuse(String.valueOf(e.getMessage()));
    }
  }

  /** Records what was typed and goes on to the next field. */
  private boolean record(Prediction prediction, String text) {
    if (by.name().isEmpty()) {
      desk.refuse("a reading is somebody's: enter your name first, it is remembered");
      by.requestFocus();
      return false;
    }
    Evidence evidence = desk.evidence().orElseThrow();
    String with =
        instrument.getText().isBlank() ? prediction.instrument() : instrument.getText().strip();
    try {
      Reading reading =
          evidence.reading(prediction, text, desk.units(), with, by.name(), desk.clock());
      if (desk.apply(Edits.reading(reading))) {
        focusAfter(prediction);
        return true;
      }
    } catch (IllegalArgumentException e) {
      desk.refuse(e.getMessage());
    }
    return false;
  }

  /** Leads to the field of a prediction, once it is laid out. */
  private void focus(String key) {
    Platform.runLater(
        () ->
            shown.stream()
                .filter(row -> row.key().equals(key))
                .findFirst()
                .ifPresent(VerdictRow::focusEntry));
  }

  private void focusAfter(Prediction prediction) {
    for (int i = 0; i + 1 < shown.size(); i++) {
      if (shown.get(i).key().equals(prediction.key())) {
        shown.get(i + 1).focusEntry();
        return;
      }
    }
  }
}
