package unimotus.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import unimotus.core.machine.Motor;
import unimotus.core.sheet.StepperPlate;
import unimotus.workbench.Edit;
import unimotus.workbench.WorkStep;

/**
 * The plate of a step motor at Identify: what its leads allow, and what is refused at the field.
 */
class StepperCardTest extends WindowTest {
  private static final String AXIS = "infeed-belt";

  private Motor motor() {
    return desk.review().orElseThrow().assembly().motor();
  }

  private StepperPlate plate() {
    return (StepperPlate) motor().plate();
  }

  private void stepper(int leads) {
    onWindow(
        () -> {
          desk.openDemo();
          desk.show(AXIS, WorkStep.IDENTIFY);
          Motor motor = motor();
          desk.apply(
              new Edit(
                  "step motor",
                  p ->
                      p.with(
                          motor.withPlate(
                              new StepperPlate(200, 1.9, 2, 1, 0.0025, leads, 4.8e-5)))));
        });
    settle();
  }

  @Test
  void theLeadsSayWhatCanBeConnected() {
    stepper(4);
    assertThat(shows("one coil a phase")).isTrue();
    assertThat(shows("halves in parallel")).isFalse();
    type("#leads", "8");
    assertThat(plate().leads()).isEqualTo(8);
    assertThat(shows("halves in parallel")).isTrue();
    assertThat(shows("2.828")).isTrue();
    assertThat(shows("halves in series")).isTrue();
    assertThat(shows("1.414")).isTrue();
  }

  @Test
  void whatIsNoWholeNumberIsRefusedAtTheField() {
    stepper(6);
    type("#full-steps-a-turn", "200.5");
    assertThat(shows("full steps a turn must be a whole number, not 200.5")).isTrue();
    assertThat(plate().stepsPerTurn()).isEqualTo(200);
    type("#leads", "5");
    assertThat(shows("leads must be 4, 6 or 8, not 5")).isTrue();
    type("#current-a-winding", "0");
    assertThat(shows("rated current must be positive, not 0.0")).isTrue();
    assertThat(plate().ratedAmperes()).isEqualTo(2);
  }
}
