package unimotus.core.link;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import unimotus.core.Lines;
import unimotus.core.Links;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.Project;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.review.LineReview;
import unimotus.core.sheet.Meaning;
import unimotus.core.way.LinkIntents;
import unimotus.core.wiring.TruthTable;

/**
 * Every kind of link on every pair of shipped devices that can carry it: what it wires must do what
 * it was meant for in every commanded state. How links are wired is common practice.
 */
class LinkPlannerTest {
  private static final List<String> CONTROLLERS =
      List.of("controller-modular", "controller-compact-sinking", "controller-compact-relay");
  private static final List<String> DRIVES =
      List.of("terminal-drive-4kw", "compact-drive-2kw", "pump-drive-5k5", "safety-drive-7k5");

  /** Without the dial, which a test of the ways registers, and without those of step drivers. */
  private static final List<LinkIntent> LINKS =
      LinkIntents.all().stream()
          .filter(i -> !i.name().equals("DIAL"))
          .filter(i -> i.suits(Lines.axis(Lines.bare(CONTROLLERS.get(0), DRIVES.get(0)))))
          .toList();

  static Stream<Arguments> everyLink() {
    return CONTROLLERS.stream()
        .flatMap(c -> DRIVES.stream().flatMap(d -> LINKS.stream().map(k -> Arguments.of(c, d, k))));
  }

  @ParameterizedTest
  @MethodSource("everyLink")
  void aLinkDoesWhatItWasMeantFor(String controller, String drive, LinkIntent kind) {
    Project wired = Lines.with(Lines.bare(controller, drive), kind);
    assertThat(wired.wires().isEmpty()).isEqualTo(kind == Links.KEYPAD);
    TruthTable table = TruthTable.of(Lines.axis(wired));
    for (TruthTable.Row row : table.rows()) {
      assertThat(row.solution().contradiction()).as(row.label()).isEmpty();
      assertThat(row.deviates()).as("%s: %s", row.label(), row.cells()).isFalse();
    }
  }

  @ParameterizedTest
  @MethodSource("everyLink")
  void aLinkUsesNoPointTwiceAndKnowsWhatItDid(String controller, String drive, LinkIntent kind) {
    LinkPlan plan =
        LinkPlanner.plan(
            Lines.bare(controller, drive), Lines.SHEETS, LinkRequest.of(Lines.AXIS, kind));
    assertThat(plan.done()).isNotEmpty();
    Set<Rule> rules = errors(plan.project());
    rules.removeAll(errors(Lines.bare(controller, drive)));
    // How the program scales is no matter of the wires.
    rules.removeAll(Set.of(Rule.RAW_FULL_SCALE, Rule.ANSWER_SCALE));
    rules.removeAll(
        Set.of(Rule.RUN_UNWIRED, Rule.REFERENCE_UNWIRED, Rule.NO_PERMISSION, Rule.INPUT_SELECTOR));
    assertThat(rules).isEmpty();
  }

  private static Set<Rule> errors(Project project) {
    return LineReview.of(project, Lines.SHEETS).findings().stream()
        .filter(f -> f.severity() == Severity.ERROR)
        .map(Finding::rule)
        .collect(Collectors.toSet());
  }

  /**
   * Start and stop exchanged at the terminals, on every drive that latches: a stop that starts and
   * a start that stops (common practice).
   */
  @ParameterizedTest
  @MethodSource("everyLatchingPair")
  void startAndStopExchangedAreTold(String controller, String drive) {
    Project wired = Lines.with(Lines.bare(controller, drive), CommonLink.THREE_WIRE);
    TerminalRef stop = inputOf(wired, Meaning.STOP);
    TerminalRef start = inputOf(wired, Meaning.START);
    Project crossed =
        wired.withWires(
            wired.wires().stream()
                .map(w -> w.to().equals(stop) ? w.withEnds(w.from(), start) : w)
                .map(
                    w ->
                        w.to().equals(start) && w.id().equals(wireTo(wired, start))
                            ? w.withEnds(w.from(), stop)
                            : w)
                .toList());
    List<Finding> told =
        LineReview.of(crossed, Lines.SHEETS).findings().stream()
            .filter(f -> f.severity() == Severity.ERROR)
            .filter(f -> !errors(wired).contains(f.rule()))
            .toList();
    assertThat(told)
        .anySatisfy(
            f ->
                assertThat(f.place() + f.seen())
                    .contains(stop.terminal())
                    .contains(start.terminal()));
    assertThat(told).extracting(Finding::rule).contains(Rule.SWAPPED);
  }

  static Stream<Arguments> everyLatchingPair() {
    return CONTROLLERS.stream().flatMap(c -> DRIVES.stream().map(d -> Arguments.of(c, d)));
  }

  private static TerminalRef inputOf(Project wired, Meaning meaning) {
    return wired.intents().stream()
        .filter(i -> i.meaning() == meaning)
        .findFirst()
        .orElseThrow()
        .input();
  }

  private static String wireTo(Project wired, TerminalRef input) {
    return wired.wires().stream().filter(w -> w.to().equals(input)).findFirst().orElseThrow().id();
  }

