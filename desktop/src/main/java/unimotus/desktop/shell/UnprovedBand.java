package unimotus.desktop.shell;

import java.util.Optional;
import javafx.css.PseudoClass;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import unimotus.core.review.AxisReview;
import unimotus.core.stops.StopOutcome;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Mark;
import unimotus.desktop.kit.Parts;
import unimotus.workbench.WorkStep;

/** Stands over every station after Make safe until the stop of the axis is proved. */
final class UnprovedBand extends HBox {
  private static final PseudoClass FAILS = PseudoClass.getPseudoClass("fails");

  private final Desk desk;
  private final Label words = Parts.label("", "ink-label");

  UnprovedBand(Desk desk) {
    super(8);
    this.desk = desk;
    setId("unproved");
    getStyleClass().add("unproved");
    setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    getChildren()
        .addAll(
            new Mark(Mark.Kind.PARTLY, "stop not proved"),
            words,
            Parts.quiet("go-make-safe", "at Make safe", () -> desk.step().set(WorkStep.MAKE_SAFE)));
    refresh();
  }

  void refresh() {
    WorkStep step = desk.step().get();
    boolean concerned =
        step != null
            && step.compareTo(WorkStep.MAKE_SAFE) > 0
            && !desk.startingAxis().get()
            && !desk.editingSheets().get()
            && !desk.onBus().get();
    AxisReview review = concerned ? desk.review().orElse(null) : null;
    boolean stands =
        concerned
            && review != null
            && review.assembly() != null
            && !desk.progress(review).stopProved();
    Optional<StopOutcome> worst =
        stands && review != null
            ? review.worstStop().filter(w -> w != StopOutcome.STOPS)
            : Optional.empty();
    words.setText(
        worst
            .map(w -> "A stop of this axis %s: fix it before anything moves.".formatted(w.label()))
            .orElse("Stop not proved: prove it before motion."));
    pseudoClassStateChanged(FAILS, worst.isPresent());
    setVisible(stands);
    // Its place is kept: what is below must not move while a reading is typed.
    setManaged(concerned);
  }
}
