package unimotus.desktop.view;

import javafx.scene.layout.Pane;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;

/** Where a reading lies against its band: the middle is the prediction, the band agrees. */
final class Gauge extends Pane {
  private static final double WIDTH = 84;
  private static final double HEIGHT = 16;
  private static final double BAND_SHARE = 0.4;

  Gauge() {
    setMinSize(WIDTH, HEIGHT);
    setPrefSize(WIDTH, HEIGHT);
    setMaxSize(WIDTH, HEIGHT);
  }

  /**
   * Shows a deviation in tolerances: 1 is the edge of the band; not-a-number shows the band alone.
   */
  void show(double tolerances) {
    Rectangle band =
        new Rectangle(WIDTH * (0.5 - BAND_SHARE / 2), 3, WIDTH * BAND_SHARE, HEIGHT - 6);
    band.getStyleClass().add("gauge-band");
    Line middle = new Line(WIDTH / 2, 1, WIDTH / 2, HEIGHT - 1);
    middle.getStyleClass().add("gauge-middle");
    getChildren().setAll(band, middle);
    if (Double.isFinite(tolerances)) {
      double x = WIDTH / 2 + tolerances * WIDTH * BAND_SHARE / 2;
      Circle needle = new Circle(Math.max(4, Math.min(WIDTH - 4, x)), HEIGHT / 2, 4);
      needle.getStyleClass().add("gauge-needle");
      if (Math.abs(tolerances) > 1) {
        needle.getStyleClass().add("off");
      }
      getChildren().add(needle);
    }
  }
}
