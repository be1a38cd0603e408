package unimotus.core.way.analog.local;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import unimotus.core.Lines;
import unimotus.core.bench.Trace;
import unimotus.core.discrete.HandMode;
import unimotus.core.dryrun.DryRun;
import unimotus.core.dryrun.DryRunner;
import unimotus.core.dryrun.DrySchedule;
import unimotus.core.dryrun.DryScheduleReader;
import unimotus.core.dryrun.DrySchedules;
import unimotus.core.link.CommonLink;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Project;
import unimotus.core.path.Chain;
import unimotus.core.path.Station;
import unimotus.core.review.AxisReview;
import unimotus.core.wiring.TruthTable;

/**
 * A selector that lets the program's run through in Auto and closes run itself in Hand (common
 * practice): right on several drives, wrong, and incomplete.
 */
class TwoWireHandTest {
  private static final Project PUMP = Locals.twoWireHand("controller-modular", "pump-drive-5k5");

  private static String selector(Project project) {
    return project.parts().stream()
        .filter(p -> p.sheet().equals("selector-hand-off-auto-run"))
        .findFirst()
        .orElseThrow()
        .id();
  }

  @ParameterizedTest
  @CsvSource({
    "controller-modular, pump-drive-5k5",
    "controller-modular, vector-drive-15kw",
    "controller-modular, terminal-drive-4kw",
    "controller-compact-relay, pump-drive-5k5"
  })
  void everyInputReadsAsMeantInEveryPosition(String controller, String drive) {
    Project project = Locals.twoWireHand(controller, drive);
    TruthTable table = TruthTable.of(Lines.axis(project));
    assertThat(table.rows())
        .extracting(TruthTable.Row::label)
        .anyMatch(l -> l.contains("selector hand"))
        .anyMatch(l -> l.contains("selector auto") && l.contains("on"));
    assertThat(table.deviating()).isEmpty();
  }

  @ParameterizedTest
  @CsvSource({"pump-drive-5k5", "vector-drive-15kw", "terminal-drive-4kw"})
  void bothChainsAreThereAndHandAlwaysStarts(String drive) {
    Project project = Locals.twoWireHand("controller-modular", drive);
    if (drive.equals("vector-drive-15kw")) {
      project = Lines.with(project, CommonLink.ENABLE);
    }
    AxisReview review = Locals.review(project);
    assertThat(review.path().has(Station.COUNTS)).isTrue();
    assertThat(review.beside()).extracting(Chain::key).containsExactly("hand");
    HandMode hand = HandMode.inHand(Lines.axis(project)).get(0);
    assertThat(hand.start()).isEqualTo(HandMode.Start.MAINTAINED);
    assertThat(hand.startsOfThousand()).isEqualTo(HandMode.TURNS);
    assertThat(Locals.told(project)).isEmpty();
    assertThat(Locals.words(project))
        .containsEntry("hand.off", "stopped")
        .containsEntry("hand.hand", "running")
        .containsEntry("hand.auto", "stopped")
        .containsEntry("hand.owner", "potentiometer");
    assertThat(Locals.predicted(project, "hand100.frequency")).isCloseTo(50, within(0.01));
    assertThat(Locals.predicted(project, "ref50.frequency")).isCloseTo(25, within(0.05));
  }

  /** The reverse command of the program goes over the second contact. */
  @Test
  void reverseIsForAutoAlone() {
    Project project = Locals.twoWireHand("controller-modular", "terminal-drive-4kw");
    TruthTable table = TruthTable.of(Lines.axis(project));
    assertThat(project.wires()).anyMatch(w -> w.touches(Lines.ref(selector(project) + ":24")));
    assertThat(table.rows())
        .filteredOn(r -> r.label().equals("DO1 on"))
        .allSatisfy(r -> assertThat(r.deviates()).isFalse());
  }

  /** A request that another port owns, and one that Hand does not close. */
  @Test
  void aRequestThatDoesNotReachTheDriveIsSaid() {
    Project taken = Locals.set(PUMP, "W20", "fieldbus");
    assertThat(Locals.told(taken)).containsExactly("HAND_REFERENCE");
    assertThat(Locals.review(taken).beside()).isEmpty();
    Project open = Lines.minus(PUMP, selector(PUMP) + ":44");
    assertThat(Locals.told(open)).contains("HAND_REFERENCE");
    assertThat(Locals.words(open)).doesNotContainKey("hand.owner");
  }

  private static DryRun run(Project project, DrySchedule schedule) {
    AxisReview review = Locals.review(project);
    return DryRunner.run(review.assembly(), review.path(), review.beside(), schedule, () -> false);
  }

  private static double hertzAt(DryRun run, double seconds) {
    return run.trace().value(Trace.Channel.OUTPUT, (int) (seconds * 1000));
  }

  /** Off stands, Hand follows the knob, Auto without a command stands, then follows the program. */
  @Test
  void theSelectorIsPlayedThroughTheWires() {
    AxisAssembly axis = Lines.axis(PUMP);
    DrySchedule inTurn =
        DrySchedules.of(axis, Locals.review(PUMP).path()).stream()
            .filter(s -> s.name().equals("selector in turn"))
            .findFirst()
            .orElseThrow();
    DryRun run = run(PUMP, inTurn);
    double stage = (inTurn.lengthSeconds() - 2) / 6;
    assertThat(hertzAt(run, 0.5)).isZero();
    assertThat(hertzAt(run, 0.9 + stage)).isCloseTo(50, within(0.1));
    assertThat(hertzAt(run, 0.9 + 2 * stage)).isZero();
    assertThat(hertzAt(run, 0.9 + 3 * stage)).isCloseTo(50, within(0.1));
    assertThat(hertzAt(run, 0.9 + 4 * stage)).as("Auto, no command").isZero();
    assertThat(hertzAt(run, 0.9 + 5 * stage)).isCloseTo(50, within(0.1));
    assertThat(hertzAt(run, 0.9 + 6 * stage)).isZero();
  }

  /** Power that is lost and comes back in Hand starts nothing until Off, then Hand. */
  @Test
  void aLossOfPowerInHandWantsANewCommand() {
    String part = selector(PUMP);
    DrySchedule schedule =
        DryScheduleReader.read(
            Lines.axis(PUMP),
            "lost",
            ("0 number 25; 1 set %1$s hand; 20 power off; 21 power on; 40 set %1$s off;"
                    + " 41 set %1$s hand; 60 end")
                .formatted(part));
    DryRun run = run(PUMP, schedule);
    assertThat(hertzAt(run, 19)).isGreaterThan(10);
    assertThat(hertzAt(run, 39)).isZero();
    assertThat(hertzAt(run, 59)).isGreaterThan(10);
    assertThat(run.notes()).extracting(DryRun.Note::text).anyMatch(n -> n.contains("new command"));
  }

  /** From Auto, running, to Hand and back: never two owners, and a standstill in between. */
  @Test
  void theProgramDoesNotReachTheDriveInHand() {
    String part = selector(PUMP);
    DrySchedule schedule =
        DryScheduleReader.read(
            Lines.axis(PUMP),
            "program",
            "0 number 25; 0 set %s off; 1 on plc:DO0; 20 end".formatted(part));
    assertThat(hertzAt(run(PUMP, schedule), 19)).isZero();
  }

  /** Its one analog input is the program's; nothing is wired by halves. */
  @Test
  void aDriveWithoutAnInputForThePotentiometerSaysSo() {
    assertThatThrownBy(() -> Locals.twoWireHand("controller-modular", "compact-drive-2kw"))
        .hasMessageContaining("no free analog input for the potentiometer");
  }
}
