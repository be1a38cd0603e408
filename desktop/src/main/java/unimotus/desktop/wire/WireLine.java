package unimotus.desktop.wire;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import javafx.scene.shape.ArcTo;
import javafx.scene.shape.LineTo;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;
import unimotus.core.machine.Wire;
import unimotus.core.wiring.LineSolution;
import unimotus.desktop.kit.Styles;
import unimotus.workbench.board.WireWay;

/**
 * A wire on the board. A wire that carries a milliamp or more, over any leakage, is thick, one that
 * only stands at a voltage is middling, a dead one thin; analog ones are dashed.
 */
final class WireLine extends Path {
  private static final double CARRIES_AMPERES = 1e-3;
  private static final double LIVE_VOLTS = 3;
  private static final double CORNER = 5;

  private final Wire wire;
  private final WireWay way;
  private final boolean analog;

  WireLine(Wire wire, WireWay way, boolean analog) {
    this.wire = wire;
    this.way = way;
    this.analog = analog;
    double down = Math.signum(way.toY() - way.fromY());
    double corner = Math.min(CORNER, Math.abs(way.toY() - way.fromY()) / 2);
    double in = Math.signum(way.laneX() - way.fromX());
    double out = Math.signum(way.toX() - way.laneX());
    getElements()
        .addAll(
            new MoveTo(way.fromX(), way.fromY()),
            new LineTo(way.laneX() - in * corner, way.fromY()),
            arc(corner, way.laneX(), way.fromY() + down * corner, in * down > 0),
            new LineTo(way.laneX(), way.toY() - down * corner),
            arc(corner, way.laneX() + out * corner, way.toY(), out * down < 0),
            new LineTo(way.toX(), way.toY()));
    setFill(null);
    // The board looks for the nearest wire itself: a thin line is hard to hit.
    setMouseTransparent(true);
    setId("wire-" + wire.id());
    getStyleClass().add("wire");
  }

  private static ArcTo arc(double radius, double x, double y, boolean sweep) {
    return new ArcTo(radius, radius, 0, x, y, false, sweep);
  }

  Wire wire() {
    return wire;
  }

  WireWay way() {
    return way;
  }

  /**
   * Shows what the wire carries, and returns whether it carries current.
   *
   * @param mark a style of its own besides, such as {@code chosen}; empty for none
   */
  boolean paint(LineSolution solution, String mark, boolean open) {
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
    if (!mark.isEmpty()) {
      styles.add(mark);
    }
    Styles.set(this, styles);
    return carries && !open;
  }
}
