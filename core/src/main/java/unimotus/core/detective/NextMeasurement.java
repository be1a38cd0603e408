package unimotus.core.detective;

import java.util.List;
import unimotus.core.proof.Prediction;

/**
 * The measurement that would separate the likely causes best.
 *
 * @param prediction what to measure
 * @param separation 0 where it tells nothing, towards 1 where it tells all likely causes apart
 * @param outlook what each likely cause would show there
 */
public record NextMeasurement(Prediction prediction, double separation, List<String> outlook) {

  /** Takes a copy of the outlook. */
  public NextMeasurement {
    outlook = List.copyOf(outlook);
  }
}
