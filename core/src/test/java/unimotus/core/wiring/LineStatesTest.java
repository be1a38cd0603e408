package unimotus.core.wiring;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import unimotus.core.Lines;
import unimotus.core.Links;
import unimotus.core.link.CommonLink;
import unimotus.core.link.LinkIntent;
import unimotus.core.link.LinkPlanner;
import unimotus.core.link.LinkRequest;
import unimotus.core.machine.Part;
import unimotus.core.machine.Project;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;

/** Which states of a line are looked at, and what parts do in them; volts worked by hand. */
class LineStatesTest {
  private static Project line(LinkIntent... kinds) {
    return Lines.with(Lines.bare("controller-modular", "terminal-drive-4kw"), kinds);
  }

  private static List<String> labels(Project project) {
    return TruthTable.of(Lines.axis(project)).rows().stream().map(TruthTable.Row::label).toList();
  }

  @Test
  void restIntentsAndOutputsAreLookedAt() {
    assertThat(labels(line(CommonLink.TWO_WIRE))).containsExactly("at rest", "DO0 on", "DO1 on");
  }

  /** Two presets: each alone and both together, on top of the run command. */
  @Test
  void presetsAreLookedAtInEveryCombination() {
    Project project = line(CommonLink.TWO_WIRE);
    project =
        LinkPlanner.plan(project, Lines.SHEETS, LinkRequest.of(Lines.AXIS, Links.PRESETS, "2"))
            .project();
    assertThat(labels(project))
        .containsExactlyInAnyOrder(
            "at rest",
            "DO0 on",
            "DO1 on",
            "DO2 on",
            "DO3 on",
            "DO0 on + DO2 on",
            "DO0 on + DO3 on",
            "DO0 on + DO2 on + DO3 on");
  }

  /** A fault contact is looked at in every state the drive can be in. */
  @Test
  void theDrivesOwnStatesAreLookedAtWhereItAnswers() {
    assertThat(labels(line(CommonLink.FAULT_RELAY)))
        .containsExactlyInAnyOrder(
            "at rest",
            "Drive running",
            "Drive at-speed",
            "Drive not permitted",
            "Drive fault",
            "Drive no power");
    assertThat(labels(line(CommonLink.TWO_WIRE))).noneMatch(l -> l.startsWith("Drive"));
  }

  /** A selector: every position by itself, and with every command. */
  @Test
  void switchesAreLookedAtInEveryPosition() {
    List<String> labels = labels(line(Links.HAND_OFF_AUTO));
    assertThat(labels).contains("at rest");
    assertThat(labels.stream().filter(l -> l.endsWith(" hand") && !l.contains("+"))).hasSize(1);
    assertThat(labels.stream().filter(l -> l.endsWith(" auto") && !l.contains("+"))).hasSize(1);
    assertThat(labels.stream().filter(l -> l.endsWith(" off"))).isEmpty();
    assertThat(labels).doesNotHaveDuplicates();
  }

  /** Of a drive without power nothing is meant: whatever its inputs see, it cannot follow. */
  @Test
  void nothingIsMeantOfADriveWithoutPower() {
    Project project = line(CommonLink.TWO_WIRE, CommonLink.FAULT_RELAY);
    TruthTable table = TruthTable.of(Lines.axis(project));
    TerminalRef run = Lines.ref("drive:DI1");
    for (TruthTable.Row row : table.rows()) {
      boolean dead = row.label().endsWith("no power");
      assertThat(row.cells().get(run).meant() == null).as(row.label()).isEqualTo(dead);
      assertThat(row.deviates()).as(row.label()).isFalse();
      assertThat(table.deviations(run)).isEmpty();
    }
    assertThat(table.deviating()).isEmpty();
    assertThat(table.inputs()).startsWith(run);
  }

  /** What each state of a drive makes of an output set to show it (common practice). */
  @ParameterizedTest
  @CsvSource({
    "healthy, ready, true",
    "healthy, fault, false",
    "healthy, no power, false",
    "sto-healthy, not permitted, true",
    "sto-healthy, fault, false",
    "ready, ready, true",
    "ready, running, true",
    "ready, at-speed, true",
    "ready, fault, false",
    "ready, not permitted, false",
    "running, running, true",
    "running, at-speed, true",
    "running, ready, false",
    "brake-release, running, true",
    "brake-release, ready, false",
    "sto-active, not permitted, true",
    "sto-active, ready, false",
    "fault, fault, true",
    "fault, ready, false",
    "at-speed, at-speed, true",
    "at-speed, running, false",
    "none, ready, false"
  })
  void outputsShowTheStateTheyAreSetTo(String function, String state, boolean on) {
    assertThat(DeviceLaws.shows(function, state)).isEqualTo(on);
  }

