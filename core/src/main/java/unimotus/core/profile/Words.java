package unimotus.core.profile;

import java.util.Locale;

/** Words of 16 bits as people write them. */
public final class Words {
  private static final int MOST = 0xFFFF;

  private Words() {}

  static void check(int word) {
    if (word < 0 || word > MOST) {
      throw new IllegalArgumentException("a word lies from 0 to 65535, not " + word);
    }
  }

  /** {@code 0x000F}. */
  public static String hex(int word) {
    return "0x%04X".formatted(word);
  }

  /** {@code 0000 0000 0000 1111}. */
  public static String bits(int word) {
    StringBuilder text = new StringBuilder();
    for (int bit = 15; bit >= 0; bit--) {
      text.append(word >> bit & 1);
      if (bit % 4 == 0 && bit > 0) {
        text.append(' ');
      }
    }
    return text.toString();
  }

  /**
   * Reads a word as it stands in a manual or on a display: {@code 47}, {@code 0x2F}, {@code 2Fh},
   * {@code 16#2F}, {@code 0b101111}, {@code 0010 1111}.
   *
   * @throws IllegalArgumentException naming the text and the limit
   */
  public static int parse(String text) {
    String plain = text.strip().toLowerCase(Locale.ROOT).replace("_", "");
    try {
      int word = Integer.parseInt(digits(plain), radix(plain));
      check(word);
      return word;
    } catch (NumberFormatException e) {
      throw new IllegalArgumentException(
          "'%s' is no word; write 47, 0x2F, 2Fh, 16#2F or 0b101111".formatted(text.strip()));
    }
  }

  private static int radix(String plain) {
    if (plain.startsWith("0x") || plain.startsWith("16#") || plain.endsWith("h")) {
      return 16;
    }
    boolean groups = plain.matches("[01]{4}( [01]{4})+") || plain.matches("[01]{16}");
    return plain.startsWith("0b") || plain.startsWith("2#") || groups ? 2 : 10;
  }

  private static String digits(String plain) {
    String bare = plain.replace(" ", "");
    for (String prefix : new String[] {"0x", "0b", "16#", "2#"}) {
      if (bare.startsWith(prefix)) {
        return bare.substring(prefix.length());
      }
    }
    return bare.endsWith("h") ? bare.substring(0, bare.length() - 1) : bare;
  }
}
