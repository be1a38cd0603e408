package unimotus.core.stops;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import unimotus.core.link.StopRequest;
import unimotus.core.machine.Project;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.StopFunction;
import unimotus.core.machine.StopLogic;
import unimotus.core.machine.StopTrigger;
import unimotus.core.machine.StopUse;
import unimotus.core.safety.PerformanceLevel;
import unimotus.core.safety.SafetyFigures;
import unimotus.core.safety.Structure;

/** Category and diagnostic coverage come out of the fault run (ISO 13849-1, from memory). */
class SafetyFiguresTest {
  private static final StopUse USE =
      StopUse.USUAL.withCommonCause(List.of("SEPARATION", "DIVERSITY", "EMC", "ENVIRONMENT"));

  private static SafetyFigures figures(StopRequest request, StopUse use) {
    Project project = Stops.project(Stops.TERMINAL_DRIVE, request);
    StopFunction stop = project.stops().get(0).withUse(use);
    StopCircuit circuit = Stops.circuit(project.with(stop));
    StopVerdict verdict = StopVerdict.of(circuit);
    return SafetyFigures.of(circuit, verdict, FaultRun.of(circuit, verdict));
  }

  @ParameterizedTest
  @CsvSource({
    "DIRECT, true, ONE, 0.0",
    "SAFETY_RELAY, false, THREE, 0.9",
    "SAFETY_RELAY, true, FOUR, 0.99"
  })
  void theStructureDecidesTheCategory(
      StopLogic logic, boolean crossFault, Structure structure, double coverage) {
    SafetyFigures figures = figures(Stops.guard(logic).withRelay(true, crossFault), USE);
    assertThat(figures.parts().get(0).structure()).isEqualTo(structure);
    assertThat(figures.parts().get(0).coverage()).isCloseTo(coverage, within(1e-9));
  }

  /** One channel is no better than PL c, whatever the numbers say. */
  @Test
  void aHiddenStuckContactCapsTheLevel() {
    SafetyFigures figures = figures(Stops.guard(StopLogic.DIRECT), USE);
    assertThat(figures.level()).contains(PerformanceLevel.C);
  }

  @Test
  void withoutMeasuresAgainstCommonCausesTwoChannelsCountAsOne() {
    SafetyFigures figures = figures(Stops.guard(StopLogic.SAFETY_RELAY), StopUse.USUAL);
    assertThat(figures.parts().get(0).structure()).isEqualTo(Structure.ONE);
    assertThat(figures.remarks()).anyMatch(r -> r.contains("0 of 65 points"));
  }

  /** The whole is the sum over its parts, mirror contacts included. */
  @Test
  void theRatesOfThePartsAddUp() {
    SafetyFigures figures =
        figures(
            Stops.request(
                StopTrigger.EMERGENCY_STOP, StopLogic.RELAY_CONTACTORS, StopEffect.CONTACTORS),
            USE);
    assertThat(figures.parts()).hasSize(3);
    double sum = figures.parts().stream().mapToDouble(p -> p.dangerousPerHour()).sum();
    assertThat(figures.dangerousPerHour().orElseThrow()).isCloseTo(sum, within(1e-18));
    assertThat(figures.parts().get(2).coverage()).isCloseTo(0.99, within(1e-9));
  }

  @Test
  void aStopOnTheEnableInputHasNoLevel() {
    SafetyFigures figures =
        figures(
            Stops.request(StopTrigger.EMERGENCY_STOP, StopLogic.DIRECT, StopEffect.ENABLE), USE);
    assertThat(figures.level()).isEmpty();
    assertThat(figures.reachesRequired()).isFalse();
    assertThat(figures.remarks().get(0)).contains("not made for safety");
  }

  @Test
  void aB10dOfZeroIsRefusedByName() {
    assertThatThrownBy(() -> USE.withB10d("guard", 0))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("B10d of guard")
        .hasMessageContaining("over 0");
  }

  /**
   * 100 000 cycles at 40 000 a year: 2.5 years wear a button out within its mission time (T10d).
   */
  @Test
  void aDeviceThatWearsOutEarlyIsNamed() {
    SafetyFigures figures =
        figures(
            Stops.request(StopTrigger.EMERGENCY_STOP, StopLogic.SAFETY_RELAY, StopEffect.STO),
            USE.withRhythm(10, 16, 250));
    assertThat(figures.remarks()).anyMatch(r -> r.contains("replaced after 2.5 years"));
  }
}
