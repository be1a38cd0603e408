package unimotus.desktop.sequence;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import javafx.geometry.HPos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.TextArea;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.SequenceDesign;
import unimotus.core.plant.Plant;
import unimotus.core.plant.SequencePlayed;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.sequence.HandCommand;
import unimotus.core.sequence.SequenceStep;
import unimotus.core.sequence.SequenceText;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;
import unimotus.workbench.SequenceEdits;

/** The words of a sequence, and its steps as they were understood with their times. */
final class StepsEditor {
  private final Desk desk;
  private final TextArea words = new TextArea();
  private final GridPane steps = new GridPane();
  private final VBox node;
  private final List<Label> begins = new ArrayList<>();
  private final List<Label> lasts = new ArrayList<>();
  private @Nullable SequenceDesign shown;

  StepsEditor(Desk desk) {
    this.desk = desk;
    words.setId("sequence-words");
    words.setAccessibleText("steps of the sequence");
    words.setPrefRowCount(7);
    words.setWrapText(true);
    words.setPrefColumnCount(20);
    words.setMinSize(0, 120);
    words.addEventFilter(KeyEvent.KEY_PRESSED, this::key);
    words
        .focusedProperty()
        .addListener(
            (o, was, is) -> {
              if (!is) {
                take();
              }
            });
    steps.setHgap(10);
    steps.setVgap(4);
    node =
        Parts.sheet(
            8,
            Parts.label("Steps", "ink-strong"),
            words,
            Parts.row(
                10,
                Parts.action("take-steps", "Take", this::take),
                Parts.label("or Ctrl+Enter", "ink-caption")),
            steps,
            Parts.prose("There is: " + SequenceText.FORMS + ".", "ink-caption"));
  }

  Node node() {
    return node;
  }

  private void key(KeyEvent event) {
    if (event.getCode() == KeyCode.ENTER && event.isControlDown()) {
      event.consume();
      take();
    }
  }

  private void take() {
    SequenceDesign design = shown;
    if (design != null && !words.getText().equals(design.words())) {
      desk.apply(SequenceEdits.words(design, words.getText()));
    }
  }

  void show(SequenceDesign design, Optional<Plant> plant) {
    boolean another =
        shown == null || !shown.is(design.axis(), design.name()) || !words.isFocused();
    shown = design;
    if (another && !words.getText().equals(design.words())) {
      words.setText(design.words());
    }
    steps.getChildren().clear();
    steps.getColumnConstraints().clear();
    begins.clear();
    lasts.clear();
    plant.ifPresent(this::lay);
  }

  private void lay(Plant plant) {
    ColumnConstraints wide = new ColumnConstraints();
    wide.setHgrow(Priority.ALWAYS);
    wide.setMinWidth(90);
    ColumnConstraints right = new ColumnConstraints();
    right.setHalignment(HPos.RIGHT);
    right.setMinWidth(62);
    steps.getColumnConstraints().addAll(new ColumnConstraints(), wide, right, right);
    steps.addRow(
        0,
        Parts.label("", "ink-label"),
        Parts.label("as understood", "ink-label"),
        Parts.label("begins", "ink-label"),
        Parts.label("takes", "ink-label"));
    int row = 1;
    for (SequenceStep step : plant.sequence().steps()) {
      Label begin = Parts.label("", "ink-live");
      Label last = Parts.label("", "ink-live");
      begin.setId("step-begins-" + row);
      last.setId("step-takes-" + row);
      begins.add(begin);
      lasts.add(last);
      steps.addRow(
          row,
          Parts.label(Integer.toString(row), "ink-label"),
          Parts.prose(SequenceText.words(step, plant.unit())),
          begin,
          last);
      row++;
    }
    for (HandCommand button : plant.sequence().byHand()) {
      steps.add(Parts.prose(button.words(), "ink-label"), 1, row++);
    }
  }

  /** Shows the times of the first run of each step. */
  void ran(SequencePlayed played) {
    for (int i = 0; i < begins.size(); i++) {
      Optional<SequencePlayed.Ran> ran = played.ran(i + 1);
      Objects.requireNonNull(begins.get(i))
          .setText(ran.map(r -> seconds(r.begins())).orElse("not run"));
      lasts.get(i).setText(ran.map(r -> seconds(r.lasts())).orElse(""));
    }
  }

  void unran() {
    begins.forEach(l -> l.setText(""));
    lasts.forEach(l -> l.setText(""));
  }

  private String seconds(double value) {
    return desk.units().text(Math.rint(value * 100) / 100, MeasureUnit.SECOND_UNIT);
  }
}
