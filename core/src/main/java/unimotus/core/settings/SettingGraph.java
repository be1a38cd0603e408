package unimotus.core.settings;

import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.SettingRule;
import unimotus.core.sheet.SettingValue;

/** Which setting of a drive rewrites, locks or spoils which other one. */
public final class SettingGraph {
  private static final Set<SettingRole> SOURCES =
      EnumSet.of(SettingRole.COMMAND_SOURCE, SettingRole.REFERENCE_SOURCE);

  private final DriveSheet sheet;

  /** The graph of a sheet. */
  public SettingGraph(DriveSheet sheet) {
    this.sheet = sheet;
  }

  /** All settings as they leave the works, in menu order. */
  public static Map<String, SettingValue> works(DriveSheet sheet) {
    Map<String, SettingValue> values = new LinkedHashMap<>();
    sheet.settings().forEach(s -> values.put(s.code(), s.initial()));
    return values;
  }

  /**
   * What entering {@code value} at {@code code} writes besides, by code; the reset action itself
   * falls back as well.
   */
  public Map<String, SettingValue> rewritten(String code, SettingValue value) {
    Map<String, SettingValue> written = new TreeMap<>();
    for (SettingRule.Resets reset : sheet.rules(SettingRule.Resets.class)) {
      if (reset.code().equals(code) && isWord(value, reset.when())) {
        Set<String> kept = reset.keepsLink() ? members(SettingRule.OfTheLink.class) : Set.of();
        sheet.settings().stream()
            .filter(s -> !kept.contains(s.code()))
            .forEach(s -> written.put(s.code(), s.initial()));
      }
    }
    for (SettingRule.Rewrites rewrite : sheet.rules(SettingRule.Rewrites.class)) {
      if (rewrite.code().equals(code)
          && (rewrite.when() == null || isWord(value, rewrite.when()))) {
        written.putAll(rewrite.sets());
      }
    }
    return written;
  }

  /** What entering {@code value} at {@code code} writes, itself included. */
  Map<String, SettingValue> written(String code, SettingValue value) {
    Map<String, SettingValue> written = rewritten(code, value);
    written.putIfAbsent(code, value);
    return written;
  }

  /** Whether an entry gives the command or the reference away from the keypad. */
  boolean letsStart(String code, SettingValue value) {
    return written(code, value).entrySet().stream()
        .anyMatch(w -> role(w.getKey()).filter(SOURCES::contains).isPresent() && !isKeypad(w));
  }

  /** Whether an entry takes the command back to the keypad. */
  boolean silences(String code, SettingValue value) {
    return written(code, value).entrySet().stream()
        .anyMatch(
            w ->
                role(w.getKey()).filter(r -> r == SettingRole.COMMAND_SOURCE).isPresent()
                    && isKeypad(w));
  }

  private Optional<SettingRole> role(String code) {
    return sheet.setting(code).map(SettingDefinition::role);
  }

  private static boolean isKeypad(Map.Entry<String, SettingValue> written) {
    return isWord(written.getValue(), "keypad");
  }

  /** Codes that some value of this one rewrites, resets of everything left out. */
  public Set<String> rewrites(String code) {
    Set<String> written = new LinkedHashSet<>();
    sheet.rules(SettingRule.Rewrites.class).stream()
        .filter(r -> r.code().equals(code))
        .forEach(r -> written.addAll(r.sets().keySet()));
    return written;
  }

  /** Codes of settings that rewrite this one. */
  public List<String> rewriters(String code) {
    return sheet.rules(SettingRule.Rewrites.class).stream()
        .filter(r -> r.sets().containsKey(code))
        .map(SettingRule.Rewrites::code)
        .distinct()
        .toList();
  }

  /** The lock on a setting; empty where there is none. */
  public Optional<SettingRule.Locked> lock(String code) {
    return sheet.rules(SettingRule.Locked.class).stream()
        .filter(l -> l.codes().contains(code))
        .findFirst();
  }

  /** Whether a setting can be entered only while the motor stands. */
  public boolean needsStandstill(String code) {
    return members(SettingRule.AtStandstill.class).contains(code);
  }

  /** Seconds within which it has to be entered again; 0 where once is enough. */
  public double confirmSeconds(String code) {
    return sheet.rules(SettingRule.Confirmed.class).stream()
        .filter(c -> c.codes().contains(code))
        .mapToDouble(SettingRule.Confirmed::withinSeconds)
        .findFirst()
        .orElse(0);
  }

  /** Whether its change makes the auto-tune stale. */
  public boolean spoilsTuning(String code) {
    return members(SettingRule.SpoilsTuning.class).contains(code);
  }

  /** Whether it belongs to the communication. */
  public boolean isOfTheLink(String code) {
    return members(SettingRule.OfTheLink.class).contains(code);
  }

  private Set<String> members(Class<? extends SettingRule> kind) {
    Set<String> all = new LinkedHashSet<>();
    sheet.rules(kind).forEach(r -> all.addAll(r.members()));
    return all;
  }

  static boolean isWord(@Nullable SettingValue value, String word) {
    return value instanceof SettingValue.Choice c && c.value().equals(word);
  }
}
