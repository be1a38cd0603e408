package unimotus.core.fieldbus;

import io.soabase.recordbuilder.core.RecordBuilder;
import unimotus.core.quantity.QuantityFormat;

/**
 * One value of a register map. The value is raw · scale + offset.
 *
 * @param name what it is
 * @param table the table it stands in
 * @param address where it begins, counted from 0 as on the wire
 * @param type what its words mean
 * @param order how they lie on the wire
 * @param scale value of one raw step; not 0
 * @param offset value at raw 0
 * @param unit unit of the value; empty for none
 * @param minimum least value that is meant
 * @param maximum greatest value that is meant
 * @param access whether it may be read and written
 * @param group what is read together
 * @param role what it is to the program
 */
@RecordBuilder
public record RegisterEntry(
    String name,
    RegisterTable table,
    int address,
    RegisterType type,
    WordOrder order,
    double scale,
    double offset,
    String unit,
    double minimum,
    double maximum,
    Access access,
    String group,
    RegisterRole role)
    implements RegisterEntryBuilder.With {

  /** Whether a value may be read and written. */
  public enum Access {
    READ("read"),
    WRITE("write"),
    READ_WRITE("read, write");

    private final String label;

    Access(String label) {
      this.label = label;
    }

    /** The words shown. */
    public String label() {
      return label;
    }

    /** Whether it may be written. */
    public boolean isWritable() {
      return this != READ;
    }

    /** Whether it may be read. */
    public boolean isReadable() {
      return this != WRITE;
    }
  }

  /** Checks what no device can have. */
  public RegisterEntry {
    if (name.isBlank()) {
      throw new IllegalArgumentException("a register needs a name");
    }
    if (address < 0 || address + type.words() > 0x10000) {
      throw new IllegalArgumentException(
          "%s: address %d with %d registers lies outside 0 to 65535"
              .formatted(name, address, type.words()));
    }
    if (scale == 0 || !Double.isFinite(scale) || !Double.isFinite(offset)) {
      throw new IllegalArgumentException("%s: the scale must not be %s".formatted(name, scale));
    }
    if (table.isBits() != (type == RegisterType.BIT)) {
      throw new IllegalArgumentException(
          "%s: a %s does not hold a %s".formatted(name, table.label(), type.label()));
    }
    if (!(minimum <= maximum)) {
      throw new IllegalArgumentException(
          "%s: minimum %s is over maximum %s".formatted(name, minimum, maximum));
    }
  }

  /** What words that came over the wire say: a number with its unit, bits, or text. */
  public String shown(int[] words, QuantityFormat format) {
    if (type.isText()) {
      return type.text(words, order);
    }
    double value = value(words);
    return type == RegisterType.BITS_16
        ? "0x%04X".formatted((int) type.decode(words, order))
        : "%s %s".formatted(format.number(value), unit).strip();
  }

  /** The first address after it. */
  public int end() {
    return address + type.words();
  }

  /** The value of words that came over the wire. */
  public double value(int[] words) {
    return type.decode(words, order) * scale + offset;
  }

  /**
   * The words of a value.
   *
   * @throws IllegalArgumentException where it does not fit
   */
  public int[] words(double value) {
    try {
      return type.encode((value - offset) / scale, order);
    } catch (IllegalArgumentException e) {
      throw new IllegalArgumentException("%s: %s".formatted(name, e.getMessage()));
    }
  }

  /** The value nearest to this one that its type holds. */
  public double held(double value) {
    double a = type.least() * scale + offset;
    double b = type.most() * scale + offset;
    return Math.max(Math.min(a, b), Math.min(Math.max(a, b), value));
  }

  /** The words of the value nearest to this one that its type holds. */
  public int[] heldWords(double value) {
    double raw = (value - offset) / scale;
    return type.encode(Math.max(type.least(), Math.min(type.most(), raw)), order);
  }

  /** Where it stands and what one step of it is, for people. */
  public String place() {
    String place =
        "%s %d = %s, %s"
            .formatted(table.label(), address, Notation.FIVE_DIGITS.write(table, address), name);
    boolean counts = unit.isEmpty() && scale == 1;
    return counts
        ? place
        : "%s, one step %s %s".formatted(place, QuantityFormat.PLAIN.number(scale), unit).strip();
  }

  /** An entry whose role is told by its name. */
  public RegisterEntry(
      String name,
      RegisterTable table,
      int address,
      RegisterType type,
      WordOrder order,
      double scale,
      double offset,
      String unit,
      double minimum,
      double maximum,
      Access access,
      String group) {
    this(
        name,
        table,
        address,
        type,
        order,
        scale,
        offset,
        unit,
        minimum,
        maximum,
        access,
        group,
        RegisterRole.ofName(name));
  }

  /** This entry with another role. */
  public RegisterEntry with(RegisterRole next) {
    return withRole(next);
  }

  /** This entry with other limits of what is meant. */
  public RegisterEntry within(double least, double most) {
    return with().minimum(least).maximum(most).build();
  }

  /** This entry at another address. */
  public RegisterEntry at(int next) {
    return withAddress(next);
  }
}
