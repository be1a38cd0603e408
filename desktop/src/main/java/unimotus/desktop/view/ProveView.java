package unimotus.desktop.view;

import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import unimotus.core.machine.Reading;
import unimotus.core.proof.AxisProof;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.Verdict;
import unimotus.core.review.AxisReview;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.station.NameField;
import unimotus.desktop.station.View;
import unimotus.workbench.Edits;
import unimotus.workbench.Evidence;

/** Prediction beside measurement, line by line, and the detective where they part. */
final class ProveView implements View {
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
    instrument.setPromptText("instrument, else as listed");
    instrument.setPrefColumnCount(15);
    title.setMinWidth(Region.USE_PREF_SIZE);
    HBox head = Parts.row(10, title, Parts.spring(), by, instrument);
    VBox left =
        new VBox(
            10,
            Parts.caution(
                "Uncouple the motor for the first tests. Rotating parts; an unexpected start is possible. Prove the stop first."),
            head,
            state,
            hindered,
            Parts.scrolling(rows));
    HBox.setHgrow(left, Priority.ALWAYS);
    VBox right = Parts.sheet(8, Parts.scrolling(detective));
    VBox.setVgrow(right.getChildren().get(0), Priority.ALWAYS);
    right.setPrefWidth(306);
    right.setMinWidth(306);
    HBox page = new HBox(14, left, right);
    page.setPadding(new Insets(12, 16, 12, 16));
    node = page;
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
        untold.isEmpty()
            ? ""
            : "Nothing is told of the motion: %s".formatted(String.join("; ", untold)));
    hindered.setManaged(!untold.isEmpty());
    if (!evidence.axis().axis().id().equals(shownAxis)
        || !keys(evidence.predictions()).equals(keys(shownPredictions))) {
      shownAxis = evidence.axis().axis().id();
      build(evidence);
    }
    shownPredictions = evidence.predictions();
    List<Verdict> verdicts = evidence.proof().verdicts();
    for (int i = 0; i < shown.size(); i++) {
      shown.get(i).show(verdicts.get(i));
    }
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
    String group = "";
    for (Verdict verdict : evidence.proof().verdicts()) {
      Prediction prediction = verdict.prediction();
      if (!prediction.group().equals(group)) {
        group = prediction.group();
        Label heading = Parts.label(group, "ink-strong");
        heading.setMinWidth(Region.USE_PREF_SIZE);
        heading.setPadding(new Insets(9, 0, 1, 8));
        Label how = Parts.label(prediction.how(), "ink-caption");
        HBox line = Parts.row(12, heading, how);
        HBox.setMargin(how, new Insets(9, 0, 1, 0));
        rows.getChildren().add(line);
      }
      VerdictRow row = new VerdictRow(desk, prediction, this::record, this::forget);
      shown.add(row);
      rows.getChildren().add(row);
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

  private void focusAfter(Prediction prediction) {
    for (int i = 0; i + 1 < shown.size(); i++) {
      if (shown.get(i).key().equals(prediction.key())) {
        shown.get(i + 1).focusEntry();
        return;
      }
    }
  }

  private void forget(Prediction prediction) {
    desk.axis().ifPresent(a -> desk.apply(Edits.forgetReading(a.id(), prediction.key())));
  }
}