  private static Project supplied(String set, String fed) {
    Part supply = new Part("psu", "Supply", "supply-24v-5a", Map.of("mains", set, "feed", fed));
    Part relay = new Part("k1", "Relay", "relay-two-changeover", Map.of());
    return line()
        .with(supply)
        .with(relay)
        .with(new Wire("a", Lines.ref("psu:+"), Lines.ref("k1:A1")))
        .with(new Wire("b", Lines.ref("psu:-"), Lines.ref("k1:A2")))
        .with(new Wire("c", Lines.ref("psu:+"), Lines.ref("k1:11")))
        .with(new Wire("d", Lines.ref("k1:14"), Lines.ref("drive:DI1")))
        .with(new Wire("e", Lines.ref("psu:-"), Lines.ref("drive:COM")));
  }

  private static LineSolution solved(Project project, WiringFault... faults) {
    Installation installation = Installation.of(project, Lines.SHEETS);
    return new LineSolver(installation).solve(CommandState.REST, List.of(faults));
  }

  /** Set for 230 and fed with 115 it gives half; the other way round nothing ever again. */
  @ParameterizedTest
  @CsvSource({
    "230 V, 230 V, 24, true",
    "230 V, 115 V, 12, false",
    "115 V, 115 V, 24, true",
    "115 V, 230 V, 0, false"
  })
  void aSupplyGivesWhatItsSelectorAndItsMainsMake(
      String set, String fed, double volts, boolean pulls) {
    LineSolution solution = solved(supplied(set, fed));
    assertThat(solution.volts(Lines.ref("k1:A1"), Lines.ref("k1:A2")).orElse(0))
        .isCloseTo(volts, within(0.02));
    assertThat(solution.isEnergised("k1")).isEqualTo(pulls);
    assertThat(solution.isOn(Lines.ref("drive:DI1"))).isEqualTo(pulls);
  }

  /** Each fault on a relay whose contact switches an input: what the input then reads. */
  @Test
  void faultsOnARelayAndItsContact() {
    Project project = supplied("230 V", "230 V");
    TerminalRef input = Lines.ref("drive:DI1");
    TerminalRef contact = Lines.ref("k1:14");
    assertThat(solved(project).isOn(input)).isTrue();
    assertThat(solved(project).energised()).containsExactly("k1");
    assertThat(solved(project, new WiringFault.OpenWire("a")).isOn(input)).isFalse();
    assertThat(solved(project, new WiringFault.OpenWire("d")).isOn(input)).isFalse();
    assertThat(solved(project, new WiringFault.StuckOpen(contact)).isOn(input)).isFalse();
    assertThat(solved(project, new WiringFault.Stuck("k1", "released")).isOn(input)).isFalse();
    WiringFault open = new WiringFault.OpenWire("a");
    assertThat(solved(project, open, new WiringFault.Stuck("k1", "energised")).isOn(input))
        .isTrue();
    assertThat(solved(project, open, new WiringFault.StuckClosed(contact)).isOn(input)).isTrue();
    assertThat(solved(project, new WiringFault.DeadSource(contact)).isOn(input)).isFalse();
    assertThat(
            solved(
                    project,
                    new WiringFault.DeadSource(contact),
                    new WiringFault.StuckClosed(contact))
                .isOn(input))
        .isTrue();
    // 4.7 kΩ behind 1.5 V and 10 kΩ in a joint: (24 − 1.5)·4.7/14.7 + 1.5 V = 8.7 V, between the
    // bands.
    LineSolution weak = solved(project, new WiringFault.HighResistance("d", 10_000));
    assertThat(weak.input(input).orElseThrow().volts()).isCloseTo(8.69, within(0.02));
    assertThat(weak.input(input).orElseThrow().level()).isEqualTo(Level.UNDEFINED);
    assertThat(weak.isOn(input)).isFalse();
    LineSolution moved =
        solved(project, new WiringFault.MovedEnd("d", input, Lines.ref("drive:DI2")));
    assertThat(moved.isOn(input)).isFalse();
    assertThat(moved.isOn(Lines.ref("drive:DI2"))).isTrue();
    // 24 V over 1.1 kΩ.
    assertThat(solved(project).amperes(Lines.ref("k1:A1")).orElseThrow())
        .isCloseTo(24 / 1100.0, within(1e-4));
    assertThat(solved(project).wireAmperes("a").orElseThrow()).isCloseTo(24 / 1100.0, within(1e-4));
    assertThat(solved(project).wireAmperes("none")).isEmpty();
  }

