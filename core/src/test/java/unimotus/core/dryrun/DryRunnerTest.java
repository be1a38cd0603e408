package unimotus.core.dryrun;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import unimotus.core.Lines;
import unimotus.core.Links;
import unimotus.core.bench.Trace;
import unimotus.core.link.CommonLink;
import unimotus.core.link.LinkPlanner;
import unimotus.core.link.LinkRequest;
import unimotus.core.machine.Project;
import unimotus.core.review.AxisReview;
import unimotus.core.review.LineReview;
import unimotus.core.sheet.Meaning;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.SettingValue;

/** Lines of three schools of drive, played through their wires. Speeds by the sums of the path. */
class DryRunnerTest {
  private static final double TOP_RPM = 1500;

  private static AxisReview review(Project project) {
    return LineReview.of(project, Lines.SHEETS).axes().get(0);
  }

  private static DryRun play(Project project, String events) {
    AxisReview review = review(project);
    return DryRunner.run(
        review.assembly(),
        review.path(),
        review.beside(),
        DryScheduleReader.read(review.assembly(), "own", events),
        () -> false);
  }

  private static double hertz(DryRun run, double seconds) {
    return at(run, Trace.Channel.OUTPUT, seconds);
  }

  private static double at(DryRun run, Trace.Channel channel, double seconds) {
    return run.trace().value(channel, (int) Math.round(seconds * 1000) - 1);
  }

  private static Project fast(Project project) {
    Project next = project;
    for (SettingRole role : List.of(SettingRole.ACCELERATION_TIME, SettingRole.DECELERATION_TIME)) {
      String code = Lines.axis(next).driveSheet().setting(role).orElseThrow().code();
      next = next.with(next.drives().get(0).withSetting(code, new SettingValue.Number(2)));
    }
    return next;
  }

  /** Run over two wires, 0-10 V; the works jumper stands for the permission. */
  private static Project twoWire(String sheet) {
    return fast(
        Lines.with(
            Lines.bare("controller-modular", sheet),
            CommonLink.TWO_WIRE,
            CommonLink.ENABLE,
            Links.ANALOG_REFERENCE));
  }

  private static Project buttons() {
    return fast(
        Lines.with(
            Lines.bare("controller-modular", "pump-drive-5k5"),
            CommonLink.THREE_WIRE,
            Links.ANALOG_REFERENCE));
  }

  /** A pulsed start and a held stop from outputs of the controller. */
  private static Project latched() {
    return fast(
        Lines.with(
            Lines.bare("controller-modular", "pump-drive-5k5"),
            CommonLink.LATCHED_OUTPUTS,
            Links.ANALOG_REFERENCE));
  }

  private static Project hand() {
    Project analog =
        Lines.with(Lines.bare("controller-modular", "pump-drive-5k5"), Links.ANALOG_REFERENCE);
    return fast(
        LinkPlanner.plan(
                analog, Lines.SHEETS, LinkRequest.of(Lines.AXIS, Links.HAND_OFF_AUTO, "delayed"))
            .project());
  }

  @Test
  void anOutputThatGoesOnStartsTheMotorAndOffStopsIt() {
    for (String sheet : List.of("pump-drive-5k5", "terminal-drive-4kw", "vector-drive-15kw")) {
      DryRun run = play(twoWire(sheet), "0 number 12.5; 1 on plc:DO0; 6 off plc:DO0; 10 end");
      assertThat(hertz(run, 0.9)).as(sheet).isZero();
      assertThat(hertz(run, 5)).as(sheet).isCloseTo(25, within(0.1));
      assertThat(hertz(run, 9.9)).as(sheet).isZero();
      assertThat(run.notes()).as(sheet).isEmpty();
      assertThat(run.strips())
          .as(sheet)
          .anyMatch(s -> s.label().endsWith("run forward") && s.at(3).equals("on"));
    }
  }

  /** 50 Hz in 2 s: 12.5 Hz after half a second of ramp (closed form of a straight ramp). */
  @Test
  void theRampIsTheClosedForm() {
    DryRun run = play(twoWire("pump-drive-5k5"), "0 number 25; 1 on plc:DO0; 5 end");
    assertThat(hertz(run, 1.5)).isCloseTo(12.5, within(0.1));
    assertThat(hertz(run, 2.0)).isCloseTo(25, within(0.1));
    assertThat(at(run, Trace.Channel.SHAFT, 4.5)).isBetween(0.9 * TOP_RPM, TOP_RPM);
  }

