package unimotus.core.machine;

import java.util.Collections;
import java.util.Map;
import java.util.TreeMap;
import unimotus.core.sheet.SettingValue;

/**
 * The settings of a drive as somebody or something read them.
 *
 * @param kind what it is a copy of
 * @param at when, as an ISO 8601 instant
 * @param by who
 * @param source where from: a file's name, the keypad, an address
 * @param values what was read, by code; codes not there were not read
 */
public record Snapshot(
    Kind kind, String at, String by, String source, Map<String, SettingValue> values) {

  /** What a set of settings is a copy of. */
  public enum Kind {
    /** Before anything was changed. */
    AS_FOUND("as found"),
    /** When the work was done. */
    AS_LEFT("as left"),
    /** What a networked drive works with now. */
    ONLINE("online"),
    /** What a networked drive will have after power off and on. */
    STORED("stored");

    private final String label;

    Kind(String label) {
      this.label = label;
    }

    /** The words shown. */
    public String label() {
      return label;
    }
  }

  /** Sorts and freezes the values. */
  public Snapshot {
    Moments.check("settings " + kind.label, at);
    values = Collections.unmodifiableMap(new TreeMap<>(values));
  }
}
