package unimotus.core.stops;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import unimotus.core.Lines;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.link.StopLinks;
import unimotus.core.link.StopRequest;
import unimotus.core.machine.Drive;
import unimotus.core.machine.Load;
import unimotus.core.machine.Part;
import unimotus.core.machine.Project;
import unimotus.core.machine.SafetyNote;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.StopFunction;
import unimotus.core.machine.StopLogic;
import unimotus.core.machine.StopTrigger;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.review.LineReview;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.PartSheet;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.SettingValue;
import unimotus.core.sheet.Terminal;

/**
 * Every rule of stops is broken once by one change to a sound stop, and silent on the sound one.
 */
class StopRulesTest {
  private static final Load LOAD = new Load(10, 40, 0, 0, 1);

  private static Project sound() {
    return built(Stops.ramped(5, 2.5));
  }

  private static Project built(StopRequest request) {
    return Stops.withLoad(Stops.project(Stops.TERMINAL_DRIVE, request), LOAD);
  }

  private static Project set(Project project, SettingRole role, SettingValue value) {
    Drive drive = project.drives().get(0);
    DriveSheet sheet = Stops.SHEETS.find(DriveSheet.class, drive.sheet()).orElseThrow();
    return project.with(drive.withSetting(sheet.setting(role).orElseThrow().code(), value));
  }

  private static Project set(SettingRole role, double value) {
    return set(sound(), role, new SettingValue.Number(value));
  }

  static Stream<Arguments> broken() {
    Project sound = sound();
    Project cut =
        sound.withWires(
            sound.wires().stream().filter(w -> !w.from().terminal().equals("A2")).toList());
    return Stream.of(
        Arguments.of(Rule.STOP_UNREACHED, sound.withWires(List.of())),
        Arguments.of(
            Rule.NO_SAFETY_STOP,
            built(Stops.request(StopTrigger.EMERGENCY_STOP, StopLogic.DIRECT, StopEffect.ENABLE))),
        Arguments.of(Rule.AUTOMATIC_RESET, built(Stops.ramped(5, 2.5).withRelay(false, true))),
        Arguments.of(Rule.AUTOMATIC_RESET, built(Stops.guard(StopLogic.DIRECT))),
        Arguments.of(
            Rule.STOP_RESTART,
            set(sound, SettingRole.RESTART_AFTER_STO, new SettingValue.Choice("allowed"))),
        Arguments.of(Rule.SAFETY_FEED, plainContactsOnTestedInputs()),
        Arguments.of(Rule.STOP_NOT_RELEASED, cut),
        Arguments.of(Rule.VERTICAL_LOAD, sound.with(sound.stops().get(0).withLoad(true, false))),
        Arguments.of(
            Rule.NO_STANDSTILL,
            Stops.withLoad(built(Stops.guard(StopLogic.SAFETY_RELAY)), new Load(10, 0, 0, 0, 1))),
        Arguments.of(Rule.STOP_DELAY, set(SettingRole.SAFE_STOP_DELAY, 0)),
        Arguments.of(Rule.STOP_RAMP, set(SettingRole.SAFE_STOP_RAMP, 6)),
        Arguments.of(Rule.STOP_RAMP, set(SettingRole.SAFE_STOP_RAMP, 4.8)),
        Arguments.of(Rule.BRAKING_ENERGY, Stops.withLoad(sound, new Load(80, 40, 0, 0, 1))),
        Arguments.of(Rule.STOP_FAILS, jumpered(sound)),
        Arguments.of(Rule.STOP_UNTOLD, withoutPower()),
        Arguments.of(Rule.STOP_CHANNEL, bridged(sound, "STO1")),
        Arguments.of(
            Rule.STOP_CATEGORY_TWO,
            built(
                Stops.request(
                    StopTrigger.EMERGENCY_STOP, StopLogic.RELAY_CHAIN, StopEffect.RUN_INPUTS))),
        Arguments.of(Rule.STOP_DISTANCE, near(sound)),
        Arguments.of(Rule.TIMED_STOP_FAULT, sound),
        Arguments.of(Rule.MODE_STARTS, withMode()),
        Arguments.of(
            Rule.STANDING_BYPASS,
            sound.withNotes(
                List.of(
                    new SafetyNote(
                        Lines.AXIS,
                        SafetyNote.Kind.BYPASS,
                        "bridge over the guard",
                        "A. Tester",
                        "2026-11-26T08:00:00Z",
                        null,
                        null)))));
  }

