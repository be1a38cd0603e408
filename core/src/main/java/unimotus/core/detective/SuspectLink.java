package unimotus.core.detective;

import java.util.List;
import java.util.Map;
import unimotus.core.path.ReferenceLink;

/** A link with what can be wrong on it. */
public interface SuspectLink extends ReferenceLink {

  /** The causes that this way alone has; possibly empty. */
  List<Cause> causes();

  /** Whether a wire may command the motor to run; what can be wrong with one is suspected then. */
  default boolean isRunByWire() {
    return true;
  }

  /**
   * What rows of its own show while the drive does not run, by key; possibly empty. What a cause
   * says of them goes before.
   */
  default Map<String, String> standing() {
    return Map.of();
  }

  /** This link under a cause, on the path of the clues; empty where it does not occur here. */
  List<Variant> variants(Cause cause, Clues clues);
}
