package unimotus.core.plant;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import unimotus.core.Lines;
import unimotus.core.dryrun.DryEvents;
import unimotus.core.machine.Load;
import unimotus.core.machine.Part;
import unimotus.core.machine.PlacedSwitch;
import unimotus.core.machine.Project;
import unimotus.core.machine.SwitchUse;
import unimotus.core.move.MoveLimits;
import unimotus.core.wiring.WiringFault;

/** Sequences on their bench: right, built otherwise, wrong and broken (common practice). */
class SequencePlayTest {
  private static final double PULSE = 1 / FixturePlants.PULSES_PER_MM;

  private static List<String> notes(SequencePlayed played) {
    return played.notes().stream().map(SequencePlayed.Note::text).toList();
  }

  private static PlantSchedule.Event at(double seconds, PlantEvent what) {
    return new PlantSchedule.Event(seconds, what);
  }

  private static PlantSchedule with(double from, double seconds, PlantSchedule.Event... more) {
    List<PlantSchedule.Event> all = new ArrayList<>(PlantSchedule.press(0.1));
    all.addAll(List.of(more));
    return new PlantSchedule(all, from, seconds);
  }

  private static String wire(Project project, String terminal) {
    return project.wires().stream()
        .filter(w -> w.touches(Lines.ref(terminal)))
        .findFirst()
        .orElseThrow()
        .id();
  }

  private static WiringFault open(Project project, String terminal) {
    return new WiringFault.OpenWire(wire(project, terminal));
  }

  /** v²/2a = 0.1 mm behind the edge, and what one scan of 10 ms goes on: 0.1 mm. */
  @Test
  void itHomesMovesTiesAndReturns() {
    SequencePlayed played = FixturePlants.play(FixturePlants.project(), 40);
    assertThat(played.end()).as(notes(played).toString()).isEqualTo(SequencePlayed.End.DONE);
    assertThat(played.notes()).isEmpty();
    assertThat(played.lostPulses()).isZero();
    assertThat(played.steps()).extracting(SequencePlayed.Ran::step).containsExactly(1, 2, 3, 4, 5);
    assertThat(played.counted()).isCloseTo(0, within(PULSE));
    assertThat(played.position()).isBetween(-0.21, -0.1 + PULSE);
    // 40 mm at 10 mm/s; 40 mm at 50 mm/s and 500 mm/s² take 0.8 + 0.1 s; 0.4 s the cylinder.
    assertThat(played.steps().get(0).lasts()).isCloseTo(4.03, within(0.03));
    assertThat(played.steps().get(1).lasts()).isCloseTo(0.9, within(0.03));
    assertThat(played.steps().get(2).lasts()).isCloseTo(0.4, within(0.03));
    assertThat(played.steps().get(3).lasts()).isCloseTo(0.5, within(0.03));
    assertThat(played.steps().get(1).position() - played.steps().get(0).position())
        .isCloseTo(40, within(PULSE));
  }

  @Test
  void homeIsFoundFromTheOtherSideToo() {
    SequencePlayed played =
        FixturePlants.play(
            FixturePlants.project(),
            "jog until home within 30 s; move to 10 mm",
            PlantSchedule.started(-10, 60));
    assertThat(played.end()).isEqualTo(SequencePlayed.End.DONE);
    assertThat(played.position())
        .as("counted from the lower edge")
        .isBetween(FixturePlants.HOME_FROM + 10 + 0.1 - PULSE, FixturePlants.HOME_FROM + 10.21);
  }

  @Test
  void aJogThatBeginsOnItsSwitchSaysThatItDidNotFindTheEdge() {
    SequencePlayed played =
        FixturePlants.play(
            FixturePlants.project(), "jog back until home", PlantSchedule.started(-2, 10));
    assertThat(played.end()).isEqualTo(SequencePlayed.End.DONE);
    assertThat(notes(played))
        .containsExactly(
            "step 1 ends where it begins: plc:DI0 is so already, and positions are counted from"
                + " there");
    SequencePlayed off =
        FixturePlants.play(
            FixturePlants.project(),
            "jog until not home within 5 s; jog back until home within 5 s",
            PlantSchedule.started(-2, 10));
    assertThat(off.notes()).isEmpty();
    assertThat(off.position()).isCloseTo(-0.15, within(0.1));
  }

