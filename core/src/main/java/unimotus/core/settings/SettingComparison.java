package unimotus.core.settings;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingValue;

/**
 * Two sets of settings of one drive side by side.
 *
 * @param rows every setting of the sheet, in menu order
 */
public record SettingComparison(List<Row> rows) {
  /** A number is entered and shown with so many digits; a smaller difference is none. */
  private static final double SAME = 1e-6;

  /** How two values compare. */
  public enum Kind {
    SAME("same"),
    CHANGED("changed"),
    MISSING_LEFT("only on the right"),
    MISSING_RIGHT("only on the left"),
    MISSING("on neither side");

    private final String label;

    Kind(String label) {
      this.label = label;
    }

    /** The words shown. */
    public String label() {
      return label;
    }
  }

  /**
   * One setting.
   *
   * @param setting the setting
   * @param left its value on the left; null where it is missing there
   * @param right its value on the right; null where it is missing there
   * @param kind how they compare
   * @param leftIsWorks whether the left value is that of the works
   * @param rightIsWorks whether the right value is that of the works
   */
  public record Row(
      SettingDefinition setting,
      @Nullable SettingValue left,
      @Nullable SettingValue right,
      Kind kind,
      boolean leftIsWorks,
      boolean rightIsWorks) {}

  /** Takes a copy. */
  public SettingComparison {
    rows = List.copyOf(rows);
  }

  /** Compares two sets of values by code; codes not given are missing. */
  public static SettingComparison of(
      DriveSheet sheet, Map<String, SettingValue> left, Map<String, SettingValue> right) {
    List<Row> rows = new ArrayList<>();
    for (SettingDefinition setting : sheet.settings()) {
      SettingValue a = left.get(setting.code());
      SettingValue b = right.get(setting.code());
      rows.add(new Row(setting, a, b, kind(a, b), isWorks(setting, a), isWorks(setting, b)));
    }
    return new SettingComparison(rows);
  }

  private static Kind kind(@Nullable SettingValue a, @Nullable SettingValue b) {
    if (a == null || b == null) {
      return a == b ? Kind.MISSING : a == null ? Kind.MISSING_LEFT : Kind.MISSING_RIGHT;
    }
    return isSame(a, b) ? Kind.SAME : Kind.CHANGED;
  }

  private static boolean isWorks(SettingDefinition setting, @Nullable SettingValue value) {
    return value != null && isSame(value, setting.initial());
  }

  /** Whether two values are the same to the drive. */
  public static boolean isSame(SettingValue a, SettingValue b) {
    if (a instanceof SettingValue.Number x && b instanceof SettingValue.Number y) {
      return Math.abs(x.value() - y.value())
          <= SAME * Math.max(1, Math.max(Math.abs(x.value()), Math.abs(y.value())));
    }
    return a.equals(b);
  }

  /** The rows that are not the same on both sides, in menu order; those on neither left out. */
  public List<Row> differences() {
    return rows.stream().filter(r -> r.kind() != Kind.SAME && r.kind() != Kind.MISSING).toList();
  }

  /** Whether every setting is on both sides, and the same. */
  public boolean holds() {
    return rows.stream().allMatch(r -> r.kind() == Kind.SAME);
  }
}
