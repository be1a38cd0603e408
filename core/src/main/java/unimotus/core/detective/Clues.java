package unimotus.core.detective;

import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.DoubleStream;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Station;

/** What the readings of a path say together. */
record Clues(SignalPath path, List<Clue> all) {

  /** The readings of one station. */
  List<Clue> at(Station station) {
    return all.stream().filter(c -> c.prediction().station() == station).toList();
  }

  /** Their sizes. */
  DoubleStream measured(Station station) {
    return at(station).stream().mapToDouble(c -> Math.abs(c.measured()));
  }

  /** Median of measured over predicted at a station; empty where nothing was measured there. */
  OptionalDouble ratio(Station station) {
    return median(
        at(station).stream()
            .filter(c -> Math.abs(c.predictedBy(path)) > 5 * c.tolerance())
            .mapToDouble(c -> c.measured() / c.predictedBy(path))
            .filter(r -> r > 0.02 && r < 50));
  }

  /** The value in the middle; empty where there is none. */
  static OptionalDouble median(DoubleStream values) {
    double[] sorted = values.sorted().toArray();
    if (sorted.length == 0) {
      return OptionalDouble.empty();
    }
    int middle = sorted.length / 2;
    return OptionalDouble.of(
        sorted.length % 2 == 1 ? sorted[middle] : (sorted[middle - 1] + sorted[middle]) / 2);
  }
}
