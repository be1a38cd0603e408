package unimotus.core.way;

import unimotus.core.detective.SuspectLink;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.path.PathFindings;
import unimotus.core.proof.ReadableLink;

/** All that a way of command contributes to the engines: stages, checks, readings, causes. */
public interface CommandLink extends ReadableLink, SuspectLink {

  /** Holds the ends of the link against each other. */
  void check(AxisAssembly axis, PathFindings findings);
}
