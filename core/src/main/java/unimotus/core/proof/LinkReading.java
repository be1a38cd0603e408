package unimotus.core.proof;

import java.util.EnumSet;
import java.util.Set;
import unimotus.core.path.Station;

/**
 * Something to be read between the program and the drive's display.
 *
 * @param station where on the path
 * @param value what should be read, in the unit of the station
 * @param tolerance how far off it still agrees
 * @param title what it is, in a few words
 * @param where where it is read
 * @param instrument with what
 * @param parts what of the design decides it
 */
public record LinkReading(
    Station station,
    double value,
    double tolerance,
    String title,
    String where,
    String instrument,
    Set<Part> parts) {

  /** Takes a copy. */
  public LinkReading {
    parts = EnumSet.copyOf(parts);
  }
}