  @Test
  void pulsesThatDoNotArriveMoveNothingAndTheLimitTellsIt() {
    Project cut = Lines.minus(FixturePlants.project(), "plc:PT0");
    SequencePlayed played = FixturePlants.play(cut, 40);
    assertThat(played.end()).isEqualTo(SequencePlayed.End.LATE);
    assertThat(played.position()).isEqualTo(40);
    assertThat(notes(played)).anyMatch(n -> n.contains("no output is wired to the step input"));
    Project broken = FixturePlants.project();
    SequencePlayed later =
        FixturePlants.play(
            broken,
            FixturePlants.WORDS,
            with(40, 60, at(2, new PlantEvent.Broken(open(broken, "plc:PT0")))));
    assertThat(later.end()).isEqualTo(SequencePlayed.End.LATE);
    assertThat(later.position()).as("it stands where the wire broke").isCloseTo(21, within(0.2));
    assertThat(later.counted()).as("the program counts on").isLessThan(-200);
    assertThat(later.lostPulses()).isGreaterThan(20_000);
    assertThat(notes(later)).anyMatch(n -> n.contains("do not reach drive:ST+"));
  }

  @Test
  void withoutTheDirectionWireItRunsTheOtherWayToTheEndOfItsTravel() {
    Project cut = Lines.minus(FixturePlants.project(), "plc:PT1");
    SequencePlayed played =
        FixturePlants.play(cut, "jog back until home", PlantSchedule.started(280, 60));
    // The end switch is that of the other way: nothing stops it before the mechanical end.
    assertThat(played.end()).isEqualTo(SequencePlayed.End.STILL_RUNNING);
    assertThat(played.position()).isCloseTo(FixturePlants.HIGH_STOP, within(0.02));
    assertThat(notes(played)).anyMatch(n -> n.contains("mechanical end"));
  }

  @Test
  void aHomeSwitchWithABrokenWireIsPassedAndTheEndSwitchStopsIt() {
    Project broken = FixturePlants.project();
    SequencePlayed played =
        FixturePlants.play(
            broken,
            FixturePlants.WORDS,
            with(10, 60, at(0, new PlantEvent.Broken(open(broken, "plc:DI0")))));
    assertThat(played.end()).isEqualTo(SequencePlayed.End.LOST);
    assertThat(played.position())
        .isBetween(FixturePlants.LOW_END - 0.21, FixturePlants.LOW_END - 0.09);
    assertThat(notes(played)).anyMatch(n -> n.contains("plc:DI1 says the lower end"));
  }

  /** An opening contact stops it by a broken wire, a closing one does not (common practice). */
  @Test
  void aBrokenWireOfAnEndSwitchStopsItWhereTheContactOpens() {
    Project opening = FixturePlants.project();
    PlantSchedule schedule = with(40, 30, at(1, new PlantEvent.Broken(open(opening, "plc:DI1"))));
    SequencePlayed stopped = FixturePlants.play(opening, "jog back until tied", schedule);
    assertThat(stopped.end()).isEqualTo(SequencePlayed.End.LOST);
    assertThat(stopped.position()).isCloseTo(31, within(0.3));

    Project closing =
        Lines.plus(
            Lines.minus(Lines.minus(opening, "low:11"), "low:12"),
            "plc:24V – low:23",
            "low:24 – plc:DI1");
    PlantSchedule alike = with(40, 30, at(1, new PlantEvent.Broken(open(closing, "plc:DI1"))));
    SequencePlayed ran = FixturePlants.play(closing, "jog back until tied", alike);
    assertThat(ran.end()).isEqualTo(SequencePlayed.End.STILL_RUNNING);
    assertThat(ran.position()).isCloseTo(FixturePlants.LOW_STOP, within(0.02));
    assertThat(notes(ran)).anyMatch(n -> n.contains("mechanical end"));
    SequencePlayed whole =
        FixturePlants.play(closing, "jog back until tied", PlantSchedule.started(40, 30));
    assertThat(whole.position()).as("whole it stops").isCloseTo(-12.15, within(0.1));
  }

  @Test
  void anEndSwitchMayBeWhatAJogRunsTo() {
    SequencePlayed played =
        FixturePlants.play(
            FixturePlants.project(),
            "jog back until not low end within 30 s; 20 mm",
            PlantSchedule.started(5, 60));
    assertThat(played.end()).as(notes(played).toString()).isEqualTo(SequencePlayed.End.DONE);
    assertThat(played.position()).isCloseTo(FixturePlants.LOW_END + 20 - 0.15, within(0.1));
  }

