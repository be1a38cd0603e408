package unimotus.core.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import unimotus.core.Fixtures;
import unimotus.core.quantity.MeasureUnit;

class SheetTest {

  @Test
  void aSheetThatContradictsItselfIsRefused() {
    assertThatThrownBy(
            () -> new Selector("s", "S", SelectorRole.INPUT_LOGIC, null, List.of("source"), "sink"))
        .hasMessageContaining("'sink' is not one of [source]");
    assertThatThrownBy(
            () -> new NumberSetting("P1", "x", "g", null, null, MeasureUnit.HERTZ_UNIT, 10, 50, 60))
        .hasMessageContaining("default 60.0 is outside 10.0 to 50.0");
    assertThatThrownBy(
            () ->
                new ChoiceSetting(
                    "P1", "x", "g", null, null, List.of(new ChoiceSetting.Option("a", "0")), "b"))
        .hasMessageContaining("'b' is not one of its options");
    assertThatThrownBy(() -> new ControllerSheet("c", "C", List.of(), List.of(), 4))
        .hasMessageContaining("converterBits is 4");
    assertThatThrownBy(() -> new DriveRatings(4000, 0, 400, 1.5, 60))
        .hasMessageContaining("positive");
    assertThatThrownBy(() -> new DriveRatings(4000, 9, 400, 0.5, 60))
        .hasMessageContaining("overloadRatio");
    assertThatThrownBy(() -> new SettingValue.Number(Double.NaN)).hasMessageContaining("finite");
  }

  @Test
  void twoSheetsCannotShareAnId() {
    assertThatThrownBy(
            () -> new SheetCatalogue(List.of(Fixtures.driveSheet(), Fixtures.driveSheet())))
        .hasMessageContaining("'test-drive'");
  }

  @Test
  void theCatalogueFindsByKindAndId() {
    SheetCatalogue sheets = Fixtures.sheets();
    assertThat(sheets.find(DriveSheet.class, "test-drive")).isPresent();
    assertThat(sheets.find(ControllerSheet.class, "test-drive")).isEmpty();
    assertThat(sheets.all(DriveSheet.class)).hasSize(1);
  }

  @Test
  void settingsTakeWhatIsInTheirRange() {
    NumberSetting number =
        new NumberSetting("P1", "x", "g", null, null, MeasureUnit.HERTZ_UNIT, 10, 50, 20);
    assertThat(number.takes(new SettingValue.Number(50))).isTrue();
    assertThat(number.takes(new SettingValue.Number(50.1))).isFalse();
    assertThat(number.takes(new SettingValue.Choice("50"))).isFalse();
    assertThat(number.rangeText()).isEqualTo("10 to 50 Hz");
  }

  @Test
  void electricalFiguresAreSortedAndFrozen() {
    Terminal terminal =
        new Terminal("DI1", "x", TerminalRole.DIGITAL_INPUT, null, Map.of("b", 1.0, "a", 2.0));
    assertThat(terminal.electrical().keySet()).containsExactly("a", "b");
    assertThat(terminal.figure(Figure.ON_VOLTS)).as("typical for the role").isEqualTo(15);
    assertThat(terminal.missingFigures()).contains(Figure.ON_VOLTS, Figure.INPUT_OHMS);
    assertThatThrownBy(() -> terminal.electrical().put("c", 1.0))
        .isInstanceOf(UnsupportedOperationException.class);
  }
}
