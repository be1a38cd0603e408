package unimotus.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import unimotus.core.sheet.DeviceSheet;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.Figure;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;

/** A device sheet of one's own, made in a real window from a class there is. */
class SheetEditorTest extends WindowTest {
  private static final String OWN = "terminal-drive-4-kw-own";

  private void begin() {
    push(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.D);
    settle();
    choose(this, "#sheet-start", "Terminal drive 4 kW");
    click(this, "#sheet-begin");
  }

  private void at(String terminal) {
    interact(
        () -> {
          ListView<Terminal> list = lookup("#sheet-terminal-list").query();
          list.getItems().stream()
              .filter(t -> t.id().equals(terminal))
              .findFirst()
              .ifPresent(t -> list.getSelectionModel().select(t));
        });
    settle();
  }

  private DeviceSheet saved() {
    return desk.session().sheets().find(OWN).orElseThrow();
  }

  @Test
  void aClassOfOnesOwnIsMadeSavedAndOfferedForAnAxis() {
    begin();
    enter(this, "#sheet-name", "Conveyor drive 4 kW");
    at("DI1");
    enter(this, "#figure-inputOhms", "3.3 kΩ");
    at("DI5");
    choose(this, "#terminal-role", "sinking output");
    click(this, "#sheet-settings");
    enter(this, "#setting-default-R30", "7");
    click(this, "#sheet-save");
    assertThat(desk.message().get().text()).contains("saved as " + OWN + ".json");
    assertThat(Files.exists(folder.resolve("sheets").resolve(OWN + ".json"))).isTrue();
    assertThat(saved().name()).isEqualTo("Conveyor drive 4 kW");
    assertThat(saved().terminal("DI1").orElseThrow().figure(Figure.INPUT_OHMS)).isEqualTo(3300);
    assertThat(saved().terminal("DI5").orElseThrow().role()).isEqualTo(TerminalRole.SINKING_OUTPUT);
    assertThat(desk.session().sheets().all(DriveSheet.class))
        .extracting(DriveSheet::name)
        .contains("Conveyor drive 4 kW");
  }

  @Test
  void whatCannotBeIsRefusedByNameAndNothingIsLost() {
    begin();
    at("DI1");
    enter(this, "#figure-inputOhms", "-5");
    assertThat(desk.message().get().text()).contains("input resistance of DI1 must be over 0 Ω");
    enter(this, "#terminal-id", "DI2");
    assertThat(desk.message().get().text()).isEqualTo("terminal 'DI2' is there already");
    click(this, "#sheet-settings");
    enter(this, "#setting-default-R30", "99999");
    assertThat(desk.message().get().text()).contains("setting R30: default 99999.0 is outside");
    click(this, "#sheet-change");
    assertThat(desk.message().get().text()).contains("ships with the program and stays as it is");
  }

  @Test
  void changesAreTakenBackByKeyboard() {
    begin();
    at("DI1");
    enter(this, "#terminal-label", "Conveyor runs");
    assertThat(lookup("#terminal-label").queryTextInputControl().getText())
        .isEqualTo("Conveyor runs");
    click(this, "#sheet-undo");
    at("DI1");
    assertThat(lookup("#terminal-label").queryTextInputControl().getText())
        .isEqualTo("Binary input 1");
    click(this, "#sheet-close");
    assertThat(lookup("#sheet-save").tryQuery()).isEmpty();
  }

  @Test
  void aSwitchGetsItsPositionsFromAListOfWords() {
    begin();
    click(this, "#sheet-switches");
    enter(this, "#switch-options-inputs", "sink, source");
    click(this, "#sheet-save");
    assertThat(saved().selectors().get(0).options()).containsExactly("sink", "source");
  }

  @Test
  void aSwitchGetsAnotherTask() {
    begin();
    click(this, "#sheet-switches");
    choose(this, "#switch-role-inputs", "voltage or current");
    click(this, "#sheet-save");
    assertThat(saved().selectors().get(0).role()).isEqualTo(SelectorRole.INPUT_KIND);
  }
}
