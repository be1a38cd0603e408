package unimotus.desktop.station;

import java.util.List;
import javafx.scene.Node;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import unimotus.core.finding.Finding;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Mark;
import unimotus.desktop.kit.Parts;
import unimotus.workbench.WorkStep;

/** Findings one below the other: what is seen, why it matters, what to do, where to go. */
public final class FindingList extends VBox {
  private final Desk desk;

  /** An empty list. */
  public FindingList(Desk desk) {
    super(10);
    this.desk = desk;
    setId("findings");
  }

  /** Shows these findings instead. */
  public void show(List<Finding> findings) {
    getChildren().clear();
    if (findings.isEmpty()) {
      getChildren().add(Parts.prose("Nothing to mend here.", "ink-label"));
    }
    findings.forEach(f -> getChildren().add(row(f)));
  }

  private Node row(Finding finding) {
    WorkStep step = WorkStep.of(finding.rule());
    VBox words =
        Parts.column(
            2,
            Parts.prose(finding.rule().title(), "ink-strong"),
            Parts.prose(finding.seen()),
            Parts.prose(finding.why(), "ink-label"),
            Parts.prose("→ " + finding.remedy()),
            Parts.prose(finding.rule().code() + " · " + finding.rule().source(), "ink-caption"),
            Parts.quiet(
                "go-" + finding.rule().code(), "at " + step.label(), () -> desk.goTo(finding)));
    HBox.setHgrow(words, Priority.ALWAYS);
    Mark mark = new Mark(States.mark(finding.severity()), finding.severity().label());
    HBox row = new HBox(9, mark, words);
    HBox.setMargin(mark, new javafx.geometry.Insets(3, 0, 0, 0));
    return row;
  }
}
