package unimotus.core.sheet;

import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** What a drive does with its settings besides keeping them, as its manual tells. */
public sealed interface SettingRule {

  /**
   * Entering one setting writes others as well, as a macro does.
   *
   * @param code the setting that is entered
   * @param when the value it happens at; null where any entry does it
   * @param sets what is written, by code
   */
  record Rewrites(String code, @Nullable String when, Map<String, SettingValue> sets)
      implements SettingRule {
    /** Sorts and freezes the map. */
    public Rewrites {
      sets = Collections.unmodifiableMap(new TreeMap<>(sets));
    }
  }

  /**
   * Entering one setting puts all others back as they left the works.
   *
   * @param code the setting that is entered
   * @param when the value it happens at
   * @param keepsLink whether the settings of the communication stay
   */
  record Resets(String code, String when, boolean keepsLink) implements SettingRule {}

  /**
   * Settings that can be entered only while another one stands at a value.
   *
   * @param codes the locked ones
   * @param by the setting that locks them
   * @param value where it has to stand
   */
  record Locked(List<String> codes, String by, String value) implements SettingRule {
    /** Takes a copy. */
    public Locked {
      codes = List.copyOf(codes);
    }
  }

  /** Settings that can be entered only while the motor stands. */
  record AtStandstill(List<String> codes) implements SettingRule {
    /** Takes a copy. */
    public AtStandstill {
      codes = List.copyOf(codes);
    }
  }

  /**
   * Settings that have to be entered twice.
   *
   * @param codes the settings
   * @param withinSeconds how long the drive waits for the second entry
   */
  record Confirmed(List<String> codes, double withinSeconds) implements SettingRule {
    /** Takes a copy and checks the time. */
    public Confirmed {
      codes = List.copyOf(codes);
      if (!(withinSeconds > 0)) {
        throw new IllegalArgumentException(
            "the time for a second entry must be over 0 s, not " + withinSeconds);
      }
    }
  }

  /** Settings after whose change the auto-tune has to be done again. */
  record SpoilsTuning(List<String> codes) implements SettingRule {
    /** Takes a copy. */
    public SpoilsTuning {
      codes = List.copyOf(codes);
    }
  }

  /** Settings of the communication; changing them by communication cuts it off. */
  record OfTheLink(List<String> codes) implements SettingRule {
    /** Takes a copy. */
    public OfTheLink {
      codes = List.copyOf(codes);
    }
  }

  /** All codes the rule names. */
  default List<String> named() {
    if (this instanceof Rewrites r) {
      return Stream.concat(Stream.of(r.code()), r.sets().keySet().stream()).toList();
    }
    if (this instanceof Resets r) {
      return List.of(r.code());
    }
    if (this instanceof Locked l) {
      return Stream.concat(l.codes().stream(), Stream.of(l.by())).toList();
    }
    return members();
  }

  /** The codes of a rule that lists some; empty for the others. */
  default List<String> members() {
    if (this instanceof AtStandstill s) {
      return s.codes();
    }
    if (this instanceof Confirmed c) {
      return c.codes();
    }
    if (this instanceof SpoilsTuning t) {
      return t.codes();
    }
    return this instanceof OfTheLink o ? o.codes() : List.of();
  }

  /**
   * This rule for a drive that has only some settings.
   *
   * @param has tells whether a code is still there
   * @return empty where nothing of the rule is left
   */
  default Optional<SettingRule> keeping(Predicate<String> has) {
    if (this instanceof Rewrites r) {
      Map<String, SettingValue> kept = new TreeMap<>(r.sets());
      kept.keySet().removeIf(has.negate());
      return has.test(r.code()) && !kept.isEmpty()
          ? Optional.of(new Rewrites(r.code(), r.when(), kept))
          : Optional.empty();
    }
    if (this instanceof Resets r) {
      return Optional.<SettingRule>of(r).filter(x -> has.test(r.code()));
    }
    List<String> kept =
        (this instanceof Locked l ? l.codes() : members()).stream().filter(has).toList();
    if (kept.isEmpty()) {
      return Optional.empty();
    }
    if (this instanceof Locked l) {
      return Optional.<SettingRule>of(new Locked(kept, l.by(), l.value()))
          .filter(x -> has.test(l.by()));
    }
    if (this instanceof AtStandstill) {
      return Optional.of(new AtStandstill(kept));
    }
    if (this instanceof Confirmed c) {
      return Optional.of(new Confirmed(kept, c.withinSeconds()));
    }
    return Optional.of(this instanceof SpoilsTuning ? new SpoilsTuning(kept) : new OfTheLink(kept));
  }
}
