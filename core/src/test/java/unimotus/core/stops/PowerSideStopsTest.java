package unimotus.core.stops;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import unimotus.core.Lines;
import unimotus.core.link.CommonLink;
import unimotus.core.link.StopLinks;
import unimotus.core.link.StopRequest;
import unimotus.core.link.StopRequest.RelayClass;
import unimotus.core.machine.Drive;
import unimotus.core.machine.Load;
import unimotus.core.machine.Part;
import unimotus.core.machine.Project;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.StopLogic;
import unimotus.core.machine.StopTrigger;
import unimotus.core.machine.TerminalRef;

/** Stops by contactors, by what they take away, and relays as they are sold. Common practice. */
class PowerSideStopsTest {

  private static StopRequest contactors() {
    return Stops.request(
        StopTrigger.EMERGENCY_STOP, StopLogic.RELAY_CONTACTORS, StopEffect.CONTACTORS);
  }

  private static TerminalRef feeds(Project project, String terminal) {
    TerminalRef here = Lines.ref(terminal);
    return project.wires().stream()
        .filter(w -> w.touches(here))
        .findFirst()
        .map(w -> w.otherEnd(here))
        .orElseThrow();
  }

  /** A drive without mains runs on from its d.c. link for a while; one cut off behind does not. */
  @Test
  void whatIsCutDecidesHowLongTorqueStays() {
    Project before = Stops.project(Stops.TERMINAL_DRIVE, contactors());
    Project behind = Stops.project(Stops.TERMINAL_DRIVE, contactors().withContactorsBehind(true));
    StopTimeline dark = StopTimeline.fromMaximum(Stops.circuit(before));
    StopTimeline cut = StopTimeline.fromMaximum(Stops.circuit(behind));
    assertThat(dark.chain()).extracting(Reaction::does).last().asString().contains("d.c. link");
    assertThat(cut.torqueOffSeconds()).isLessThan(dark.torqueOffSeconds());
    assertThat(dark.category()).isEqualTo(StopCategory.ZERO);
    // The program takes the permission along, so that no motor starts as the contactors close.
    assertThat(Stops.judged(behind).verdict().resumption()).isEmpty();
    Drive drive = behind.drives().get(0);
    assertThat(
            Stops.judged(
                    Lines.minus(Lines.minus(behind, "drive:STO1"), "drive:STO2")
                        .with(drive.withSelector("sto.jumper", "fitted")))
                .verdict()
                .resumption())
        .isNotEmpty();
  }

  /** Two poles in series: a weld is found at reset by its mirror contact, two lose the stop. */
  @Test
  void aWeldIsFoundByItsMirrorContact() {
    FaultRun run = Stops.run(Stops.circuit(Stops.project(Stops.TERMINAL_DRIVE, contactors())));
    assertThat(run.lostByOne()).isEmpty();
    assertThat(run.elements().stream().filter(e -> e.contains("contactor")).toList())
        .isNotEmpty()
        .allSatisfy(
            e ->
                run.single(e, FaultKind.STUCK_CLOSED)
                    .ifPresent(r -> assertThat(r.detection()).isEqualTo(Detection.AT_RESET)));
  }

  /** The contactors of an emergency stop that carry a d.c. bus take every drive on it away. */
  @Test
  void contactorsBeforeAnInfeedDarkenTheWholeBus() {
    Project project = Stops.project("vector-drive-15kw", contactors());
    List<TerminalRef> feed =
        Stream.of("drive:L1", "drive:L2", "drive:L3").map(t -> feeds(project, t)).toList();
    Project bus =
        Lines.minus(Lines.minus(Lines.minus(project, "drive:L1"), "drive:L2"), "drive:L3");
    bus = bus.with(new Part("infeed", "infeed", "infeed-dc-20kw", Map.of()));
    for (int i = 0; i < 3; i++) {
      bus =
          Lines.plus(
              bus,
              "%s:%s – infeed:L%d".formatted(feed.get(i).device(), feed.get(i).terminal(), i + 1));
    }
    bus = Lines.plus(bus, "infeed:DC+ – drive:DC+", "infeed:DC- – drive:DC-");
    JudgedStop judged = Stops.judged(bus);
    assertThat(judged.verdict().outcome())
        .as(judged.verdict().toString())
        .isEqualTo(StopOutcome.STOPS);
    assertThat(judged.circuit().belongs()).contains("infeed");
    // The bus without its minus feeds nothing.
    assertThat(Stops.judged(Lines.minus(bus, "infeed:DC-")).verdict().outcome())
        .isEqualTo(StopOutcome.CANNOT_BE_STARTED);
    // A second way from the mains to the bus keeps it alive.
    Project fed = Lines.plus(bus, mains(bus, 1) + " – infeed:L1", mains(bus, 2) + " – infeed:L2");
    assertThat(Stops.judged(fed).verdict().outcome()).isEqualTo(StopOutcome.DOES_NOT_STOP);
  }

