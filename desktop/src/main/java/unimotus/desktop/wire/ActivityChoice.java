package unimotus.desktop.wire;

import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;
import javafx.scene.control.Button;
import javafx.scene.layout.HBox;
import unimotus.desktop.kit.Hint;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.Styles;
import unimotus.workbench.board.WireBench;
import unimotus.workbench.board.WireBench.Activity;

/** Wiring or measuring: what a click on a terminal does. */
final class ActivityChoice extends HBox {
  private final WireBench bench;
  private final Map<Activity, Button> buttons = new EnumMap<>(Activity.class);

  ActivityChoice(WireBench bench) {
    super(4);
    this.bench = bench;
    for (Activity each : Activity.values()) {
      Button button =
          Parts.action(
              "activity-" + each.name().toLowerCase(Locale.ROOT),
              each.label(),
              () -> bench.begin(each));
      Hint.on(button, each::words);
      buttons.put(each, button);
      getChildren().add(button);
    }
  }

  void paint() {
    buttons.forEach((a, b) -> Styles.choose(b, a == bench.activity()));
  }
}
