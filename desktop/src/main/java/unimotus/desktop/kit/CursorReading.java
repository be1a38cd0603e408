package unimotus.desktop.kit;

import java.util.List;
import unimotus.core.quantity.QuantityFormat;

/** What two cursors of a plot show, in words. */
final class CursorReading {
  private CursorReading() {}

  /** The values under the cursors and their differences, line by line. */
  static String of(double a, double b, List<Series> series, QuantityFormat format, String xUnit) {
    if (!Double.isFinite(a)) {
      return "";
    }
    StringBuilder text = new StringBuilder("at " + format.number(a) + " " + xUnit);
    if (Double.isFinite(b)) {
      text.append(" to ")
          .append(format.number(b))
          .append(", Δ ")
          .append(format.number(b - a))
          .append(" ")
          .append(xUnit);
    }
    for (Series s : series) {
      double at = s.valueAt(a);
      text.append("   ").append(s.name()).append(" ").append(format.number(at));
      if (Double.isFinite(b)) {
        text.append(" Δ ").append(format.number(s.valueAt(b) - at));
      }
    }
    return text.toString();
  }
}
