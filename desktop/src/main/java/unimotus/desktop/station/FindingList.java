package unimotus.desktop.station;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.Executor;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicBoolean;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Severity;
import unimotus.core.machine.Project;
import unimotus.core.review.AxisReview;
import unimotus.core.review.LineReview;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Mark;
import unimotus.desktop.kit.Parts;
import unimotus.workbench.WorkStep;
import unimotus.workbench.fix.Fix;
import unimotus.workbench.fix.Fixes;

/**
 * Findings one below the other: what is seen, why it matters, what to do, where to go. Where one
 * change removes a finding it can be made from here.
 */
public final class FindingList extends VBox {
  /** One after the other, beside the window: the next edit must not wait for what was tried. */
  private static final Executor TRYING =
      Executors.newSingleThreadExecutor(
          work -> {
            Thread thread = new Thread(work, "fixes");
            thread.setDaemon(true);
            return thread;
          });

  private final Desk desk;
  private List<Finding> shown = List.of();
  private AtomicBoolean wanted = new AtomicBoolean();

  /** An empty list. */
  public FindingList(Desk desk) {
    super(10);
    this.desk = desk;
    setId("findings");
    sceneProperty().addListener((o, was, is) -> inSight(is != null));
  }

  /** Nothing is tried for a list that nobody sees: it would hold its window for as long. */
  private void inSight(boolean is) {
    if (!is) {
      wanted.set(false);
    } else if (!wanted.get()) {
      show(shown);
    }
  }

  /** Shows these findings instead. */
  public void show(List<Finding> findings) {
    wanted.set(false);
    wanted = new AtomicBoolean(true);
    shown = List.copyOf(findings);
    getChildren().clear();
    if (findings.isEmpty()) {
      getChildren().add(Parts.prose("No errors and no warnings here.", "ink-label"));
    }
    findings.forEach(f -> getChildren().add(row(f)));
  }

  private Node row(Finding finding) {
    WorkStep step = WorkStep.of(finding.rule());
    FlowPane ways =
        Parts.flow(
            10,
            Parts.quiet(
                "go-" + finding.rule().code(),
                "at " + step.label(),
                () -> desk.navigation().goTo(finding)));
    VBox words =
        Parts.column(
            2,
            Parts.prose(finding.rule().title(), "ink-strong"),
            Parts.prose(finding.seen()),
            Parts.prose(finding.why(), "ink-label"),
            Parts.prose("→ " + finding.remedy()),
            Parts.prose(finding.rule().code() + " · " + finding.rule().source(), "ink-caption"),
            ways);
    HBox.setHgrow(words, Priority.ALWAYS);
    Mark mark = new Mark(States.mark(finding.severity()), finding.severity().label());
    HBox row = new HBox(9, mark, words);
    HBox.setMargin(mark, new javafx.geometry.Insets(3, 0, 0, 0));
    offer(finding, words, ways);
    return row;
  }

  /** Tries the changes beside the window, and offers those that remove the finding. */
  private void offer(Finding finding, VBox words, FlowPane ways) {
    Optional<AxisReview> axis = desk.review();
    if (axis.isEmpty() || finding.severity() == Severity.NOTE) {
      return;
    }
    Project project = desk.session().project();
    SheetCatalogue sheets = desk.session().sheets();
    LineReview review = desk.session().review();
    AtomicBoolean still = wanted;
    CompletableFuture.supplyAsync(
            () ->
                still.get() && !desk.isClosed()
                    ? Fixes.of(project, sheets, review, axis.get(), finding)
                    : List.<Fix>of(),
            TRYING)
        .thenAccept(
            fixes ->
                Platform.runLater(
                    () -> {
                      // What is no longer the line that is shown is not offered any more.
                      if (still.get() && desk.session().review() == review) {
                        offer(finding, fixes, words, ways);
                      }
                    }));
  }

  private void offer(Finding finding, List<Fix> fixes, VBox words, FlowPane ways) {
    if (words.getScene() == null || fixes.isEmpty()) {
      return;
    }
    Fix first = fixes.get(0);
    ways.getChildren()
        .setAll(
            Parts.quiet(
                "go-" + finding.rule().code(),
                "go to it",
                () -> desk.navigation().goTo(first.target())));
    for (int i = 0; i < fixes.size(); i++) {
      Fix fix = fixes.get(i);
      String id = "set-" + finding.rule().code() + (i == 0 ? "" : "-" + (i + 1));
      int at = words.getChildren().indexOf(ways);
      words.getChildren().add(at, Parts.prose("Fix: " + fix.words(), "ink-strong"));
      ways.getChildren().add(i, Parts.action(id, "Set it", () -> set(fix)));
    }
  }

  private void set(Fix fix) {
    if (desk.apply(fix.edit())) {
      desk.say("set: %s; Ctrl+Z undoes it".formatted(fix.words()));
    }
  }
}
