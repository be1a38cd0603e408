package unimotus.core.detective;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.stream.DoubleStream;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Station;
import unimotus.core.proof.Predictor;
import unimotus.core.proof.StopPredictions;

/** What the readings of a path say together. */
public record Clues(SignalPath path, List<Clue> all) {
  private static final Station[] SHOWING_HERTZ = {
    Station.FREQUENCY, Station.SHAFT, Station.MACHINE
  };

  /** The readings of one station. */
  public List<Clue> at(Station station) {
    return all.stream().filter(c -> c.prediction().station() == station).toList();
  }

  /** The output frequencies that were read, or that shaft and machine speeds were read at. */
  public DoubleStream hertz() {
    return Arrays.stream(SHOWING_HERTZ).flatMapToDouble(this::hertz);
  }

  /** Greatest frequency seen, once for each station it was seen at: display, shaft, machine. */
  public DoubleStream mostHertz() {
    return Arrays.stream(SHOWING_HERTZ).flatMapToDouble(s -> hertz(s).max().stream());
  }

  /** Least frequency seen, once for each station it was seen at. */
  public DoubleStream leastHertz() {
    return Arrays.stream(SHOWING_HERTZ).flatMapToDouble(s -> hertz(s).min().stream());
  }

  private DoubleStream hertz(Station station) {
    return at(station).stream().mapToDouble(this::hertz).filter(Double::isFinite).map(Math::abs);
  }

  private double hertz(Clue clue) {
    Station station = clue.prediction().station();
    if (station == null || !clue.isNumber() || !path.hasMotor()) {
      return Double.NaN;
    }
    return switch (station) {
      case FREQUENCY -> clue.measured();
      case SHAFT -> atShaft(clue.measured());
      case MACHINE -> atShaft(path.mechanics().shaftRpm(clue.measured()));
      default -> Double.NaN;
    };
  }

  private double atShaft(double rpm) {
    return path.motor().hertz(rpm);
  }

  /** Median of measured over predicted at a station; empty where nothing was measured there. */
  public OptionalDouble ratio(Station station) {
    return median(
        at(station).stream()
            .filter(c -> Math.abs(c.predictedBy(path)) > 5 * c.tolerance())
            .mapToDouble(c -> c.measured() / c.predictedBy(path))
            .filter(r -> r > 0.02 && r < 50));
  }

  /**
   * Measured over predicted of the reading at a station that tells it most closely; empty where
   * none tells it to a fifth.
   */
  public OptionalDouble sharpestRatio(Station station) {
    return at(station).stream()
        .filter(c -> Math.abs(c.predictedBy(path)) > 5 * c.tolerance())
        .max(Comparator.comparingDouble(c -> Math.abs(c.predictedBy(path)) / c.tolerance()))
        .stream()
        .mapToDouble(c -> c.measured() / c.predictedBy(path))
        .findFirst();
  }

  /** Measured over expected of these predictions, by key; those that were not read left out. */
  public Map<String, Double> ratios(List<String> keys) {
    Map<String, Double> ratios = new TreeMap<>();
    for (Clue clue : all) {
      if (keys.contains(clue.prediction().key()) && clue.isNumber()) {
        double expected = Clue.amountUnder(clue.prediction(), Variant.of("", path));
        double ratio = clue.measured() / expected;
        if (ratio > 0.02 && ratio < 50) {
          ratios.put(clue.prediction().key(), Math.round(1000 * ratio) / 1000.0);
        }
      }
    }
    return ratios;
  }

  /** Rows of the stops that show this state, by key. */
  Map<String, String> ofStopsIn(String state) {
    Map<String, String> found = new TreeMap<>();
    for (Clue clue : all) {
      String key = clue.prediction().key();
      if (key.startsWith(StopPredictions.PREFIX) && state.equals(clue.reading().word())) {
        found.put(key, state);
      }
    }
    return found;
  }

  /** Share of its volts the run input carries where it does not read on; 0 where not measured. */
  double shareOfRunVolts() {
    double share = ratios(List.of(Predictor.RUN_VOLTS)).getOrDefault(Predictor.RUN_VOLTS, 0.0);
    return share < 0.5 ? share : 0;
  }

  /** Terminals of the permission that carry less than half of what they should, by key. */
  Map<String, Double> openChannels() {
    Map<String, Double> found = new TreeMap<>();
    for (Clue clue : all) {
      if (StopPredictions.isReleasedVolts(clue.prediction().key()) && clue.isNumber()) {
        double expected = Clue.amountUnder(clue.prediction(), Variant.of("", path));
        if (Math.abs(clue.measured()) < Math.abs(expected) / 2) {
          found.put(clue.prediction().key(), clue.measured() / expected);
        }
      }
    }
    return found;
  }

  /** The value in the middle; empty where there is none. */
  public static OptionalDouble median(DoubleStream values) {
    double[] sorted = values.sorted().toArray();
    if (sorted.length == 0) {
      return OptionalDouble.empty();
    }
    int middle = sorted.length / 2;
    return OptionalDouble.of(
        sorted.length % 2 == 1 ? sorted[middle] : (sorted[middle - 1] + sorted[middle]) / 2);
  }
}
