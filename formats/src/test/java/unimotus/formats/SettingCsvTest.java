package unimotus.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import unimotus.core.derivation.Derivation;
import unimotus.core.settings.DerivedSetting;
import unimotus.core.settings.DriveMemory;
import unimotus.core.settings.EntrySheet;
import unimotus.core.settings.Journey;
import unimotus.core.settings.SettingGraph;
import unimotus.core.sheet.ChoiceSetting;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.NumberSetting;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingValue;
import unimotus.formats.json.FileFault;
import unimotus.formats.settings.SettingCsv;
import unimotus.formats.sheet.SheetLibrary;

/** Lists of settings, out and in, good and bad. */
class SettingCsvTest {
  private static final DriveSheet SHEET =
      SheetLibrary.catalogue().find(DriveSheet.class, "terminal-drive-4kw").orElseThrow();

  private static SettingCsv.Read read(String text) throws FileFault {
    return SettingCsv.read("found.csv", text.getBytes(StandardCharsets.UTF_8), SHEET);
  }

  private static double number(SettingCsv.Read read, String code) {
    return ((SettingValue.Number) read.values().get(code)).value();
  }

  @Test
  void whatIsWrittenIsReadBack() throws IOException {
    Map<String, SettingValue> values = SettingGraph.works(SHEET);
    StringBuilder out = new StringBuilder();
    SettingCsv.write(SHEET, values, out);
    SettingCsv.Read back = read(out.toString());
    assertThat(back.values()).isEqualTo(values);
    assertThat(back.problems()).isEmpty();
  }

  @Test
  void semicolonsDecimalCommasByteOrderMarkAndOtherColumnOrder() throws IOException {
    SettingCsv.Read read = read("\uFEFFvalue;code;unit\r\n8,05;M12;A\r\nterminals;C40;\r\n");
    assertThat(number(read, "M12")).isEqualTo(8.05);
    assertThat(read.values()).containsEntry("C40", new SettingValue.Choice("terminals"));
    assertThat(read.problems()).isEmpty();
  }

  @Test
  void unitsAreConverted() throws IOException {
    SettingCsv.Read read = read("code,value,unit\nM10,4000,W\nR30,500,ms\n");
    assertThat(number(read, "M10")).isCloseTo(4, within(1e-9));
    assertThat(number(read, "R30")).isCloseTo(0.5, within(1e-9));
  }

  @Test
  void whatTheDisplayShowsIsUnderstood() throws IOException {
    assertThat(read("code,value\nC40,1\n").values())
        .containsEntry("C40", new SettingValue.Choice("terminals"));
  }

  @Test
  void everyLineThatCannotBeTakenIsReported() throws IOException {
    SettingCsv.Read read =
        read(
            "code,value,unit\nQ99,1,\nM12,lots,A\nL21,9000,Hz\nM12,8,furlong\nC40,telepathy,\n"
                + "R30,5,s\nR30,6,s\nM13,50,\n");
    assertThat(read.values().keySet()).containsExactly("R30", "M13");
    assertThat(number(read, "R30")).isEqualTo(5);
    assertThat(read.problems()).hasSize(7);
    assertThat(read.problems().get(0)).contains("line 2").contains("'Q99'");
    assertThat(read.problems().get(1)).contains("line 3").contains("'lots'");
    assertThat(read.problems().get(2)).contains("9000").contains("400 Hz");
    assertThat(read.problems().get(3)).contains("'furlong'");
    assertThat(read.problems().get(4)).contains("'telepathy'").contains("keypad");
    assertThat(read.problems().get(5)).contains("twice");
    assertThat(read.problems().get(6)).contains("M13 has no unit; Hz taken");
  }

  @Test
  void tablesThatAreNoneAreRefused() {
    assertThatThrownBy(() -> read("")).hasMessageContaining("empty");
    assertThatThrownBy(() -> read("number,content\n1,2\n"))
        .hasMessageContaining("no column 'code'");
  }

  @Test
  void anEntrySheetIsWrittenForPaper() throws IOException {
    EntrySheet entry =
        EntrySheet.of(
            DriveMemory.works(SHEET),
            Map.of("S91", new SettingValue.Number(8)),
            EntrySheet.Way.KEYPAD);
    StringBuilder out = new StringBuilder();
    SettingValue follows = new SettingValue.Number(9);
    DerivedSetting derived =
        new DerivedSetting(
            SHEET.setting("S91").orElseThrow(), follows, "as the stop asks", Derivation.NONE);
    SettingCsv.write(new Journey(entry, Map.of("S91", derived), List.of(), List.of()), out);
    assertThat(out.toString()).contains("S91").contains("twice").contains("9 s follows");
  }

  /** Every shipped drive at random values it takes, written and read back equal. */
  @Test
  void everyDriveComesBackWhole() throws IOException {
    Random random = new Random(20);
    for (DriveSheet sheet : SheetLibrary.catalogue().all(DriveSheet.class)) {
      for (int round = 0; round < 20; round++) {
        Map<String, SettingValue> values = new TreeMap<>();
        for (SettingDefinition setting : sheet.settings()) {
          values.put(setting.code(), any(setting, random));
        }
        StringBuilder out = new StringBuilder();
        SettingCsv.write(sheet, values, out);
        SettingCsv.Read back =
            SettingCsv.read("x.csv", out.toString().getBytes(StandardCharsets.UTF_8), sheet);
        assertThat(back.problems()).as(sheet.id()).isEmpty();
        assertThat(back.values()).as(sheet.id()).isEqualTo(values);
      }
    }
  }

  private static SettingValue any(SettingDefinition setting, Random random) {
    if (setting instanceof ChoiceSetting choice) {
      return new SettingValue.Choice(
          choice.options().get(random.nextInt(choice.options().size())).value());
    }
    NumberSetting number = (NumberSetting) setting;
    double value = number.minimum() + random.nextDouble() * (number.maximum() - number.minimum());
    double step = Math.rint(value * 100) / 100;
    return new SettingValue.Number(Math.max(number.minimum(), Math.min(number.maximum(), step)));
  }

  @Test
  void aThousandOrOneAndAHalfIsNotGuessed() throws IOException {
    SettingCsv.Read read = read("code;value;unit\nM14;1,456;rpm\n");
    assertThat(read.values()).isEmpty();
    assertThat(read.problems()).singleElement().asString().contains("1,456", "1456 or 1.456");
  }
}