  /** 4000 mm/s² on 2·10⁻⁵ kg·m² and the rotor need more than the curve gives at the top. */
  @Test
  void tooMuchAccelerationLosesTheMotorAndTheProgramCountsOn() {
    Project project =
        FixturePlants.with(
            FixturePlants.project(), FixturePlants.design(10, MoveLimits.of(200, 1000)));
    Project heavy = project.with(project.axes().get(0).withLoad(new Load(2e-5, 0.9, 0, 0, 1)));
    SequencePlayed played =
        FixturePlants.play(heavy, "100 mm; wait 0.2 s", PlantSchedule.started(0, 20));
    assertThat(played.end()).as("nobody tells the program").isEqualTo(SequencePlayed.End.DONE);
    assertThat(played.counted()).isCloseTo(100, within(PULSE));
    assertThat(played.position()).isLessThan(60);
    assertThat(played.lostPulses())
        .isCloseTo(Math.round((100 - played.position()) * 80), within(2L));
    assertThat(notes(played)).anyMatch(n -> n.contains("falls out of step"));
  }

  @Test
  void aRateOverThePullInRateDoesNotStart() {
    var design = FixturePlants.design(10, MoveLimits.of(50, 500));
    var steps = design.stepping().withStartHertz(100_000);
    Project project = FixturePlants.with(FixturePlants.project(), design.withSteps(steps));
    SequencePlayed played = FixturePlants.play(project, "20 mm", PlantSchedule.started(0, 20));
    assertThat(played.position()).isCloseTo(0, within(2 * PULSE));
    assertThat(notes(played)).anyMatch(n -> n.contains("falls out of step"));
  }

  /** Whatever takes permission stops it in mid-move, and it waits for a new press. */
  @Test
  void aLossInMidMoveNeedsANewStart() {
    SequencePlayed played =
        FixturePlants.play(
            FixturePlants.project(),
            "100 mm; valve on until tied within 3 s",
            new PlantSchedule(
                List.of(
                    at(0.1, new PlantEvent.Start(true)),
                    at(1, new PlantEvent.Permit(false)),
                    at(2, new PlantEvent.Permit(true)),
                    at(4, new PlantEvent.Start(false)),
                    at(5, new PlantEvent.Start(true))),
                0,
                20));
    assertThat(played.end()).isEqualTo(SequencePlayed.End.DONE);
    double standing =
        played.samples().stream()
            .filter(s -> s.seconds() > 4.5)
            .findFirst()
            .orElseThrow()
            .position();
    // 0.9 s less a scan and the ramp at 50 mm/s, and 2.5 mm to rest.
    assertThat(standing).isBetween(40.0, 46.0);
    assertThat(played.samples().stream().filter(s -> s.seconds() > 1.2 && s.seconds() < 5))
        .as("a start that is still held begins nothing")
        .allMatch(s -> s.hertz() == 0);
    assertThat(played.position()).isCloseTo(standing + 100, within(2 * PULSE));
  }

  /** Pressed and pulled again the relay waits for its reset, and the sequence for its start. */
  @Test
  void anEmergencyStopNeedsItsResetAndThenANewStart() {
    Project stopped =
        Lines.plus(
            FixturePlants.project()
                .with(new Part("k", "k", "safety-relay", Map.of()))
                .with(new Part("es", "es", "emergency-stop-button", Map.of()))
                .with(new Part("rb", "rb", "reset-button", Map.of())),
            "plc:24V – k:A1",
            "k:A2 – plc:0V",
            "k:S11 – es:11",
            "es:12 – k:S12",
            "k:S21 – es:21",
            "es:22 – k:S22",
            "plc:24V – rb:13",
            "rb:14 – k:RES",
            "plc:24V – k:13",
            "k:14 – plc:DI5");
    var design = FixturePlants.sequence("100 mm; wait 0.2 s");
    var signals = new LinkedHashMap<>(design.signals());
    signals.put("permit", Lines.ref("plc:DI5"));
    List<PlantSchedule.Event> events = new ArrayList<>(PlantSchedule.press(0.1));
    events.add(at(1, new PlantEvent.Set("es", "pressed")));
    events.add(at(2, new PlantEvent.Set("es", "pulled")));
    events.addAll(PlantSchedule.press(3));
    events.add(at(5, new PlantEvent.Set("rb", "pressed")));
    events.add(at(5.3, new PlantEvent.Set("rb", "released")));
    events.addAll(PlantSchedule.press(6));
    SequencePlayed played =
        SequencePlay.run(
            FixturePlants.plant(stopped, design.withSignals(signals)),
            new PlantSchedule(events, 0, 20),
            () -> false);
    assertThat(played.end()).as(notes(played).toString()).isEqualTo(SequencePlayed.End.DONE);
    assertThat(played.samples().stream().filter(s -> s.seconds() > 1.3 && s.seconds() < 6))
        .allMatch(s -> s.hertz() == 0);
    assertThat(played.position()).isBetween(140.0, 146.0);
  }

