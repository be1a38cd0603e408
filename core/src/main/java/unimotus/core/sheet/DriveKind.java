package unimotus.core.sheet;

import java.util.List;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** What a drive makes of the mains for its motor; each kind says which motors it runs. */
public sealed interface DriveKind {

  /** Motors it runs; at least one kind. */
  List<MotorKind> runs();

  /** Axes on one module. */
  int axes();

  /** The words shown. */
  String label();

  /** Whether it runs a kind of motor. */
  default boolean runs(MotorKind motor) {
    return runs().contains(motor);
  }

  /** The motors it runs, in words. */
  default String motors() {
    return runs().stream().map(k -> k.label() + "s").collect(Collectors.joining(" and "));
  }

  /**
   * A frequency drive: a voltage of a frequency that follows the reference.
   *
   * @param runs motors it runs
   */
  record Frequency(List<MotorKind> runs) implements DriveKind {
    /** Takes a copy. */
    public Frequency {
      runs = checked("frequency drive", runs);
    }

    @Override
    public int axes() {
      return 1;
    }

    @Override
    public String label() {
      return "frequency drive";
    }
  }

  /**
   * A servo drive: current, speed and position by the feedback of the motor.
   *
   * @param runs motors it runs
   * @param axes axes on one module, 1 to 4
   */
  record Servo(List<MotorKind> runs, int axes) implements DriveKind {
    /** Takes a copy and checks the number. */
    public Servo {
      runs = checked("servo drive", runs);
      if (axes < 1 || axes > 4) {
        throw new IllegalArgumentException("servo drive: axes must be 1 to 4, not " + axes);
      }
    }

    @Override
    public String label() {
      return axes == 1 ? "servo drive" : "servo drive of %d axes".formatted(axes);
    }
  }

  /**
   * A step driver: a step of the motor for each pulse.
   *
   * @param runs motors it runs
   * @param data what it says of switches, supply and rates; null where the sheet is silent
   */
  record Step(List<MotorKind> runs, @Nullable StepDriver data) implements DriveKind {
    /** Takes a copy. */
    public Step {
      runs = checked("step driver", runs);
    }

    /** A driver whose sheet says nothing more. */
    public Step(List<MotorKind> runs) {
      this(runs, null);
    }

    @Override
    public int axes() {
      return 1;
    }

    @Override
    public String label() {
      return "step driver";
    }
  }

  private static List<MotorKind> checked(String drive, List<MotorKind> runs) {
    if (runs.isEmpty()) {
      throw new IllegalArgumentException(drive + ": say which motors it runs");
    }
    return List.copyOf(runs);
  }
}
