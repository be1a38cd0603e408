package unimotus.core.servo;

import java.util.ArrayList;
import java.util.List;
import unimotus.core.quantity.QuantityFormat;

/**
 * A recording cut where each repeat of the moves starts and laid over what was predicted. The start
 * is taken alike on both: where the axis has gone a hundredth of its own way, less the time the
 * prediction needs for that. A wrong scaling therefore moves no start.
 *
 * @param recorded the recording
 * @param predicted position of the load over time
 * @param repeats the repeats in order, at least one
 * @param tolerance difference that is within what is predicted, in the unit of the axis
 */
public record TraceOverlay(
    RecordedMotion recorded, RecordedMotion predicted, List<Repeat> repeats, double tolerance) {
  /** Part of the way after which a move has started. */
  private static final double TRIGGER = 0.01;

  /** What a position may differ by, of the way (as in the rows of a proof). */
  private static final double OF_WAY = 0.005;

  /** What start and sampling leave open: a few cycles of a recorder (common practice). */
  private static final double OF_TIME = 0.005;

  /** Less than that of the way is noise: no mistake in a scaling is so large. */
  private static final double STILL = 1e-5;

  private static final double AT_FIRST = 0.01;

  /** Slower than that, of the largest speed predicted, it is at rest. */
  private static final double SLOW = 0.02;

  /**
   * One repeat.
   *
   * @param begins moment of the recording at which it starts
   * @param whole whether the recording holds all of it
   * @param offset what is recorded at its start less what is predicted there
   * @param difference the largest difference from the prediction, with its sign
   * @param differsAt seconds after its start at which that is
   * @param ratio way recorded to way predicted
   * @param end the last position recorded within it
   */
  public record Repeat(
      double begins,
      boolean whole,
      double offset,
      double difference,
      double differsAt,
      double ratio,
      double end) {}

  /** Takes a copy. */
  public TraceOverlay {
    repeats = List.copyOf(repeats);
  }

  /**
   * Lays a recording over a prediction.
   *
   * @param unit radians of the motor for one unit of the axis, not 0
   * @param moveSeconds how long the predicted moves take
   * @throws IllegalArgumentException where nothing moves in one of them, or the recording begins
   *     while the axis moves already
   */
  public static TraceOverlay of(
      RecordedMotion recorded, ServoTrace trace, double unit, double moveSeconds) {
    RecordedMotion predicted = loads(trace, unit);
    double way = predicted.span();
    if (way == 0) {
      throw new IllegalArgumentException("nothing moves in what is predicted");
    }
    double own = recorded.span();
    if (own < STILL * way) {
      throw new IllegalArgumentException("the axis does not move in the recording");
    }
    double lead = predicted.leaves(0, TRIGGER * way);
    double level = TRIGGER * own;
    double tolerance = OF_WAY * way + OF_TIME * fastest(trace, unit);
    List<Repeat> repeats = new ArrayList<>();
    double crosses = recorded.leaves(0, level);
    while (!Double.isNaN(crosses)) {
      double begins = crosses - lead;
      if (repeats.isEmpty()
          && begins < recorded.seconds()[0] - OF_TIME
          && moves(recorded, trace, unit)) {
        throw new IllegalArgumentException(
            "the axis moves already when the recording begins; record from rest on");
      }
      repeats.add(repeat(recorded, predicted, begins, moveSeconds));
      int over = recorded.firstAt(begins + moveSeconds);
      crosses = recorded.leaves(recorded.returns(over, level) + 1, level);
    }
    return new TraceOverlay(recorded, predicted, repeats, tolerance);
  }

  private static RecordedMotion loads(ServoTrace trace, double unit) {
    double[] seconds = new double[trace.size()];
    double[] position = new double[trace.size()];
    for (int i = 0; i < seconds.length; i++) {
      seconds[i] = i * trace.period();
      position[i] = trace.load()[i] / unit;
    }
    return new RecordedMotion(seconds, position);
  }

  /** Whether it moves in its first moments. */
  private static boolean moves(RecordedMotion recorded, ServoTrace trace, double unit) {
    double first = recorded.seconds()[0];
    double gone = Math.abs(recorded.at(first + AT_FIRST) - recorded.position()[0]);
    return gone > SLOW * fastest(trace, unit) * AT_FIRST;
  }

  private static double fastest(ServoTrace trace, double unit) {
    double most = 0;
    for (double each : trace.velocity()) {
      most = Math.max(most, Math.abs(each / unit));
    }
    return most;
  }

  private static Repeat repeat(
      RecordedMotion recorded, RecordedMotion predicted, double begins, double moveSeconds) {
    double largest = 0;
    double at = 0;
    double way = 0;
    double end = recorded.at(begins);
    for (int i = recorded.firstAt(begins); i < recorded.size(); i++) {
      double time = recorded.seconds()[i] - begins;
      if (time > moveSeconds) {
        break;
      }
      end = recorded.position()[i];
      way = Math.max(way, Math.abs(end - recorded.position()[0]));
      double difference = end - predicted.at(time);
      if (Math.abs(difference) > Math.abs(largest)) {
        largest = difference;
        at = time;
      }
    }
    boolean whole = recorded.ends() >= begins + moveSeconds - OF_TIME;
    return new Repeat(
        begins,
        whole,
        recorded.at(begins) - predicted.position()[0],
        largest,
        at,
        way / predicted.span(),
        end);
  }

  /** Whether a repeat is whole and within the tolerance. */
  public boolean holds(Repeat repeat) {
    return repeat.whole() && Math.abs(repeat.difference()) <= tolerance;
  }

  /** Whether all repeats are whole and within the tolerance. */
  public boolean holds() {
    return repeats.stream().allMatch(this::holds);
  }

  /** How far the ends of the whole repeats lie apart; not a number for fewer than two. */
  public double spread() {
    double[] ends = repeats.stream().filter(Repeat::whole).mapToDouble(Repeat::end).toArray();
    if (ends.length < 2) {
      return Double.NaN;
    }
    double least = ends[0];
    double most = ends[0];
    for (double each : ends) {
      least = Math.min(least, each);
      most = Math.max(most, each);
    }
    return most - least;
  }

  /** What is seen in a repeat, in a few words. */
  public String seen(Repeat repeat) {
    if (!repeat.whole()) {
      return "the recording ends before it does";
    }
    if (holds(repeat)) {
      return "as predicted";
    }
    if (Math.abs(repeat.ratio() - 1) > 2 * OF_WAY) {
      return "goes %s times the way; compare the copies of the scaling"
          .formatted(
              new QuantityFormat(QuantityFormat.PLAIN.decimalMark(), 3).number(repeat.ratio()));
    }
    if (Math.abs(repeat.offset()) > tolerance) {
      return "begins elsewhere; home it, or correct its start";
    }
    return "the same way in another time; compare limits, dwell and gains";
  }
}
