package unimotus.core.way.pulse;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import unimotus.core.FixtureSteppers;
import unimotus.core.Lines;
import unimotus.core.discrete.DiscreteChecks;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.link.LinkPlanner;
import unimotus.core.link.LinkRequest;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.ConductorSize;
import unimotus.core.machine.Part;
import unimotus.core.machine.Project;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.WireMake;
import unimotus.core.motion.PulseOutput;
import unimotus.core.review.AxisReview;
import unimotus.core.review.LineReview;
import unimotus.core.way.LinkIntents;
import unimotus.core.way.PathFactory;
import unimotus.core.wiring.InputReading;
import unimotus.core.wiring.Level;
import unimotus.core.wiring.Ngspice;
import unimotus.core.wiring.TruthTable;

/** The three schools of wiring a step driver, wired by intent; currents by Ohm's law. */
class PulseWiringTest {
  private static final TerminalRef STEP = Lines.ref("drive:ST+");
  private static final TerminalRef DIRECTION = Lines.ref("drive:DR+");
  private static final TerminalRef ENABLE = Lines.ref("drive:EN+");

  @TempDir Path folder;

  private static Project bare(String controller, String driver) {
    return FixtureSteppers.bare(controller, driver, FixtureSteppers.sound());
  }

  private static Project wired(Project project, PulseIntent intent, String school) {
    return LinkPlanner.plan(
            project, FixtureSteppers.sheets(), LinkRequest.of(Lines.AXIS, intent, school))
        .project();
  }

  private static Project pulses(String controller, String school) {
    return wired(bare(controller, FixtureSteppers.OPEN_DRIVER), PulseIntent.PULSES, school);
  }

  private static TruthTable table(Project project) {
    return TruthTable.of(FixtureSteppers.axis(project));
  }

  /** The most an input carries while it is on, over all states. */
  private static double on(Project project, TerminalRef input) {
    return table(project).rows().stream()
        .map(r -> r.cell(input))
        .filter(c -> c.level() == Level.ON && c.reading() != null)
        .map(TruthTable.Cell::reading)
        .mapToDouble(InputReading::amperes)
        .max()
        .orElseThrow();
  }

  private static List<Rule> rules(Project project) {
    return DiscreteChecks.check(FixtureSteppers.axis(project)).stream().map(Finding::rule).toList();
  }

  /**
   * (24 − 1.2) V on 1800 + 270 Ω are 11.0 mA, the transistor losing next to nothing at a thirtieth
   * of its limit; a line driver of 4.5 V behind 25 Ω gives (4.5 − 1.2)/(25 + 270) = 11.2 mA.
   */
  @ParameterizedTest
  @CsvSource({
    "pulse-controller, common-anode, 11.0",
    "pulse-controller, common-cathode, 11.0",
    "line-controller, line-driver, 11.2",
    "controller-modular, common-cathode, 11.0",
    "controller-compact-sinking, common-anode, 11.0"
  })
  void everySchoolBringsTheInputIntoItsWindow(String controller, String school, double milliamps) {
    Project project = pulses(controller, school);
    for (TerminalRef input : List.of(STEP, DIRECTION)) {
      assertThat(on(project, input) * 1000).as(input.toString()).isCloseTo(milliamps, within(0.1));
    }
    assertThat(table(project).deviating()).isEmpty();
    assertThat(rules(project))
        .doesNotContain(Rule.INPUT_CURRENT, Rule.PULSES_LOST, Rule.NOT_AS_MEANT, Rule.RUN_UNWIRED);
    assertThat(PulseOutput.of(FixtureSteppers.axis(project))).isPresent();
  }

  @ParameterizedTest
  @ValueSource(strings = {"common-anode", "common-cathode", "line-driver"})
  void everySchoolAgainstAnIndependentSimulator(String school) throws Exception {
    assumeTrue(Ngspice.isInstalled(), "ngspice is not installed");
    String controller =
        school.equals("line-driver") ? FixtureSteppers.LINES : FixtureSteppers.PULSES;
    Project project = wired(pulses(controller, school), PulseIntent.DRIVER_ENABLE, school);
    for (TruthTable.Row row : table(project).rows()) {
      Ngspice.agrees(row.solution().circuit(), school + ", " + row.label(), folder);
    }
  }

