package unimotus.desktop.map;

import javafx.geometry.Insets;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import unimotus.core.review.AxisReview;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;
import unimotus.devices.registers.Target;
import unimotus.workbench.SetUpEdits;

/** Finds what nobody wrote down: who answers, and where the values stand. */
final class FindPane extends HBox {
  private final Desk desk;
  private final RouteFields where;
  private final KnownValuesCard known;

  /**
   * The pane.
   *
   * @param where the way to the devices, set under Live
   */
  FindPane(Desk desk, RouteFields where) {
    super(14);
    this.desk = desk;
    this.where = where;
    this.known = new KnownValuesCard(desk, where);
    setPadding(new Insets(12, 16, 12, 16));
    getChildren().addAll(half(new SearchCard(desk, where, this::take)), half(known));
  }

  private static VBox half(VBox card) {
    VBox half = Parts.sheet(0, card);
    VBox.setVgrow(card, Priority.ALWAYS);
    HBox.setHgrow(half, Priority.ALWAYS);
    return half;
  }

  void refresh() {
    known.refresh();
  }

  /** What was found is where Live goes, and the unit the program asks. */
  private void take(Target target) {
    where.show(target.route());
    where.showUnit(target.unit());
    desk.review()
        .map(AxisReview::assembly)
        .filter(a -> a.record().fieldbus().unit() != target.unit() && target.unit() >= 1)
        .ifPresent(
            a ->
                desk.apply(
                    SetUpEdits.fieldbus(
                        a.drive().id(), "set unit number", f -> f.withUnit(target.unit()))));
    desk.say("Live goes to %s now".formatted(target));
  }
}
