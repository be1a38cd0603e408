package unimotus.core.way;

import unimotus.core.detective.SuspectLink;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Mechanics;
import unimotus.core.machine.Reference;
import unimotus.core.path.PathFindings;
import unimotus.core.path.ProgramScale;
import unimotus.core.proof.ReadableLink;
import unimotus.core.quantity.MeasureUnit;

/** All that a way of command contributes to the engines: stages, checks, readings, causes. */
public interface CommandLink extends ReadableLink, SuspectLink {

  /** The number that is commanded on an axis, between its ends. */
  default ProgramScale scale(AxisAssembly axis) {
    Reference reference = axis.axis().reference();
    return new ProgramScale(
        reference.speedAtZero(),
        reference.speedAtFull(),
        numberUnit(axis.axis().mechanics()),
        leastPercent(),
        commander());
  }

  private MeasureUnit numberUnit(Mechanics mechanics) {
    return switch (commands()) {
      case SPEED -> mechanics.unit();
      case POSITION -> mechanics.travelUnit();
      case PROCESS_VALUE -> stages().get(stages().size() - 1).unit();
    };
  }

  /** Holds the ends of the link against each other. */
  void check(AxisAssembly axis, PathFindings findings);
}
