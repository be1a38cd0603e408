package unimotus.desktop.kit;

import javafx.scene.shape.Line;
import javafx.scene.text.Text;

/** Shapes with their style. */
final class Drawn {
  private Drawn() {}

  static Line line(double x1, double y1, double x2, double y2, String style) {
    Line line = new Line(x1, y1, x2, y2);
    line.getStyleClass().add(style);
    return line;
  }

  static Text text(String content, double x, double y, String style) {
    Text text = new Text(x, y, Decimals.shown(content));
    text.getStyleClass().add(style);
    return text;
  }
}
