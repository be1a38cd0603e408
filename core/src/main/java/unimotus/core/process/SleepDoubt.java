package unimotus.core.process;

import java.util.List;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.sheet.SettingRole;

/**
 * Why sleep does not work as set.
 *
 * @param seen what happens, with numbers
 * @param cures each of which alone cures it, the smallest change of that setting; empty where no
 *     single one does
 */
public record SleepDoubt(Kind kind, String seen, List<Cure> cures) {
  /** What goes wrong. */
  public enum Kind {
    CANNOT_HOLD("the set-point cannot be held"),
    OVER_MAXIMUM("the level is over the maximum"),
    STARTING("asleep while starting"),
    NEVER("it never sleeps"),
    AT_WORK("it sleeps at work"),
    HUNTS("it wakes too soon"),
    NO_WAKING("it never wakes");

    private final String label;

    Kind(String label) {
      this.label = label;
    }

    /** For people. */
    public String label() {
      return label;
    }
  }

  /** A setting that cures by itself. */
  public enum Setting {
    LEVEL("sleep level", MeasureUnit.HERTZ_UNIT, SettingRole.SLEEP_LEVEL),
    DELAY("sleep delay", MeasureUnit.SECOND_UNIT, SettingRole.SLEEP_DELAY),
    RAMP("acceleration time", MeasureUnit.SECOND_UNIT, SettingRole.ACCELERATION_TIME),
    MINIMUM("least output of the loop", MeasureUnit.HERTZ_UNIT, SettingRole.LOOP_MINIMUM),
    DEVIATION("wake deviation", MeasureUnit.ONE, SettingRole.WAKE_DEVIATION),
    GAIN("loop gain", MeasureUnit.ONE, SettingRole.LOOP_GAIN);

    private final String label;
    private final MeasureUnit unit;
    private final SettingRole role;

    Setting(String label, MeasureUnit unit, SettingRole role) {
      this.label = label;
      this.unit = unit;
      this.role = role;
    }

    /** What it is on a drive. */
    public SettingRole role() {
      return role;
    }

    /** For people. */
    public String label() {
      return label;
    }

    /** Of its value; none where it is that of the feedback or a bare number. */
    public MeasureUnit unit() {
      return unit;
    }
  }

  /**
   * A single change.
   *
   * @param isUnder whether it must be under the limit; over it otherwise
   */
  public record Cure(Setting setting, boolean isUnder, double limit) {}

  /** Keeps what is handed in. */
  public SleepDoubt {
    cures = List.copyOf(cures);
  }
}
