package unimotus.desktop;

import atlantafx.base.theme.PrimerLight;
import java.util.List;
import java.util.Objects;
import javafx.application.Application;
import javafx.scene.Scene;
import javafx.scene.text.Font;

/** Fonts and styles, shipped with the program. */
final class Look {
  private Look() {}

  static void wear(Scene scene) {
    for (String font : List.of("B612-Regular", "B612-Bold")) {
      Font.loadFont(Look.class.getResourceAsStream("fonts/" + font + ".otf"), 13);
    }
    Application.setUserAgentStylesheet(new PrimerLight().getUserAgentStylesheet());
    scene
        .getStylesheets()
        .add(Objects.requireNonNull(Look.class.getResource("unimotus.css")).toExternalForm());
  }
}
