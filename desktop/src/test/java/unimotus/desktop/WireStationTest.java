package unimotus.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.List;
import java.util.Set;
import javafx.scene.control.Labeled;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.Region;
import org.junit.jupiter.api.Test;
import unimotus.core.finding.Finding;
import unimotus.core.machine.Project;
import unimotus.core.machine.Wire;
import unimotus.workbench.WorkStep;

/** The station Wire in a real window, worked by mouse and keyboard. */
class WireStationTest extends WindowTest {

  private void at(String axis) {
    interact(
        () -> {
          desk.openDemo();
          desk.show(axis, WorkStep.WIRE);
        });
    settle();
  }

  private Project project() {
    return desk.session().project();
  }

  private void keyOn(String terminal, KeyCode key) {
    interact(() -> lookup("#terminal-" + terminal).query().requestFocus());
    push(key);
    settle();
  }

  /** What lies below the fold comes into sight with the keyboard. */
  private void pressByKeyboard(String button) {
    interact(() -> lookup(button).query().requestFocus());
    push(KeyCode.SPACE);
    settle();
  }

  private String reading() {
    return lookup("#meter-reading").<Labeled>query().getText();
  }

  private Set<String> styles(String id) {
    return Set.copyOf(lookup(id).query().getStyleClass());
  }

  private void fire(String menuItem) {
    MenuButton menu = lookup("#link-menu").query();
    interact(() -> find(menu.getItems(), menuItem).fire());
    settle();
  }

  private static MenuItem find(List<MenuItem> items, String id) {
    for (MenuItem item : items) {
      if (id.equals(item.getId())) {
        return item;
      }
      if (item instanceof javafx.scene.control.Menu menu) {
        MenuItem inside = find(menu.getItems(), id);
        if (inside != null) {
          return inside;
        }
      }
    }
    return null;
  }

  /** The whole of it: by intent, broken, measured, found, undone, out to a schedule and back. */
  @Test
  void anAxisIsWiredByIntentBrokenMeasuredFoundAndScheduled() throws Exception {
    at("rinse-drum");
    interact(
        () ->
            desk.apply(
                new unimotus.workbench.Edit(
                    "take all wires off",
                    p -> withoutDrumsWires(p.withoutStop(p.stops().get(0))))));
    settle();
    click(this, "#wire-by-intent");
    fire("link-FAULT_RELAY");
    List<Wire> drum = project().wires().stream().filter(w -> w.touches("drum-drive")).toList();
    assertThat(drum).hasSizeGreaterThanOrEqualTo(8);
    Wire run =
        drum.stream()
            .filter(w -> w.to().toString().equals("drum-drive:DI1"))
            .findFirst()
            .orElseThrow();
    String output = run.from().device() + "-" + run.from().terminal();

    keyOn(output, KeyCode.SPACE);
    keyOn("drum-drive-DI1", KeyCode.R);
    keyOn("drum-drive-COM", KeyCode.B);
    assertThat(reading()).startsWith("23.9").endsWith("V");
    assertThat(styles("#wire-" + run.id())).contains("carries");

    keyOn(output, KeyCode.W);
    click(this, "#fault-open");
    assertThat(reading()).isEqualTo("0 V");
    assertThat(styles("#wire-" + run.id())).contains("broken");

    click(this, "#mode-truth");
    assertThat(lookup(".truth-cell.deviates").queryAll())
        .as("the broken run wire is lit in the table")
        .hasSize(1);
    click(this, "#mode-board");
    interact(() -> lookup("#mend-all").<javafx.scene.control.Button>query().fire());
    settle();
    assertThat(reading()).startsWith("23.9");

    List<Wire> before = project().wires();
    click(this, "#mode-schedule");
    answers.file = folder.resolve("wires.csv");
    click(this, "#export-schedule");
    interact(() -> desk.session().undo());
    interact(() -> desk.session().undo());
    settle();
    assertThat(project().wires()).hasSizeLessThan(before.size());
    click(this, "#import-schedule");
    assertThat(Set.copyOf(project().wires())).isEqualTo(Set.copyOf(before));
    interact(() -> desk.session().undo());
    settle();
    assertThat(project().wires()).hasSizeLessThan(before.size());
  }

  private static Project withoutDrumsWires(Project project) {
    return project
        .withWires(project.wires().stream().filter(w -> !w.touches("drum-drive")).toList())
        .withIntents(List.of());
  }

