package unimotus.desktop.kit;

import java.util.ArrayList;
import java.util.List;

/** Round numbers for the ticks of an axis: 1, 2 or 5 times a power of ten. */
final class Ticks {
  private Ticks() {}

  /** Round numbers from {@code low} to {@code high}, about {@code wanted} of them. */
  static List<Double> between(double low, double high, double wanted) {
    List<Double> ticks = new ArrayList<>();
    double step = step((high - low) / Math.max(1, wanted));
    if (!(step > 0) || !Double.isFinite(step)) {
      return ticks;
    }
    long first = (long) Math.ceil(low / step - 1e-9);
    long last = (long) Math.floor(high / step + 1e-9);
    for (long i = first; i <= last && ticks.size() < 100; i++) {
      ticks.add(i * step);
    }
    return ticks;
  }

  private static double step(double rough) {
    double power = Math.pow(10, Math.floor(Math.log10(rough)));
    double share = rough / power;
    double round = share > 5 ? 10 : share > 2 ? 5 : share > 1 ? 2 : 1;
    return round * power;
  }
}
