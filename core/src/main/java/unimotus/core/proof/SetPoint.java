package unimotus.core.proof;

import unimotus.core.path.SignalPath;

/**
 * Something that is commanded to prove a way of command.
 *
 * @param key what the keys of its predictions begin with, such as {@code ref50}
 * @param group what its predictions share, such as {@code Reference 50 %}
 * @param number the program's number that commands it, in the unit of the mechanics
 * @param how what to do, in a sentence or two
 */
public record SetPoint(String key, String group, double number, String how) {

  /** A share of the program's span. */
  static SetPoint ofPercent(SignalPath path, int percent, String read) {
    return new SetPoint(
        "ref" + percent,
        "Reference %d %%".formatted(percent),
        path.scale().inverse(percent),
        "Command %d %%. %s and display with the motor isolated, then the speeds."
            .formatted(percent, read));
  }
}
