package unimotus.core.process;

import java.util.List;
import java.util.OptionalDouble;

/**
 * How a loop went.
 *
 * @param samples at even times
 * @param notes what the drive did, in order
 */
public record LoopPlayed(List<Sample> samples, List<Note> notes) {
  /**
   * One look.
   *
   * @param seconds from the start of the play
   * @param setPoint in the unit of the feedback
   * @param value of the process, in its unit
   * @param hertz output of the drive
   */
  public record Sample(
      double seconds, double setPoint, double value, double hertz, LoopState state) {}

  /** From when on the drive was in a state. */
  public record Note(double seconds, LoopState state) {}

  /** Keeps what is handed in. */
  public LoopPlayed {
    samples = List.copyOf(samples);
    notes = List.copyOf(notes);
  }

  /** When it first was in a state. */
  public OptionalDouble first(LoopState state) {
    return notes.stream().filter(n -> n.state() == state).mapToDouble(Note::seconds).findFirst();
  }

  /** How often it went into a state. */
  public long times(LoopState state) {
    return notes.stream().filter(n -> n.state() == state).count();
  }

  /** The last look. */
  public Sample last() {
    return samples.get(samples.size() - 1);
  }
}
