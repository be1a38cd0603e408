package unimotus.workbench;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Properties;
import unimotus.core.quantity.MeasureUnit;

/**
 * What the program remembers between sessions: recent files, light or dark, units. Immutable; kept
 * in a properties file. What cannot be read is forgotten rather than in the way.
 *
 * @param recent files opened lately, the last one first
 * @param dark whether the dark look is on
 * @param units the reader's units
 * @param name who works here; empty until somebody said it
 */
public record Preferences(List<Path> recent, boolean dark, DisplayUnits units, String name) {
  /** Nothing remembered yet. */
  public static final Preferences NONE = new Preferences(List.of(), false, DisplayUnits.METRIC, "");

  private static final int MOST_RECENT = 8;

  /** Takes a copy. */
  public Preferences {
    recent = List.copyOf(recent);
  }

  /** With {@code file} as the last one opened. */
  public Preferences withRecent(Path file) {
    List<Path> next = new ArrayList<>(recent);
    next.remove(file.toAbsolutePath());
    next.add(0, file.toAbsolutePath());
    return new Preferences(next.subList(0, Math.min(MOST_RECENT, next.size())), dark, units, name);
  }

  /** With the dark look on or off. */
  public Preferences withDark(boolean on) {
    return new Preferences(recent, on, units, name);
  }

  /** With other units. */
  public Preferences withUnits(DisplayUnits next) {
    return new Preferences(recent, dark, next, name);
  }

  /** With another name of who works here. */
  public Preferences withName(String next) {
    return new Preferences(recent, dark, units, next);
  }

  /** Reads the preferences; {@link #NONE} where there are none or they cannot be read. */
  public static Preferences load(Path file) {
    Properties kept = new Properties();
    try (var in = Files.newBufferedReader(file, StandardCharsets.UTF_8)) {
      kept.load(in);
    } catch (IOException | IllegalArgumentException unreadable) {
      return NONE;
    }
    List<Path> recent = new ArrayList<>();
    for (int i = 0; kept.getProperty("recent." + i) != null; i++) {
      recent.add(Path.of(kept.getProperty("recent." + i)));
    }
    DisplayUnits units =
        DisplayUnits.METRIC.withDecimalMark(
            kept.getProperty("decimal", ".").equals(",") ? ',' : '.');
    for (String symbol : kept.getProperty("units", "").split(" ", -1)) {
      units =
          MeasureUnit.ofSymbol(symbol)
              .filter(u -> !symbol.isEmpty())
              .map(units::with)
              .orElse(units);
    }
    return new Preferences(
        recent,
        Boolean.parseBoolean(kept.getProperty("dark")),
        units,
        kept.getProperty("name", ""));
  }

  /**
   * Keeps the preferences.
   *
   * @throws IOException where they cannot be written
   */
  public void save(Path file) throws IOException {
    Properties kept = new Properties();
    for (int i = 0; i < recent.size(); i++) {
      kept.setProperty("recent." + i, recent.get(i).toString());
    }
    kept.setProperty("name", name);
    kept.setProperty("dark", Boolean.toString(dark));
    kept.setProperty("decimal", String.valueOf(units.decimalMark()));
    kept.setProperty(
        "units",
        String.join(" ", units.chosen().values().stream().map(MeasureUnit::symbol).toList()));
    Files.createDirectories(file.toAbsolutePath().getParent());
    try (var out = Files.newBufferedWriter(file, StandardCharsets.UTF_8)) {
      kept.store(out, "Unimotus preferences");
    }
  }
}
