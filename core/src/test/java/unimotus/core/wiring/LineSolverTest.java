package unimotus.core.wiring;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static unimotus.core.Fixtures.ref;
import static unimotus.core.Fixtures.wire;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import unimotus.core.Fixtures;
import unimotus.core.Lines;
import unimotus.core.machine.Part;
import unimotus.core.machine.Project;
import unimotus.core.machine.Wire;

/** What terminals see; currents worked by hand with Ohm's law. */
class LineSolverTest {
  private static final CommandState RUN = CommandState.REST.with(ref("plc:DO0"), true);

  private static Project with(Project project, Wire... wires) {
    List<Wire> all = new ArrayList<>(project.wires());
    all.addAll(List.of(wires));
    return project.withWires(all);
  }

  private static LineSolver solver(Project project) {
    return new LineSolver(Installation.of(project, Fixtures.sheets()));
  }

  private static InputReading run(Project project, CommandState state) {
    return solver(project).solve(state).input(ref("drive:DI1")).orElseThrow();
  }

  @Test
  void aSourcingOutputSwitchesAnInputThatWantsPlus() {
    // (24 V − 1.5 V) over 4700 Ω, 1 Ω of the output and 0.05 Ω of the supply: 4.79 mA.
    InputReading on = run(Fixtures.project(), RUN);
    assertThat(on.amperes()).isEqualTo(22.5 / 4701.06, within(1e-6));
    assertThat(on.level()).isEqualTo(Level.ON);
    assertThat(run(Fixtures.project(), CommandState.REST).level()).isEqualTo(Level.OFF);
  }

  /**
   * Source against sink, both ways round: off for good, whatever is commanded (common practice).
   */
  @Test
  void theWrongPairReadsOffForGood() {
    Project sourceOnSink = Fixtures.withDriveSelector(Fixtures.project(), "logic", "sink");
    assertThat(run(sourceOnSink, RUN).level()).isEqualTo(Level.OFF);
    assertThat(run(sourceOnSink, CommandState.REST).level()).isEqualTo(Level.OFF);
    Project sinkOnSource =
        with(Fixtures.without(Fixtures.project(), "w1"), wire("x", "plc:DS0", "drive:DI1"));
    CommandState sink = CommandState.REST.with(ref("plc:DS0"), true);
    assertThat(run(sinkOnSource, sink).level()).isEqualTo(Level.OFF);
    assertThat(run(sinkOnSource, CommandState.REST).level()).isEqualTo(Level.OFF);
  }

  /** With the level set active low, the same wrong pair reads permanently on. */
  @Test
  void theWrongPairReadsOnForGoodWhereTheLevelIsInverted() {
    Project project =
        Fixtures.withSetting(
            Fixtures.withDriveSelector(Fixtures.project(), "logic", "sink"), "P14", "active-low");
    TruthTable table = TruthTable.of(Fixtures.assembly(project));
    assertThat(table.rows())
        .allSatisfy(r -> assertThat(r.cells().get(ref("drive:DI1")).level()).isEqualTo(Level.ON));
  }

  @Test
  void withoutACommonTheInputFloatsAndReadsOff() {
    Project project = Fixtures.without(Fixtures.project(), "w2");
    LineSolution solution = solver(project).solve(RUN);
    assertThat(solution.input(ref("drive:DI1")).orElseThrow().level()).isEqualTo(Level.OFF);
    assertThat(solution.volts(ref("drive:P24"), ref("drive:COM")).orElseThrow())
        .isEqualTo(24, within(0.01));
  }

  @Test
  void anUnwiredContactFloats() {
    LineSolution solution = solver(Fixtures.project()).solve(RUN);
    assertThat(solution.volts(ref("plc:RO"), ref("plc:0V"))).isEmpty();
  }

  /** 4–20 mA through a burden of 250 Ω: 12 mA make 3 V. */
  @Test
  void aLoopCurrentMakesItsVoltageOverTheBurden() {
    LineSolution solution =
        solver(Fixtures.project()).solve(CommandState.REST.withSignal(ref("plc:AO0"), 12));
    assertThat(solution.received(ref("drive:AI1")).orElseThrow()).isEqualTo(12, within(1e-3));
    assertThat(solution.volts(ref("drive:AI1"), ref("drive:AG")).orElseThrow())
        .isEqualTo(3, within(1e-3));
    assertThat(solution.wireAmperes("w3").orElseThrow()).isEqualTo(0.012, within(1e-6));
  }