  private static String mains(Project project, int phase) {
    Part mains =
        project.parts().stream()
            .filter(p -> p.sheet().startsWith("mains-"))
            .findFirst()
            .orElseThrow();
    return "%s:L%d".formatted(mains.id(), phase);
  }

  /** A drive of another axis behind the same contactors belongs to the stop. */
  @Test
  void oneContactorForTwoDrivesBringsTheSecondIn() {
    Project project = Stops.project(Stops.TERMINAL_DRIVE, contactors());
    Drive second =
        new Drive(
            "drive-2", "drive-2", Stops.TERMINAL_DRIVE, Map.of("sto.jumper", "fitted"), Map.of());
    Project two =
        Lines.plus(
            project.with(second),
            "drive:L1 – drive-2:L1",
            "drive:L2 – drive-2:L2",
            "drive:L3 – drive-2:L3");
    JudgedStop judged = Stops.judged(two);
    assertThat(judged.verdict().stops()).isTrue();
    assertThat(judged.circuit().belongs()).contains("drive-2");
  }

  /** Every class of relay is wired by the program so that the stop stops. */
  @ParameterizedTest
  @EnumSource(RelayClass.class)
  void everyClassOfRelayIsWiredRight(RelayClass relay) {
    for (StopTrigger trigger : List.of(StopTrigger.EMERGENCY_STOP, StopTrigger.GUARD_SWITCH)) {
      StopRequest request =
          Stops.request(trigger, StopLogic.SAFETY_RELAY, StopEffect.STO).withRelay(relay);
      Project project = Stops.project(Stops.TERMINAL_DRIVE, request);
      JudgedStop judged = Stops.judged(project);
      assertThat(judged.verdict().outcome())
          .as(judged.verdict().toString())
          .isEqualTo(StopOutcome.STOPS);
      assertThat(judged.verdict().weaknesses()).isEmpty();
    }
  }

  /** A safe stop 1 made in the relay: the drive ramps at once, torque goes when it lets go. */
  @Test
  void aDelayedRelayMakesASafeStopOne() {
    StopRequest request =
        Stops.request(StopTrigger.EMERGENCY_STOP, StopLogic.SAFETY_RELAY, StopEffect.SS1_T)
            .withTimes(5, 2)
            .withRelay(RelayClass.DELAYED);
    Project project =
        Stops.withLoad(
            StopLinks.plan(
                    Lines.with(
                        Lines.bare("controller-modular", Stops.TERMINAL_DRIVE),
                        CommonLink.TWO_WIRE),
                    Stops.SHEETS,
                    request)
                .project(),
            new Load(80, 40, 0, 0, 1));
    JudgedStop judged = Stops.judged(project);
    assertThat(judged.verdict().outcome())
        .as(judged.verdict().toString())
        .isEqualTo(StopOutcome.STOPS);
    StopTimeline timeline = StopTimeline.fromMaximum(judged.circuit());
    assertThat(timeline.category()).isEqualTo(StopCategory.ONE);
    assertThat(timeline.torqueOffRpm()).isZero();
    // The contacts of this relay let go three seconds late, whatever the drive's settings say.
    assertThat(timeline.torqueOffSeconds() - timeline.reactionSeconds()).isEqualTo(3, within(1e-9));
    StopTimeline failed = StopTimeline.withoutBraking(judged.circuit());
    assertThat(failed.standstillSeconds()).isGreaterThan(timeline.standstillSeconds());
  }
}
