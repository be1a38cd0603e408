package unimotus.core.detective;

import java.util.HashMap;
import java.util.Map;
import unimotus.core.path.SignalPath;

/**
 * A cause with its numbers: the path as it would be, and the words that would be seen.
 *
 * @param text the numbers in words, such as {@code 27648 written, 32767 taken}; possibly empty
 * @param path the path with the fault in it
 * @param fitted whether a number was fitted to the readings, which costs likelihood
 * @param words what would be observed instead of what is expected, by the prediction's key
 * @param scaled factors on expected amounts that are not on the path, such as times, by the
 *     prediction's key
 * @param amounts amounts that would be measured instead, of predictions that are not on the path,
 *     by the prediction's key; they go before the factors
 */
public record Variant(
    String text,
    SignalPath path,
    boolean fitted,
    Map<String, String> words,
    Map<String, Double> scaled,
    Map<String, Double> amounts) {

  /** Takes a copy. */
  public Variant {
    words = Map.copyOf(words);
    scaled = Map.copyOf(scaled);
    amounts = Map.copyOf(amounts);
  }

  /** A variant that gives no amount of its own beside the path. */
  public Variant(
      String text,
      SignalPath path,
      boolean fitted,
      Map<String, String> words,
      Map<String, Double> scaled) {
    this(text, path, fitted, words, scaled, Map.of());
  }

  /** A variant with given numbers. */
  public static Variant of(String text, SignalPath path) {
    return new Variant(text, path, false, Map.of(), Map.of());
  }

  /** A variant whose number comes from the readings. */
  public static Variant fitted(String text, SignalPath path) {
    return new Variant(text, path, true, Map.of(), Map.of());
  }

  /** A variant that shows in words. */
  static Variant told(String text, SignalPath path, Map<String, String> words) {
    return new Variant(text, path, false, words, Map.of());
  }

  /** A variant that shows in times; its factor comes from the readings. */
  static Variant timed(String text, SignalPath path, Map<String, Double> scaled) {
    return new Variant(text, path, true, Map.of(), scaled);
  }

  /** This variant with another on top of it, whose path was made of this one's. */
  Variant and(Variant other) {
    Map<String, String> both = new HashMap<>(words);
    both.putAll(other.words);
    String joined =
        text.isEmpty() || other.text.isEmpty() ? text + other.text : text + "; " + other.text;
    Map<String, Double> times = new HashMap<>(scaled);
    times.putAll(other.scaled);
    Map<String, Double> told = new HashMap<>(amounts);
    told.putAll(other.amounts);
    return new Variant(joined, other.path, fitted || other.fitted, both, times, told);
  }
}