  @Test
  void anEnabledDriverThatIsDisabledLosesItsPulses() {
    Project disabled =
        Lines.plus(
            FixturePlants.project().with(new Part("re", "re", "resistor-1800", Map.of())),
            "plc:24V – re:1",
            "re:2 – drive:EN+",
            "drive:EN- – plc:0V");
    SequencePlayed played = FixturePlants.play(disabled, "20 mm", PlantSchedule.started(0, 20));
    assertThat(played.position()).isZero();
    assertThat(played.lostPulses()).isEqualTo(1600);
    assertThat(notes(played)).anyMatch(n -> n.contains("disables the driver"));
  }

  /** A resistor far too large leaves the input between off and on. */
  @Test
  void pulsesThatAreNeitherOnNorOffAreTakenAsLost() {
    Project project = FixturePlants.project();
    Project weak =
        project
            .with(new Part("rs", "rs", "resistor-1800", Map.of()))
            .with(new Part("r2", "r2", "resistor-2200", Map.of()));
    weak = Lines.plus(Lines.minus(weak, "plc:PT0"), "rs:2 – r2:1", "r2:2 – plc:PT0");
    SequencePlayed played = FixturePlants.play(weak, "20 mm", PlantSchedule.started(0, 20));
    assertThat(played.position()).isZero();
    assertThat(notes(played)).anyMatch(n -> n.contains("between off and on"));
  }

  @Test
  void namesThatAreNotPlacedAreSaidAndNeverSeen() {
    SequencePlayed played =
        FixturePlants.play(
            FixturePlants.project(),
            "lamp on; wait for door within 1 s",
            PlantSchedule.started(0, 20));
    assertThat(played.end()).isEqualTo(SequencePlayed.End.LATE);
    assertThat(notes(played))
        .containsExactlyInAnyOrder(
            "'door' is placed on no input: it is never seen",
            "'lamp' is placed on no output: it switches nothing");
  }

  @Test
  void byHandButtonsActWhileTheyAreHeldAndNotAcrossAChangeOfMode() {
    Project project = FixturePlants.project();
    Project buttons =
        Lines.plus(
            project.with(new Part("plus", "plus", "test-position", Map.of())),
            "plc:24V – plus:23",
            "plus:24 – plc:DI4");
    var design = FixturePlants.sequence("hand jog while plus; 10 mm");
    var signals = new LinkedHashMap<>(design.signals());
    signals.put("plus", Lines.ref("plc:DI4"));
    Plant plant = FixturePlants.plant(buttons, design.withSignals(signals));
    SequencePlayed played =
        SequencePlay.run(
            plant,
            new PlantSchedule(
                List.of(
                    at(0.5, new PlantEvent.Set("plus", "operated")),
                    at(1, new PlantEvent.Mode(false)),
                    at(2, new PlantEvent.Set("plus", "free")),
                    at(3, new PlantEvent.Set("plus", "operated")),
                    at(4, new PlantEvent.Set("plus", "free"))),
                0,
                6),
            () -> false);
    assertThat(played.end()).isEqualTo(SequencePlayed.End.NOT_STARTED);
    assertThat(played.samples().stream().filter(s -> s.seconds() < 3))
        .as("held while hand was chosen: no new press")
        .allMatch(s -> s.position() == 0);
    assertThat(played.position()).isCloseTo(10, within(0.2));
  }

  /** A gear of 2 in the machine that the program does not know of. */
  @Test
  void aCopyOfTheProgramThatDiffersMovesByItsRatio() {
    Project project = FixturePlants.project();
    Project other = project.with(project.drives().get(0).withSelector("steps", "800"));
    SequencePlayed played = FixturePlants.play(other, "20 mm", PlantSchedule.started(0, 20));
    assertThat(played.counted()).isCloseTo(20, within(PULSE));
    assertThat(played.position()).isCloseTo(10, within(PULSE));
  }

  @Test
  void whatSwitchesSayIsFoundByTheCircuit() {
    Plant plant = FixturePlants.plant(FixturePlants.project(), FixturePlants.sequence("20 mm"));
    Map<String, List<SwitchReading>> readings =
        SequencePlay.readings(plant, new PlantWires(plant.line()));
    assertThat(readings.get("home")).singleElement().matches(SwitchReading::isCertain);
    assertThat(readings.get("low").get(0).input()).isEqualTo(Lines.ref("plc:DI1"));
    Project unread = Lines.minus(FixturePlants.project(), "plc:DI0");
    Plant without = FixturePlants.plant(unread, FixturePlants.sequence("20 mm"));
    assertThat(SequencePlay.readings(without, new PlantWires(without.line())).get("home"))
        .isEmpty();
  }

