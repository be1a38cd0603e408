package unimotus.workbench.stops;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import unimotus.core.Lines;
import unimotus.core.link.StopRequest;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Project;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.StopFunction;
import unimotus.core.machine.StopLogic;
import unimotus.core.machine.StopTrigger;
import unimotus.core.stops.FaultRun;
import unimotus.core.stops.Stops;
import unimotus.workbench.StopDesigns;
import unimotus.workbench.StopDesigns.Design;
import unimotus.workbench.StopEdits;

/** The ways to build a guard stop, each broken on purpose. */
class StopDesignsTest {
  private static List<Design> designs;

  @BeforeAll
  static void compare() {
    designs = compare(Stops.guard(StopLogic.SAFETY_RELAY).withRelay(true, false));
  }

  private static List<Design> compare(StopRequest request) {
    Project project = Stops.project(Stops.TERMINAL_DRIVE, request);
    AxisAssembly axis = AxisAssembly.of(project, Stops.SHEETS, project.axes().get(0)).orElseThrow();
    StopFunction stop = axis.stops().get(0);
    return StopDesigns.compare(project, Stops.SHEETS, axis, stop, share -> {}, () -> false);
  }

  private static FaultRun run(String name) {
    return designs.stream()
        .filter(d -> d.name().equals(name))
        .map(Design::run)
        .findFirst()
        .orElseThrow();
  }

  @Test
  void theOneThatIsBuiltIsMarked() {
    assertThat(designs)
        .filteredOn(Design::built)
        .extracting(Design::name)
        .containsExactly("relay, manual reset, no cross-fault detection");
    assertThat(designs).allSatisfy(d -> assertThat(d.refusal()).isEmpty());
  }

  /** Common practice: testing finds the first fault, so the second cannot lose the stop. */
  @Test
  void crossFaultDetectionLeavesTheFewestPairsThatLoseTheStop() {
    int direct = run("direct contacts").lostByTwo().size();
    int without = run("relay, manual reset, no cross-fault detection").lostByTwo().size();
    int with = run("relay, manual reset, cross-fault detection").lostByTwo().size();
    assertThat(direct).isPositive();
    assertThat(with).isLessThan(without);
    assertThat(with).isLessThan(direct);
  }

  @Test
  void noSingleFaultLosesAnyOfThem() {
    assertThat(designs).allSatisfy(d -> assertThat(d.run().lostByOne()).isEmpty());
  }

  @Test
  void aStopOnTheEnableInputHasNothingToCompareWith() {
    List<Design> plain =
        compare(Stops.request(StopTrigger.EMERGENCY_STOP, StopLogic.DIRECT, StopEffect.ENABLE));
    assertThat(plain).hasSize(1);
    assertThat(plain.get(0).built()).isTrue();
    assertThat(plain.get(0).run().lostByOne()).isNotEmpty();
  }

  @Test
  void progressGoesUpAndCancelKeepsWhatWasFound() {
    Project project = Stops.project(Stops.TERMINAL_DRIVE, Stops.guard(StopLogic.SAFETY_RELAY));
    AxisAssembly axis = AxisAssembly.of(project, Stops.SHEETS, project.axes().get(0)).orElseThrow();
    List<Double> told = new ArrayList<>();
    List<Design> some =
        StopDesigns.compare(
            project,
            Stops.SHEETS,
            axis,
            axis.stops().get(0),
            told::add,
            () -> !told.isEmpty() && told.get(told.size() - 1) > 0.25);
    assertThat(told).isSorted();
    assertThat(some.size()).isBetween(1, 2);
  }

  /** Taken away again, a stop leaves nothing of its own behind; the mains stay the panel's. */
  @Test
  void aStopTakenAwayLeavesNothing() {
    for (StopRequest request :
        List.of(
            Stops.request(
                StopTrigger.EMERGENCY_STOP, StopLogic.RELAY_CONTACTORS, StopEffect.CONTACTORS),
            Stops.guard(StopLogic.SAFETY_RELAY))) {
      Project built = Stops.project(Stops.TERMINAL_DRIVE, request);
      Project gone = StopEdits.remove(Stops.SHEETS, built.stops().get(0)).change().apply(built);
      assertThat(gone.stops()).isEmpty();
      assertThat(gone.parts()).allMatch(p -> p.sheet().startsWith("mains-"));
      assertThat(gone.wires()).noneMatch(w -> w.touches(Lines.ref("drive:STO1")));
    }
  }
}
