package unimotus.core.path;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
import unimotus.core.derivation.Derivation;

/**
 * The whole path at one number.
 *
 * @param points one a station, in the order of the signal; the answer's stations last, if any
 */
public record PathState(List<PathPoint> points) {

  /** Takes a copy. */
  public PathState {
    points = List.copyOf(points);
  }

  /** The point at a station; empty where the path does not have it. */
  public Optional<PathPoint> at(Station station) {
    return points.stream().filter(p -> p.station() == station).findFirst();
  }

  /** The value at a station; not-a-number where the path does not have it. */
  public double value(Station station) {
    return at(station).map(PathPoint::value).orElse(Double.NaN);
  }

  /** The sum from the program's number up to and with {@code station}. */
  public Derivation derivation(Station station) {
    return new Derivation(
        points.stream()
            .filter(p -> p.station().compareTo(station) <= 0)
            .filter(p -> station.isAnswer() ? feedsAnswer(p.station()) : !p.station().isAnswer())
            .map(PathPoint::sum)
            .filter(Objects::nonNull)
            .toList());
  }

  private static boolean feedsAnswer(Station station) {
    return station.isAnswer() || station.compareTo(Station.FREQUENCY) <= 0;
  }
}
