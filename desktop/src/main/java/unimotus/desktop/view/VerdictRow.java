package unimotus.desktop.view;

import java.util.Locale;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Control;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.text.TextAlignment;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.Reading;
import unimotus.core.proof.Expectation;
import unimotus.core.proof.Part;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.Verdict;
import unimotus.core.quantity.QuantityFormat;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Hint;
import unimotus.desktop.kit.Mark;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.station.States;

/** One prediction, the field for its reading, and what the two say. */
final class VerdictRow extends VBox {
  /** Takes what was typed or chosen. */
  interface Work {
    /** Returns whether it was taken. */
    boolean take(Prediction prediction, String text);

    /** Takes the reading away. */
    void forget(Prediction prediction);

    /** Keeps a note and the path of a picture beside the reading. */
    void annotate(Prediction prediction, String note, String photo);
  }

  private static final double LEAST_TITLE = 128;
  private static final double LEAST_EXPECTED = 140;
  private static final double LEAST_ENTRY = 132;
  private static final double LEAST_WORD = 84;

  /** What can be read in the width of an entry. */
  private static final int SHORT_WORD = 13;

  private final Desk desk;
  private final String key;
  private final Work work;
  private final Mark mark = new Mark(Mark.Kind.OPEN, "not measured");
  private final Label expected = Parts.label("", "ink-predicted");
  private final Label word = Parts.label("", "ink-caption");
  private final Gauge gauge = new Gauge();
  private final Control entry;
  private final Button beside;
  private @Nullable NoteFields notes;
  private @Nullable Reading last;
  private Prediction prediction;

  /**
   * A row.
   *
   * @param byPlace whether rows stand by place: the row then says what is commanded and what to do
   *     first, else where it is read
   * @param work takes what is done on the row
   */
  VerdictRow(Desk desk, Prediction prediction, boolean byPlace, Work work) {
    super(4);
    this.desk = desk;
    this.key = prediction.key();
    this.prediction = prediction;
    this.work = work;
    this.entry = prediction.expectation() instanceof Expectation.Word w ? choice(w) : number();
    entry.setId("reading-" + key.replace('.', '-'));
    entry.setPrefWidth(LEAST_ENTRY);
    entry.setMinWidth(LEAST_ENTRY);
    Label title =
        Parts.label(
            byPlace
                ? "%s: %s".formatted(prediction.group(), prediction.title())
                : prediction.title());
    title.setWrapText(true);
    title.setMinWidth(LEAST_TITLE);
    title.setMaxWidth(Double.MAX_VALUE);
    Hint.on(title, this::placeAndManner);
    VBox what =
        new VBox(
            title, Parts.prose(byPlace ? prediction.how() : prediction.where(), "ink-caption"));
    HBox.setHgrow(what, Priority.ALWAYS);
    what.setMinWidth(LEAST_TITLE);
    expected.setAlignment(Pos.CENTER_RIGHT);
    expected.setTextAlignment(TextAlignment.RIGHT);
    expected.setWrapText(true);
    expected.setMinHeight(Region.USE_PREF_SIZE);
    VBox band = new VBox(2, expected, gauge);
    band.setAlignment(Pos.CENTER_RIGHT);
    band.setMinWidth(LEAST_EXPECTED);
    band.setPrefWidth(LEAST_EXPECTED);
    word.setMaxWidth(LEAST_WORD);
    word.setWrapText(true);
    word.setMinHeight(Region.USE_PREF_SIZE);
    beside = Parts.quiet("beside-" + key.replace('.', '-'), "note", this::writeBeside);
    beside.setAccessibleText("note and photo for " + prediction.title());
    getStyleClass().add("verdict-row");
    VBox said = new VBox(2, word, beside);
    said.setAlignment(Pos.CENTER_LEFT);
    said.setMinWidth(LEAST_WORD);
    said.setPrefWidth(LEAST_WORD);
    getChildren().add(Parts.row(10, mark, what, asked(band), said));
    entry.setOnKeyPressed(
        e -> {
          if (e.getCode() == KeyCode.DELETE && e.isControlDown()) {
            work.forget(this.prediction);
            e.consume();
          }
        });
  }

