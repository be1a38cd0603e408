package unimotus.core.machine;

import java.util.Collections;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import unimotus.core.sheet.SettingValue;

/**
 * Settings that were changed for a test and have to be put back.
 *
 * @param why what for
 * @param by who
 * @param at when, as an ISO 8601 instant
 * @param before the values to put back, by code
 * @param during the values for the test, by code
 * @param restoredBy who put them back; null while they are out
 * @param restoredAt when; null while they are out
 */
public record Borrowing(
    String why,
    String by,
    String at,
    Map<String, SettingValue> before,
    Map<String, SettingValue> during,
    @Nullable String restoredBy,
    @Nullable String restoredAt) {

  /** Sorts and freezes the maps; checks that something is said. */
  public Borrowing {
    Moments.check("borrowing", at);
    if (restoredAt != null) {
      Moments.check("borrowing", restoredAt);
    }
    before = Collections.unmodifiableMap(new TreeMap<>(before));
    during = Collections.unmodifiableMap(new TreeMap<>(during));
    if (why.isBlank() || by.isBlank()) {
      throw new IllegalArgumentException("borrowing a drive needs a reason and a name");
    }
    if (!before.keySet().equals(during.keySet()) || before.isEmpty()) {
      throw new IllegalArgumentException(
          "borrowing a drive needs, for each changed setting, the value to put back");
    }
  }

  /** Whether something is still to be put back. */
  public boolean isOut() {
    return restoredAt == null;
  }

  /** This borrowing as put back. */
  public Borrowing restored(String who, String when) {
    return new Borrowing(why, by, at, before, during, who, when);
  }
}
