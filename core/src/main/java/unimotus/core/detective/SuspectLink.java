package unimotus.core.detective;

import java.util.List;
import unimotus.core.path.ReferenceLink;

/** A link with what can be wrong on it. */
public interface SuspectLink extends ReferenceLink {

  /** The causes that this way alone has; possibly empty. */
  List<Cause> causes();

  /** This link under a cause, on the path of the clues; empty where it does not occur here. */
  List<Variant> variants(Cause cause, Clues clues);
}
