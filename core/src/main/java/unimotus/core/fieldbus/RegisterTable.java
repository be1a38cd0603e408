package unimotus.core.fieldbus;

/** The four tables of a register device, each counting from 0 on the wire. */
public enum RegisterTable {
  COIL("coil", 0, 2000, 1968, true),
  DISCRETE_INPUT("discrete input", 1, 2000, 0, true),
  INPUT_REGISTER("input register", 3, 125, 0, false),
  HOLDING_REGISTER("holding register", 4, 125, 123, false);

  private final String label;
  private final int prefix;
  private final int mostRead;
  private final int mostWritten;
  private final boolean bits;

  RegisterTable(String label, int prefix, int mostRead, int mostWritten, boolean bits) {
    this.label = label;
    this.prefix = prefix;
    this.mostRead = mostRead;
    this.mostWritten = mostWritten;
    this.bits = bits;
  }

  /** The name of one place in it. */
  public String label() {
    return label;
  }

  /** The first digit of its references in manuals. */
  public int prefix() {
    return prefix;
  }

  /** The most places one request reads. */
  public int mostRead() {
    return mostRead;
  }

  /** The most places one request writes; 0 where it is for reading only. */
  public int mostWritten() {
    return mostWritten;
  }

  /** Whether its places are single bits. */
  public boolean isBits() {
    return bits;
  }

  /** The function code that reads it. */
  public int readFunction() {
    return switch (this) {
      case COIL -> 1;
      case DISCRETE_INPUT -> 2;
      case HOLDING_REGISTER -> 3;
      case INPUT_REGISTER -> 4;
    };
  }
}
