package unimotus.core.dryrun;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * What is done to a line in a dry-run, and when.
 *
 * @param name what it is called
 * @param events in order of time; those of one moment happen together
 * @param lengthSeconds how long it runs, over 0 to 3600
 */
public record DrySchedule(String name, List<Event> events, double lengthSeconds) {
  /** The longest there is. */
  public static final double LONGEST_SECONDS = 3600;

  /**
   * One thing done.
   *
   * @param atSeconds when, not negative
   * @param change what
   */
  public record Event(double atSeconds, Change change) {
    /** Checks the time. */
    public Event {
      if (!(atSeconds >= 0 && atSeconds <= LONGEST_SECONDS)) {
        throw new IllegalArgumentException(
            "'%s' at %s s: the time must be 0 to %s s"
                .formatted(change.text(), atSeconds, LONGEST_SECONDS));
      }
    }
  }

  /** Sorts the events and checks the length. */
  public DrySchedule {
    List<Event> sorted = new ArrayList<>(events);
    sorted.sort(Comparator.comparingDouble(Event::atSeconds));
    events = List.copyOf(sorted);
    if (!(lengthSeconds > 0 && lengthSeconds <= LONGEST_SECONDS)) {
      throw new IllegalArgumentException(
          "%s: length must be over 0 to %s s, not %s"
              .formatted(name, LONGEST_SECONDS, lengthSeconds));
    }
  }
}
