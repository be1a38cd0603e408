package unimotus.core.servo;

/**
 * A position that was recorded over time, on a drive or on its simulation.
 *
 * @param seconds moments, each later than the one before
 * @param position at each of them, in the unit of the axis
 */
public record RecordedMotion(double[] seconds, double[] position) {
  private static final int LEAST = 3;

  /**
   * Takes copies.
   *
   * @throws IllegalArgumentException where the moments do not rise, or there are too few of them
   */
  public RecordedMotion {
    if (seconds.length != position.length || seconds.length < LEAST) {
      throw new IllegalArgumentException(
          "a recording has %d moments and %d positions; %d of each are needed at least"
              .formatted(seconds.length, position.length, LEAST));
    }
    for (int i = 0; i < seconds.length; i++) {
      if (!Double.isFinite(seconds[i]) || !Double.isFinite(position[i])) {
        throw new IllegalArgumentException("value %d is no number".formatted(i + 1));
      }
      if (i > 0 && seconds[i] <= seconds[i - 1]) {
        throw new IllegalArgumentException(
            "the time goes from %s s to %s s at value %d; each moment has to be later than the one before"
                .formatted(seconds[i - 1], seconds[i], i + 1));
      }
    }
    seconds = seconds.clone();
    position = position.clone();
  }

  /** Number of moments. */
  public int size() {
    return seconds.length;
  }

  /** The last moment. */
  public double ends() {
    return seconds[seconds.length - 1];
  }

  /** The first moment at a time or after it; {@link #size} where there is none. */
  public int firstAt(double time) {
    int low = 0;
    int high = seconds.length;
    while (low < high) {
      int middle = (low + high) >>> 1;
      if (seconds[middle] < time) {
        low = middle + 1;
      } else {
        high = middle;
      }
    }
    return low;
  }

  /** The position at a time, between two moments on a straight line; held before and after. */
  public double at(double time) {
    int next = firstAt(time);
    if (next == 0) {
      return position[0];
    }
    if (next == seconds.length) {
      return position[seconds.length - 1];
    }
    double part = (time - seconds[next - 1]) / (seconds[next] - seconds[next - 1]);
    return position[next - 1] + part * (position[next] - position[next - 1]);
  }

  /** How far it goes from its first position, either way. */
  double span() {
    double most = 0;
    for (double each : position) {
      most = Math.max(most, Math.abs(each - position[0]));
    }
    return most;
  }

  /**
   * The moment at which it has gone so far from its first position, from an index on; not a number
   * where it does not.
   */
  double leaves(int from, double level) {
    for (int i = Math.max(1, from); i < seconds.length; i++) {
      double now = Math.abs(position[i] - position[0]);
      if (now > level) {
        double before = Math.abs(position[i - 1] - position[0]);
        double part = before >= level ? 0 : (level - before) / (now - before);
        return seconds[i - 1] + part * (seconds[i] - seconds[i - 1]);
      }
    }
    return Double.NaN;
  }

  /** The first index from one on at which it is back at its first position; its size for none. */
  int returns(int from, double level) {
    int at = from;
    while (at < seconds.length && Math.abs(position[at] - position[0]) > level) {
      at++;
    }
    return at;
  }
}