  @Test
  void aWireThatOpensStopsAndMendingItIsTheNewEdge() {
    Project project = twoWire("terminal-drive-4kw");
    String wire =
        project.wires().stream()
            .filter(w -> w.touches(Lines.ref("plc:DO0")))
            .findFirst()
            .orElseThrow()
            .id();
    DryRun run =
        play(project, "0 number 25; 1 on plc:DO0; 4 open %s; 8 mend; 12 end".formatted(wire));
    assertThat(hertz(run, 3.9)).isCloseTo(50, within(0.1));
    assertThat(hertz(run, 7.9)).isZero();
    assertThat(hertz(run, 11.5)).as("the input saw its contact close again").isGreaterThan(49);
  }

  @Test
  void anOpenSignalLeavesTheMotorAtItsMinimum() {
    Project project = twoWire("pump-drive-5k5");
    String input = project.axes().get(0).reference().input();
    String wire =
        project.wires().stream()
            .filter(w -> w.touches(Lines.ref("drive:" + input)))
            .findFirst()
            .orElseThrow()
            .id();
    DryRun run = play(project, "0 number 25; 1 on plc:DO0; 5 open %s; 9 end".formatted(wire));
    assertThat(hertz(run, 4.9)).isCloseTo(50, within(0.1));
    assertThat(hertz(run, 8.9)).isCloseTo(0, within(0.1));
  }

  @Test
  void startAndStopButtonsLatchAndALostSupplyUnlatches() {
    String buttons =
        buttons().parts().stream()
            .filter(p -> p.sheet().startsWith("push-buttons"))
            .findFirst()
            .orElseThrow()
            .id();
    String rest = "released";
    String play =
        "0 number 25; 1 set %1$s start; 1.3 set %1$s %2$s; 5 set %1$s stop; 5.3 set %1$s %2$s; 9 set %1$s start; 9.3 set %1$s %2$s; 13 power off; 14 power on; 18 end";
    rest = Lines.axis(buttons()).parts().get(0).sheet().positions().get(0);
    DryRun run = play(buttons(), play.formatted(buttons, rest));
    assertThat(hertz(run, 4.5)).as("latched").isCloseTo(50, within(0.1));
    assertThat(hertz(run, 8.5)).as("stopped").isZero();
    assertThat(hertz(run, 12.5)).as("started again").isCloseTo(50, within(0.1));
    assertThat(hertz(run, 13.5)).as("no power").isZero();
    assertThat(hertz(run, 17.5)).as("the latch is gone").isZero();
    assertThat(run.notes())
        .extracting(DryRun.Note::text)
        .anyMatch(n -> n.contains("the latched start is gone"));
  }

  @Test
  void aPulsedStartNeedsItsStopHeldAndAnOpenWireInThatStops() {
    Project project = latched();
    String stop = output(project, Meaning.STOP);
    String start = output(project, Meaning.START);
    String wire =
        project.wires().stream()
            .filter(w -> w.touches(Lines.ref(stop)))
            .findFirst()
            .orElseThrow()
            .id();
    DryRun run =
        play(
            project,
            "0 number 25; 0.5 on %2$s; 0.7 off %2$s; 3 on %1$s; 3.5 on %2$s; 3.7 off %2$s; 8 open %3$s; 9 mend; 12 end"
                .formatted(stop, start, wire));
    assertThat(hertz(run, 2.9)).as("stop is not satisfied").isZero();
    assertThat(hertz(run, 7.5)).isCloseTo(50, within(0.1));
    assertThat(hertz(run, 11.9)).as("a new start is needed").isZero();
  }

  private static String output(Project project, Meaning meaning) {
    return project.intents().stream()
        .filter(i -> i.meaning() == meaning)
        .map(i -> i.when().get(0))
        .map(c -> c.device() + ":" + c.state())
        .findFirst()
        .orElseThrow();
  }

  @Test
  void offThenHandStartsAgainAndThePotentiometerSetsTheSpeed() {
    Project project = hand();
    String selector =
        project.parts().stream()
            .filter(p -> p.sheet().startsWith("selector"))
            .findFirst()
            .orElseThrow()
            .id();
    DryRun run =
        play(
            project,
            "0 number 12.5; 1 set %1$s hand; 5 set %1$s off; 9 set %1$s hand; 13 set %1$s auto; 17 end"
                .formatted(selector));
    assertThat(hertz(run, 1.1)).as("the start is delayed").isZero();
    assertThat(hertz(run, 4.9)).as("half of the travel, loaded").isCloseTo(24.7, within(0.2));
    assertThat(hertz(run, 8.9)).isZero();
    assertThat(hertz(run, 12.9)).isCloseTo(24.7, within(0.2));
    assertThat(hertz(run, 16.9)).as("in Auto nobody commands").isZero();
  }