  @Test
  void aTerminalIsSwitchedByItsSign() {
    at("rinse-drum");
    turnToAuto();
    clickOn(lookup("#terminal-controller-1-DO1").lookup(".switch").<Region>query());
    settle();
    assertThat(styles("#wire-w2")).contains("carries");
    click(this, "#all-off");
    assertThat(styles("#wire-w2")).doesNotContain("carries");
  }

  @Test
  void theMeterReadsCurrentAndContinuityAndWarnsOfFloatingPoints() {
    at("rinse-drum");
    turnToAuto();
    keyOn("controller-1-DO0", KeyCode.SPACE);
    keyOn("controller-1-DO0", KeyCode.W);
    click(this, "#meter-milliamps");
    assertThat(reading()).isEqualTo("4.783 mA");
    keyOn("controller-1-DO0", KeyCode.R);
    keyOn("drum-drive-DI1", KeyCode.B);
    click(this, "#meter-ohms");
    assertThat(reading()).as("wires and the selector's contact").startsWith("0.5").endsWith("Ω");
    assertThat(shows("Beep: continuity")).isTrue();
    keyOn("controller-1-RO1", KeyCode.B);
    click(this, "#meter-volts");
    assertThat(reading()).isEqualTo("floating");
  }

  @Test
  void whatTheMeterShowsIsExpectedInProve() {
    at("rinse-drum");
    keyOn("controller-1-DO0", KeyCode.SPACE);
    keyOn("drum-drive-DI1", KeyCode.R);
    keyOn("drum-drive-COM", KeyCode.B);
    click(this, "#expect-measurement");
    assertThat(project().probes()).hasSize(1);
    var meter =
        desk.evidence().orElseThrow().predictions().stream()
            .filter(p -> p.group().equals("Meter"))
            .toList();
    assertThat(meter).hasSize(1);
    assertThat(meter.get(0).title()).isEqualTo("drum-drive:DI1 against drum-drive:COM, DO0 on");
    interact(() -> desk.show("rinse-drum", WorkStep.PROVE));
    settle();
    assertThat(shows("drum-drive:DI1 against drum-drive:COM")).isTrue();
  }

  @Test
  void aWireIsMadeOfSomethingElseAndItsDropFollows() {
    at("rinse-drum");
    keyOn("controller-1-DO0", KeyCode.W);
    TextField length = lookup("#wire-length").query();
    clickOn(length);
    interact(length::selectAll);
    write("500").push(KeyCode.ENTER);
    settle();
    assertThat(project().wires().get(0).make().lengthMetres()).isEqualTo(500);
    assertThat(shows("over 13 Ω")).as("500 m of 0.75 mm² at 26 Ω/km").isTrue();
    TextField again = lookup("#wire-length").query();
    clickOn(again);
    interact(again::selectAll);
    write("99999").push(KeyCode.ENTER);
    settle();
    assertThat(desk.message().get().text()).contains("outside 0 to 10000");
    assertThat(project().wires().get(0).make().lengthMetres()).isEqualTo(500);
  }

  @Test
  void anEndIsMovedByKeyboardAndTheReviewSaysWhatItDid() {
    at("header-pump");
    keyOn("controller-1-DO2", KeyCode.W);
    keyOn("pump-drive-X2", KeyCode.M);
    assertThat(endOfTheRunWire()).isEqualTo("X2");
    assertThat(desk.review().orElseThrow().findings())
        .extracting((Finding f) -> f.rule().code())
        .contains("DIS-006");
    push(KeyCode.CONTROL, KeyCode.Z);
    settle();
    assertThat(endOfTheRunWire()).isEqualTo("X1");
  }

  private String endOfTheRunWire() {
    return project().wires().stream()
        .filter(w -> w.from().toString().equals("controller-1:DO2"))
        .findFirst()
        .orElseThrow()
        .to()
        .terminal();
  }

  /** The drum's outputs reach its drive in Auto alone. */
  @SuppressWarnings("unchecked")
  private void turnToAuto() {
    javafx.scene.control.ComboBox<String> selector =
        lookup("#position-rinse-drum-selector").query();
    interact(() -> selector.setValue("auto"));
    settle();
  }

  @Test
  void aLinkTheDriveCannotCarrySaysSoAndChangesNothing() {
    at("header-pump");
    Project before = project();
    fire("link-LOAD_SIGNAL");
    assertThat(desk.message().get().text())
        .isEqualTo("Header pump drive (Compact drive 2.2 kW) has no free analog output");
    assertThat(project()).isSameAs(before);
  }