  @Test
  void twoWireTakesSourcingOutputsForInputsThatWantPlus() {
    Project wired =
        Lines.with(Lines.bare("controller-modular", "terminal-drive-4kw"), CommonLink.TWO_WIRE);
    assertThat(wired.wires())
        .extracting(w -> w.from() + " " + w.to())
        .containsExactly("plc:DO0 drive:DI1", "plc:0V drive:COM", "plc:DO1 drive:DI2");
  }

  @Test
  void inputsLeftAtSinkTakeSinkingOutputs() {
    Project wired =
        Lines.with(Lines.bare("controller-modular", "compact-drive-2kw"), CommonLink.TWO_WIRE);
    assertThat(wired.wires().get(0).from()).isEqualTo(Lines.ref("plc:DS0"));
  }

  @Test
  void aControllerThatOnlySinksTurnsTheSelectorOfAnUnwiredDrive() {
    Project wired =
        Lines.with(
            Lines.bare("controller-compact-sinking", "terminal-drive-4kw"), CommonLink.TWO_WIRE);
    assertThat(wired.drives().get(0).selectors()).containsEntry("inputs", "sink");
  }

  @Test
  void relayOutputsPassOnTheDrivesOwnSupply() {
    Project wired =
        Lines.with(
            Lines.bare("controller-compact-relay", "terminal-drive-4kw"), CommonLink.TWO_WIRE);
    assertThat(wired.wires())
        .extracting(w -> w.from() + " " + w.to())
        .contains("drive:P24 plc:RO0.C", "plc:RO0 drive:DI1");
  }

  @Test
  void presetsAreChosenInBinary() {
    Project wired =
        LinkPlanner.plan(
                Lines.with(
                    Lines.bare("controller-modular", "safety-drive-7k5"), CommonLink.TWO_WIRE),
                Lines.SHEETS,
                LinkRequest.of(Lines.AXIS, Links.PRESETS, "3"))
            .project();
    TruthTable table = TruthTable.of(Lines.axis(wired));
    long combinations =
        table.rows().stream()
            .filter(r -> r.state().isOn(Lines.ref("plc:DO0")))
            .map(r -> r.state().on())
            .distinct()
            .count();
    assertThat(combinations).as("2³ presets with run on").isEqualTo(8);
  }

  @Test
  void withTheEmergencyStopPressedNeitherDirectionCanBeCommanded() {
    Project wired =
        Lines.with(
            Lines.bare("controller-modular", "terminal-drive-4kw"), CommonLink.INTERLOCK_CHAIN);
    TruthTable table = TruthTable.of(Lines.axis(wired));
    List<TruthTable.Row> pressed =
        table.rows().stream()
            .filter(r -> r.state().positions().containsValue("pressed"))
            .filter(r -> r.state().on().size() >= 2)
            .toList();
    assertThat(pressed).isNotEmpty();
    assertThat(pressed)
        .allSatisfy(
            r -> {
              assertThat(r.cells().get(Lines.ref("drive:DI1")).level().label()).isEqualTo("off");
              assertThat(r.cells().get(Lines.ref("drive:DI2")).level().label()).isEqualTo("off");
            });
  }

  @Test
  void analogLinksAreShieldedPairsEarthedAtThePanel() {
    Project wired =
        Lines.with(Lines.bare("controller-modular", "terminal-drive-4kw"), Links.ANALOG_REFERENCE);
    assertThat(wired.wires()).hasSize(2);
    assertThat(wired.wires())
        .extracting(w -> w.make().shield().label())
        .containsOnly("earthed at the panel end");
    assertThat(wired.wires()).extracting(w -> w.make().core()).containsExactly("1", "2");
  }

  @Test
  void whatIsWiredIsNotWiredAgain() {
    Project wired =
        LinkIntents.planFirstAxis(
                Lines.bare("controller-modular", "terminal-drive-4kw"), Lines.SHEETS, Lines.AXIS)
            .project();
    LinkPlan again = LinkIntents.planFirstAxis(wired, Lines.SHEETS, Lines.AXIS);
    assertThat(again.project().wires()).isEqualTo(wired.wires());
    assertThat(again.done()).isEmpty();
  }

  @Test
  void aPointInUseElsewhereIsLeftAlone() {
    Project bare =
        Lines.bare("controller-modular", "terminal-drive-4kw")
            .with(new Wire("other", Lines.ref("plc:DO0"), Lines.ref("else:1")));
    Project wired = Lines.with(bare, CommonLink.TWO_WIRE);
    assertThat(wired.wires().get(1).from()).isEqualTo(Lines.ref("plc:DO1"));
  }

  @Test
  void aLinkTheDevicesCannotCarrySaysWhatIsMissing() {
    Project bare = Lines.bare("controller-modular", "compact-drive-2kw");
    Project used = Lines.with(bare, CommonLink.ANALOG_ACTUAL);
    assertThatThrownBy(() -> Lines.with(used, CommonLink.LOAD_SIGNAL))
        .hasMessage("Drive (Compact drive 2.2 kW) has no free analog output");
    assertThatThrownBy(() -> LinkRequest.of(Lines.AXIS, Links.PRESETS, "5"))
        .hasMessage("'Preset speeds' cannot be wired as '5'; it can as 1, 2, 3, 4");
  }
}