  private static Project jumpered(Project project) {
    return project.with(project.drives().get(0).withSelector("sto.jumper", "fitted"));
  }

  private static Project bridged(Project project, String channel) {
    String drive = project.drives().get(0).id();
    return project.with(
        new Wire("W99", new TerminalRef(drive, "P24"), new TerminalRef(drive, channel)));
  }

  private static Project withoutPower() {
    Project project =
        built(
            Stops.request(
                StopTrigger.EMERGENCY_STOP, StopLogic.RELAY_CONTACTORS, StopEffect.CONTACTORS));
    return project.withWires(
        project.wires().stream().filter(w -> !w.make().signal().equals("power")).toList());
  }

  private static Project near(Project project) {
    StopFunction stop = project.stops().get(0);
    return project.with(
        stop.withUse(stop.use().withApproach(stop.use().approach().withDistance(800))));
  }

  /** A mode selector in the way of the run command: turned off and on again it starts the motor. */
  private static Project withMode() {
    Project project =
        built(
            Stops.request(
                StopTrigger.EMERGENCY_STOP, StopLogic.RELAY_CHAIN, StopEffect.RUN_INPUTS));
    Part mode = new Part("mode", "Mode", "selector-hand-off-auto", Map.of());
    PartSheet sheet = Stops.SHEETS.find(PartSheet.class, mode.sheet()).orElseThrow();
    Terminal auto =
        sheet.terminals().stream()
            .filter(t -> t.closedIn().contains("auto"))
            .findFirst()
            .orElseThrow();
    Wire way =
        project.wires().stream()
            .filter(w -> w.to().device().contains("contactor") && w.to().terminal().equals("13"))
            .findFirst()
            .orElseThrow();
    return project
        .with(mode)
        .with(way.withEnds(way.from(), new TerminalRef("mode", String.valueOf(auto.common()))))
        .with(new Wire("W98", new TerminalRef("mode", auto.id()), way.to()));
  }

  private static Project plainContactsOnTestedInputs() {
    Project project =
        StopLinks.plan(
                Lines.bare("controller-modular", Stops.SAFETY_DRIVE),
                Stops.SHEETS,
                Stops.guard(StopLogic.SAFETY_RELAY))
            .project();
    Drive drive = project.drives().get(0);
    String selector =
        Stops.SHEETS
            .find(DriveSheet.class, drive.sheet())
            .orElseThrow()
            .selector(unimotus.core.sheet.SelectorRole.SAFETY_INPUT_KIND)
            .orElseThrow()
            .id();
    return project.with(drive.withSelector(selector, "pulse-tested"));
  }

  private static List<Finding> findings(Project project) {
    return LineReview.of(project, Stops.SHEETS).findings().stream()
        .filter(f -> f.rule().code().startsWith("SAF-"))
        .toList();
  }

  @ParameterizedTest
  @MethodSource("broken")
  void theRuleSpeaksWhenItIsBroken(Rule rule, Project project) {
    assertThat(findings(project))
        .filteredOn(f -> f.rule() == rule)
        .isNotEmpty()
        .allSatisfy(
            f -> {
              assertThat(f.seen()).isNotBlank();
              assertThat(f.why()).isNotBlank();
              assertThat(f.remedy()).isNotBlank();
              assertThat(f.place()).startsWith("axis/belt/");
            });
  }

  @Test
  void theSoundStopHasNothingToSay() {
    assertThat(findings(sound())).allMatch(f -> f.severity() == Severity.NOTE);
  }

  @Test
  void everyRuleOfStopsIsBrokenByOneCase() {
    Set<Rule> covered = EnumSet.noneOf(Rule.class);
    broken().forEach(a -> covered.add((Rule) a.get()[0]));
    List<Rule> all = Stream.of(Rule.values()).filter(r -> r.code().startsWith("SAF-")).toList();
    assertThat(covered).containsExactlyInAnyOrderElementsOf(all);
  }

  /** Ramp 6 s in a delay of 5 s loses the torque at a sixth of the speed (by arithmetic). */
  @Test
  void theRampThatIsCutSaysAtWhichSpeed() {
    assertThat(findings(set(SettingRole.SAFE_STOP_RAMP, 6)))
        .filteredOn(f -> f.rule() == Rule.STOP_RAMP)
        .singleElement()
        .satisfies(
            f -> {
              assertThat(f.why()).contains("249 rpm").contains("17 %");
              assertThat(f.remedy()).contains("4.55 s").contains("6.6 s");
              assertThat(f.place()).contains("/drive/");
            });
  }
}
