package unimotus.core.machine;

import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import unimotus.core.sheet.AddressCounting;

/**
 * A direct address of a controller's program (IEC 61131-3, from memory), such as {@code %IX0.3} or
 * {@code %QW80}. What the number counts is the controller's own affair.
 *
 * @param location whether it is an input or an output
 * @param width how much of it
 * @param number its number, from 0
 * @param bit the bit; null for a byte and more
 */
public record IoAddress(Location location, Width width, int number, @Nullable Integer bit) {
  private static final Pattern FORM =
      Pattern.compile("%([IQ])([XBWD]?)(\\d{1,5})(?:\\.(\\d{1,2}))?");
  private static final int MOST_BIT = 15;

  /** Which side of the controller. */
  public enum Location {
    INPUT('I'),
    OUTPUT('Q');

    private final char letter;

    Location(char letter) {
      this.letter = letter;
    }
  }

  /** How many bits. */
  public enum Width {
    BIT('X', 1),
    BYTE('B', 8),
    WORD('W', 16),
    DOUBLE('D', 32);

    private final char letter;
    private final int bits;

    Width(char letter, int bits) {
      this.letter = letter;
      this.bits = bits;
    }
  }

  /** Checks that only a bit has the number of one. */
  public IoAddress {
    if (number < 0 || (width == Width.BIT) != (bit != null)) {
      throw new IllegalArgumentException(
          "an address is like %IX0.3 or %QW80; only a bit has a number behind the point");
    }
    if (bit != null && (bit < 0 || bit > MOST_BIT)) {
      throw new IllegalArgumentException("a bit is 0 to 15, not " + bit);
    }
  }

  /**
   * Reads an address.
   *
   * @throws IllegalArgumentException naming it, where it is none
   */
  public static IoAddress parse(String text) {
    Matcher form = FORM.matcher(text.strip().toUpperCase(java.util.Locale.ROOT));
    if (!form.matches()) {
      throw new IllegalArgumentException(
          "'%s' is no address of an input or output, such as %%IX0.3 or %%QW80".formatted(text));
    }
    Location location = form.group(1).equals("I") ? Location.INPUT : Location.OUTPUT;
    Width width =
        switch (form.group(2)) {
          case "B" -> Width.BYTE;
          case "W" -> Width.WORD;
          case "D" -> Width.DOUBLE;
          default -> Width.BIT;
        };
    Integer bit = form.group(4) == null ? null : Integer.valueOf(form.group(4));
    return new IoAddress(location, width, Integer.parseInt(form.group(3)), bit);
  }

  /** Whether it shares a bit with another one. */
  public boolean overlaps(IoAddress other, AddressCounting counting) {
    return location == other.location
        && firstBit(counting) < other.endBit(counting)
        && other.firstBit(counting) < endBit(counting);
  }

  private int firstBit(AddressCounting counting) {
    // Bytes count bytes on every controller; only what is wider is counted in two ways.
    int unit = width == Width.BYTE ? Width.BYTE.bits : counting.unitBits();
    return number * unit + (bit == null ? 0 : bit);
  }

  private int endBit(AddressCounting counting) {
    return firstBit(counting) + width.bits;
  }

  /** Whether the bit it names is one of the unit it is counted in. */
  public boolean isWithin(AddressCounting counting) {
    return bit == null || bit < counting.unitBits();
  }

  @Override
  public String toString() {
    String place = "%%%s%s%d".formatted(location.letter, width.letter, number);
    return bit == null ? place : place + "." + bit;
  }
}
