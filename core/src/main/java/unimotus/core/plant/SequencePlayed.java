package unimotus.core.plant;

import java.util.List;
import java.util.Optional;
import unimotus.core.dryrun.Strip;
import unimotus.core.machine.TerminalRef;

/**
 * What came of a sequence on its bench.
 *
 * @param steps the steps in the order they were run
 * @param samples position and rate, scan by scan
 * @param strips inputs, outputs and switches over the time
 * @param switched what its outputs did, in order of time
 * @param notes what was worth a word, in order of time
 * @param end how it ended
 * @param seconds when that was
 * @param lostPulses pulses the motor did not follow
 */
public record SequencePlayed(
    List<Ran> steps,
    List<Sample> samples,
    List<Strip> strips,
    List<Switched> switched,
    List<Note> notes,
    End end,
    double seconds,
    long lostPulses) {

  /** Takes copies. */
  public SequencePlayed {
    steps = List.copyOf(steps);
    samples = List.copyOf(samples);
    strips = List.copyOf(strips);
    switched = List.copyOf(switched);
    notes = List.copyOf(notes);
  }

  /** How it ended. */
  public enum End {
    DONE("run to its end"),
    LATE("a step took longer than it may"),
    LOST("permission, automatic mode or the axis was lost"),
    STILL_RUNNING("still running at the end of the run"),
    NOT_STARTED("never started");

    private final String label;

    End(String label) {
      this.label = label;
    }

    /** The words shown to the user. */
    public String label() {
      return label;
    }
  }

  /**
   * One step as it was run.
   *
   * @param step which, from 1
   * @param begins seconds from the beginning
   * @param lasts seconds
   * @param position of the machine at its end
   */
  public record Ran(int step, double begins, double lasts, double position) {}

  /**
   * One scan.
   *
   * @param seconds from the beginning
   * @param hertz rate of the pulses, negative backwards
   * @param counted position as the program counts it
   * @param position where the machine is
   */
  public record Sample(double seconds, double hertz, double counted, double position) {}

  /**
   * An output that was switched.
   *
   * @param seconds when
   * @param output which
   * @param on whether on
   */
  public record Switched(double seconds, TerminalRef output, boolean on) {}

  /**
   * Something worth a word.
   *
   * @param seconds when
   * @param text what
   */
  public record Note(double seconds, String text) {}

  /** The first time a step was run; empty where it was not. */
  public Optional<Ran> ran(int step) {
    return steps.stream().filter(r -> r.step() == step).findFirst();
  }

  /** Where the machine is at the end; 0 where nothing was looked at. */
  public double position() {
    return samples.isEmpty() ? 0 : samples.get(samples.size() - 1).position();
  }

  /** Where the program takes it to be at the end. */
  public double counted() {
    return samples.isEmpty() ? 0 : samples.get(samples.size() - 1).counted();
  }
}
