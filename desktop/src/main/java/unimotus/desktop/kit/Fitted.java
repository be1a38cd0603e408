package unimotus.desktop.kit;

import java.util.List;

/** Lines over time drawn as large as a plot allows, with the zero in sight. */
public final class Fitted {
  private static final double MARGIN = 0.08;

  private Fitted() {}

  /** Draws lines from 0 to an end. */
  public static void show(Plot plot, List<Series> lines, double end) {
    double low = 0;
    double high = 0;
    for (Series line : lines) {
      for (int i = 0; i < line.size(); i++) {
        low = Math.min(low, line.y().applyAsDouble(i));
        high = Math.max(high, line.y().applyAsDouble(i));
      }
    }
    double margin = MARGIN * Math.max(1e-9, high - low);
    plot.show(lines, 0, end, low < 0 ? low - margin : 0, high + margin);
  }
}
