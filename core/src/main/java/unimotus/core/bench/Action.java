package unimotus.core.bench;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** What can be done to the virtual axis. */
public enum Action {
  /** Permission is given: safe torque off and enable closed. */
  PERMIT,
  /** Permission is taken away. */
  REVOKE,
  /** Run command forward. */
  FORWARD,
  /** Run command in reverse. */
  REVERSE,
  /** Run command withdrawn. */
  STOP,
  /** The program's number is set, in machine units. */
  REFERENCE;

  /** The word in scenario texts. */
  public String word() {
    return name().toLowerCase(Locale.ROOT);
  }

  /** The action of this word; empty where there is none. */
  public static Optional<Action> ofWord(String word) {
    return Arrays.stream(values()).filter(a -> a.word().equals(word)).findFirst();
  }
}
