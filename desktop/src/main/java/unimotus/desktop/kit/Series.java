package unimotus.desktop.kit;

import java.util.function.IntToDoubleFunction;

/**
 * A line through samples whose x rises.
 *
 * @param name what it shows
 * @param style its style class
 * @param size number of samples
 * @param x place of a sample
 * @param y value of a sample
 */
public record Series(
    String name, String style, int size, IntToDoubleFunction x, IntToDoubleFunction y) {

  /** The first sample at a place or after it; the size where there is none. */
  int firstAtOrAfter(double at) {
    int low = 0;
    int high = size;
    while (low < high) {
      int middle = (low + high) >>> 1;
      if (x.applyAsDouble(middle) < at) {
        low = middle + 1;
      } else {
        high = middle;
      }
    }
    return low;
  }

  /** The value at or after a place; not-a-number without samples. */
  double valueAt(double at) {
    return size == 0 ? Double.NaN : y.applyAsDouble(Math.min(size - 1, firstAtOrAfter(at)));
  }
}
