package unimotus.core.way.preset;

import java.util.SortedSet;

/**
 * One speed the program can choose.
 *
 * @param number the combination of inputs
 * @param name what it is for; empty where nobody said
 * @param percent the speed that is meant, in percent of the program's span
 * @param closed the preset inputs that are closed for it, by their numbers; empty for none
 */
record PresetChoice(int number, String name, double percent, SortedSet<Integer> closed) {

  /** The combination in words, such as {@code preset 2, dry: input 2 closed}. */
  String text() {
    String inputs =
        closed.isEmpty()
            ? "no preset input closed"
            : "input %s closed"
                .formatted(String.join(" and ", closed.stream().map(i -> "preset " + i).toList()));
    return name.isEmpty() ? inputs : "%s, %s".formatted(name, inputs);
  }
}
