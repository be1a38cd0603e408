package unimotus.core.settings;

import java.util.LinkedHashMap;
import java.util.Map;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.machine.Tuning;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.SettingValue;

/** How the auto-tune of a drive stands. */
public enum TuningState {
  NOT_DONE("auto-tune not done"),
  DONE("auto-tune done"),
  STALE("auto-tune is stale"),
  /** The drive has none. */
  NONE("no auto-tune");

  private final String label;

  TuningState(String label) {
    this.label = label;
  }

  /** The words shown. */
  public String label() {
    return label;
  }

  /** How it stands for an axis as designed now. */
  public static TuningState of(AxisAssembly axis) {
    if (axis.driveSheet().setting(SettingRole.AUTO_TUNE).isEmpty()) {
      return NONE;
    }
    Tuning tuning = axis.record().tuning();
    if (tuning == null) {
      return NOT_DONE;
    }
    return tuning.values().equals(values(axis)) ? DONE : STALE;
  }

  /** The settings whose change makes an auto-tune stale, as designed now. */
  public static Map<String, SettingValue> values(AxisAssembly axis) {
    EffectiveSettings settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
    SettingGraph graph = new SettingGraph(axis.driveSheet());
    Map<String, SettingValue> values = new LinkedHashMap<>();
    for (SettingDefinition setting : axis.driveSheet().settings()) {
      if (graph.spoilsTuning(setting.code())) {
        values.put(setting.code(), settings.value(setting));
      }
    }
    return values;
  }
}
