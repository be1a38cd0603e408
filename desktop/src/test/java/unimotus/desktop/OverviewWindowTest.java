package unimotus.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import unimotus.core.machine.Drive;
import unimotus.core.sheet.SettingValue;
import unimotus.workbench.Edit;
import unimotus.workbench.WorkStep;

/**
 * The line from above: what is left is found, and what one change removes is set from the finding.
 */
class OverviewWindowTest extends WindowTest {
  private long axesShown() {
    return lookup((Button b) -> b.getId() != null && b.getId().matches("open-[a-z-]+"))
        .queryAll()
        .size();
  }

  private <T> void choose(String field, String label) {
    interact(
        () -> {
          ComboBox<T> box = lookup(field).query();
          box.getItems().stream()
              .filter(i -> box.getConverter().toString(i).equals(label))
              .findFirst()
              .ifPresent(box::setValue);
        });
    settle();
  }

  @Test
  void axesAreFilteredAndShownOnOneLineEach() {
    onWindow(
        () -> {
          desk.openDemo();
          desk.apply(
              new Edit(
                  "take devices away",
                  p ->
                      p.with(
                          p.axis("bale-tie")
                              .orElseThrow()
                              .withDevices("controller-1", null, null)
                              .withMotion(null))));
        });
    settle();
    assertThat(axesShown()).isEqualTo(7);
    assertThat(shows("7 axes, 1 error on 1 axis")).isTrue();
    choose("#line-filter", "incomplete");
    assertThat(axesShown()).isEqualTo(1);
    choose("#line-filter", "with stale readings");
    assertThat(shows("No axis is with stale readings.")).isTrue();
    choose("#line-filter", "all axes");
    click(this, "#line-dense");
    assertThat(axesShown()).isEqualTo(7);
    assertThat(lookup("#row-rinse-drum").tryQuery()).isPresent();
    click(this, "#open-header-pump");
    assertThat(desk.axisId().get()).isEqualTo("header-pump");
  }

  @Test
  void setItRemovesTheFindingAndCanBeUndone() throws Exception {
    onWindow(
        () -> {
          desk.openDemo();
          desk.show("rinse-drum", WorkStep.MAP);
        });
    waitUntil(() -> lookup("#set-ANA-002").tryQuery().isPresent());
    assertThat(shows("Fix: I70 AI2 range: 0-20 mA → 4-20 mA")).isTrue();
    click(this, "#set-ANA-002");
    assertThat(message(this)).contains("I70").contains("Ctrl+Z");
    assertThat(shows("Live zero on one side only")).isFalse();
    assertThat(drive().settings().get("I70")).isEqualTo(new SettingValue.Choice("4-20 mA"));
    push(KeyCode.CONTROL, KeyCode.Z);
    settle();
    assertThat(shows("Live zero on one side only")).isTrue();
  }

  /** The link of a finding leads to the very field that has to be changed. */
  @Test
  void theFindingLeadsToTheField() throws Exception {
    onWindow(
        () -> {
          desk.openDemo();
          desk.show("rinse-drum", WorkStep.MAP);
        });
    waitUntil(() -> lookup("#set-ANA-002").tryQuery().isPresent());
    press("#go-ANA-002");
    waitUntil(() -> stage.getScene().getFocusOwner().getId().equals("setting-I70"));
    assertThat(desk.step().get()).isEqualTo(WorkStep.SET_UP);
  }

  private Drive drive() {
    return desk.session().project().drives().stream()
        .filter(d -> d.id().equals("drum-drive"))
        .findFirst()
        .orElseThrow();
  }
}
