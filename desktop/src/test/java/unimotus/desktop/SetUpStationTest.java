package unimotus.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import unimotus.core.finding.Rule;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Drive;
import unimotus.core.machine.Project;
import unimotus.core.machine.Snapshot;
import unimotus.core.proof.AxisProof;
import unimotus.core.settings.EntrySheet;
import unimotus.core.settings.RecordChecks;
import unimotus.core.sheet.SettingValue;
import unimotus.workbench.Demo;
import unimotus.workbench.Edits;
import unimotus.workbench.SettingLists;
import unimotus.workbench.Truth;
import unimotus.workbench.WorkStep;

/** Identify and Set up in a real window: from the plate to a drive that was left as designed. */
class SetUpStationTest extends WindowTest {

  private Project project() {
    return desk.session().project();
  }

  private AxisAssembly drum() {
    return desk.review().orElseThrow().assembly();
  }

  private Drive drive() {
    return drum().drive();
  }

  private void at(WorkStep step) {
    interact(
        () -> {
          desk.openDemo();
          desk.show("rinse-drum", step);
        });
    settle();
  }

  private boolean finds(Rule rule) {
    return desk.review().orElseThrow().findings().stream().anyMatch(f -> f.rule() == rule);
  }

  private void importList(String name, String text) throws IOException {
    Path file = folder.resolve(name);
    Files.writeString(file, text);
    answers.file = file;
    press("#import-settings");
  }

  /** The whole of it: plate, what follows, order, found, differences, left, borrowed, restored. */
  @Test
  void fromThePlateToADriveLeftAsDesigned() throws Exception {
    forgetName();
    at(WorkStep.IDENTIFY);
    type("#plate-line", "3 kW 230/400 V 10.9/6.3 A 50 Hz 1450 rpm cos 0.82");
    assertThat(shows("400 V Y, 50 Hz, 6.3 A")).isTrue();
    press("#plate-column-2");
    assertThat(drum().inductionPlate().currentAmperes()).isEqualTo(6.3);
    assertThat(finds(Rule.OVERLOAD_SETTING)).isTrue();

    interact(() -> desk.step().set(WorkStep.SET_UP));
    settle();
    press("#take-over");
    assertThat(drive().settings()).containsEntry("M16", new SettingValue.Number(6.3));
    assertThat(finds(Rule.OVERLOAD_SETTING)).isFalse();
    assertThat(drive().settings())
        .as("overruled with a reason")
        .containsEntry("L22", new SettingValue.Number(12));

    answers.file = folder.resolve("entry.csv");
    press("#export-entry");
    List<String> lines = Files.readAllLines(answers.file);
    assertThat(lines.get(1)).contains("M10").contains("the motor first: A01 lets it start");
    assertThat(lines).anyMatch(l -> l.contains("A01") && l.contains("live-zero"));
    assertThat(lines).anyMatch(l -> l.contains("L22") && l.contains("6.3 A follows"));

    press("#side-compare");
    importList("found.csv", "code;value;unit\nM16;8,05;A\nM99;1;\nC40;keypad;\n");
    assertThat(message(this)).contains("enter who read the drive");
    interact(() -> lookup("#read-by").<TextInputControl>query().setText("A. Tester"));
    importList("found.csv", "code;value;unit\nM16;8,05;A\nM99;1;\nC40;keypad;\n");
    assertThat(shows("line 3: 'M99'")).isTrue();
    assertThat(shows("M16  Electronic overload")).isTrue();
    assertThat(shows("6.3 A  |  8.05 A")).isTrue();
    choose(this, "#entry-start", "as found");
    assertThat(shows("in the drive as found")).isTrue();
    assertThat(shows("were not read and are not entered")).isTrue();
    assertThat(shows("With a reset first it would be")).isTrue();
    choose(this, "#entry-start", "a reset first");
    assertThat(shows("Only the difference: it would be")).isTrue();
    assertThat(shows("everything else at its factory default")).isTrue();

    choose("#read-kind", Snapshot.Kind.AS_LEFT);
    press("#keep-designed");
    assertThat(shows("No difference")).isTrue();
    borrowAndRestore();
  }

