package unimotus.desktop.setup;

import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.TextField;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import unimotus.core.derivation.Step;
import unimotus.core.proof.Expectation;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.ReadyOrder;
import unimotus.core.proof.Verdict;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Mark;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.station.NameField;
import unimotus.desktop.station.States;
import unimotus.workbench.Edits;
import unimotus.workbench.Evidence;

/** What has to be seen to, who saw to it, and what a change has made stale. */
public final class ReadyPane extends VBox {
  private final Desk desk;
  private final String station;
  private final NameField who;

  /**
   * The list of a station.
   *
   * @param station the group of the list that is shown; empty for all
   */
  public ReadyPane(Desk desk, String station) {
    super(5);
    this.desk = desk;
    this.station = station;
    setId("ready");
    who = new NameField(desk, "ready-who");
  }

  /** Shows the list of an axis. */
  public void show(Evidence evidence) {
    getChildren().clear();
    long done = 0;
    long all = 0;
    for (Verdict verdict : evidence.ready().verdicts()) {
      if (station.isEmpty() || verdict.prediction().group().equals(station)) {
        all++;
        done += verdict.outcome() == Verdict.Outcome.AGREES ? 1 : 0;
      }
    }
    getChildren().addAll(Parts.label("%d of %d done".formatted(done, all), "ink-title"), who);
    String group = "";
    for (Verdict verdict : evidence.ready().verdicts()) {
      Prediction item = verdict.prediction();
      if (!station.isEmpty() && !item.group().equals(station)) {
        continue;
      }
      if (!item.group().equals(group)) {
        group = item.group();
        getChildren().add(Parts.label(group, "ink-strong"));
      }
      getChildren().add(row(evidence, verdict));
    }
  }

  private Node row(Evidence evidence, Verdict verdict) {
    Prediction item = verdict.prediction();
    VBox words = Parts.column(0, Parts.prose(item.title()), Parts.prose(item.how(), "ink-label"));
    for (Step step : item.simple().steps()) {
      words.getChildren().add(Parts.prose(step.text(), "ink-caption"));
    }
    if (verdict.reading() != null) {
      words
          .getChildren()
          .add(
              Parts.prose(
                  "%s, %s, %s%s"
                      .formatted(
                          verdict.readingText(desk.units().format()),
                          verdict.reading().by(),
                          desk.time(verdict.reading().takenAt()),
                          verdict.outcome() == Verdict.Outcome.STALE
                              ? ": stale, " + verdict.staleBecause()
                              : ""),
                  verdict.outcome() == Verdict.Outcome.STALE ? "ink-attention" : "ink-caption"));
    }
    List<String> undone = ReadyOrder.makesStale(item, evidence.ready().verdicts());
    if (!undone.isEmpty()) {
      words
          .getChildren()
          .add(
              Parts.prose(
                  "Done anew, it makes stale: " + String.join("; ", undone), "ink-caption"));
    }
    javafx.scene.layout.HBox.setHgrow(words, javafx.scene.layout.Priority.ALWAYS);
    return Parts.row(
        8,
        new Mark(States.mark(verdict.outcome()), verdict.outcome().label()),
        words,
        entry(evidence, item));
  }

  private Node entry(Evidence evidence, Prediction item) {
    String id = "tick-" + item.key().replace('.', '-');
    if (item.expectation() instanceof Expectation.Word) {
      Button done = Parts.action(id, "Done", () -> take(evidence, item, "done"));
      done.setMinWidth(Region.USE_PREF_SIZE);
      return done;
    }
    TextField field = new TextField();
    field.setId(id);
    field.setAccessibleText(item.title());
    field.getStyleClass().add("number");
    field.setPromptText("measured");
    field.setPrefColumnCount(6);
    field.setMinWidth(78);
    field.setOnAction(e -> take(evidence, item, field.getText()));
    return field;
  }

  private void take(Evidence evidence, Prediction item, String text) {
    if (who.name().isEmpty()) {
      desk.refuse("enter your name first");
      who.requestFocus();
      return;
    }
    try {
      desk.apply(
          Edits.reading(
              evidence.reading(
                  item, text, desk.units(), item.instrument(), who.name(), desk.clock())));
    } catch (IllegalArgumentException e) {
      desk.refuse(e.getMessage());
    }
  }
}
