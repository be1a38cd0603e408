package unimotus.core.machine;

import org.jspecify.annotations.Nullable;

/**
 * Something about the safety of an axis that has to stay on record.
 *
 * @param axis id of the axis
 * @param kind what it is
 * @param text the reason, or what was bypassed and how
 * @param by who did it
 * @param at when, as an ISO 8601 instant
 * @param removedBy who took a bypass away; null while it is there
 * @param removedAt when it was taken away; null while it is there
 */
public record SafetyNote(
    String axis,
    Kind kind,
    String text,
    String by,
    String at,
    @Nullable String removedBy,
    @Nullable String removedAt) {

  /** What is on record. */
  public enum Kind {
    /** Work went on although the stop was not proved. */
    GOING_ON,
    /** A safety function was bypassed for a test. */
    BYPASS
  }

  /** Checks that something is said. */
  public SafetyNote {
    Moments.check("note of axis " + axis, at);
    if (removedAt != null) {
      Moments.check("note of axis " + axis, removedAt);
    }
    if (text.isBlank() || by.isBlank()) {
      throw new IllegalArgumentException("a note for the record needs a reason and a name");
    }
  }

  /** Whether a bypass is still there. */
  public boolean isStanding() {
    return kind == Kind.BYPASS && removedAt == null;
  }

  /** This bypass as taken away. */
  public SafetyNote removed(String who, String when) {
    return new SafetyNote(axis, kind, text, by, at, who, when);
  }
}
