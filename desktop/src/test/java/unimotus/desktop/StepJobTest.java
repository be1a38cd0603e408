package unimotus.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import unimotus.core.finding.Severity;
import unimotus.core.proof.AxisProof;
import unimotus.core.proof.Expectation;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.Verdict;
import unimotus.workbench.Evidence;
import unimotus.workbench.WorkStep;

/**
 * From an empty project to a proven axis on pulses: a motor of 4 leads on a screw of 5 mm, 1.2 N·m,
 * wired by the program, its current set by the plate, its pulses read from the switches.
 */
@Timeout(value = 4, unit = TimeUnit.MINUTES)
class StepJobTest extends WindowTest {

  @Test
  void fromNothingToAProvenAxisOnPulses() {
    press("#start-axis");
    type("#axis-name", "Feeder");
    choose(this, "#axis-controller", "Compact controller, pulse outputs");
    choose(this, "#axis-motor", "Step motor 1.2 N·m, 4 leads");
    choose(this, "#axis-drive", "Step driver 3.5 A, enabled while open");
    choose(this, "#axis-kind", "screw or spindle");
    fill(this, "#axis-size", "5 mm");
    fill(this, "#axis-speed", "1 m/min");
    press("#axis-add");
    press("#wire-by-intent");
    assertThat(desk.session().project().parts())
        .as("step and direction each get a resistor")
        .hasSize(2);
    onWindow(() -> desk.step().set(WorkStep.MAP));
    press("#map-motion");
    press("#coils-whole");
    press("#set-phase-current");
    type("#supply-of-the-driver", "36");
    press("#motion-scaling");
    press("#read-program");
    press("#motion-moves");
    type("#velocity", "10");
    press("#add-absolute");
    type("#move-step-0-to", "40");
    press("#add-dwell");
    press("#add-absolute");
    type("#move-step-2-to", "0");
    assertThat(desk.review().orElseThrow().findings())
        .as("the supply is another cabinet's: it is not wired here")
        .filteredOn(f -> f.severity() == Severity.ERROR)
        .isEmpty();
    onWindow(() -> desk.step().set(WorkStep.PROVE));
    type("#measured-by", "A. Tester");
    for (Prediction prediction : evidence().predictions()) {
      String field = "#reading-" + prediction.key().replace('.', '-');
      if (prediction.expectation() instanceof Expectation.Amount a) {
        type(
            field,
            desk.units().number(a.value(), a.unit()).replace("\u202f", "").replace("−", "-"));
      } else {
        choose(this, field, ((Expectation.Word) prediction.expectation()).expected());
      }
    }
    assertThat(evidence().proof().verdicts())
        .filteredOn(v -> v.outcome() != Verdict.Outcome.AGREES)
        .extracting(v -> v.prediction().key() + " " + v.outcome())
        .isEmpty();
    assertThat(evidence().proof().state()).isEqualTo(AxisProof.State.PROVEN);
  }

  private Evidence evidence() {
    return desk.evidence().orElseThrow();
  }
}