  private void borrowAndRestore() throws IOException {
    press("#side-borrow");
    press("#borrow-keypad");
    assertThat(message(this)).contains("a reason and a name");
    interact(
        () -> {
          lookup("#borrow-why").<TextInputControl>query().setText("jog on the bench");
          lookup("#borrow-who").<TextInputControl>query().setText("A. Tester");
        });
    press("#borrow-keypad");
    assertThat(finds(Rule.BORROWED)).isTrue();
    assertThat(shows("keypad for the test, back to terminals")).isTrue();

    press("#side-compare");
    importList("left.csv", "code,value\nC40,keypad\nC41,AI2\n");
    press("#side-borrow");
    press("#restore");
    assertThat(message(this)).contains("C40 is not put back");
    assertThat(finds(Rule.BORROWED)).isTrue();
    assertThat(finds(Rule.LEFT_OTHERWISE)).isTrue();

    press("#side-compare");
    press("#keep-designed");
    press("#side-borrow");
    press("#restore");
    assertThat(finds(Rule.BORROWED)).isFalse();
    assertThat(finds(Rule.LEFT_OTHERWISE)).isFalse();
    assertThat(shows("put back 2026-")).isTrue();
  }

  @Test
  void aMacroMovedToTheEndShowsWhatItWipesOut() {
    at(WorkStep.SET_UP);
    press("#side-rehearse");
    assertThat(shows("Everything is as designed")).isTrue();
    press("#order-reverse");
    assertThat(shows("I70: rewritten by A01")).isTrue();
    press("#order-proposed");
    assertThat(shows("Everything is as designed")).isTrue();
    int macro = placeOf("A01");
    int wiped = placeOf("I70");
    assertThat(macro).isLessThan(wiped);
    interact(() -> lookup("#down-" + macro).query().requestFocus());
    for (int at = macro; at < wiped; at++) {
      push(KeyCode.CONTROL, KeyCode.DOWN);
    }
    settle();
    assertThat(shows("I70: rewritten by A01")).as("moved by keyboard").isTrue();
  }

  /** Where a setting stands in the rehearsal, the first at 0. */
  private int placeOf(String code) {
    return lookup(
            (javafx.scene.Node n) ->
                n instanceof javafx.scene.control.Label label
                    && label.getText().matches("\\d+  " + code + " .*"))
        .<javafx.scene.control.Label>queryAll()
        .stream()
        .map(l -> Integer.parseInt(l.getText().split(" ", 2)[0]) - 1)
        .findFirst()
        .orElseThrow();
  }

  @Test
  void aSettingTellsWhyAndIsOverruledWithAReason() {
    at(WorkStep.SET_UP);
    interact(() -> lookup("#setting-I70").query().requestFocus());
    settle();
    assertThat(shows("4-20 mA would follow.")).isTrue();
    assertThat(shows("is rewritten by A01")).isTrue();
    type("#overrule-why", "the module is exchanged next week");
    assertThat(drum().record().overrules()).containsKey("I70");
    press("#take-derived");
    assertThat(drive().settings()).containsEntry("I70", new SettingValue.Choice("4-20 mA"));
    press("#go-from-setting");
    assertThat(desk.step().get()).isEqualTo(WorkStep.MAP);
  }

  /** A finding leads to the very setting it speaks of. */
  @Test
  void aFindingLeadsToItsSetting() throws Exception {
    at(WorkStep.SET_UP);
    interact(() -> desk.apply(Edits.setting("drum-drive", "M16", new SettingValue.Number(9.2))));
    settle();
    interact(() -> desk.step().set(WorkStep.IDENTIFY));
    settle();
    interact(
        () ->
            desk.review().orElseThrow().findings().stream()
                .filter(f -> f.rule() == Rule.OVERLOAD_SETTING)
                .findFirst()
                .ifPresent(desk.navigation()::goTo));
    settle();
    assertThat(desk.step().get()).isEqualTo(WorkStep.SET_UP);
    waitUntil(() -> lookup("#setting-M16").query().isFocused());
    assertThat(shows("M16  Electronic overload")).isTrue();
  }

