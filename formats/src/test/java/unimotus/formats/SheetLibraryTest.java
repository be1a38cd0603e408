package unimotus.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import unimotus.core.analog.SignalRange;
import unimotus.core.motor.MotorFormulas;
import unimotus.core.sheet.ChoiceSetting;
import unimotus.core.sheet.ControllerSheet;
import unimotus.core.sheet.DeviceSheet;
import unimotus.core.sheet.DriveKind;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.InductionPlate;
import unimotus.core.sheet.MotorSheet;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;
import unimotus.formats.json.FileFault;
import unimotus.formats.sheet.SheetLibrary;

class SheetLibraryTest {
  @TempDir private Path folder;

  static List<DeviceSheet> shipped() {
    return SheetLibrary.shipped();
  }

  private static String text(String id) throws IOException {
    try (InputStream in =
        SheetLibrary.class.getResourceAsStream("/unimotus/sheets/" + id + ".json")) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    }
  }

  @ParameterizedTest
  @MethodSource("shipped")
  void everyShippedSheetHoldsItsSchema(DeviceSheet sheet) throws IOException {
    byte[] bytes = text(sheet.id()).getBytes(StandardCharsets.UTF_8);
    assertThat(SheetLibrary.read(sheet.id(), bytes)).isEqualTo(sheet);
  }

  @ParameterizedTest
  @MethodSource("shipped")
  void terminalsAndSelectorsOfEverySheetHangTogether(DeviceSheet sheet) {
    assertThat(new HashSet<>(sheet.terminals().stream().map(Terminal::id).toList()))
        .hasSameSizeAs(sheet.terminals());
    assertThat(sheet.terminals())
        .allSatisfy(
            t ->
                assertThat(t.common() == null || sheet.terminal(t.common()).isPresent())
                    .as(t.id())
                    .isTrue());
    assertThat(sheet.selectors())
        .allSatisfy(
            s ->
                assertThat(s.terminal() == null || sheet.terminal(s.terminal()).isPresent())
                    .as(s.id())
                    .isTrue());
    assertThat(sheet.selectors())
        .filteredOn(s -> s.role() == SelectorRole.CHANNEL_RANGE)
        .allSatisfy(
            s ->
                assertThat(s.options())
                    .allSatisfy(o -> assertThat(SignalRange.ofLabel(o)).as(o).isPresent()));
  }

  @ParameterizedTest
  @MethodSource("shipped")
  void settingsOfEveryDriveHangTogether(DeviceSheet sheet) {
    if (!(sheet instanceof DriveSheet drive)) {
      return;
    }
    assertThat(new HashSet<>(drive.settings().stream().map(SettingDefinition::code).toList()))
        .hasSameSizeAs(drive.settings());
    for (SettingDefinition setting : drive.settings()) {
      assertThat(setting.terminal() == null || drive.terminal(setting.terminal()).isPresent())
          .as(setting.code())
          .isTrue();
      assertThat(setting.takes(setting.initial())).as(setting.code()).isTrue();
      if (setting.role() == SettingRole.ANALOG_RANGE
          || setting.role() == SettingRole.ANSWER_RANGE) {
        assertThat(((ChoiceSetting) setting).options())
            .allSatisfy(o -> assertThat(SignalRange.ofLabel(o.value())).as(o.value()).isPresent());
      }
    }
    if (drive.driveKind() instanceof DriveKind.Step step) {
      assertThat(step.data()).as(drive.id()).isNotNull();
      return;
    }
    List<SettingRole> ofServos =
        List.of(SettingRole.LINK_VOLTAGE, SettingRole.INFEED_READY, SettingRole.STOP_MODE);
    for (SettingRole role :
        drive.driveKind() instanceof DriveKind.Servo
            ? ofServos
            : List.of(
                SettingRole.MAXIMUM_FREQUENCY,
                SettingRole.ACCELERATION_TIME,
                SettingRole.STOP_MODE,
                SettingRole.OVERLOAD_CURRENT)) {
      assertThat(drive.setting(role)).as("%s of %s", role, drive.id()).isPresent();
    }
  }

  /**
   * Efficiencies of class IE3 at 50 Hz, IEC 60034-30-1 (from memory): a plate lies near its class.
   */
  @ParameterizedTest
  @CsvSource({
    "motor-4kw-4pole, 4, 0.886",
    "motor-1k5-4pole, 4, 0.853",
    "motor-0k75-6pole, 6, 0.789"
  })
  void shippedPlatesArePlausible(String id, int poles, double efficiency) {
    InductionPlate plate =
        (InductionPlate) SheetLibrary.catalogue().find(MotorSheet.class, id).orElseThrow().plate();
    assertThat(MotorFormulas.poles(plate)).isEqualTo(poles);
    assertThat(MotorFormulas.efficiency(plate)).isBetween(efficiency - 0.02, efficiency + 0.02);
  }

  @Test
  void theControllerHasEveryKindOfOutputAndEveryRange() {
    ControllerSheet controller = SheetLibrary.catalogue().all(ControllerSheet.class).get(0);
    assertThat(controller.terminals())
        .extracting(Terminal::role)
        .contains(
            TerminalRole.SOURCING_OUTPUT,
            TerminalRole.SINKING_OUTPUT,
            TerminalRole.RELAY_CONTACT,
            TerminalRole.ANALOG_OUTPUT);
    assertThat(controller.selector(SelectorRole.CHANNEL_RANGE, "AO0").orElseThrow().options())
        .hasSize(SignalRange.values().length);
    assertThat(controller.selector(SelectorRole.RAW_FULL_SCALE, "AO0").orElseThrow().options())
        .contains("27648", "32767", "32000", "16383", "10000", "4095", "1000");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "\"converterBits\": 12 | \"converterBits\": \"twelve\" | converterBits",
        "\"role\": \"digital-input\" | \"role\": \"digital-inputt\" | terminals",
        "\"currentAmperes\": 9.5 | \"currentAmperes\": -9.5 | ratings/currentAmperes",
        "\"initial\": \"source\" | \"initial\": \"neither\" | neither",
        "\"unit\": \"kW\" | \"unit\": \"oxen\" | oxen",
        "\"defaultValue\": 4.0 | \"defaultValue\": 400.0 | default 400.0 is outside"
      })
  void aSheetThatContradictsItsSchemaIsToldWithLineAndPlace(String good, String bad, String told)
      throws IOException {
    String text = text("terminal-drive-4kw").replaceFirst(java.util.regex.Pattern.quote(good), bad);
    FileFault fault =
        catchThrowableOfType(
            FileFault.class,
            () -> SheetLibrary.read("mine.json", text.getBytes(StandardCharsets.UTF_8)));
    assertThat(fault).isNotNull();
    assertThat(fault.getMessage()).startsWith("mine.json, line ").contains(told);
    assertThat(fault.line()).isGreaterThan(1);
  }

  @Test
  void aSheetWithoutARequiredPartNamesIt() throws IOException {
    String text =
        text("motor-4kw-4pole").replaceFirst("\"speedRpm\": [0-9.]+", "\"speed\": 1456.0");
    FileFault fault =
        catchThrowableOfType(
            FileFault.class,
            () -> SheetLibrary.read("m.json", text.getBytes(StandardCharsets.UTF_8)));
    assertThat(fault.getMessage()).contains("speed");
  }

  @Test
  void sheetsOfTheUsersOwnAreAddedAndBrokenOnesLeftOut() throws IOException {
    Files.writeString(
        folder.resolve("mine.json"),
        text("motor-4kw-4pole").replace("motor-4kw-4pole", "my-motor"));
    Files.writeString(folder.resolve("broken.json"), "{ not a sheet");
    Files.writeString(folder.resolve("taken.json"), text("motor-4kw-4pole"));
    Files.writeString(folder.resolve("readme.txt"), "no sheet");
    List<FileFault> faults = new ArrayList<>();
    SheetCatalogue sheets = SheetLibrary.withFolder(folder, faults);
    assertThat(sheets.find(MotorSheet.class, "my-motor")).isPresent();
    assertThat(sheets.all(MotorSheet.class)).hasSize(9);
    assertThat(faults).extracting(FileFault::file).containsExactly("broken.json", "taken.json");
    assertThat(faults.get(1).problem()).contains("taken by another sheet");
  }
}
