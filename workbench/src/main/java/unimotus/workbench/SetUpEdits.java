package unimotus.workbench;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.UnaryOperator;
import unimotus.core.fieldbus.RegisterMap;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Borrowing;
import unimotus.core.machine.Drive;
import unimotus.core.machine.DrivePlate;
import unimotus.core.machine.DriveRecord;
import unimotus.core.machine.Feed;
import unimotus.core.machine.FieldbusLink;
import unimotus.core.machine.Snapshot;
import unimotus.core.machine.Tuning;
import unimotus.core.settings.RecordChecks;
import unimotus.core.settings.SettingComparison;
import unimotus.core.settings.TuningState;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.SettingValue;

/** The named changes of what is known of a drive, and of its settings by what was read. */
public final class SetUpEdits {
  private SetUpEdits() {}

  private static Edit record(String name, String drive, UnaryOperator<DriveRecord> change) {
    return new Edit(name, p -> p.with(change.apply(p.record(drive))));
  }

  /** Sets what was read on a drive. */
  public static Edit plate(String drive, String what, DrivePlate plate) {
    return record("set " + what, drive, r -> r.withPlate(plate));
  }

  /** Sets the power cables of a drive. */
  public static Edit feed(String drive, String what, Feed feed) {
    return record("set " + what, drive, r -> r.withFeed(feed));
  }

  /** Says why a setting is not what follows; an empty reason takes it away. */
  public static Edit overrule(String drive, String code, String why) {
    return record("reason for " + code, drive, r -> r.withOverrule(code, why));
  }

  /** Keeps settings that were read. */
  public static Edit read(String drive, Snapshot snapshot) {
    return record("keep settings " + snapshot.kind().label(), drive, r -> r.with(snapshot));
  }

  /** Sets the registers of a drive. */
  public static Edit registers(String drive, String what, RegisterMap map) {
    return fieldbus(drive, what, f -> f.withRegisters(map.entries()));
  }

  /** Changes how a drive is spoken to on its fieldbus. */
  public static Edit fieldbus(String drive, String what, UnaryOperator<FieldbusLink> change) {
    return record(what, drive, r -> r.withFieldbus(change.apply(r.fieldbus())));
  }

  /** Records an auto-tune on the motor data as they are designed now. */
  public static Edit tuned(AxisAssembly axis, String by, String at) {
    Tuning tuning = new Tuning(by, at, TuningState.values(axis));
    return record("record auto-tune", axis.drive().id(), r -> r.withTuning(tuning));
  }

  /** Notes settings that are changed for a test. */
  public static Edit borrow(String drive, Borrowing borrowing) {
    return record("borrow the drive", drive, r -> r.with(borrowing));
  }

  /**
   * A borrowing of the command and the reference for the keypad.
   *
   * @throws IllegalArgumentException where the drive is not commanded from elsewhere anyway
   */
  public static Borrowing forTheKeypad(AxisAssembly axis, String why, String by, String at) {
    Map<String, SettingValue> designed = RecordChecks.designed(axis);
    Map<String, SettingValue> before = new LinkedHashMap<>();
    Map<String, SettingValue> during = new LinkedHashMap<>();
    SettingValue keypad = new SettingValue.Choice("keypad");
    for (SettingDefinition setting : axis.driveSheet().settings()) {
      boolean commands =
          setting.role() == SettingRole.COMMAND_SOURCE
              || setting.role() == SettingRole.REFERENCE_SOURCE;
      if (commands && setting.takes(keypad) && !keypad.equals(designed.get(setting.code()))) {
        before.put(setting.code(), designed.get(setting.code()));
        during.put(setting.code(), keypad);
      }
    }
    return new Borrowing(why, by, at, before, during, null, null);
  }

  /**
   * Records that borrowed settings are back.
   *
   * @param found what the drive holds now; codes not there were not read
   * @throws IllegalArgumentException naming a setting that is not back
   */
  public static Edit restore(
      String drive, Borrowing borrowing, Map<String, SettingValue> found, String by, String at) {
    borrowing
        .before()
        .forEach(
            (code, value) -> {
              SettingValue now = found.get(code);
              if (now == null || !SettingComparison.isSame(now, value)) {
                throw new IllegalArgumentException(
                    now == null
                        ? "%s was not read back yet".formatted(code)
                        : "%s is not put back: the drive still holds another value"
                            .formatted(code));
              }
            });
    if (by.isBlank()) {
      throw new IllegalArgumentException("enter who put the settings back");
    }
    return record("put the drive back", drive, r -> r.restored(borrowing, by, at));
  }

  /** Takes values read on a drive over into its design. */
  public static Edit takeOver(AxisAssembly axis, String what, Map<String, SettingValue> values) {
    return new Edit(
        "take over " + what,
        p -> {
          Drive drive = p.drive(axis.drive().id()).orElseThrow();
          for (SettingDefinition setting : axis.driveSheet().settings()) {
            SettingValue value = values.get(setting.code());
            if (value != null) {
              drive =
                  SettingComparison.isSame(value, setting.initial())
                      ? drive.withDefault(setting.code())
                      : drive.withSetting(setting.code(), value);
            }
          }
          return p.with(drive);
        });
  }
}
