package unimotus.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import unimotus.core.machine.Preset;
import unimotus.workbench.Edits;
import unimotus.workbench.WorkStep;

/** The drying fan of the demo has two chains: its analog reference, and presets over it. */
class PresetWindowTest extends WindowTest {

  private void open(String axis, WorkStep step) {
    onWindow(
        () -> {
          if (desk.session().project().axes().isEmpty()) {
            desk.openDemo();
          }
          desk.show(axis, step);
        });
  }

  private String numberAt(String station) {
    return lookup("#station-%s .ink-big".formatted(station)).<Label>query().getText();
  }

  @Test
  void thePathOfThePresetsIsShownAndTouched() {
    open("drying-fan", WorkStep.MAP);
    assertThat(lookup("#station-signal").tryQuery()).isPresent();
    click(this, "#path-chain-preset");
    settle();
    assertThat(lookup("#station-signal").tryQuery()).as("nothing analog").isEmpty();
    click(this, "#station-number");
    enter(this, "#station-entry", "1000 rpm");
    settle();
    assertThat(numberAt("counts")).isEqualTo("2");
    assertThat(numberAt("frequency")).isEqualTo("35");
    click(this, "#path-chain-main");
    settle();
    assertThat(lookup("#station-signal").tryQuery()).isPresent();
  }

  @Test
  void anAxisWithOneChainHasNothingToChoose() {
    open("header-pump", WorkStep.MAP);
    assertThat(lookup("#path-chain-main").tryQuery()).isEmpty();
  }

  @Test
  void aPresetIsAddedChangedAndRemoved() {
    open("drying-fan", WorkStep.IDENTIFY);
    pressBelow("#add-preset");
    assertThat(speeds()).containsExactly(583.0, 1021.0, 1458.0, 1458.0);
    enter(this, "#preset-4-speed", "800 rpm");
    settle();
    assertThat(speeds()).containsExactly(583.0, 1021.0, 1458.0, 800.0);
    pressBelow("#remove-preset-1");
    assertThat(speeds()).containsExactly(1021.0, 1458.0, 800.0);
    onWindow(() -> desk.session().undo());
    assertThat(speeds()).hasSize(4);
  }

  /** The keyboard brings what lies below the fold into sight and presses it. */
  private void pressBelow(String button) {
    interact(() -> lookup(button).query().requestFocus());
    settle();
    push(KeyCode.SPACE);
    settle();
  }

  private List<Double> speeds() {
    return desk.session().project().axis("drying-fan").orElseThrow().reference().presets().stream()
        .map(Preset::speed)
        .toList();
  }

  /** Wanted of a drive whose sheet is silent: said, and they can be taken away. */
  @Test
  void presetsThatNoDriveTakesCanBeTakenAway() {
    open("rinse-drum", WorkStep.IDENTIFY);
    onWindow(
        () ->
            desk.apply(
                Edits.reference(
                    "rinse-drum",
                    "a preset",
                    desk.session()
                        .project()
                        .axis("rinse-drum")
                        .orElseThrow()
                        .reference()
                        .with(new Preset(1, "slow", 10)))));
    settle();
    assertThat(shows("does not say how it takes presets")).isTrue();
    pressBelow("#remove-preset-1");
    assertThat(lookup("#presets").tryQuery()).isEmpty();
  }

  @Test
  void everyPresetIsInTheListToProve() {
    open("drying-fan", WorkStep.PROVE);
    assertThat(shows("Preset 1 (soak)")).isTrue();
    assertThat(shows("Preset 3 (purge)")).isTrue();
    click(this, "#detective-chain-preset");
    settle();
    assertThat(shows("Enter a reading of a reference")).isTrue();
  }
}
