package unimotus.core.stops;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import unimotus.core.finding.Severity;
import unimotus.core.machine.StopLogic;

/** Two axes of one drive that ramp at once: the sum of both against the link, added by the test. */
class SharedLinkTest {

  private static SharedLink.Stopped stopped(StopCircuit circuit) {
    return new SharedLink.Stopped(
        circuit.axis(), List.of(JudgedStop.of(circuit.axis(), circuit.stop())));
  }

  private static StopCircuit ramped(double rampSeconds) {
    return Stops.circuit(Stops.TERMINAL_DRIVE, Stops.ramped(20, rampSeconds));
  }

  @ParameterizedTest
  @ValueSource(doubles = {2.5, 4, 6, 8, 9, 12})
  void theSumHasToFit(double rampSeconds) {
    StopCircuit circuit = ramped(rampSeconds);
    BrakingEnergy one =
        BrakingEnergy.of(circuit.axis(), circuit.stop(), StopTimeline.fromMaximum(circuit));
    assertThat(stopped(circuit).stops().get(0).sound()).isPresent();
    List<SharedLink.Found> found =
        SharedLink.check(List.of(stopped(circuit), stopped(ramped(rampSeconds))));
    boolean isOver = 2 * one.returnedJoules() > one.linkJoules();
    assertThat(found).hasSize(isOver ? 1 : 0);
    if (isOver) {
      assertThat(found.get(0).axes()).hasSize(2);
      assertThat(found.get(0).finding().severity()).isEqualTo(Severity.WARNING);
      assertThat(found.get(0).finding().seen()).contains("the d.c. link takes 64 J");
    }
  }

  /** One alone is told by its own stop, and a stop without a ramp pushes nothing back. */
  @Test
  void oneAxisAndStopsWithoutARampAreNotTold() {
    assertThat(SharedLink.check(List.of(stopped(ramped(2.5))))).isEmpty();
    StopCircuit coasting = Stops.circuit(Stops.TERMINAL_DRIVE, Stops.guard(StopLogic.SAFETY_RELAY));
    assertThat(SharedLink.check(List.of(stopped(ramped(2.5)), stopped(coasting)))).isEmpty();
  }
}
