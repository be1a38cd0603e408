package unimotus.desktop.map;

import java.util.List;
import java.util.Optional;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import unimotus.core.interlock.PermissionLost;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.review.AxisReview;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;

/** A drive that says it is not ready: which contact takes its permission away, over the wires. */
final class PermissionCard extends VBox {
  private final Desk desk;
  private final VBox lines = Parts.column(4);
  private @Nullable AxisAssembly told;

  PermissionCard(Desk desk) {
    super(6);
    this.desk = desk;
    getStyleClass().add("sheet");
    lines.setId("permission-lines");
    getChildren()
        .addAll(
            Parts.flow(
                8,
                Parts.label("Not ready?", "ink-strong"),
                Parts.action("permission-follow", "Follow the permission", this::follow)),
            Parts.scrolling(lines));
    rest();
  }

  /** What was followed counts for the design it was followed on. */
  void refresh() {
    if (told != null && !Optional.of(told).equals(assembly())) {
      rest();
    }
  }

  private Optional<AxisAssembly> assembly() {
    return desk.review().map(AxisReview::assembly);
  }

  private void rest() {
    told = null;
    lines
        .getChildren()
        .setAll(
            Parts.prose(
                "No word closes an open contact: while safe torque off or the enable is open, the"
                    + " drive stays in switch-on disabled or not ready. This follows its inputs over"
                    + " the wires as drawn.",
                "ink-label"));
  }

  private void follow() {
    Optional<AxisAssembly> axis = assembly();
    if (axis.isEmpty()) {
      desk.refuse("choose an axis that has a drive: its wires are followed");
      return;
    }
    told = axis.get();
    List<PermissionLost> all = PermissionLost.all(axis.get());
    lines.getChildren().clear();
    if (all.isEmpty()) {
      lines
          .getChildren()
          .add(
              Parts.prose(
                  "No wire leads to a permission of this drive, or nothing that is operated takes"
                      + " it away. Look for a jumper, and at what the drive itself reports.",
                  "ink-label"));
      return;
    }
    String state = "";
    for (PermissionLost each : all) {
      if (!each.state().equals(state)) {
        state = each.state();
        lines.getChildren().add(Parts.label(state, "ink-strong"));
      }
      lines.getChildren().add(Parts.prose(each.text(), "ink-sum"));
    }
  }
}
