package unimotus.desktop.wire;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import javafx.scene.shape.CubicCurve;
import unimotus.core.machine.Wire;
import unimotus.core.wiring.LineSolution;
import unimotus.desktop.kit.Styles;
import unimotus.workbench.board.BoardLayout.Place;

/**
 * A wire on the board. A wire that carries a milliamp or more, over any leakage, is thick, one that
 * only stands at a voltage is middling, a dead one thin; analog ones are dashed.
 */
final class WireCurve extends CubicCurve {
  private static final double CARRIES_AMPERES = 1e-3;
  private static final double LIVE_VOLTS = 3;
  private static final double LEAST_BOW = 34;

  private final Wire wire;
  private final boolean analog;

  WireCurve(Wire wire, Place from, Place to, boolean analog) {
    this.wire = wire;
    this.analog = analog;
    setStartX(from.x());
    setStartY(from.y());
    setEndX(to.x());
    setEndY(to.y());
    double bow =
        from.rightward() == to.rightward() && Math.abs(from.x() - to.x()) < 1
            ? LEAST_BOW + Math.min(60, Math.abs(from.y() - to.y()) / 5)
            : Math.max(LEAST_BOW, Math.abs(from.x() - to.x()) * 0.45);
    setControlX1(from.x() + (from.rightward() ? bow : -bow));
    setControlY1(from.y());
    setControlX2(to.x() + (to.rightward() ? bow : -bow));
    setControlY2(to.y());
    // Not transparent: the inside of hundreds of curves would be painted, with nothing, each time.
    setFill(null);
    setId("wire-" + wire.id());
    getStyleClass().add("wire");
  }

  Wire wire() {
    return wire;
  }

  /** Shows what the wire carries. */
  void paint(LineSolution solution, boolean chosen, boolean open) {
    List<String> styles = new ArrayList<>(List.of("wire"));
    if (analog) {
      styles.add("analog");
    }
    OptionalDouble amperes = solution.wireAmperes(wire.id());
    boolean carries = amperes.isPresent() && Math.abs(amperes.getAsDouble()) > CARRIES_AMPERES;
    if (open) {
      styles.add("broken");
    } else if (carries) {
      styles.add("carries");
    } else if (solution.voltsToGround(wire.from()) > LIVE_VOLTS) {
      styles.add("stands");
    }
    if (chosen) {
      styles.add("chosen");
    }
    Styles.set(this, styles);
  }
}
