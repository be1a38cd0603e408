package unimotus.core.settings;

import unimotus.core.sheet.SettingValue;

/**
 * An entry to be made.
 *
 * @param code the setting
 * @param value its value
 * @param role what it is there for
 */
record Entry(String code, SettingValue value, Role role) {
  enum Role {
    /** Puts everything back as it left the works, before all else. */
    RESET,
    /** Opens locked settings for the time of the entry. */
    UNLOCK,
    VALUE,
    /** Puts the lock back as it is meant to stand. */
    LOCK_AGAIN
  }
}
