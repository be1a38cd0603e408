package unimotus.core.process;

import java.util.Comparator;
import java.util.List;

/**
 * Something that happens to a loop.
 *
 * @param atSeconds 0 or more
 * @param value in the unit of its kind; 0 where it has none
 */
public record LoopEvent(double atSeconds, Kind kind, double value) {
  /** What happens. */
  public enum Kind {
    /** What is taken from the process, in its unit. */
    DEMAND,
    /** Another set-point, in the unit of the feedback. */
    SET_POINT,
    /** A new start command. */
    START,
    STOP,
    /** By hand, at this many hertz; only where it is started. */
    HAND,
    /** Back to the loop. */
    AUTO,
    MAINS_LOST,
    MAINS_BACK,
    FEEDBACK_LOST,
    FEEDBACK_BACK
  }

  /** Checks the numbers. */
  public LoopEvent {
    if (!(atSeconds >= 0) || !Double.isFinite(value) || Double.isInfinite(atSeconds)) {
      throw new IllegalArgumentException(
          "%s at %s s, %s: the time must be 0 s or more".formatted(kind, atSeconds, value));
    }
  }

  /** An event without a value. */
  public static LoopEvent of(double atSeconds, Kind kind) {
    return new LoopEvent(atSeconds, kind, 0);
  }

  /** The earliest first; those at the same time in the order given. */
  static List<LoopEvent> inOrder(List<LoopEvent> events) {
    return events.stream().sorted(Comparator.comparingDouble(LoopEvent::atSeconds)).toList();
  }
}
