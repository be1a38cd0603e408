package unimotus.desktop.shell;

import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import org.jspecify.annotations.Nullable;
import unimotus.desktop.Desk;
import unimotus.desktop.LiveState;
import unimotus.desktop.kit.Parts;

/**
 * Stands under every station while something is armed to write to a device: there nothing moves
 * under the pointer when it comes.
 */
final class ArmedBand extends HBox {
  private final Desk desk;
  private final Label target = Parts.label("");

  ArmedBand(Desk desk) {
    super(12);
    this.desk = desk;
    setId("armed-band");
    getStyleClass().add("caution");
    setAlignment(Pos.CENTER_LEFT);
    getChildren()
        .addAll(target, Parts.spring(), Parts.action("armed-stop", "Stop now (F8)", this::stop));
    desk.live().armed().addListener((o, was, is) -> show(is));
    show(null);
  }

  private void show(LiveState.@Nullable Armed armed) {
    setVisible(armed != null);
    setManaged(armed != null);
    target.setText(
        armed == null
            ? ""
            : "⚠  Armed: this program writes to %s. The machine may move."
                .formatted(armed.drive()));
  }

  /** Writes the stop word, armed or not; says whether a drive is joined. */
  boolean stop() {
    return desk.live().stop();
  }
}