  @Test
  void byCommunicationThereAreNoKeys() {
    at(WorkStep.SET_UP);
    assertThat(shows("key presses on the way")).isTrue();
    choose("#entry-way", EntrySheet.Way.COMMUNICATION);
    assertThat(shows("key presses on the way")).isFalse();
  }

  @Test
  void searchTakesTheKeyboardToTheSetting() {
    at(WorkStep.SET_UP);
    type("#search-settings", "carrier");
    Node focused = lookup("#setting-L23").query();
    assertThat(focused.isFocused()).isTrue();
    assertThat(shows("Carrier frequency")).isTrue();
  }

  /** Motor data changed after the auto-tune make it stale, and the finding says so. */
  @Test
  void anAutoTuneGoesStale() {
    forgetName();
    at(WorkStep.SET_UP);
    press("#side-borrow");
    press("#record-tuning");
    assertThat(message(this)).contains("needs a name");
    interact(() -> lookup("#borrow-who").<TextInputControl>query().setText("A. Tester"));
    press("#record-tuning");
    assertThat(shows("auto-tune done")).isTrue();
    type("#setting-M12", "7.9 A");
    assertThat(finds(Rule.TUNING_STALE)).isTrue();
  }

  @Test
  void whatIsSeenToIsTickedAndGoesStale() {
    forgetName();
    at(WorkStep.IDENTIFY);
    press("#tick-ready-identify-drive");
    assertThat(message(this)).contains("enter your name first");
    interact(() -> lookup("#ready-who").<TextInputControl>query().setText("A. Tester"));
    press("#tick-ready-identify-drive");
    type("#tick-ready-identify-mains", "407 V");
    assertThat(shows("2 of 7 done")).isTrue();
    type("#drive-firmware", "2.9");
    assertThat(finds(Rule.FIRMWARE)).isTrue();
    assertThat(shows("0 of 7 done")).as("stale with the plate").isTrue();
    type("#drive-firmware", "new");
    assertThat(message(this)).contains("'new'");
    assertThat(drum().record().plate().firmware()).isEqualTo("2.9");
    assertThat(desk.evidence().orElseThrow().ready().state()).isEqualTo(AxisProof.State.STALE);
  }

  @Test
  void theWrongMainsIsFoundBeforeWiring() {
    at(WorkStep.IDENTIFY);
    type("#feed-mains", "230 V");
    assertThat(finds(Rule.POWER_SIDE)).isTrue();
    type("#feed-mains", "0");
    assertThat(message(this)).contains("0 to 1000 V");
    assertThat(drum().feed().mainsVolts()).isEqualTo(230);
  }

  /** Two thousand lines come in as they are, with every line that cannot be placed reported. */
  @Test
  void aLongListOfAnotherDriveIsTakenAsFarAsItGoes() throws Exception {
    at(WorkStep.SET_UP);
    StringBuilder list = new StringBuilder("code,value,unit\n");
    for (int i = 0; i < 2000; i++) {
      list.append("X").append(i).append(",1,\n");
    }
    Path file = folder.resolve("long.csv");
    StringBuilder own = new StringBuilder();
    Files.writeString(file, list.toString());
    assertThat(SettingLists.read(file, drum().driveSheet()).problems()).hasSize(2000);
    SettingLists.write(file, drum().driveSheet(), RecordChecks.designed(drum()));
    own.append(Files.readString(file));
    assertThat(own.toString().lines()).hasSize(1 + drum().driveSheet().settings().size());
    assertThat(SettingLists.read(file, drum().driveSheet()).values())
        .isEqualTo(Truth.DESIGNED.of(drum()).orElseThrow());
    assertThat(project().records()).isEqualTo(Demo.project().records());
  }

  /** As on the first day, when nobody has said yet who works here. */
  private void forgetName() {
    onWindow(() -> desk.remember(desk.preferences().get().withName("")));
  }
}
