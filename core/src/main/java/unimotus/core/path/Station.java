package unimotus.core.path;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** A place on the signal path where a value can be read, in the order the signal runs. */
public enum Station {
  NUMBER("Number", "in the controller's program"),
  PERCENT("Percent", "normalised in the program"),
  COUNTS("Counts", "written by the program"),
  SIGNAL("Signal", "on the wires"),
  DRIVE_PERCENT("Input", "read by the drive"),
  FREQUENCY("Output", "drive's display"),
  SYNCHRONOUS("Field", "synchronous speed"),
  SHAFT("Shaft", "motor shaft, with slip"),
  GEAR("Gear", "gear output"),
  MACHINE("Machine", "what moves"),
  ANSWER_SIGNAL("Answer", "actual value on the wires"),
  ANSWER_COUNTS("Answer counts", "read by the input module"),
  ANSWER_NUMBER("Answer number", "shown by the program");

  private final String label;
  private final String where;

  Station(String label, String where) {
    this.label = label;
    this.where = where;
  }

  /** The name shown above the value. */
  public String label() {
    return label;
  }

  /** Where the value lives, in a few words. */
  public String where() {
    return where;
  }

  /** Whether the station belongs to the way back. */
  public boolean isAnswer() {
    return ordinal() >= ANSWER_SIGNAL.ordinal();
  }

  /** The word for it in files and on the command line, such as {@code drive-percent}. */
  public String key() {
    return name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  /** The station with this key; empty where there is none. */
  public static Optional<Station> ofKey(String key) {
    return Arrays.stream(values()).filter(s -> s.key().equals(key)).findFirst();
  }
}
