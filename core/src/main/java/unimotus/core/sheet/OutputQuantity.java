package unimotus.core.sheet;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** What an analog output of a drive shows. */
public enum OutputQuantity {
  FREQUENCY("output frequency", "frequency"),
  SPEED("speed of the motor", "frequency"),
  CURRENT("motor current", "rated current of the drive"),
  TORQUE("torque of the motor", "rated torque of the motor"),
  LOAD("load of the motor", "rated torque of the motor"),
  POWER("shaft power", "rated power of the motor");

  private final String label;
  private final String rated;

  OutputQuantity(String label, String rated) {
    this.label = label;
    this.rated = rated;
  }

  /** The words shown. */
  public String label() {
    return label;
  }

  /** What its full scale is counted in, or is a share of, in words. */
  public String rated() {
    return rated;
  }

  /** Whether it tells how fast the motor turns. */
  public boolean isSpeed() {
    return this == FREQUENCY || this == SPEED;
  }

  /** The word that stands for it in sheets and projects. */
  public String word() {
    return name().toLowerCase(Locale.ROOT);
  }

  /** The quantity of a word; empty for {@code none} and words that are not known. */
  public static Optional<OutputQuantity> of(String word) {
    return Arrays.stream(values()).filter(q -> q.word().equals(word)).findFirst();
  }
}
