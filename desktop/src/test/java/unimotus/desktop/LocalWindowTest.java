package unimotus.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import javafx.event.ActionEvent;
import javafx.scene.control.Label;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.TextField;
import org.junit.jupiter.api.Test;
import unimotus.core.link.LinkPlanner;
import unimotus.core.link.LinkRequest;
import unimotus.core.machine.LocalReference;
import unimotus.core.machine.Project;
import unimotus.core.machine.Reference;
import unimotus.core.machine.TerminalRef;
import unimotus.core.way.LinkIntents;
import unimotus.desktop.kit.ChoiceField;
import unimotus.workbench.Edit;
import unimotus.workbench.WorkStep;

/** A speed that is set at the drive, and the dry-run through the wires, in the window. */
class LocalWindowTest extends WindowTest {

  private void open(String axis, WorkStep step) {
    onWindow(
        () -> {
          if (desk.session().project().axes().isEmpty()) {
            desk.openDemo();
          }
          desk.show(axis, step);
        });
  }

  private Reference reference(String axis) {
    return desk.session().project().axis(axis).orElseThrow().reference();
  }

  private void choose(String word) {
    onWindow(
        () -> {
          @SuppressWarnings("unchecked")
          ChoiceField<String> field = lookup("#speed-set-by").queryAs(ChoiceField.class);
          field.setValue(word);
        });
    settle();
  }

  @Test
  void aKeypadTakesTheProgramsPlaceAndUndoGivesItBack() {
    open("rinse-drum", WorkStep.IDENTIFY);
    Reference before = reference("rinse-drum");
    choose("keypad");
    assertThat(reference("rinse-drum").local()).isEqualTo(LocalReference.KEYPAD);
    assertThat(reference("rinse-drum").input()).isNull();
    open("rinse-drum", WorkStep.MAP);
    settle();
    assertThat(lookup("#station-signal").tryQuery()).as("no wire carries it").isEmpty();
    assertThat(lookup("#station-counts .ink-caption").queryAll())
        .anyMatch(n -> n instanceof Label l && l.getText().equals("Keypad"));
    onWindow(() -> desk.session().undo());
    settle();
    assertThat(reference("rinse-drum")).isEqualTo(before);
  }

  /** The drum's drive has inputs left for a selector; its run comes from the program no more. */
  @Test
  void thePathOfHandStandsBesideTheReference() {
    open("header-pump", WorkStep.MAP);
    onWindow(
        () ->
            desk.apply(
                new Edit(
                    "wire Hand",
                    p ->
                        LinkPlanner.plan(
                                released(p),
                                desk.session().sheets(),
                                LinkRequest.of(
                                    "rinse-drum",
                                    LinkIntents.named("HAND_OFF_AUTO").orElseThrow(),
                                    "delayed"))
                            .project())));
    open("rinse-drum", WorkStep.MAP);
    settle();
    click(this, "#path-chain-hand");
    settle();
    assertThat(lookup("#station-percent .ink-caption").<Label>query().getText()).isEqualTo("Knob");
    assertThat(lookup("#station-counts").tryQuery()).isEmpty();
    open("rinse-drum", WorkStep.DRY_RUN);
    click(this, "#run-wires");
    settle();
    assertThat(lookup("#scenario-selector-in-turn").tryQuery()).isPresent();
    open("rinse-drum", WorkStep.PROVE);
    settle();
    assertThat(lookup("#detective-chain-hand").tryQuery()).isPresent();
  }

  private static Project released(Project project) {
    return project.withWires(
        project.wires().stream()
            .filter(w -> !w.touches(new TerminalRef("drum-drive", "DI1")))
            .filter(w -> !w.touches(new TerminalRef("drum-drive", "DI2")))
            .toList());
  }

  @Test
  void theDryRunGoesThroughTheWires() throws Exception {
    open("drying-fan", WorkStep.DRY_RUN);
    click(this, "#run-wires");
    settle();
    assertThat(lookup("#run-chain-main").tryQuery().filter(n -> n.getParent().isVisible()))
        .as("the wires say which chain holds")
        .isEmpty();
    click(this, "#scenario-presets-in-turn");
    waitUntil(() -> lookup(".strip-label").queryAll().size() > 4);
    assertThat(lookup(".strip-label").queryAll()).anyMatch(n -> n.toString().contains("preset 1"));
    assertThat(lookup(".strip-on").queryAll()).isNotEmpty();
  }

  @Test
  void eventsThatLeadNowhereAreRefusedByName() throws Exception {
    open("drying-fan", WorkStep.DRY_RUN);
    click(this, "#run-wires");
    settle();
    enter(this, "#own-scenario", "0 on controller-1:DO77");
    settle();
    assertThat(desk.message().get().text()).contains("controller-1:DO77");
    enter(this, "#own-scenario", "0 number 1458 ; 1 on controller-1:RO0 ; 20 power off ; 30 end");
    waitUntil(() -> lookup("#run-notes").<Label>query().getText().contains("power lost"));
    click(this, "#run-shaft");
    waitUntil(() -> lookup("#run-notes").<Label>query().getText().isEmpty());
  }

  /** A run from events that are chosen, a wire among them that opens, without writing a word. */
  @Test
  void eventsAreChosenAndPlayed() throws Exception {
    open("drying-fan", WorkStep.DRY_RUN);
    click(this, "#run-wires");
    settle();
    chooseEvent("number-1458.0");
    chooseEvent("on-controller-1-RO0");
    chooseEvent("power-off");
    assertThat(lookup("#own-scenario").<TextField>query().getText())
        .isEqualTo("0 number 1458.0; 2 on controller-1:RO0; 4 power off");
    interact(() -> lookup("#own-scenario").<TextField>query().fireEvent(new ActionEvent()));
    waitUntil(() -> lookup("#run-notes").<Label>query().getText().contains("power lost"));
  }

  private void chooseEvent(String event) {
    MenuButton menu = lookup("#add-event").query();
    interact(
        () ->
            menu.getItems().stream()
                .flatMap(g -> ((Menu) g).getItems().stream())
                .filter(i -> i.getId().equals("event-" + event))
                .findFirst()
                .orElseThrow()
                .fire());
  }
}
