package unimotus.core.machine;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Collections;
import java.util.Map;
import java.util.TreeMap;
import unimotus.core.sheet.SettingValue;

/**
 * A motor drive of the line.
 *
 * @param id stable id
 * @param name what people call it
 * @param sheet id of its device sheet
 * @param selectors switch positions that differ from the sheet's initial ones, by selector id
 * @param settings values that differ from the sheet's defaults, by setting code
 */
@RecordBuilder
public record Drive(
    String id,
    String name,
    String sheet,
    Map<String, String> selectors,
    Map<String, SettingValue> settings)
    implements DriveBuilder.With, Device {

  /** Checks the id, sorts and freezes the maps. */
  public Drive {
    Ids.check("drive", id);
    selectors = Collections.unmodifiableMap(new TreeMap<>(selectors));
    settings = Collections.unmodifiableMap(new TreeMap<>(settings));
  }

  @Override
  public Drive withSelector(String selectorId, String position) {
    Map<String, String> next = new TreeMap<>(selectors);
    next.put(selectorId, position);
    return withSelectors(next);
  }

  /** This drive with one setting changed. */
  public Drive withSetting(String code, SettingValue value) {
    Map<String, SettingValue> next = new TreeMap<>(settings);
    next.put(code, value);
    return withSettings(next);
  }

  /** This drive with one setting back at its default. */
  public Drive withDefault(String code) {
    Map<String, SettingValue> next = new TreeMap<>(settings);
    next.remove(code);
    return withSettings(next);
  }
}
