package unimotus.core.sequence;

import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** One step of a sequence. */
public sealed interface SequenceStep {

  /** What ends it beside its own work; empty where nothing is waited for. */
  default Optional<Until> ends() {
    return Optional.empty();
  }

  /** Whether it moves the axis. */
  default boolean moves() {
    return false;
  }

  /**
   * The axis runs until something is seen.
   *
   * @param backward which way
   * @param until what ends it
   */
  record Jog(boolean backward, Until until) implements SequenceStep {
    @Override
    public Optional<Until> ends() {
      return Optional.of(until);
    }

    @Override
    public boolean moves() {
      return true;
    }
  }

  /**
   * The axis moves.
   *
   * @param amount distance or position, in the travel unit of the axis
   * @param absolute whether it is a position
   * @param value name of the value it stands for; null where it is a plain number
   */
  record Move(double amount, boolean absolute, @Nullable String value) implements SequenceStep {
    /** Checks the number. */
    public Move {
      if (!Double.isFinite(amount)) {
        throw new IllegalArgumentException("sequence: a move must be a number, not " + amount);
      }
    }

    @Override
    public boolean moves() {
      return true;
    }
  }

  /**
   * Nothing happens for a time.
   *
   * @param seconds a millisecond at least
   */
  record Wait(double seconds) implements SequenceStep {
    /** Checks the time. */
    public Wait {
      if (!(seconds >= 0.001 && seconds <= Until.LONGEST)) {
        throw new IllegalArgumentException(
            "sequence: a wait must be 0.001 to 86400 s, not %s s".formatted(seconds));
      }
    }
  }

  /**
   * Nothing happens until something is seen.
   *
   * @param until what
   */
  record WaitFor(Until until) implements SequenceStep {
    @Override
    public Optional<Until> ends() {
      return Optional.of(until);
    }
  }

  /**
   * An output is switched, for good or until something is seen.
   *
   * @param output its name
   * @param on whether on
   * @param until what switches it back; null where it stays
   */
  record Switch(String output, boolean on, @Nullable Until until) implements SequenceStep {
    /** Checks the name. */
    public Switch {
      if (output.isBlank()) {
        throw new IllegalArgumentException("sequence: an output needs a name");
      }
    }

    @Override
    public Optional<Until> ends() {
      return Optional.ofNullable(until);
    }
  }

  /**
   * From the first step again.
   *
   * @param times rounds in all; 0 for without end
   */
  record Repeat(int times) implements SequenceStep {
    private static final int MOST = 30_000;

    /** Checks the number. */
    public Repeat {
      if (times < 0 || times > MOST) {
        throw new IllegalArgumentException(
            "sequence: it is repeated 1 to %d times, not %d".formatted(MOST, times));
      }
    }
  }
}
