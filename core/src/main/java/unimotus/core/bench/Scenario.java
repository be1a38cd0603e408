package unimotus.core.bench;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityText;

/**
 * What is done to the virtual axis and when.
 *
 * @param name what the scenario is called
 * @param events in order of time
 * @param lengthSeconds how long the bench runs, over 0 to 3600
 */
public record Scenario(String name, List<Event> events, double lengthSeconds) {
  private static final double LONGEST_SECONDS = 3600;

  /**
   * One thing done.
   *
   * @param atSeconds when, not negative
   * @param action what
   * @param value the program's number, for {@link Action#REFERENCE}; else 0
   */
  public record Event(double atSeconds, Action action, double value) {
    /** Checks the time. */
    public Event {
      if (!(atSeconds >= 0 && atSeconds <= LONGEST_SECONDS && Double.isFinite(value))) {
        throw new IllegalArgumentException(
            "event '%s' at %s s: the time must be 0 to %s s"
                .formatted(action.word(), atSeconds, LONGEST_SECONDS));
      }
    }
  }

  /** Sorts the events and checks the length. */
  public Scenario {
    List<Event> sorted = new ArrayList<>(events);
    sorted.sort(Comparator.comparingDouble(Event::atSeconds));
    events = List.copyOf(sorted);
    if (!(lengthSeconds > 0 && lengthSeconds <= LONGEST_SECONDS)) {
      throw new IllegalArgumentException(
          "scenario %s: length must be over 0 to %s s, not %s"
              .formatted(name, LONGEST_SECONDS, lengthSeconds));
    }
  }

  /** Start, run at {@code number}, stop the way the drive is set to. */
  public static Scenario runAndStop(double number, double stopAtSeconds, double lengthSeconds) {
    return new Scenario(
        "run and stop", started(number, new Event(stopAtSeconds, Action.STOP, 0)), lengthSeconds);
  }

  /** Start, run at {@code number}, lose the permission. */
  public static Scenario permissionLost(double number, double atSeconds, double lengthSeconds) {
    return new Scenario(
        "permission lost", started(number, new Event(atSeconds, Action.REVOKE, 0)), lengthSeconds);
  }

  /** Start and step through the quarters of {@code full}. */
  public static Scenario steps(double full, double eachSeconds) {
    List<Event> events = started(0);
    for (int quarter = 1; quarter <= 4; quarter++) {
      events.add(new Event(quarter * eachSeconds, Action.REFERENCE, full * quarter / 4));
    }
    events.add(new Event(5 * eachSeconds, Action.STOP, 0));
    return new Scenario("steps", events, 7 * eachSeconds);
  }

  /** Start and run at one number after the other, then stop. */
  public static Scenario inTurn(List<Double> numbers, double eachSeconds) {
    List<Event> events = started(numbers.get(0));
    for (int i = 1; i < numbers.size(); i++) {
      events.add(new Event(i * eachSeconds, Action.REFERENCE, numbers.get(i)));
    }
    events.add(new Event(numbers.size() * eachSeconds, Action.STOP, 0));
    return new Scenario("each in turn", events, (numbers.size() + 2) * eachSeconds);
  }

  /** Run forward, then without a stop in reverse, then stop. */
  public static Scenario reversal(double number, double eachSeconds) {
    return new Scenario(
        "reversal",
        started(
            number,
            new Event(eachSeconds, Action.REVERSE, 0),
            new Event(2.5 * eachSeconds, Action.STOP, 0)),
        4 * eachSeconds);
  }

  private static List<Event> started(double number, Event... then) {
    List<Event> events = new ArrayList<>();
    events.add(new Event(0, Action.PERMIT, 0));
    events.add(new Event(0, Action.REFERENCE, number));
    events.add(new Event(0.1, Action.FORWARD, 0));
    events.addAll(List.of(then));
    return events;
  }

  /**
   * Reads a scenario of the user's own: {@code 0 permit; 0 reference 12.5; 0.5 forward; 20 stop; 40
   * end}. Times in seconds, numbers in machine units.
   *
   * @throws IllegalArgumentException naming the part that cannot be read
   */
  public static Scenario parse(String name, String text) {
    List<Event> events = new ArrayList<>();
    double length = 0;
    for (String part : text.split("[;\\n]", -1)) {
      if (part.isBlank()) {
        continue;
      }
      String[] words = part.strip().toLowerCase(Locale.ROOT).split("\\s+");
      double at = number(part, words[0]);
      if (words.length > 1 && words[1].equals("end")) {
        length = at;
      } else {
        events.add(event(part, words, at));
      }
    }
    double last = events.stream().mapToDouble(Event::atSeconds).max().orElse(0);
    return new Scenario(name, events, length > 0 ? length : last + 30);
  }

  private static Event event(String part, String[] words, double at) {
    Action action =
        (words.length > 1 ? Action.ofWord(words[1]) : java.util.Optional.<Action>empty())
            .orElseThrow(() -> unreadable(part));
    if (action == Action.REFERENCE && words.length < 3) {
      throw unreadable(part);
    }
    return new Event(at, action, action == Action.REFERENCE ? number(part, words[2]) : 0);
  }

  private static double number(String part, String word) {
    try {
      return QuantityText.parseIn("scenario", word, MeasureUnit.ONE);
    } catch (IllegalArgumentException e) {
      throw unreadable(part);
    }
  }

  private static IllegalArgumentException unreadable(String part) {
    return new IllegalArgumentException(
        "scenario: cannot read '%s'; write TIME ACTION [NUMBER], actions are permit, revoke, forward, reverse, stop, reference, end"
            .formatted(part.strip()));
  }
}
