package unimotus.core.machine;

/** What a switch along the travel of an axis is for. */
public enum SwitchUse {
  /** Positions are counted from it. */
  HOME("home"),
  /** Nothing may move further down from it on. */
  LOW_END("lower end"),
  /** Nothing may move further up from it on. */
  HIGH_END("upper end"),
  /** It tells the program that something is there. */
  SENSOR("sensor");

  private final String label;

  SwitchUse(String label) {
    this.label = label;
  }

  /** The words shown to the user. */
  public String label() {
    return label;
  }

  /** Whether it ends the travel. */
  public boolean isEnd() {
    return this == LOW_END || this == HIGH_END;
  }
}
