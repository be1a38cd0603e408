package unimotus.core.dryrun;

import java.util.List;
import unimotus.core.bench.Trace;

/**
 * What came of a dry-run through the wires.
 *
 * @param trace speeds, current and torque, tick by tick
 * @param strips inputs, outputs and positions, in the order of the signal
 * @param notes what was worth a word, in order of time
 */
public record DryRun(Trace trace, List<Strip> strips, List<Note> notes) {

  /** Takes copies. */
  public DryRun {
    strips = List.copyOf(strips);
    notes = List.copyOf(notes);
  }

  /**
   * Something worth a word.
   *
   * @param atSeconds when
   * @param text what
   */
  public record Note(double atSeconds, String text) {}
}
