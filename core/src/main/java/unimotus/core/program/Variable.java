package unimotus.core.program;

/**
 * A variable of a controller's program.
 *
 * @param name its name; letters, digits and single underscores
 * @param type its elementary type, such as {@code REAL}, or a standard function block, such as
 *     {@code TON}
 * @param initial the literal it begins with; empty for the usual one of its type
 * @param comment what it is and where its number comes from
 */
public record Variable(String name, String type, String initial, String comment) {
  /** Checks the name (IEC 61131-3, identifiers). */
  public Variable {
    if (!name.matches("[A-Za-z](_?[A-Za-z0-9])*")) {
      throw new IllegalArgumentException("'%s' is no name of a variable".formatted(name));
    }
  }

  /** A variable that begins with the usual value of its type. */
  public Variable(String name, String type, String comment) {
    this(name, type, "", comment);
  }

  /** Type and initial value as they are declared. */
  public String declared() {
    return initial.isEmpty() ? type : type + " := " + initial;
  }

  /** A name made of what people call something. */
  public static String named(String text) {
    String plain =
        text.replaceAll("[^A-Za-z0-9]+", "_").replaceAll("^_+|_+$", "").replaceAll("__+", "_");
    return plain.isEmpty() || Character.isDigit(plain.charAt(0)) ? "N" + plain : plain;
  }
}
