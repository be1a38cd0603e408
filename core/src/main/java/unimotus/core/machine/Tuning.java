package unimotus.core.machine;

import java.util.Collections;
import java.util.Map;
import java.util.TreeMap;
import unimotus.core.sheet.SettingValue;

/**
 * An auto-tune that was done.
 *
 * @param by who
 * @param at when, as an ISO 8601 instant
 * @param values the settings it was done with, by code: those whose change makes it stale
 */
public record Tuning(String by, String at, Map<String, SettingValue> values) {

  /** Sorts and freezes the values. */
  public Tuning {
    Moments.check("auto-tune", at);
    values = Collections.unmodifiableMap(new TreeMap<>(values));
    if (by.isBlank()) {
      throw new IllegalArgumentException("an auto-tune on record needs a name");
    }
  }
}
