package unimotus.core.way.processdata;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import unimotus.core.FixtureStations;
import unimotus.core.Fixtures;
import unimotus.core.esi.EsiDevice;
import unimotus.core.esi.PdoEntry;
import unimotus.core.esi.StartUpCommand;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Project;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Station;
import unimotus.core.proof.Expectation;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.Predictor;
import unimotus.core.review.AxisReview;
import unimotus.core.review.LineReview;
import unimotus.core.value.ValueType;
import unimotus.core.way.Designs;
import unimotus.core.way.PathFactory;
import unimotus.core.way.station.StationRows;

/** The belt over process data: 50 Hz at 25 m/min, four poles, so 1500 rpm at full. */
class ProcessDataWayTest {
  private static final EsiDevice PLAIN =
      FixtureStations.device(null, FixtureStations.CONTROL, FixtureStations.VELOCITY);
  private static final StartUpCommand VELOCITY_MODE = FixtureStations.mode(2);

  private static SignalPath path(EsiDevice device, StartUpCommand... startUp) {
    return PathFactory.of(FixtureStations.axis(device, startUp));
  }

  private static String fault(EsiDevice device, StartUpCommand... startUp) {
    return PathFactory.fault(FixtureStations.axis(device, startUp)).orElse("");
  }

  /** n = 120·f/p: 50 Hz are 1500 rpm, 37.5 Hz 1125 (handbook, by hand). */
  @Test
  void velocityModeCountsInRpm() {
    SignalPath path = path(PLAIN, VELOCITY_MODE);
    assertThat(path.value(Station.COUNTS, 25)).isEqualTo(1500);
    assertThat(path.value(Station.COUNTS, 18.75)).isEqualTo(1125);
    assertThat(path.value(Station.FREQUENCY, 18.75)).isCloseTo(37.5, within(1e-9));
    assertThat(path.state(25).derivation(Station.FREQUENCY).toString())
        .contains("byte 2 bit 0", "0x6042:0", "1500");
  }

  static Stream<Arguments> units() {
    return Stream.of(
        Arguments.of(FixtureStations.RPM, 1500.0),
        // A tenth: the power of ten is −1 in the highest byte.
        Arguments.of("0047B4FF", 15_000.0),
        Arguments.of("0047B4FD", 1_500_000.0),
        // Turns in a second: 25.
        Arguments.of("0003B400", 25.0),
        Arguments.of("0003B4FE", 2500.0));
  }

  @ParameterizedTest
  @MethodSource("units")
  void profileVelocityModeCountsInItsOwnUnit(String unit, double atFull) {
    EsiDevice device =
        FixtureStations.device(unit, FixtureStations.CONTROL, FixtureStations.PROFILE);
    assertThat(path(device, FixtureStations.mode(3)).value(Station.COUNTS, 25)).isEqualTo(atFull);
  }

  static Stream<Arguments> refused() {
    EsiDevice both =
        FixtureStations.device(
            FixtureStations.RPM,
            FixtureStations.CONTROL,
            FixtureStations.VELOCITY,
            FixtureStations.PROFILE);
    EsiDevice profile =
        FixtureStations.device(null, FixtureStations.CONTROL, FixtureStations.PROFILE);
    EsiDevice odd =
        FixtureStations.device(
            null, FixtureStations.CONTROL, PdoEntry.of(0x6042, 0, 12, "Target", "BIT12"));
    StartUpCommand factor = StartUpCommand.number("PS", 0x604C, 0, 10, 4, "");
    return Stream.of(
        Arguments.of(PLAIN, new StartUpCommand[0], "nothing says its operating mode"),
        Arguments.of(both, new StartUpCommand[0], "nothing says its operating mode"),
        Arguments.of(both, new StartUpCommand[] {FixtureStations.mode(8)}, "cyclic synchronous"),
        Arguments.of(PLAIN, new StartUpCommand[] {FixtureStations.mode(3)}, "0x60FF, and the"),
        Arguments.of(profile, new StartUpCommand[] {FixtureStations.mode(3)}, "0x60A9"),
        Arguments.of(odd, new StartUpCommand[] {VELOCITY_MODE}, "BIT12 of 12 bit"),
        Arguments.of(PLAIN, new StartUpCommand[] {VELOCITY_MODE, factor}, "0x604C"),
        Arguments.of(
            PLAIN,
            new StartUpCommand[] {StartUpCommand.number("PS", 0x6060, 0, 2, 2, "")},
            "0x6060:0 is refused"));
  }

  @ParameterizedTest
  @MethodSource("refused")
  void whatIsNotKnownIsNoFigure(EsiDevice device, StartUpCommand[] startUp, String why) {
    assertThat(fault(device, startUp)).contains(why);
  }

  /** What is written on the way to OP comes after what is written on the way to SAFE-OP. */
  @Test
  void theLastModeOnTheWayUpCounts() {
    StartUpCommand late = StartUpCommand.number("SO", 0x6060, 0, 2, 1, "");
    StartUpCommand down = StartUpCommand.number("OP", 0x6060, 0, 8, 1, "");
    assertThat(fault(PLAIN, late, FixtureStations.mode(8), down)).isEmpty();
    assertThat(
            fault(PLAIN, FixtureStations.mode(2), StartUpCommand.number("SO", 0x6060, 0, 8, 1, "")))
        .contains("cyclic synchronous position");
  }

