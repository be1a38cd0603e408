package unimotus.core.way.position;

import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.function.BiFunction;
import unimotus.core.detective.Variant;
import unimotus.core.quantity.QuantityFormat;

/** Ratios by which counts of a position may be off, each once and none of them one. */
public final class Ratios {
  /** Ratios this close are one and the same. */
  private static final double SAME = 1e-9;

  /** A ratio that was read is none where it is one but for rounding. */
  private static final double ROUNDING = 1e-4;

  private static final double TURN_IN_DEGREES = 360;
  private static final double[] UNITS = {10, 100, 1000, 25.4, Math.PI};

  private final Map<Double, String> ratios = new TreeMap<>();

  /** This with one more, unless it is one or there already. */
  public Ratios with(double ratio, String words) {
    boolean isOne = Math.abs(ratio - 1) < SAME;
    boolean isThere = ratios.keySet().stream().anyMatch(r -> Math.abs(r / ratio - 1) < SAME);
    if (!isOne && !isThere) {
      ratios.put(ratio, words);
    }
    return this;
  }

  /**
   * Another travel a turn, or another unit of it.
   *
   * @param feed travel a turn as it is meant
   * @param called what it is called, such as {@code feed}
   */
  public static Ratios ofFeed(double feed, String called) {
    Ratios all = new Ratios();
    for (double unit : UNITS) {
      all.with(unit, "%s too small by %s".formatted(called, number(unit)));
      all.with(1 / unit, "%s too large by %s".formatted(called, number(unit)));
    }
    return all.with(feed / TURN_IN_DEGREES, "360 for a %s of %s".formatted(called, number(feed)))
        .with(feed, "1 for a %s of %s".formatted(called, number(feed)));
  }

  /** A variant for each; the maker gets ratio and words. */
  public List<Variant> variants(BiFunction<Double, String, Variant> maker) {
    return ratios.entrySet().stream().map(e -> maker.apply(e.getKey(), e.getValue())).toList();
  }

  /** A ratio that was read; empty where it is one but for rounding. */
  public static OptionalDouble read(OptionalDouble ratio) {
    return ratio.stream().filter(r -> Math.abs(r - 1) > ROUNDING).findFirst();
  }

  private static String number(double value) {
    return QuantityFormat.PLAIN.number(value);
  }
}
