package unimotus.core.machine;

import java.util.List;
import unimotus.core.sheet.Meaning;

/**
 * When a binary input is meant to read on. Several intents for one input are alternatives.
 *
 * @param axis id of the axis it serves
 * @param input the input terminal
 * @param meaning what on means there
 * @param when all of these must hold; empty means always
 */
public record Intent(String axis, TerminalRef input, Meaning meaning, List<Condition> when) {

  /** Takes a copy. */
  public Intent {
    when = List.copyOf(when);
  }
}