  /** Of common practice: (5 − 0.5·I/0.3 − 1.2) V on 270 Ω are some 14 mA: no resistor. */
  @Test
  void fiveVoltsTakeNoResistor() {
    Project bare = bare(FixtureSteppers.PULSES, FixtureSteppers.OPEN_DRIVER);
    Project five = bare.with(bare.controllers().get(0).withSelector("volts", "5 V"));
    Project project = wired(five, PulseIntent.PULSES, PulseWiring.COMMON_CATHODE);
    assertThat(project.parts()).isEmpty();
    assertThat(on(project, STEP) * 1000).isCloseTo(14, within(0.1));
  }

  @Test
  void theJumperTurnsAllOutputsOrNone() {
    Project cathode = pulses(FixtureSteppers.PULSES, PulseWiring.COMMON_CATHODE);
    assertThat(cathode.controllers().get(0).selectors()).containsEntry("sense", "source");
    Project both = wired(cathode, PulseIntent.DRIVER_ENABLE, PulseWiring.COMMON_ANODE);
    assertThat(both.controllers().get(0).selectors()).containsEntry("sense", "source");
    assertThat(both.wires())
        .as("another sinking output is taken")
        .anyMatch(w -> w.touches(Lines.ref("plc:DS0")));
    assertThat(on(both, ENABLE)).isPositive();
  }

  /** An input of the other sense: on means that the motor is free. */
  @Test
  void enableOfEitherSense() {
    Project open =
        wired(
            pulses(FixtureSteppers.PULSES, PulseWiring.COMMON_ANODE),
            PulseIntent.DRIVER_ENABLE,
            PulseWiring.COMMON_ANODE);
    assertThat(open.intents()).anyMatch(i -> i.meaning().word().equals("disable"));
    Project driven = bare(FixtureSteppers.PULSES, FixtureSteppers.DRIVEN_DRIVER);
    assertThat(rules(wired(driven, PulseIntent.PULSES, PulseWiring.COMMON_ANODE)))
        .contains(Rule.NO_PERMISSION);
    Project all = LinkIntents.planFirstAxis(driven, FixtureSteppers.sheets(), Lines.AXIS).project();
    assertThat(all.intents()).anyMatch(i -> i.meaning().word().equals("enable"));
    assertThat(rules(all)).doesNotContain(Rule.NO_PERMISSION);
    assertThat(
            LinkIntents.planFirstAxis(
                    bare(FixtureSteppers.PULSES, FixtureSteppers.OPEN_DRIVER),
                    FixtureSteppers.sheets(),
                    Lines.AXIS)
                .project()
                .wires())
        .noneMatch(w -> w.touches(ENABLE));
  }

  @Test
  void whatTheDevicesLackIsNamed() {
    assertThatThrownBy(() -> pulses(FixtureSteppers.PULSES, PulseWiring.LINE_DRIVER))
        .hasMessageContaining("no free line driver");
    assertThatThrownBy(() -> pulses(FixtureSteppers.RELAYS, PulseWiring.COMMON_ANODE))
        .hasMessageContaining("no free sinking output");
    Project frequency = Lines.bare("controller-modular", "terminal-drive-4kw");
    assertThatThrownBy(() -> wired(frequency, PulseIntent.PULSES, PulseWiring.COMMON_CATHODE))
        .hasMessageContaining("step");
  }

  private static Project resistor(Project project, String sheet) {
    List<Part> parts =
        project.parts().stream()
            .map(
                p ->
                    p.sheet().startsWith("resistor")
                        ? new Part(p.id(), p.name(), sheet, p.selectors())
                        : p)
            .toList();
    return project.withParts(parts);
  }

