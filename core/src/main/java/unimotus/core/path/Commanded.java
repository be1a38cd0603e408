package unimotus.core.path;

/** What an axis is told to do. Its chain ends in a value of it. */
public enum Commanded {
  /** How fast: the motor follows the drive's output. */
  SPEED("speed"),
  /** Where to: the drive closes the loop over the shaft or over what it moves. */
  POSITION("position"),
  /** A pressure, a level, a temperature: the drive closes the loop over the process. */
  PROCESS_VALUE("process value");

  private final String word;

  Commanded(String word) {
    this.word = word;
  }

  /** The word for it at the beginning of a label. */
  public String label() {
    return Character.toUpperCase(word.charAt(0)) + word.substring(1);
  }

  /** The word for it, as in "the position of the machine". */
  public String word() {
    return word;
  }
}