  @Test
  void aRequestThatAnotherPortOwnsIsNoted() {
    Project taken =
        hand().with(hand().drives().get(0).withSetting("W20", new SettingValue.Choice("fieldbus")));
    String selector =
        taken.parts().stream()
            .filter(p -> p.sheet().startsWith("selector"))
            .findFirst()
            .orElseThrow()
            .id();
    DryRun run = play(taken, "0 number 25; 1 set %s hand; 5 end".formatted(selector));
    assertThat(run.notes())
        .extracting(DryRun.Note::text)
        .anyMatch(n -> n.contains("an unknown reference"));
    assertThat(hertz(run, 4.5)).isZero();
  }

  @Test
  void permissionLostCoastsAndAHeldRunDoesNotStartAgain() {
    Project project = twoWire("pump-drive-5k5");
    String enable =
        Lines.axis(project).wires().stream()
            .filter(w -> w.make().signal().contains("release"))
            .findFirst()
            .orElseThrow()
            .id();
    DryRun run =
        play(
            project,
            "0 number 25; 1 on plc:DO0; 5 open %s; 6 mend; 10 off plc:DO0; 11 on plc:DO0; 15 end"
                .formatted(enable));
    assertThat(hertz(run, 4.9)).isCloseTo(50, within(0.1));
    assertThat(hertz(run, 5.5)).isZero();
    assertThat(at(run, Trace.Channel.SHAFT, 5.1)).as("it coasts").isGreaterThan(100);
    assertThat(hertz(run, 9.5)).as("no new command").isZero();
    assertThat(hertz(run, 14.5)).isCloseTo(50, within(0.1));
  }

  /**
   * A dry contact on the drive's own supply reads off without power; it is no new command after.
   */
  @Test
  void aContactOnTheDrivesOwnSupplyDoesNotStartWhenPowerComesBack() {
    Project project =
        fast(
            Lines.with(
                Lines.bare("controller-compact-relay", "pump-drive-5k5"),
                CommonLink.TWO_WIRE,
                Links.ANALOG_REFERENCE));
    String run = output(project, Meaning.RUN_FORWARD);
    DryRun seen =
        play(
            project,
            "0 number 25; 1 on %1$s; 5 power off; 6 power on; 10 off %1$s; 11 on %1$s; 15 end"
                .formatted(run));
    assertThat(hertz(seen, 4.9)).isGreaterThan(40);
    assertThat(hertz(seen, 9.9)).as("no new command").isZero();
    assertThat(hertz(seen, 14.9)).isGreaterThan(40);
    assertThat(seen.notes())
        .extracting(DryRun.Note::text)
        .contains("run is still on: the drive waits for a new command");
  }

  @Test
  void everySchedulePlaysOnEveryKindOfStart() {
    for (Project project : List.of(twoWire("terminal-drive-4kw"), buttons(), latched(), hand())) {
      AxisReview review = review(project);
      List<DrySchedule> all = DrySchedules.of(review.assembly(), review.path());
      assertThat(all).isNotEmpty();
      for (DrySchedule schedule : all) {
        DryRun run =
            DryRunner.run(review.assembly(), review.path(), review.beside(), schedule, () -> false);
        double most = 0;
        for (int i = 0; i < run.trace().size(); i += 50) {
          most = Math.max(most, run.trace().value(Trace.Channel.OUTPUT, i));
        }
        assertThat(most).as("%s moves something", schedule.name()).isGreaterThan(40);
      }
    }
  }

  @Test
  void whatCannotBeReadIsNamed() {
    Project project = twoWire("terminal-drive-4kw");
    refused(project, "0 on plc:DO99", "there is no terminal 'plc:DO99'");
    refused(project, "0 on drive:DI1", "drive:DI1 is no binary output");
    refused(project, "0 set selector hand", "there is no part 'selector'");
    refused(project, "1 open w999", "there is no wire 'w999'");
    refused(project, "x on plc:DO0", "cannot read 'x on plc:DO0'");
    refused(project, "1 dance", "cannot read '1 dance'");
    refused(project, "1 power maybe", "cannot read '1 power maybe'");
    refused(project, "1 number", "cannot read '1 number'");
    refused(project, "-1 stop", "must be 0 to 3600");
    refused(project, "1 signal plc:DO0 5", "is no analog output");
    refused(project, "0 stop; 4000 end", "length must be");
  }

  private static void refused(Project project, String events, String says) {
    assertThatThrownBy(() -> DryScheduleReader.read(Lines.axis(project), "own", events))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining(says);
  }
}
