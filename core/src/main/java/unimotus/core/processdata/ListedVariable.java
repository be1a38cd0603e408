package unimotus.core.processdata;

import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * A variable of the controller that is to be read from or written to the image.
 *
 * @param name its name
 * @param type its type as the controller has it, such as {@code INT}
 * @param bitLength how many bits it takes
 * @param bit where the controller has it, counted from the beginning of its side; null where it
 *     follows the one before
 */
public record ListedVariable(String name, String type, int bitLength, @Nullable Integer bit) {
  /** Bits of the elementary types (IEC 61131-3). */
  private static final Map<String, Integer> BITS =
      Map.ofEntries(
          Map.entry("BOOL", 1),
          Map.entry("BIT", 1),
          Map.entry("SINT", 8),
          Map.entry("USINT", 8),
          Map.entry("BYTE", 8),
          Map.entry("INT", 16),
          Map.entry("UINT", 16),
          Map.entry("WORD", 16),
          Map.entry("DINT", 32),
          Map.entry("UDINT", 32),
          Map.entry("DWORD", 32),
          Map.entry("REAL", 32),
          Map.entry("LINT", 64),
          Map.entry("ULINT", 64),
          Map.entry("LWORD", 64),
          Map.entry("LREAL", 64));

  /**
   * A variable of an elementary type, or of a number of bits written {@code BIT4}.
   *
   * @throws IllegalArgumentException where there is no such type
   */
  public static ListedVariable of(String name, String type, @Nullable Integer bit) {
    String word = type.strip().toUpperCase(Locale.ROOT);
    Integer bits =
        word.matches("BIT[1-9]\\d?") ? Integer.valueOf(word.substring(3)) : BITS.get(word);
    if (bits == null) {
      throw new IllegalArgumentException(
          "variable '%s' has type '%s'; expected an elementary type such as BOOL, INT or DINT, or BIT4 for four bits"
              .formatted(name, type));
    }
    return new ListedVariable(name, word, bits, bit);
  }

  /**
   * Whether two words name types of one meaning: bits, whole numbers with or without sign, real.
   */
  static boolean isLike(String a, String b) {
    return a.isEmpty() || b.isEmpty() || kind(a) == kind(b);
  }

  private static char kind(String type) {
    String word = type.toUpperCase(Locale.ROOT);
    return switch (word) {
      case "SINT", "INT", "DINT", "LINT" -> 's';
      case "REAL", "LREAL" -> 'r';
      default -> 'u';
    };
  }
}
