package unimotus.core.settings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import unimotus.core.FixtureSheets;
import unimotus.core.Fixtures;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.sheet.ChoiceSetting;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.NumberSetting;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.SettingValue;
import unimotus.core.value.HeldValue;
import unimotus.core.value.ValueType;

/** Which register carries which setting, and what it says; what is not certain is not taken. */
class CarriedSettingsTest {
  private static final ChoiceSetting NUMBERED =
      new ChoiceSetting(
          "N1",
          "Restart",
          "all",
          SettingRole.RESTART_AT_POWER_UP,
          null,
          List.of(
              new ChoiceSetting.Option("blocked", "0"),
              new ChoiceSetting.Option("allowed", "1"),
              new ChoiceSetting.Option("once", "2"),
              new ChoiceSetting.Option("twice", "2"),
              new ChoiceSetting.Option("odd", "odd")),
          "blocked");

  private static RegisterEntry entry(String name, int address, double scale, String unit) {
    return Fixtures.register(name, address, ValueType.UNSIGNED_16, scale, unit);
  }

  private static CarriedSettings registers(RegisterEntry... entries) {
    return CarriedSettings.of(Fixtures.driveSheet(), List.of(entries));
  }

  private static SettingDefinition setting(String code) {
    return Fixtures.driveSheet().setting(code).orElseThrow();
  }

  private static SettingValue value(SettingDefinition setting, RegisterEntry entry, int word) {
    return CarriedSettings.value(setting, entry, entry.read(new int[] {word}));
  }

  /** The name begins with the code; P1 is not P10, P1.2 or P1-3. */
  @Test
  void aRegisterIsNamedAfterItsSetting() {
    RegisterEntry current = entry("P1 motor current", 40, 0.01, "A");
    CarriedSettings found =
        registers(
            current,
            entry("P10", 41, 1, ""),
            entry("P7: acceleration", 42, 0.1, "s"),
            entry("P1.2", 43, 1, "A"),
            entry("P1-3", 44, 1, "A"));
    assertThat(found.carried()).containsOnlyKeys("P1", "P7", "P10");
    assertThat(found.carried().get("P1")).isEqualTo(current);
    assertThat(found.missing().get("P2")).isEqualTo("no register of the map is named after it");
    assertThat(found.missing()).hasSize(Fixtures.driveSheet().settings().size() - 3);
  }

  /** "Motor speed" alone is what the shaft does; with the code before it, it is the plate's. */
  @Test
  void whatIsMeasuredIsNoSetting() {
    NumberSetting speed =
        (NumberSetting)
            FixtureSheets.catalogue().all(DriveSheet.class).stream()
                .flatMap(s -> s.settings().stream())
                .filter(s -> s.role() == SettingRole.MOTOR_SPEED)
                .findFirst()
                .orElseThrow();
    DriveSheet sheet = Fixtures.driveSheet(List.of(speed), List.of());
    List<RegisterEntry> measured = List.of(entry("Motor speed", 1, 1, "rpm"));
    assertThat(CarriedSettings.of(sheet, measured).carried()).isEmpty();
    List<RegisterEntry> coded = List.of(entry(speed.code() + " motor speed", 1, 1, "rpm"));
    assertThat(CarriedSettings.of(sheet, coded).carried()).containsOnlyKeys(speed.code());
  }

  @Test
  void whatCannotBeReadSaysWhy() {
    CarriedSettings found =
        registers(
            entry("P1", 1, 1, "s"),
            entry("P2 a", 2, 1, ""),
            entry("P2 b", 3, 1, ""),
            Fixtures.register("P7", 4, ValueType.TEXT_16, 1, ""),
            entry("P8", 5, 1, ""));
    assertThat(found.carried()).isEmpty();
    assertThat(found.missing().get("P1")).isEqualTo("P1 is counted in 's', the setting in 'A'");
    assertThat(found.missing().get("P2")).isEqualTo("2 registers are named after it: P2 a, P2 b");
    assertThat(found.missing().get("P7")).isEqualTo("P7 holds text");
    assertThat(found.missing().get("P8")).contains("counted in ''", "setting in 's'");
    assertThat(found.unusable())
        .hasSize(4)
        .contains("P7: P7 holds text")
        .noneMatch(u -> u.contains("no register"));
  }

  /** Raw 805 of 0.01 A are 8.05 A; 1500 ms are 1.5 s; 25.6 A is more than the drive takes. */
  @Test
  void numbersAreConvertedAndHeldAgainstTheirRange() {
    RegisterEntry current = entry("P1", 40, 0.01, "A");
    assertThat(value(setting("P1"), current, 805)).isEqualTo(new SettingValue.Number(8.05));
    assertThat(value(setting("P7"), entry("P7", 41, 1, "ms"), 1500))
        .isEqualTo(new SettingValue.Number(1.5));
    assertThatThrownBy(() -> value(setting("P1"), current, 2560))
        .hasMessage("P1: P1 reads 25.6 A, it takes 0.1 to 20 A");
  }

  /** The sheet shows choices as the display does; the register holds the same number. */
  @Test
  void choicesAreTakenByTheirNumber() {
    RegisterEntry entry = entry("N1", 40, 1, "");
    assertThat(value(NUMBERED, entry, 1)).isEqualTo(new SettingValue.Choice("allowed"));
    assertThatThrownBy(() -> value(NUMBERED, entry, 2))
        .hasMessage("N1: N1 reads 2, which the sheet shows for once and twice alike");
    assertThatThrownBy(() -> value(NUMBERED, entry, 7))
        .hasMessageContaining("no choice as that number: blocked, allowed, once, twice, odd");
    assertThat(CarriedSettings.held(NUMBERED, entry, new SettingValue.Choice("odd"))).isEmpty();
  }

  /** Every value a fixture drive takes comes back from its register, within a step of it. */
  @Test
  void whatIsPutInComesBack() {
    Random random = new Random(4);
    for (DriveSheet sheet : FixtureSheets.catalogue().all(DriveSheet.class)) {
      for (SettingDefinition setting : sheet.settings()) {
        if (setting instanceof NumberSetting number) {
          RegisterEntry entry =
              Fixtures.register(number.code(), 0, ValueType.FLOAT_32, 1, number.unit().symbol());
          double value =
              number.minimum() + random.nextDouble() * (number.maximum() - number.minimum());
          HeldValue held =
              CarriedSettings.held(setting, entry, new SettingValue.Number((float) value))
                  .orElseThrow();
          SettingValue.Number back =
              (SettingValue.Number)
                  CarriedSettings.value(setting, entry, entry.read(entry.words(held)));
          assertThat(Math.abs(back.value() - value))
              .as("%s %s", sheet.id(), setting.code())
              .isLessThanOrEqualTo(1e-6 * Math.max(1, Math.abs(value)));
        } else {
          back((ChoiceSetting) setting);
        }
      }
    }
  }

  private static void back(ChoiceSetting setting) {
    RegisterEntry entry = entry(setting.code(), 0, 1, "");
    for (ChoiceSetting.Option option : setting.options()) {
      long alike = setting.options().stream().filter(o -> o.shown().equals(option.shown())).count();
      CarriedSettings.held(setting, entry, new SettingValue.Choice(option.value()))
          .filter(h -> alike == 1)
          .ifPresent(
              h ->
                  assertThat(CarriedSettings.value(setting, entry, entry.read(entry.words(h))))
                      .as("%s %s %s", setting.code(), option, h)
                      .isEqualTo(new SettingValue.Choice(option.value())));
    }
  }
}
