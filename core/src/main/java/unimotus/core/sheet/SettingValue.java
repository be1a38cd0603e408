package unimotus.core.sheet;

/** The value of a setting. */
public sealed interface SettingValue {

  /** A number in the unit of its definition. */
  record Number(double value) implements SettingValue {
    /** Refuses a value that is not finite. */
    public Number {
      if (!Double.isFinite(value)) {
        throw new IllegalArgumentException("a setting must be finite, not " + value);
      }
    }
  }

  /** One of the choices, by its stable word. */
  record Choice(String value) implements SettingValue {}
}