  /** What was done to a switch stays until the machine itself moves it the next time. */
  @Test
  void aSwitchThatIsHeldByHandIsSeen() {
    SequencePlayed played =
        FixturePlants.play(
            FixturePlants.project(),
            "valve on until tied within 3 s; wait 1 s",
            with(0, 20, at(0.05, new PlantEvent.Set("tied", "operated"))));
    assertThat(played.ran(1).orElseThrow().lasts()).as("it is on already").isLessThan(0.1);
    SequencePlayed stuck =
        FixturePlants.play(
            FixturePlants.project(),
            "jog back until home within 30 s",
            with(60, 40, at(1, new PlantEvent.Set("home", "operated"))));
    assertThat(stuck.position()).as("taken for home in mid-travel").isCloseTo(51, within(0.5));
  }

  @Test
  void whatGoesOnBeingSoIsSaidOnce() {
    SequencePlayed played =
        FixturePlants.play(
            Lines.minus(FixturePlants.project(), "plc:PT0"),
            "jog back until home within 20 s",
            PlantSchedule.started(40, 60));
    assertThat(notes(played)).hasSize(1);
  }

  /** Let go in hand, the axis still runs out on its ramp as the sequence is started. */
  @Test
  void aMoveWaitsUntilTheAxisStands() {
    Project buttons =
        Lines.plus(
            FixturePlants.project().with(new Part("plus", "plus", "test-position", Map.of())),
            "plc:24V – plus:23",
            "plus:24 – plc:DI4");
    Project slow = FixturePlants.with(buttons, FixturePlants.design(50, MoveLimits.of(50, 50)));
    var design = FixturePlants.sequence("hand jog while plus; 10 mm");
    var signals = new LinkedHashMap<>(design.signals());
    signals.put("plus", Lines.ref("plc:DI4"));
    List<PlantSchedule.Event> events =
        new ArrayList<>(
            List.of(
                at(0, new PlantEvent.Mode(false)),
                at(0.5, new PlantEvent.Set("plus", "operated")),
                at(2, new PlantEvent.Set("plus", "free")),
                at(2.1, new PlantEvent.Mode(true))));
    events.addAll(PlantSchedule.press(2.2));
    SequencePlayed played =
        SequencePlay.run(
            FixturePlants.plant(slow, design.withSignals(signals)),
            new PlantSchedule(events, 0, 20),
            () -> false);
    assertThat(played.end()).isEqualTo(SequencePlayed.End.DONE);
    // 50 mm/s for 1.5 s with ramps of a second: 25 + 25 + 25 mm; then the 10 mm.
    assertThat(played.position()).isCloseTo(85, within(1.0));
  }

  @Test
  void everyEventThatIsOfferedIsUnderstood() {
    Plant plant = FixturePlants.plant(FixturePlants.project(), FixturePlants.sequence("5 mm"));
    List<String> events =
        PlantEvents.of(plant).stream()
            .flatMap(g -> g.choices().stream())
            .map(DryEvents.Choice::event)
            .toList();
    assertThat(events)
        .contains("start", "permit off", "hand", "set low operated", "short-0 plc:DI0", "repair")
        .contains("open " + wire(FixturePlants.project(), "plc:DI1"), "dead plc:24V");
    for (String event : events) {
      assertThat(PlantScheduleReader.read(plant, "1 " + event).events()).as(event).isNotEmpty();
    }
    PlantSchedule read =
        PlantScheduleReader.read(plant, "0 at 40 mm; 1 start; 9 permit off; 20 end");
    assertThat(read.startsAt()).isEqualTo(40);
    assertThat(read.seconds()).isEqualTo(20);
    for (String wrong :
        List.of(
            "1", "x start", "1 wobble", "1 at 4 mm", "1 set low up", "1 set no free", "1 open q")) {
      assertThatThrownBy(() -> PlantScheduleReader.read(plant, wrong))
          .as(wrong)
          .hasMessageStartingWith("bench:");
    }
  }

  @Test
  void badNumbersAreRefusedByName() {
    assertThatThrownBy(() -> new PlacedSwitch("home", SwitchUse.HOME, 2, 2))
        .hasMessageContaining("must be below");
    assertThatThrownBy(() -> PlantSchedule.started(0, 0)).hasMessageContaining("not 0");
  }
}
