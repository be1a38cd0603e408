package unimotus.core.sheet;

import java.util.ArrayList;
import java.util.List;

/**
 * A guarded entry of a drive or its safety module: what has to be so before, what is done, what the
 * display then shows, and what to do when the time runs out.
 *
 * @param setting code of the setting that is entered by it
 * @param before what has to be so before the first step, in order
 * @param steps what is done, in order; {@code {value}} stands for what is entered
 * @param shows what the display shows once it is taken
 * @param withinSeconds from the first step to the last, at most; 0 where there is no limit
 * @param otherwise what to do when it was too slow or is refused
 * @param after what has to be put back afterwards, in order
 */
public record EntryProcedure(
    String setting,
    List<String> before,
    List<String> steps,
    String shows,
    double withinSeconds,
    String otherwise,
    List<String> after) {

  /** Takes copies and checks that there is something to do. */
  public EntryProcedure {
    before = List.copyOf(before);
    steps = List.copyOf(steps);
    after = List.copyOf(after);
    if (steps.isEmpty()) {
      throw new IllegalArgumentException(
          "procedure for setting %s: it has no step".formatted(setting));
    }
    if (!(withinSeconds >= 0)) {
      throw new IllegalArgumentException(
          "procedure for setting %s: its time must not be negative, but is %s s"
              .formatted(setting, withinSeconds));
    }
  }

  /** The whole procedure in words, for a value. */
  public String text(String value) {
    List<String> words = new ArrayList<>();
    before.forEach(b -> words.add("First: %s.".formatted(b)));
    for (int i = 0; i < steps.size(); i++) {
      words.add("%d. %s.".formatted(i + 1, steps.get(i).replace("{value}", value)));
    }
    words.add("The display shows %s.".formatted(shows));
    if (withinSeconds > 0) {
      words.add(
          "All within %s s; if not: %s."
              .formatted(Long.toString(Math.round(withinSeconds)), otherwise));
    } else if (!otherwise.isBlank()) {
      words.add("If refused: %s.".formatted(otherwise));
    }
    after.forEach(a -> words.add("Then: %s.".formatted(a)));
    return String.join(" ", words);
  }
}
