package unimotus.core.detective;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What the detective makes of the readings.
 *
 * @param suspicions every cause that can occur, most likely first; empty where nothing was measured
 * @param next the measurement that separates the leading causes best, null where none helps
 */
public record Diagnosis(List<Suspicion> suspicions, @Nullable NextMeasurement next) {

  /** Takes a copy of the suspicions. */
  public Diagnosis {
    suspicions = List.copyOf(suspicions);
  }
}
