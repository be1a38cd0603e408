package unimotus.workbench;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
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
 * @param zoomPercent how large everything is drawn, one of {@link #ZOOMS}
 */
public record Preferences(
    List<Path> recent, boolean dark, DisplayUnits units, String name, int zoomPercent) {
  /** The sizes that can be chosen, in percent. */
  public static final List<Integer> ZOOMS = List.of(75, 90, 100, 110, 125, 150, 175, 200);

  /** As large as it is drawn while nobody chose otherwise, in percent. */
  public static final int PLAIN_ZOOM = 100;

  /** Nothing remembered yet. */
  public static final Preferences NONE =
      new Preferences(List.of(), false, DisplayUnits.METRIC, "", PLAIN_ZOOM);

  private static final int MOST_RECENT = 8;

  /** Takes a copy. */
  public Preferences {
    recent = List.copyOf(recent);
    zoomPercent = ZOOMS.contains(zoomPercent) ? zoomPercent : PLAIN_ZOOM;
  }

  /** The folder of the file that was opened last; empty where none was. */
  public Optional<Path> lastFolder() {
    return recent.stream().findFirst().map(Path::getParent);
  }

  /** Drawn a step larger or smaller, up to the last one there is. */
  public Preferences zoomed(int steps) {
    int next = ZOOMS.indexOf(zoomPercent) + steps;
    return withZoom(ZOOMS.get(Math.max(0, Math.min(ZOOMS.size() - 1, next))));
  }

  /** Drawn at another size. */
  public Preferences withZoom(int percent) {
    return new Preferences(recent, dark, units, name, percent);
  }

  /** With {@code file} as the last one opened. */
  public Preferences withRecent(Path file) {
    List<Path> next = new ArrayList<>(recent);
    next.remove(file.toAbsolutePath());
    next.add(0, file.toAbsolutePath());
    return new Preferences(
        next.subList(0, Math.min(MOST_RECENT, next.size())), dark, units, name, zoomPercent);
  }

  /** With the dark look on or off. */
  public Preferences withDark(boolean on) {
    return new Preferences(recent, on, units, name, zoomPercent);
  }

  /** With other units. */
  public Preferences withUnits(DisplayUnits next) {
    return new Preferences(recent, dark, next, name, zoomPercent);
  }

  /** With another name of who works here. */
  public Preferences withName(String next) {
    return new Preferences(recent, dark, units, next, zoomPercent);
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
        kept.getProperty("name", ""),
        zoom(kept.getProperty("zoom", "")));
  }

  private static int zoom(String text) {
    return ZOOMS.stream()
        .filter(z -> text.equals(String.valueOf(z)))
        .findFirst()
        .orElse(PLAIN_ZOOM);
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
    kept.setProperty("zoom", String.valueOf(zoomPercent));
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
