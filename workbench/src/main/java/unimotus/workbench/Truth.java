package unimotus.workbench;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Snapshot;
import unimotus.core.settings.DerivedSettings;
import unimotus.core.settings.RecordChecks;
import unimotus.core.settings.SettingGraph;
import unimotus.core.sheet.SettingValue;

/** The sets of settings of one drive that can be laid side by side. */
public enum Truth {
  DESIGNED("as designed (offline)"),
  FOUND("as found"),
  LEFT("as left"),
  ONLINE("online"),
  STORED("stored"),
  FOLLOWS("what follows"),
  WORKS("factory default");

  private final String label;

  Truth(String label) {
    this.label = label;
  }

  /** The words shown. */
  public String label() {
    return label;
  }

  /** The values by code; empty where this truth was never read. */
  public Optional<Map<String, SettingValue>> of(AxisAssembly axis) {
    return switch (this) {
      case DESIGNED -> Optional.of(RecordChecks.designed(axis));
      case FOUND -> read(axis, Snapshot.Kind.AS_FOUND);
      case LEFT -> read(axis, Snapshot.Kind.AS_LEFT);
      case ONLINE -> read(axis, Snapshot.Kind.ONLINE);
      case STORED -> read(axis, Snapshot.Kind.STORED);
      case FOLLOWS -> {
        Map<String, SettingValue> values =
            new LinkedHashMap<>(SettingGraph.works(axis.driveSheet()));
        values.putAll(DerivedSettings.of(axis));
        yield Optional.of(values);
      }
      case WORKS -> Optional.of(SettingGraph.works(axis.driveSheet()));
    };
  }

  private static Optional<Map<String, SettingValue>> read(AxisAssembly axis, Snapshot.Kind kind) {
    return axis.record().last(kind).map(Snapshot::values);
  }
}