  @Test
  void faultsDoWhatTheyAreCalled() {
    LineSolver solver = solver(Fixtures.project());
    assertThat(level(solver, RUN, new WiringFault.OpenWire("w1"))).isEqualTo(Level.OFF);
    assertThat(level(solver, CommandState.REST, new WiringFault.ShortToSupply(ref("drive:DI1"))))
        .isEqualTo(Level.ON);
    assertThat(level(solver, RUN, new WiringFault.ShortToZero(ref("drive:DI1"))))
        .isEqualTo(Level.OFF);
    assertThat(level(solver, RUN, new WiringFault.HighResistance("w1", 10_000)))
        .isEqualTo(Level.UNDEFINED);
    assertThat(
            level(solver, RUN, new WiringFault.MovedEnd("w2", ref("drive:COM"), ref("drive:AG"))))
        .as("the return on the wrong common")
        .isEqualTo(Level.OFF);
    assertThat(
            level(
                solver,
                CommandState.REST.with(ref("plc:DO1"), true),
                new WiringFault.CrossShort(ref("plc:DO1"), ref("drive:DI1"))))
        .isEqualTo(Level.ON);
  }

  private static Level level(LineSolver solver, CommandState state, WiringFault fault) {
    return solver.solve(state, List.of(fault)).input(ref("drive:DI1")).orElseThrow().level();
  }

  private static Project relay() {
    return Fixtures.withPart(Fixtures.project(), "k1", "test-relay");
  }

  @Test
  void aRelayPullsInAndItsContactFollows() {
    Project project =
        with(
            relay(),
            wire("c1", "plc:DO1", "k1:A1"),
            wire("c2", "k1:A2", "plc:0V"),
            wire("c3", "drive:P24", "k1:11"),
            wire("c4", "k1:14", "drive:DI2"));
    LineSolver solver = solver(project);
    CommandState on = CommandState.REST.with(ref("plc:DO1"), true);
    assertThat(solver.solve(on).isEnergised("k1")).isTrue();
    assertThat(solver.solve(on).input(ref("drive:DI2")).orElseThrow().level()).isEqualTo(Level.ON);
    LineSolution off = solver.solve(CommandState.REST);
    assertThat(off.isEnergised("k1")).isFalse();
    assertThat(off.input(ref("drive:DI2")).orElseThrow().level()).isEqualTo(Level.OFF);
  }

  @Test
  void aRelayThatOpensItsOwnCoilChatters() {
    Project project =
        with(
            relay(),
            wire("c1", "plc:24V", "k1:11"),
            wire("c2", "k1:12", "k1:A1"),
            wire("c3", "k1:A2", "plc:0V"));
    assertThat(solver(project).solve(CommandState.REST).isSettled()).isFalse();
  }

  /**
   * The dead controller: its output's body diode lets the drive's 24 V back in (common practice).
   */
  @Test
  void aSupplyFedBackwardsReadsPermanentlyOn() {
    Project project =
        with(
            Fixtures.withDriveSelector(Fixtures.project(), "logic", "sink"),
            wire("x1", "plc:24V", "plc:0V"));
    assertThat(run(project, CommandState.REST).level())
        .as("controller's 24 V at zero, output off")
        .isEqualTo(Level.ON);
  }

  /**
   * IEC 61131-2 type 3 (from memory): off below 5 V, and off as well with less than 1.5 mA; on from
   * 11 V with 2 mA. A wiper walks an input through all of it.
   */
  @Test
  void offIsToldByVoltsAndByCurrent() {
    Project bare =
        Lines.bare("controller-modular", "terminal-drive-4kw")
            .with(new Part("pot", "pot", "potentiometer-5k", Map.of()));
    Project project =
        with(
            bare,
            wire("1", "plc:24V", "pot:1"),
            wire("2", "pot:3", "plc:0V"),
            wire("3", "pot:2", "plc:DI0"));
    LineSolver solver = new LineSolver(Installation.of(project, Lines.SHEETS));
    Set<Level> byCurrentAlone = new TreeSet<>();
    for (int percent = 0; percent <= 100; percent++) {
      LineSolution at = solver.solve(CommandState.REST.withSignal(ref("pot:2"), percent));
      InputReading reading = at.input(ref("plc:DI0")).orElseThrow();
      double volts = at.volts(ref("plc:DI0"), ref("plc:0V")).orElseThrow();
      boolean on = volts >= 11 && reading.amperes() >= 0.002;
      boolean off = volts < 5 || reading.amperes() < 0.0015;
      assertThat(reading.level())
          .as("%d %%: %s V, %s A", percent, volts, reading.amperes())
          .isEqualTo(on ? Level.ON : off ? Level.OFF : Level.UNDEFINED);
      if (volts >= 5 && off) {
        byCurrentAlone.add(reading.level());
      }
    }
    assertThat(byCurrentAlone).containsExactly(Level.OFF);
  }
}
