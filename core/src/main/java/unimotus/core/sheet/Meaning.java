package unimotus.core.sheet;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/**
 * What on means at a binary input: a function a drive gives its input, or a state an input of the
 * controller is told.
 */
public enum Meaning {
  PULSE_REFERENCE,
  STEP,
  RUN_FORWARD,
  RUN_REVERSE,
  START,
  START_REVERSE,
  START_DELAYED,
  STOP,
  DIRECTION,
  RESET,
  ENABLE,
  DISABLE,
  ENABLE_RAMP,
  PRESET_1,
  PRESET_2,
  PRESET_3,
  PRESET_4,
  MANUAL_REQUEST,
  EXTERNAL_FAULT,
  TORQUE_PERMITTED,
  MOTOR_COOL,
  HEALTHY,
  READY,
  RUNNING,
  AT_SPEED,
  FAULT,
  STO_ACTIVE,
  STO_HEALTHY,
  BRAKE_RELEASE,
  LIMIT_NEGATIVE,
  LIMIT_POSITIVE,
  HOME_SWITCH;

  /** The meaning of a word as files and sheets have it; empty where it is none. */
  public static Optional<Meaning> find(String word) {
    return Arrays.stream(values()).filter(m -> m.word().equals(word)).findFirst();
  }

  /**
   * The meaning of a word as files and sheets have it.
   *
   * @throws IllegalArgumentException naming the word
   */
  public static Meaning ofWord(String word) {
    return find(word)
        .orElseThrow(() -> new IllegalArgumentException("no input means '%s'".formatted(word)));
  }

  /** The word in files and sheets, such as {@code run-forward}. */
  public String word() {
    return name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  /** The words shown to the user. */
  public String label() {
    return name().toLowerCase(Locale.ROOT).replace('_', ' ');
  }

  /** Whether it commands motion. */
  public boolean isRun() {
    return switch (this) {
      case RUN_FORWARD, RUN_REVERSE, START, START_REVERSE, START_DELAYED, STOP -> true;
      default -> false;
    };
  }

  /** Whether it chooses a preset speed. */
  public boolean isPreset() {
    return preset() > 0;
  }

  /** The number of the preset input, 1 to 4; 0 for every other meaning. */
  public int preset() {
    return switch (this) {
      case PRESET_1 -> 1;
      case PRESET_2 -> 2;
      case PRESET_3 -> 3;
      case PRESET_4 -> 4;
      default -> 0;
    };
  }

  /** Whether a word is a function that commands motion. */
  public static boolean isRun(String word) {
    return find(word).filter(Meaning::isRun).isPresent();
  }
}