  /** 22.3 V on 680 + 270 Ω are 23 mA; on 330 + 270 Ω 37 mA, and 0.45 W on a quarter-watt one. */
  @Test
  void aWrongResistorIsFound() {
    Project anode = pulses(FixtureSteppers.PULSES, PulseWiring.COMMON_ANODE);
    assertThat(rules(resistor(anode, "resistor-680"))).contains(Rule.INPUT_CURRENT);
    assertThat(rules(resistor(anode, "resistor-330"))).contains(Rule.RESISTOR_HEAT);
    assertThat(rules(anode)).doesNotContain(Rule.RESISTOR_HEAT);
  }

  @Test
  void tooLittleCurrentMayLosePulses() {
    Project anode = pulses(FixtureSteppers.PULSES, PulseWiring.COMMON_ANODE);
    Project thin =
        anode.withWires(
            anode.wires().stream()
                .map(
                    w ->
                        w.touches(STEP)
                            ? w.withMake(
                                WireMake.PLAIN.withSize(ConductorSize.awg(30)).withLength(8000))
                            : w)
                .toList());
    List<Finding> found =
        DiscreteChecks.check(FixtureSteppers.axis(thin)).stream()
            .filter(f -> f.rule() == Rule.PULSES_LOST)
            .toList();
    assertThat(found).isNotEmpty();
    assertThat(found.get(0).seen()).contains("it is on from 6.00 mA");
  }

  /** A wire that is taken away takes the path with it, whatever was meant. */
  @Test
  void nothingIsToldOverACutWire() {
    Project anode = pulses(FixtureSteppers.PULSES, PulseWiring.COMMON_ANODE);
    AxisAssembly whole = FixtureSteppers.axis(anode);
    assertThat(PathFactory.fault(whole)).isEmpty();
    AxisAssembly cut = FixtureSteppers.axis(Lines.minus(anode, "drive:ST-"));
    assertThat(PathFactory.fault(cut).orElseThrow()).contains("switches the step input");
    AxisReview oneWay =
        LineReview.of(Lines.minus(anode, "drive:DR-"), FixtureSteppers.sheets()).axes().get(0);
    assertThat(oneWay.obstacles().hinderMotion()).as("it runs one way only").isTrue();
    AxisReview burning =
        LineReview.of(resistor(anode, "resistor-680"), FixtureSteppers.sheets()).axes().get(0);
    assertThat(burning.obstacles().all()).anyMatch(o -> o.contains("over the"));
  }

  /** Disabled for good by a wire to the supply, and never enabled by one that is cut. */
  @Test
  void aDriverThatIsNeverEnabledIsFound() {
    Project open = pulses(FixtureSteppers.PULSES, PulseWiring.COMMON_ANODE);
    assertThat(rules(open)).doesNotContain(Rule.NO_PERMISSION);
    assertThat(rules(Lines.plus(open, "plc:24V – drive:EN+", "drive:EN- – plc:0V")))
        .contains(Rule.NO_PERMISSION);
    Project driven =
        wired(
            bare(FixtureSteppers.PULSES, FixtureSteppers.DRIVEN_DRIVER),
            PulseIntent.DRIVER_ENABLE,
            PulseWiring.COMMON_ANODE);
    assertThat(rules(driven)).doesNotContain(Rule.NO_PERMISSION);
    assertThat(rules(Lines.minus(driven, "drive:EN-"))).contains(Rule.NO_PERMISSION);
  }

  @Test
  void aRelayContactGivesNoPulses() {
    AxisAssembly axis =
        FixtureSteppers.axis(
            Lines.plus(
                bare(FixtureSteppers.RELAYS, FixtureSteppers.OPEN_DRIVER),
                "plc:RO0 – drive:ST+",
                "plc:24V – plc:RO0.C",
                "plc:0V – drive:ST-"));
    assertThat(DiscreteChecks.check(axis))
        .anyMatch(f -> f.rule() == Rule.PULSE_OUTPUT && f.seen().contains("relay contact"));
  }
}
