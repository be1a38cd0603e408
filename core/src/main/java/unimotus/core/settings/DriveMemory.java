package unimotus.core.settings;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.SettingRule;
import unimotus.core.sheet.SettingValue;

/**
 * The settings inside a virtual drive while somebody enters them: takes, refuses, waits for the
 * second entry, rewrites others.
 *
 * @param sheet the drive's sheet
 * @param values what the settings stand at as far as it is known, by code in menu order; one that
 *     was not read is left out until something writes it
 * @param turning whether the motor turns
 * @param asked the first of two entries the drive waits with; null where it does not
 */
public record DriveMemory(
    DriveSheet sheet, Map<String, SettingValue> values, boolean turning, @Nullable Asked asked) {

  /**
   * A first entry.
   *
   * @param code the setting
   * @param value its value
   * @param atSeconds when
   */
  public record Asked(String code, SettingValue value, double atSeconds) {}

  /** What came of an entry. */
  public enum Outcome {
    TAKEN,
    /** Taken as the first of two entries. */
    ASKED_AGAIN,
    REFUSED
  }

  /**
   * One entry and what came of it.
   *
   * @param next the memory afterwards
   * @param outcome what came of it
   * @param rewritten other settings that changed with it, with their new values
   * @param words why it was refused or what is needed; empty where it was simply taken
   */
  public record Entered(
      DriveMemory next, Outcome outcome, Map<String, SettingValue> rewritten, String words) {}

  /** Takes the values in menu order and freezes them. */
  public DriveMemory {
    Map<String, SettingValue> ordered = new LinkedHashMap<>();
    for (SettingDefinition setting : sheet.settings()) {
      SettingValue value = values.get(setting.code());
      if (value != null) {
        ordered.put(setting.code(), value);
      }
    }
    values = Collections.unmodifiableMap(ordered);
  }

  /** A drive as it leaves the works. */
  public static DriveMemory works(DriveSheet sheet) {
    return new DriveMemory(sheet, SettingGraph.works(sheet), false, null);
  }

  /** A drive of which these values were read; what the others stand at is not known. */
  public static DriveMemory holding(DriveSheet sheet, Map<String, SettingValue> read) {
    return new DriveMemory(sheet, read, false, null);
  }

  /** This drive with its motor turning, or standing. */
  public DriveMemory withTurning(boolean next) {
    return new DriveMemory(sheet, values, next, asked);
  }

  /** Enters a value at a time on the clock of the bench. */
  public Entered enter(String code, SettingValue value, double atSeconds) {
    Optional<SettingDefinition> found = sheet.setting(code);
    Optional<String> refusal =
        found.isEmpty()
            ? Optional.of("the drive has no setting " + code)
            : refusal(found.get(), value);
    if (refusal.isPresent()) {
      return new Entered(this, Outcome.REFUSED, Map.of(), refusal.get());
    }
    double within = new SettingGraph(sheet).confirmSeconds(code);
    if (within > 0 && !isSecond(code, value, atSeconds, within)) {
      DriveMemory waiting =
          new DriveMemory(sheet, values, turning, new Asked(code, value, atSeconds));
      return new Entered(
          waiting,
          Outcome.ASKED_AGAIN,
          Map.of(),
          "enter the same again within %.0f s".formatted(within));
    }
    return taken(code, value);
  }

  private Optional<String> refusal(SettingDefinition setting, SettingValue value) {
    SettingGraph graph = new SettingGraph(sheet);
    if (!setting.takes(value)) {
      return Optional.of(
          "%s takes %s, not %s"
              .formatted(setting.code(), setting.rangeText(), SettingText.of(setting, value)));
    }
    Optional<SettingRule.Locked> lock = graph.lock(setting.code());
    if (lock.isPresent() && !SettingGraph.isWord(values.get(lock.get().by()), lock.get().value())) {
      return Optional.of(
          "%s is locked until %s is %s"
              .formatted(setting.code(), lock.get().by(), lock.get().value()));
    }
    if (turning && graph.needsStandstill(setting.code())) {
      return Optional.of("%s can be entered only at standstill".formatted(setting.code()));
    }
    if (setting.role() == SettingRole.AUTO_TUNE) {
      return Optional.of("%s is shown by the drive, not entered".formatted(setting.code()));
    }
    return Optional.empty();
  }

  private boolean isSecond(String code, SettingValue value, double now, double within) {
    return asked != null
        && asked.code().equals(code)
        && asked.value().equals(value)
        && now - asked.atSeconds() <= within;
  }

  private Entered taken(String code, SettingValue value) {
    SettingGraph graph = new SettingGraph(sheet);
    Map<String, SettingValue> next = new LinkedHashMap<>(values);
    SettingValue was = next.put(code, value);
    Map<String, SettingValue> rewritten = new LinkedHashMap<>();
    graph
        .rewritten(code, value)
        .forEach(
            (other, set) -> {
              if (!set.equals(next.put(other, set)) && !other.equals(code)) {
                rewritten.put(other, set);
              }
            });
    if (!value.equals(was) && graph.spoilsTuning(code)) {
      sheet
          .setting(SettingRole.AUTO_TUNE)
          .filter(t -> !t.initial().equals(next.put(t.code(), t.initial())))
          .ifPresent(t -> rewritten.put(t.code(), t.initial()));
    }
    return new Entered(new DriveMemory(sheet, next, turning, null), Outcome.TAKEN, rewritten, "");
  }

  /**
   * Codes of another set of values of which it is not known what they stand at; what is not kept as
   * entered is left out.
   */
  public List<String> unread(Map<String, SettingValue> other) {
    return sheet.settings().stream()
        .filter(SettingDefinition::isKept)
        .map(SettingDefinition::code)
        .filter(c -> other.containsKey(c) && !values.containsKey(c))
        .toList();
  }

  /** Codes whose known value differs from another set of values, in menu order. */
  public List<String> differing(Map<String, SettingValue> other) {
    return values.keySet().stream()
        .filter(c -> other.containsKey(c) && !other.get(c).equals(values.get(c)))
        .toList();
  }
}
