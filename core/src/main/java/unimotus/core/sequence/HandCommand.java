package unimotus.core.sequence;

import org.jspecify.annotations.Nullable;

/**
 * What a button does while automatic mode is off: it switches an output, or jogs the axis, for as
 * long as it is held.
 *
 * @param input name of the button's input
 * @param output name of the output; null where it jogs
 * @param backward which way it jogs
 */
public record HandCommand(String input, @Nullable String output, boolean backward) {
  /** Checks the names. */
  public HandCommand {
    if (input.isBlank() || output != null && output.isBlank()) {
      throw new IllegalArgumentException("sequence: a button and what it switches need names");
    }
  }

  /** Whether it jogs the axis. */
  public boolean jogs() {
    return output == null;
  }

  /** As it is read again, such as {@code hand 'valve' while 'button'}. */
  public String words() {
    String does = output == null ? backward ? "jog back" : "jog" : "'%s'".formatted(output);
    return "hand %s while '%s'".formatted(does, input);
  }
}
