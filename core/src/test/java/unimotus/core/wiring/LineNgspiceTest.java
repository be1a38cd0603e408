package unimotus.core.wiring;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import unimotus.core.Lines;
import unimotus.core.Links;
import unimotus.core.circuit.Circuit;
import unimotus.core.link.CommonLink;
import unimotus.core.machine.ConductorSize;
import unimotus.core.machine.Project;
import unimotus.core.machine.Wire;

/**
 * The solver against an independent simulator: every commanded state of sound and of wrong wirings,
 * node by node, within 1 mV or 0.1 %.
 */
class LineNgspiceTest {
  private static boolean installed;

  @TempDir Path folder;

  @BeforeAll
  static void lookForTheSimulator() {
    installed = Ngspice.isInstalled();
    if (!installed) {
      System.err.println(
          "SKIPPED: ngspice is not installed, the solver was NOT checked against it (./run-tests installs it)");
    }
  }

  static Stream<Arguments> wirings() {
    List<Arguments> all = new ArrayList<>();
    Project modular =
        Lines.with(
            Lines.bare("controller-modular", "terminal-drive-4kw"),
            CommonLink.TWO_WIRE,
            CommonLink.ENABLE,
            Links.ANALOG_REFERENCE,
            CommonLink.ANALOG_ACTUAL,
            CommonLink.FAULT_RELAY);
    add(all, "sound", modular);
    add(all, "input selector at sink", selected(modular, "inputs", "sink"));
    add(all, "common missing", without(modular, "w2"));
    add(all, "factory-fitted jumper removed", selected(modular, "sto.jumper", "removed"));
    add(all, "input for volts on a current", selected(modular, "AI1.kind", "current"));
    add(all, "common on +24 V", moved(modular, "w2", "plc:0V", "plc:24V"));
    add(all, "long thin wires", thin(modular));
    add(all, "output shorted to 0 V", joined(modular, "plc:DO0", "plc:0V"));
    add(all, "two outputs on one input", joined(modular, "plc:DO5", "drive:DI1"));
    add(all, "sinking and sourcing output joined", joined(modular, "plc:DS0", "drive:DI1"));
    add(all, "drive's 24 V shorted", joined(modular, "drive:P24", "drive:COM"));
    add(all, "both supplies joined", joined(modular, "drive:P24", "plc:24V"));
    Project sinking =
        Lines.with(
            Lines.bare("controller-compact-sinking", "compact-drive-2kw"),
            CommonLink.TWO_WIRE,
            Links.ANALOG_REFERENCE);
    add(all, "sinking", sinking);
    add(all, "sinking on inputs set to source", selected(sinking, "inputs", "source"));
    add(
        all,
        "relay outputs",
        Lines.with(
            Lines.bare("controller-compact-relay", "safety-drive-7k5"),
            CommonLink.TWO_WIRE,
            CommonLink.STATUS,
            CommonLink.LOAD_SIGNAL));
    add(
        all,
        "interlock chain",
        Lines.with(
            Lines.bare("controller-modular", "terminal-drive-4kw"), CommonLink.INTERLOCK_CHAIN));
    Project hand =
        Lines.with(
            Lines.bare("controller-modular", "pump-drive-5k5"),
            Links.HAND_OFF_AUTO,
            CommonLink.MOTOR_TEMPERATURE);
    add(all, "hand off auto, either polarity", hand);
    return all.stream();
  }

  private static void add(List<Arguments> all, String name, Project project) {
    all.add(Arguments.of(name, project));
  }

  private static Project selected(Project project, String selector, String position) {
    return project.with(project.drives().get(0).withSelector(selector, position));
  }

  private static Project without(Project project, String wire) {
    return project.withWires(project.wires().stream().filter(w -> !w.id().equals(wire)).toList());
  }

  private static Project moved(Project project, String wire, String from, String to) {
    Wire moved =
        project.wires().stream()
            .filter(w -> w.id().equals(wire))
            .findFirst()
            .map(
                w ->
                    w.from().equals(Lines.ref(from))
                        ? w.withEnds(Lines.ref(to), w.to())
                        : w.withEnds(w.from(), Lines.ref(to)))
            .orElseThrow();
    return project.with(moved);
  }

  private static Project joined(Project project, String from, String to) {
    return project.with(new Wire("x1", Lines.ref(from), Lines.ref(to)));
  }

  private static Project thin(Project project) {
    return project.withWires(
        project.wires().stream()
            .map(w -> w.withMake(w.make().withSize(ConductorSize.awg(30)).withLength(2000)))
            .toList());
  }

  @ParameterizedTest(name = "{0}")
  @MethodSource("wirings")
  void everyStateAgrees(String name, Project project) throws Exception {
    assumeTrue(installed, "ngspice is not installed");
    TruthTable table = TruthTable.of(Lines.axis(project));
    assertThat(table.rows()).hasSizeGreaterThan(1);
    for (TruthTable.Row row : table.rows()) {
      compare(row.solution().circuit(), name + ", " + row.label());
    }
  }

  @ParameterizedTest(name = "{0}")
  @MethodSource("faults")
  void everyFaultAgrees(WiringFault fault) throws Exception {
    assumeTrue(installed, "ngspice is not installed");
    Project project = (Project) wirings().findFirst().orElseThrow().get()[1];
    LineSolver solver = new LineSolver(Installation.of(Lines.axis(project)));
    CommandState run =
        CommandState.REST.with(Lines.ref("plc:DO0"), true).withSignal(Lines.ref("plc:AO0"), 7.5);
    compare(solver.solve(run, List.of(fault)).circuit(), fault.text());
  }

  static Stream<WiringFault> faults() {
    return Stream.of(
        new WiringFault.OpenWire("w1"),
        new WiringFault.OpenWire("w2"),
        new WiringFault.ShortToSupply(Lines.ref("drive:DI2")),
        new WiringFault.ShortToZero(Lines.ref("drive:DI1")),
        new WiringFault.ShortToZero(Lines.ref("drive:AI1")),
        new WiringFault.CrossShort(Lines.ref("drive:DI1"), Lines.ref("drive:DI2")),
        new WiringFault.CrossShort(Lines.ref("drive:AI1"), Lines.ref("drive:P24")),
        new WiringFault.MovedEnd("w2", Lines.ref("drive:COM"), Lines.ref("drive:AG")),
        new WiringFault.HighResistance("w1", 10_000),
        new WiringFault.HighResistance("w2", 470));
  }

  private void compare(Circuit circuit, String what) throws Exception {
    Ngspice.agrees(circuit, what, folder);
  }
}