  @Test
  void handOffAutoStandsOnTheBoardAndIsTurned() {
    at("drying-fan");
    interact(
        () ->
            desk.apply(
                unimotus.workbench.WiringEdits.replaceWires("take all wires off", List.of())));
    interact(() -> desk.apply(new unimotus.workbench.Edit("x", p -> p.withIntents(List.of()))));
    settle();
    fire("link-HAND_OFF_AUTO-delayed");
    assertThat(project().parts()).extracting(p -> p.sheet()).contains("selector-hand-off-auto");
    assertThat(lookup("#position-drying-fan-selector").tryQuery()).isPresent();
    click(this, "#mode-truth");
    assertThat(lookup(".truth-cell.deviates").queryAll()).isEmpty();
    assertThat(shows("start delayed")).isTrue();
  }

  @Test
  void aStateOfTheTableIsBroughtToTheBoard() {
    at("rinse-drum");
    click(this, "#mode-truth");
    interact(() -> lookup("#truth-row-1").query().requestFocus());
    push(KeyCode.ENTER);
    settle();
    assertThat(styles("#wire-w1")).contains("carries");
  }

  @Test
  void aScheduleFromElsewhereReportsWhatCannotBePlaced() throws Exception {
    at("rinse-drum");
    click(this, "#mode-schedule");
    answers.file = folder.resolve("elsewhere.csv");
    Files.writeString(
        answers.file,
        "\uFEFFWire;From device;From terminal;To device;To terminal\n"
            + "501;controller-1;DO6;drum-drive;DI3\n"
            + "502;controller-1;DO6;nobody;DI3\n",
        StandardCharsets.UTF_8);
    int before = project().wires().size();
    click(this, "#import-schedule");
    assertThat(project().wires()).hasSize(before + 1);
    assertThat(shows("line 3: device 'nobody' is not in the line")).isTrue();
    assertThat(desk.message().get().attention()).isTrue();
    Files.writeString(answers.file, "no schedule at all");
    click(this, "#import-schedule");
    assertThat(desk.message().get().text()).contains("no column 'Wire'");
  }

  @Test
  void anyTerminalOfTheLineIsFoundByName() {
    at("rinse-drum");
    click(this, "#whole-line");
    TextField find = lookup("#find").query();
    clickOn(find);
    write("fan-drive:X1").push(KeyCode.ENTER);
    settle();
    assertThat(stage.getScene().getFocusOwner().getId()).isEqualTo("terminal-fan-drive-X1");
    clickOn(find);
    interact(find::clear);
    write("Z99").push(KeyCode.ENTER);
    settle();
    assertThat(desk.message().get().text()).contains("'Z99' is no terminal or wire on the board");
  }

  @Test
  void theWrongCommonIsPutInByTheProbeAndMendedAgain() {
    at("rinse-drum");
    keyOn("controller-1-DO0", KeyCode.SPACE);
    keyOn("drum-drive-COM", KeyCode.W);
    pressByKeyboard("#fault-moved");
    assertThat(desk.message().get().text()).contains("hold the red probe on the wrong terminal");
    keyOn("drum-drive-AG", KeyCode.R);
    pressByKeyboard("#fault-moved");
    assertThat(shows("wire w3 on drum-drive:AG instead of drum-drive:COM")).isTrue();
    click(this, "#mode-truth");
    assertThat(lookup(".truth-cell.deviates").queryAll()).isNotEmpty();
    click(this, "#mode-board");
    interact(() -> lookup("#mend-all").<javafx.scene.control.Button>query().fire());
    settle();
    click(this, "#mode-truth");
    assertThat(lookup(".truth-cell.deviates").queryAll()).isEmpty();
  }

  @Test
  void aLongLineIsMadeAsItComesIntoSight() {
    at("rinse-drum");
    click(this, "#whole-line");
    click(this, "#all-points");
    int before = lookup(".terminal-row").queryAll().size();
    TextField find = lookup("#find").query();
    clickOn(find);
    write("fan-drive:K0").push(KeyCode.ENTER);
    settle();
    assertThat(lookup(".terminal-row").queryAll().size()).isGreaterThanOrEqualTo(before);
    assertThat(stage.getScene().getFocusOwner().getId()).isEqualTo("terminal-fan-drive-K0");
  }
}
