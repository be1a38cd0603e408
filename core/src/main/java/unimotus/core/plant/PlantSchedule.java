package unimotus.core.plant;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * What is done to a plant, and when.
 *
 * @param events in order of time
 * @param startsAt where the machine stands at first, in the travel unit; its switches know
 * @param seconds how long it is looked at, over 0 to an hour
 */
public record PlantSchedule(List<Event> events, double startsAt, double seconds) {
  /** An hour. */
  public static final double LONGEST = 3600;

  private static final double PRESSED = 0.2;

  /** One thing done. */
  public record Event(double at, PlantEvent what) {
    /** Checks the time. */
    public Event {
      if (!(at >= 0 && at <= LONGEST)) {
        throw new IllegalArgumentException(
            "'%s' at %s s: the time must be 0 to %.0f s".formatted(what.text(), at, LONGEST));
      }
    }
  }

  /** Sorts the events and checks the numbers. */
  public PlantSchedule {
    List<Event> sorted = new ArrayList<>(events);
    sorted.sort(Comparator.comparingDouble(Event::at));
    events = List.copyOf(sorted);
    if (!(seconds > 0 && seconds <= LONGEST)) {
      throw new IllegalArgumentException(
          "bench: it is looked at for over 0 to %.0f s, not %s s".formatted(LONGEST, seconds));
    }
    if (!Double.isFinite(startsAt)) {
      throw new IllegalArgumentException("bench: the machine stands at a number, not " + startsAt);
    }
  }

  /** Automatic mode, started once. */
  public static PlantSchedule started(double startsAt, double seconds) {
    return new PlantSchedule(press(0.1), startsAt, seconds);
  }

  /** The start button at a time, pressed and let go. */
  public static List<Event> press(double at) {
    return List.of(
        new Event(at, new PlantEvent.Start(true)),
        new Event(at + PRESSED, new PlantEvent.Start(false)));
  }
}