  /** The only target there is tells the mode where the program writes it each cycle. */
  @Test
  void aMappedModeFollowsItsOnlyTarget() {
    EsiDevice device =
        FixtureStations.device(
            null,
            FixtureStations.CONTROL,
            FixtureStations.MODE,
            PdoEntry.padding(8),
            FixtureStations.VELOCITY);
    SignalPath path = path(device);
    assertThat(path.value(Station.COUNTS, 25)).isEqualTo(1500);
    assertThat(path.state(25).derivation(Station.COUNTS).toString()).contains("byte 4 bit 0");
  }

  @Test
  void aTargetWithoutASignHoldsNoMoreThanItsType() {
    EsiDevice device =
        FixtureStations.device("0047B4FD", FixtureStations.CONTROL, small(FixtureStations.PROFILE));
    SignalPath path = path(device, FixtureStations.mode(3));
    assertThat(path.value(Station.COUNTS, 25)).isEqualTo(32_767);
    assertThat(review(device, FixtureStations.mode(3)).findings())
        .extracting(Finding::rule)
        .contains(Rule.CLAMPED_MAXIMUM);
  }

  private static PdoEntry small(PdoEntry entry) {
    return PdoEntry.of(entry.index(), 0, 16, entry.name(), "INT");
  }

  private static AxisReview review(EsiDevice device, StartUpCommand... startUp) {
    return review(device, FixtureStations.project(FixtureStations.station("st", startUp)));
  }

  private static AxisReview review(EsiDevice device, Project project) {
    return LineReview.of(project, FixtureStations.sheets(device)).axes().get(0);
  }

  @Test
  void whatIsWrongWithAStationIsSaidAtItsAxis() {
    assertThat(rules(review(PLAIN, VELOCITY_MODE)))
        .doesNotContain(Rule.MODE_TARGET, Rule.STATION_UNKNOWN, Rule.START_UP_REFUSED);
    assertThat(rules(review(PLAIN, FixtureStations.mode(8)))).contains(Rule.MODE_TARGET);
    assertThat(rules(review(PLAIN, StartUpCommand.number("PS", 0x7000, 0, 1, 2, ""))))
        .contains(Rule.START_UP_REFUSED);
    assertThat(rules(review(PLAIN.withRevision(2), VELOCITY_MODE))).contains(Rule.STATION_UNKNOWN);
    Project two =
        FixtureStations.project(
            FixtureStations.station("a", VELOCITY_MODE).withAlias(7),
            FixtureStations.station("b", VELOCITY_MODE).withAlias(7));
    AxisReview twice = review(PLAIN, two);
    assertThat(rules(twice)).contains(Rule.STATION_ALIAS, Rule.STATION_DRIVE);
    assertThat(twice.whyNoPath()).contains("more than one station");
    Project chosen =
        two.withStations(
            List.of(
                FixtureStations.station("a", VELOCITY_MODE).withImage(List.of(0x1600, 0x1777))));
    assertThat(rules(review(PLAIN, chosen))).contains(Rule.STATION_SETUP);
    assertThat(review(PLAIN, chosen).path()).isNull();
  }

  private static List<Rule> rules(AxisReview review) {
    return review.findings().stream().map(Finding::rule).toList();
  }

  @Test
  void aStationOfNoAxisIsSaidByTheLine() {
    Project project =
        FixtureStations.project(FixtureStations.station("st", VELOCITY_MODE).withDrive("nobody"));
    LineReview review = LineReview.of(project, FixtureStations.sheets(PLAIN));
    assertThat(review.line()).extracting(Finding::rule).contains(Rule.STATION_DRIVE);
    assertThat(review.line().get(0).place()).isEqualTo("stations/st");
  }

  @Test
  void registersAndAStationAreTwoWays() {
    Project project =
        Fixtures.overRegister(Fixtures.reference(ValueType.UNSIGNED_16, 0.01, "Hz", 400))
            .withStations(List.of(FixtureStations.station("st", VELOCITY_MODE)));
    assertThat(review(PLAIN, project).whyNoPath())
        .contains("more than one way", "over a register", "over process data");
  }

  @Test
  void stateAndModeAreToBeSeenBeforeAnythingTurns() {
    AxisAssembly axis = FixtureStations.axis(PLAIN, VELOCITY_MODE);
    List<Prediction> all = Predictor.predict(axis, PathFactory.of(axis));
    List<String> keys = all.stream().map(Prediction::key).toList();
    assertThat(keys).contains(StationRows.STATE, StationRows.MODE, "ref50.counts");
    assertThat(keys.indexOf(StationRows.MODE)).isLessThan(keys.indexOf(Predictor.DIRECTION));
    assertThat(all.get(keys.indexOf(StationRows.MODE)).expectation())
        .isInstanceOfSatisfying(
            Expectation.Word.class, w -> assertThat(w.expected()).isEqualTo("2 velocity"));
    assertThat(keys).doesNotHaveDuplicates();
  }

  /** What decides a reading makes it stale, what only names a thing does not. */
  @Test
  void anotherImageMakesReadingsStale() {
    String now = digest(FixtureStations.station("st", VELOCITY_MODE));
    assertThat(digest(FixtureStations.station("st", VELOCITY_MODE).withAlias(9))).isEqualTo(now);
    assertThat(digest(FixtureStations.station("st", VELOCITY_MODE).withImage(List.of(0x1600))))
        .isNotEqualTo(now);
    assertThat(digest(FixtureStations.station("st"))).isNotEqualTo(now);
  }

  private static String digest(unimotus.core.machine.BusStation station) {
    Project project = FixtureStations.project(station);
    return Designs.digest(
            AxisAssembly.of(project, FixtureStations.sheets(PLAIN), Fixtures.axis(project))
                .orElseThrow())
        .toString();
  }
}
