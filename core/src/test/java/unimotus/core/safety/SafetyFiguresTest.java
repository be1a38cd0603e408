package unimotus.core.safety;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import unimotus.core.derivation.Derivation;
import unimotus.core.link.StopRequest;
import unimotus.core.machine.Project;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.StopFunction;
import unimotus.core.machine.StopLogic;
import unimotus.core.machine.StopTrigger;
import unimotus.core.machine.StopUse;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.stops.FaultRun;
import unimotus.core.stops.StopCircuit;
import unimotus.core.stops.StopVerdict;
import unimotus.core.stops.Stops;

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

  /**
   * By hand: 250 days of 16 hours with 10 demands are 40 000 operations; 20 million cycles make
   * 5000 years, of which structure 4 counts 2500, structure 1 a hundred (ISO 13849-1, from memory).
   */
  @Test
  void theSumOfAPartIsTheOneByHand() {
    StopUse use = USE.withRhythm(10, 16, 250);
    SafetyPart two =
        figures(Stops.guard(StopLogic.SAFETY_RELAY).withRelay(true, true), use).parts().get(0);
    assertThat(two.structure()).isEqualTo(Structure.FOUR);
    assertThat(two.sum().text())
        .contains("250·16·10")
        .contains("= " + QuantityFormat.PLAIN.number(40_000))
        .contains("/(0.1·%s) = 5000".formatted(QuantityFormat.PLAIN.number(40_000)))
        .contains("at most 2500 years")
        .contains("diagnostic coverage, high")
        .contains("99 %")
        .contains("structure 4, PFHd");
    assertThat(two.dangerousPerHour())
        .isEqualTo(TableK1.perHour(Structure.FOUR, CoverageBand.HIGH, 2500).orElseThrow());
    SafetyPart one = figures(Stops.guard(StopLogic.DIRECT), use).parts().get(0);
    assertThat(one.sum().text()).contains("at most 100 years").contains("structure 1, PFHd");
    assertThat(one.dangerousPerHour())
        .isEqualTo(TableK1.perHour(Structure.ONE, CoverageBand.NONE, 100).orElseThrow());
  }

  /**
   * Structure 2: a hundred tests a demand; from 25 on with a tenth more, below it is no structure 2
   * (ISO 13849-1:2015, from memory).
   */
  @ParameterizedTest
  @CsvSource({"1000, TWO, 1", "999, TWO, 1.1", "250, TWO, 1.1", "249, ONE, 1"})
  void testsBetweenDemandsMakeStructureTwo(double perHour, Structure structure, double factor) {
    StopUse use = USE.withRhythm(10, 16, 250).withTests(perHour, 0.9);
    SafetyPart part = figures(Stops.guard(StopLogic.DIRECT), use).parts().get(0);
    assertThat(part.structure()).isEqualTo(structure);
    CoverageBand band = structure == Structure.TWO ? CoverageBand.MEDIUM : CoverageBand.NONE;
    assertThat(part.dangerousPerHour())
        .isCloseTo(factor * TableK1.perHour(structure, band, 100).orElseThrow(), within(1e-15));
    assertThat(part.coverage()).isCloseTo(structure == Structure.TWO ? 0.9 : 0, within(1e-9));
  }

  /** 20 million cycles at 8.76 million a year: 22.8 years; a twentieth of them is under three. */
  @Test
  void aChannelThatFailsTooSoonIsNamedAndIsStructureB() {
    StopUse use = USE.withRhythm(1000, 24, 365);
    SafetyPart part = figures(Stops.guard(StopLogic.DIRECT), use).parts().get(0);
    assertThat(part.structure()).isEqualTo(Structure.B);
    SafetyFigures figures =
        figures(Stops.guard(StopLogic.DIRECT), use.withB10d(trigger(), 1_000_000));
    assertThat(figures.remarks()).anyMatch(r -> r.contains("under the 3 the standard allows"));
    assertThat(figures.remarks()).anyMatch(r -> r.contains("replaced after 0.1 years"));
    assertThat(figures.level()).as("the table has no such row").isEmpty();
  }

  private static String trigger() {
    return Stops.project(Stops.TERMINAL_DRIVE, Stops.guard(StopLogic.DIRECT))
        .stops()
        .get(0)
        .triggers()
        .get(0);
  }

  /** Annex A: S2 F2 P2 asks for e, S1 F1 P1 for a (from memory). */
  @Test
  void theLevelIsHeldAgainstWhatTheRiskAsksFor() {
    StopRequest guard = Stops.guard(StopLogic.SAFETY_RELAY).withRelay(true, true);
    StopRequest direct = Stops.guard(StopLogic.DIRECT);
    StopUse grave = USE.withRisk(true, true, true);
    StopUse slight = USE.withRisk(false, false, false);
    assertThat(figures(guard, grave).level())
        .as("shorts that show nowhere hold it at d")
        .contains(PerformanceLevel.D);
    assertThat(figures(guard, grave).reachesRequired()).isFalse();
    assertThat(figures(guard, USE.withRisk(true, true, false)).reachesRequired()).isTrue();
    assertThat(figures(direct, grave).reachesRequired()).isFalse();
    assertThat(figures(direct, slight).reachesRequired()).isTrue();
    assertThat(figures(direct, USE.withRisk(true, false, false)).reachesRequired())
        .as("c is asked for and c is reached")
        .isTrue();
  }

  /** ISO 14119: a second contact is no second actuator (from memory). */
  @Test
  void oneSwitchOnAGuardIsHeldAtD() {
    SafetyFigures guard = figures(Stops.guard(StopLogic.SAFETY_RELAY).withRelay(true, true), USE);
    assertThat(guard.parts().get(0).level()).contains(PerformanceLevel.D);
    assertThat(guard.remarks()).anyMatch(r -> r.contains("has one actuator"));
    SafetyFigures button =
        figures(
            Stops.request(StopTrigger.EMERGENCY_STOP, StopLogic.SAFETY_RELAY, StopEffect.STO)
                .withRelay(true, true),
            USE);
    assertThat(button.parts().get(0).level()).contains(PerformanceLevel.E);
    assertThat(button.remarks()).noneMatch(r -> r.contains("has one actuator"));
  }

  /** A curtain, a relay and a drive count by the rate on their sheets. */
  @Test
  void finishedDevicesCountByTheirSheets() {
    SafetyFigures figures =
        figures(
            Stops.request(StopTrigger.LIGHT_CURTAIN, StopLogic.SAFETY_RELAY, StopEffect.STO), USE);
    assertThat(figures.parts()).hasSize(3);
    assertThat(figures.parts().get(0).dangerousPerHour()).isEqualTo(2.5e-8);
    assertThat(figures.parts().get(1).dangerousPerHour()).isEqualTo(2.5e-9);
    assertThat(figures.parts().get(2).dangerousPerHour()).isEqualTo(4e-9);
    assertThat(figures.parts())
        .allSatisfy(
            p -> {
              assertThat(p.structure()).isNull();
              assertThat(p.sum().text()).contains("PFH").contains("device sheet");
            });
    assertThat(figures.remarks()).noneMatch(r -> r.contains("states no dangerous failures"));
  }

  /** A finished device counts where its two channels work apart; direct contacts are level c. */
  @Test
  void aFinishedDeviceCountsBehindTwoChannels() {
    SafetyFigures figures = figures(Stops.guard(StopLogic.DIRECT), USE);
    assertThat(figures.level()).contains(PerformanceLevel.C);
    SafetyFigures two = figures(Stops.guard(StopLogic.SAFETY_RELAY).withRelay(true, true), USE);
    assertThat(two.remarks()).noneMatch(r -> r.startsWith("one fault loses the stop"));
    assertThat(two.parts().get(1).dangerousPerHour()).isEqualTo(2.5e-9);
  }

  @Test
  void aRunThatWasStoppedProvesNoMoreThanD() {
    Project project =
        Stops.project(
            Stops.TERMINAL_DRIVE, Stops.guard(StopLogic.SAFETY_RELAY).withRelay(true, true));
    StopCircuit circuit = Stops.circuit(project.with(project.stops().get(0).withUse(USE)));
    FaultRun stopped = Stops.broken(circuit, share -> {}, () -> true);
    SafetyFigures figures = SafetyFigures.of(circuit, StopVerdict.of(circuit), stopped);
    assertThat(figures.remarks()).anyMatch(r -> r.contains("was stopped before its end"));
    assertThat(figures.level().orElse(PerformanceLevel.A)).isLessThanOrEqualTo(PerformanceLevel.D);
  }

  @ParameterizedTest
  @CsvSource({"1000, false", "999, true", "249, false"})
  void fewTestsAreNamed(double perHour, boolean named) {
    StopUse use = USE.withRhythm(10, 16, 250).withTests(perHour, 0.9);
    assertThat(
            figures(Stops.guard(StopLogic.DIRECT), use).remarks().stream()
                .anyMatch(r -> r.startsWith("tested less than 100 times")))
        .isEqualTo(named);
  }

  /** Two parts of level a whose sum is under it: nothing may be told (ISO 13849-1, from memory). */
  @Test
  void aSumUnderLevelAHasNoLevel() {
    SafetyPart half =
        new SafetyPart("half", null, Double.NaN, 6e-5, PerformanceLevel.E, Derivation.NONE);
    assertThat(half.level()).contains(PerformanceLevel.A);
    SafetyFigures one =
        new SafetyFigures(PerformanceLevel.A, List.of(half), PerformanceLevel.E, 65, List.of());
    assertThat(one.level()).contains(PerformanceLevel.A);
    assertThat(one.reachesRequired()).isTrue();
    SafetyFigures two =
        new SafetyFigures(
            PerformanceLevel.A, List.of(half, half), PerformanceLevel.E, 65, List.of());
    assertThat(two.dangerousPerHour()).contains(12e-5);
    assertThat(two.level()).isEmpty();
    assertThat(two.reachesRequired()).isFalse();
  }

  /**
   * By hand: 40 000 operations of a button with 100 000 cycles: 25 years, structure 1 counts all.
   */
  @Test
  void theSumNamesCyclesYearsAndBand() {
    StopUse use = USE.withRhythm(10, 16, 250).withB10d(trigger(), 100_000);
    SafetyPart part = figures(Stops.guard(StopLogic.DIRECT), use).parts().get(0);
    String sum = part.sum().text();
    assertThat(sum).contains("MTTFd of a channel").contains("= 25 ").contains("counted: at most");
    assertThat(sum).contains("diagnostic coverage, none: 0 %").contains("fault run; ISO 13849-1");
    assertThat(sum).doesNotContain("⅔");
    SafetyPart two =
        figures(Stops.guard(StopLogic.SAFETY_RELAY).withRelay(true, true), use).parts().get(0);
    StopUse tested = USE.withRhythm(10, 16, 250).withTests(1000, 0.9);
    assertThat(figures(Stops.guard(StopLogic.DIRECT), tested).parts().get(0).sum().text())
        .contains("[tests of the stop]");
  }
}