  /** Opposite polarity: its second channel is on at 0 V, against the feed of the relay. */
  @Test
  void aChannelOfOppositePolarityIsOnAtZero() {
    Part relay = new Part("k1", "Relay", "safety-relay-polarity", Map.of());
    Project fed =
        line()
            .with(relay)
            .with(new Wire("a", Lines.ref("plc:24V"), Lines.ref("k1:A1")))
            .with(new Wire("b", Lines.ref("plc:0V"), Lines.ref("k1:A2")))
            .with(new Wire("c", Lines.ref("k1:S11"), Lines.ref("k1:S12")));
    Project closed = fed.with(new Wire("d", Lines.ref("plc:0V"), Lines.ref("k1:S22")));
    Project wrong = fed.with(new Wire("d", Lines.ref("plc:24V"), Lines.ref("k1:S22")));
    LineSolution right = solved(closed);
    assertThat(right.isOn(Lines.ref("k1:S22"))).isTrue();
    assertThat(right.input(Lines.ref("k1:S22")).orElseThrow().volts()).isCloseTo(24, within(0.1));
    assertThat(right.voltsToOwnZero(Lines.ref("k1:S22")).orElseThrow())
        .as("a meter against its own common")
        .isCloseTo(-24, within(0.1));
    assertThat(right.isOn(Lines.ref("k1:S12"))).isTrue();
    assertThat(solved(wrong).isOn(Lines.ref("k1:S22"))).isFalse();
    assertThat(solved(fed).isOn(Lines.ref("k1:S22"))).isFalse();
  }

  /** The body diode of an output that is off lets a voltage from outside back into its supply. */
  @Test
  void anOutputThatIsOffConductsBackwards() {
    Part supply = new Part("psu", "Supply", "supply-24v-5a", Map.of());
    Project project =
        line()
            .with(supply)
            .with(new Wire("a", Lines.ref("psu:+"), Lines.ref("plc:DO0")))
            .with(new Wire("b", Lines.ref("psu:-"), Lines.ref("plc:0V")))
            .with(new Wire("c", Lines.ref("plc:DO1"), Lines.ref("drive:DI1")))
            .with(new Wire("d", Lines.ref("plc:0V"), Lines.ref("drive:COM")));
    LineSolver solver = new LineSolver(Installation.of(project, Lines.SHEETS));
    LineSolution dead =
        solver.solve(
            CommandState.REST.with(Lines.ref("plc:DO1"), true),
            List.of(new WiringFault.DeadSource(Lines.ref("plc:24V"))));
    double rail = dead.volts(Lines.ref("psu:+"), Lines.ref("plc:0V")).orElseThrow();
    assertThat(rail).isCloseTo(24, within(0.1));
    assertThat(dead.isOn(Lines.ref("drive:DI1")))
        .as("fed over the diode of another output")
        .isTrue();
  }

  /** An analog output gives out at its compliance; without a command it stands at its low end. */
  @Test
  void analogOutputsStandWhereTheyAreTold() {
    Project volts = line(Links.ANALOG_REFERENCE);
    TerminalRef output =
        volts.axes().get(0).reference().output() == null
            ? Lines.ref("plc:AO0")
            : new TerminalRef("plc", volts.axes().get(0).reference().output());
    TerminalRef input = Lines.ref("drive:AI1");
    LineSolver solver = new LineSolver(Installation.of(volts, Lines.SHEETS));
    assertThat(solver.solve(CommandState.REST).received(input).orElse(99))
        .isCloseTo(0, within(1e-6));
    assertThat(
            solver.solve(CommandState.REST.withSignal(output, 7.5)).received(input).orElseThrow())
        .isCloseTo(7.5, within(0.01));
    LineSolution dark =
        solver.solve(
            CommandState.REST.withSignal(output, 7.5), List.of(new WiringFault.DeadSource(output)));
    assertThat(dark.received(input).orElse(0)).isCloseTo(0, within(1e-6));
  }

  @Test
  void statesAreToldFromEachOther() {
    CommandState on = CommandState.REST.with(Lines.ref("plc:DO0"), true);
    assertThat(on.with(Lines.ref("plc:DO0"), false)).isEqualTo(CommandState.REST);
    assertThat(CommandState.shownStates()).contains("healthy", "ready", "sto-active").hasSize(10);
    assertThat(Installation.of(Lines.axis(line(CommonLink.TWO_WIRE))).wires()).isNotEmpty();
  }

  @Test
  void faultsAreNamedWithWhatTheyTouch() {
    TerminalRef a = Lines.ref("plc:DO0");
    TerminalRef b = Lines.ref("drive:DI1");
    List<WiringFault> all =
        List.of(
            new WiringFault.OpenWire("w1"),
            new WiringFault.ShortToSupply(a),
            new WiringFault.ShortToZero(a),
            new WiringFault.CrossShort(a, b),
            new WiringFault.MovedEnd("w1", a, b),
            new WiringFault.DeadSource(a),
            new WiringFault.StuckClosed(a),
            new WiringFault.StuckOpen(a),
            new WiringFault.Stuck("k1", "released"),
            new WiringFault.HighResistance("w1", 470));
    assertThat(all.stream().map(WiringFault::text))
        .containsExactly(
            "wire w1 open",
            "plc:DO0 shorted to 24 V",
            "plc:DO0 shorted to 0 V",
            "plc:DO0 shorted to drive:DI1",
            "wire w1 on drive:DI1 instead of plc:DO0",
            "plc:DO0 gives nothing",
            "plc:DO0 does not open",
            "plc:DO0 does not close",
            "k1 stays released",
            "wire w1 with 470.0 Ω in a joint");
    assertThat(Set.copyOf(all)).hasSameSizeAs(all);
  }
}
