package unimotus.core.detective;

import unimotus.core.path.SignalPath;

/**
 * A cause with its numbers: the path as it would be.
 *
 * @param text the numbers in words, such as {@code 27648 written, 32767 taken}; possibly empty
 * @param path the path with the fault in it
 * @param fitted whether a number was fitted to the readings, which costs likelihood
 */
public record Variant(String text, SignalPath path, boolean fitted) {

  /** A variant with given numbers. */
  static Variant of(String text, SignalPath path) {
    return new Variant(text, path, false);
  }

  /** A variant whose number comes from the readings. */
  static Variant fitted(String text, SignalPath path) {
    return new Variant(text, path, true);
  }
}