  /** What is expected and where it is entered; words that need the room of both are below. */
  private Node asked(VBox band) {
    if (prediction.expectation() instanceof Expectation.Word word
        && word.choices().stream().anyMatch(c -> c.length() > SHORT_WORD)) {
      entry.setPrefWidth(LEAST_EXPECTED + 10 + LEAST_ENTRY);
      entry.setMinWidth(entry.getPrefWidth());
      return Parts.column(2, band, entry);
    }
    return Parts.row(10, band, entry);
  }

  private TextField number() {
    TextField field = new TextField();
    field.getStyleClass().add("number");
    field.setPromptText("measured");
    field.setAccessibleText("measured " + prediction.title());
    field.setOnAction(e -> commit(field));
    return field;
  }

  private void commit(TextField field) {
    field.getStyleClass().remove("refused");
    if (!field.getText().isBlank() && !work.take(prediction, field.getText())) {
      field.getStyleClass().add("refused");
    }
  }

  private ChoiceField<String> choice(Expectation.Word expectation) {
    return new ChoiceField<>(
        "observed " + prediction.title(),
        expectation.choices(),
        c -> c,
        c -> work.take(prediction, c));
  }

  private void writeBeside() {
    NoteFields fields = notes;
    if (fields != null) {
      getChildren().remove(fields);
      notes = null;
      return;
    }
    fields =
        new NoteFields(
            key,
            desk.dialogs()::importFile,
            (note, photo) -> work.annotate(prediction, note, photo));
    fields.show(last);
    notes = fields;
    getChildren().add(fields);
    fields.begin();
  }

  private String placeAndManner() {
    return "%s, %s%n%s".formatted(prediction.where(), prediction.instrument(), prediction.how());
  }

  String key() {
    return key;
  }

  void focusEntry() {
    entry.requestFocus();
    if (entry instanceof TextField field) {
      field.selectAll();
    }
  }

  void show(Verdict verdict) {
    prediction = verdict.prediction();
    mark.show(States.mark(verdict.outcome()), verdict.outcome().label());
    expected.setText(expectedText(prediction.expectation()));
    word.setText(wordText(verdict));
    getStyleClass().remove("differs");
    if (verdict.outcome() == Verdict.Outcome.DIFFERS) {
      getStyleClass().add("differs");
    }
    gauge.setVisible(prediction.expectation() instanceof Expectation.Amount);
    gauge.setManaged(gauge.isVisible());
    gauge.show(
        prediction.expectation() instanceof Expectation.Amount a
            ? verdict.deviation() / a.tolerance()
            : Double.NaN);
    showReading(verdict.reading());
    last = verdict.reading();
    beside.setText(
        last != null && (last.note() != null || last.photo() != null) ? "note ✓" : "note");
    if (notes != null) {
      notes.show(last);
    }
  }

  private String expectedText(Expectation expectation) {
    if (expectation instanceof Expectation.Amount a) {
      String tolerance =
          new QuantityFormat(desk.units().decimalMark(), 2)
              .number(a.unit().convert(a.tolerance(), desk.units().shown(a.unit())));
      return "%s ± %s %s"
          .formatted(
              desk.units().number(a.value(), a.unit()),
              tolerance,
              desk.units().shown(a.unit()).symbol());
    }
    return ((Expectation.Word) expectation).expected();
  }

  private static String wordText(Verdict verdict) {
    return verdict.outcome() == Verdict.Outcome.STALE
        ? "stale: "
            + verdict.changed().stream()
                .map(Part::label)
                .findFirst()
                .orElse("")
                .toLowerCase(Locale.ROOT)
        : verdict.outcome().label();
  }

  @SuppressWarnings("unchecked")
  private void showReading(@Nullable Reading reading) {
    if (entry instanceof TextField field) {
      if (!field.isFocused() || reading == null || field.getText().isBlank()) {
        field.setText(
            reading == null
                    || reading.amount() == null
                    || !(prediction.expectation() instanceof Expectation.Amount a)
                ? ""
                : desk.units().text(reading.amount(), a.unit()));
      }
      field.setTooltip(
          reading == null
              ? null
              : new Tooltip(
                  "%s, %s, %s"
                      .formatted(
                          desk.time(reading.takenAt()), reading.instrument(), reading.by())));
    } else {
      ((ChoiceField<String>) entry).show(reading == null ? null : reading.word());
    }
  }
}
