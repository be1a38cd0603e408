package unimotus.desktop;

import java.util.List;
import java.util.Objects;
import javafx.application.Application;
import javafx.scene.Scene;
import javafx.scene.text.Font;
import unimotus.desktop.theme.Theme;

/** Fonts and styles, shipped with the program. */
final class Look {
  private Look() {}

  /** Loads fonts and theme; done while the project is still being read. */
  static void load() {
    for (String font : List.of("B612-Regular", "B612-Bold")) {
      Font.loadFont(Look.class.getResourceAsStream("fonts/" + font + ".otf"), 13);
    }
    Application.setUserAgentStylesheet(Theme.PLACE);
  }

  /** Puts the program's own styles on a scene. */
  static void wear(Scene scene) {
    scene
        .getStylesheets()
        .add(Objects.requireNonNull(Look.class.getResource("unimotus.css")).toExternalForm());
  }
}
