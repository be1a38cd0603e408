package unimotus.core.sheet;

/**
 * What a drive shows in a state.
 *
 * @param state the state, such as {@code not permitted} or {@code fault}
 * @param text the words or the number on its display
 * @param means what the manual says of it; empty where nothing
 */
public record StatusText(String state, String text, String means) {

  /** Checks that there is something to see. */
  public StatusText {
    if (state.isBlank() || text.isBlank()) {
      throw new IllegalArgumentException("status text: a state and what is shown are needed");
    }
  }
}
