package unimotus.workbench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import unimotus.core.sheet.ChoiceSetting;
import unimotus.core.sheet.DeviceSheet;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.Figure;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;
import unimotus.formats.json.FileFault;
import unimotus.formats.sheet.SheetLibrary;

class SheetDraftTest {
  private static final SheetCatalogue SHEETS = SheetLibrary.catalogue();

  @TempDir Path folder;

  private final SheetDraft draft =
      SheetDraft.from(SHEETS.find("terminal-drive-4kw").orElseThrow(), SHEETS);

  private Terminal terminal(String id) {
    return draft.sheet().terminal(id).orElseThrow();
  }

  static List<DeviceSheet> shipped() {
    return SheetLibrary.shipped();
  }

  @ParameterizedTest
  @MethodSource("shipped")
  void everySheetIsReadAsItWasWritten(DeviceSheet sheet) throws IOException {
    assertThat(SheetLibrary.read("x", SheetLibrary.write(sheet))).isEqualTo(sheet);
  }

  @Test
  void aDraftStartsAsACopyUnderAFreeIdAndSavesWhereTheProgramFindsIt() throws IOException {
    assertThat(draft.sheet().id()).isEqualTo("terminal-drive-4-kw-own");
    draft.rename("Conveyor drive 4 kW");
    SheetLibrary.save(folder, draft.sheet());
    List<FileFault> faults = new ArrayList<>();
    SheetCatalogue with = SheetLibrary.withFolder(folder, faults);
    assertThat(faults).isEmpty();
    assertThat(with.find("terminal-drive-4-kw-own")).contains(draft.sheet());
  }

  @Test
  void aNewMarkingIsFollowedWhereverTheTerminalIsNamed() {
    draft.put(terminal("COM"), terminal("COM").withWords("C0", "Common"));
    assertThat(terminal("DI1").common()).isEqualTo("C0");
    draft.put(terminal("AI2"), terminal("AI2").withWords("REF", "Reference"));
    assertThat(draft.sheet().selectors())
        .anySatisfy(s -> assertThat(s.terminal()).isEqualTo("REF"));
    assertThat(draft.faults()).isEmpty();
  }

  @Test
  void everyChangeIsTakenBackAndBroughtAgain() {
    DeviceSheet before = draft.sheet();
    draft.put(terminal("DI1"), terminal("DI1").withFigure(Figure.INPUT_OHMS, 3000));
    DeviceSheet after = draft.sheet();
    draft.undo();
    assertThat(draft.sheet()).isEqualTo(before);
    draft.redo();
    assertThat(draft.sheet()).isEqualTo(after);
    draft.redo();
    assertThat(draft.sheet()).isEqualTo(after);
  }

  @Test
  void anotherRoleBringsItsTypicalFigures() {
    draft.put(terminal("DI5"), terminal("DI5").withRole(TerminalRole.SINKING_OUTPUT));
    assertThat(terminal("DI5").missingFigures()).isEmpty();
    assertThat(terminal("DI5").figure(Figure.LEAKAGE_AMPERES)).isEqualTo(0.0005);
  }

  @Test
  void markingsAndCodesAreUsedOnce() {
    Terminal di1 = terminal("DI1");
    assertThatThrownBy(() -> draft.put(di1, di1.withWords("DI2", "x")))
        .hasMessage("terminal 'DI2' is there already");
    assertThatThrownBy(() -> draft.put(di1, di1.withWords(" ", "x")))
        .hasMessageContaining("needs a marking");
    DriveSheet drive = (DriveSheet) draft.sheet();
    ChoiceSetting first = (ChoiceSetting) drive.setting("C40").orElseThrow();
    ChoiceSetting taken =
        new ChoiceSetting(
            "C41",
            first.name(),
            first.group(),
            first.role(),
            first.terminal(),
            first.options(),
            first.defaultValue());
    assertThatThrownBy(() -> draft.put(first, taken)).hasMessageContaining("'C41'");
  }

  @Test
  void terminalsComeAndGoWithTheirSwitches() {
    Terminal added = draft.addAfter(terminal("DI5"));
    assertThat(draft.sheet().terminals().indexOf(added))
        .isEqualTo(draft.sheet().terminals().indexOf(terminal("DI5")) + 1);
    int switches = draft.sheet().selectors().size();
    draft.remove(terminal("AI2"));
    assertThat(draft.sheet().selectors()).hasSize(switches - 1);
  }

  @Test
  void switchesAndSettingsAreAddedLikeAnother() {
    draft.addLike(draft.sheet().selectors().get(0));
    assertThat(draft.sheet().selectors().get(1).id()).isEqualTo("inputs-2");
    DriveSheet drive = (DriveSheet) draft.sheet();
    draft.addLike(drive.setting("R30").orElseThrow());
    draft.addLike(drive.setting("R30").orElseThrow());
    assertThat(((DriveSheet) draft.sheet()).settings())
        .extracting(s -> s.code())
        .containsSequence("R30", "R30-3", "R30-2");
  }

  @Test
  void aTerminalWithoutAModelIsRefusedByName() throws IOException {
    Terminal bare =
        new Terminal(
            "DI1", "Input", TerminalRole.DIGITAL_INPUT, "NOWHERE", Map.of("onVolts", -1.0));
    draft.put(terminal("DI1"), bare);
    assertThat(draft.faults())
        .anySatisfy(
            f ->
                assertThat(f)
                    .contains("terminal DI1 (binary input) has no electrical model")
                    .contains("input resistance"))
        .anySatisfy(f -> assertThat(f).contains("on from must be over 0 V, not -1.0"))
        .anySatisfy(f -> assertThat(f).contains("closes to 'NOWHERE'"));
    byte[] bytes = SheetLibrary.write(draft.sheet());
    assertThatThrownBy(() -> SheetLibrary.read("bad.json", bytes))
        .isInstanceOf(FileFault.class)
        .hasMessageContaining("bad.json")
        .hasMessageContaining("terminal DI1");
    Files.write(folder.resolve("bad.json"), bytes);
    List<FileFault> faults = new ArrayList<>();
    SheetLibrary.withFolder(folder, faults);
    assertThat(faults).hasSize(1);
    assertThat(new String(bytes, StandardCharsets.UTF_8)).contains("\"role\": \"digital-input\"");
  }
}
