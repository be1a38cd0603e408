package unimotus.core.profile;

/**
 * A state of the drive as its status word shows it.
 *
 * @param name the name in the profile
 * @param mask the bits that tell it
 * @param value what they are
 * @param kind what the motor does in it
 */
public record WordState(String name, int mask, int value, Kind kind) {

  /** What the motor does. */
  public enum Kind {
    /** Not ready: something must be done first. */
    BLOCKED,
    /** Ready, without torque. */
    READY,
    /** Torque is on. */
    RUNNING,
    /** On the way to standstill. */
    STOPPING,
    FAULT
  }

  /** Checks that the value lies under the mask. */
  public WordState {
    Words.check(mask);
    Words.check(value);
    if ((value & ~mask) != 0) {
      throw new IllegalArgumentException(
          "state %s: value %s has bits outside its mask %s"
              .formatted(name, Words.hex(value), Words.hex(mask)));
    }
  }

  /** Whether a status word shows it. */
  public boolean isShownBy(int status) {
    return (status & mask) == value;
  }
}
