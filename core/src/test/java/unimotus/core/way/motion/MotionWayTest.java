package unimotus.core.way.motion;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import unimotus.core.FixtureServos;
import unimotus.core.FixtureStations;
import unimotus.core.Lines;
import unimotus.core.bench.BenchSetup;
import unimotus.core.detective.Detective;
import unimotus.core.esi.EsiDevice;
import unimotus.core.esi.PdoEntry;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.fieldbus.RegisterPlace;
import unimotus.core.fieldbus.RegisterTable;
import unimotus.core.fieldbus.WordOrder;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.DriveRecord;
import unimotus.core.machine.Mechanics;
import unimotus.core.machine.MotionDesign;
import unimotus.core.machine.Project;
import unimotus.core.machine.Reading;
import unimotus.core.move.MoveStep;
import unimotus.core.move.TravelRange;
import unimotus.core.path.Commanded;
import unimotus.core.path.PathPoint;
import unimotus.core.path.PathState;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Station;
import unimotus.core.proof.Expectation;
import unimotus.core.proof.Part;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.Predictor;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.review.LineReview;
import unimotus.core.scaling.AxisScaling;
import unimotus.core.value.Access;
import unimotus.core.value.DriveValue;
import unimotus.core.value.Limits;
import unimotus.core.value.Scaling;
import unimotus.core.value.ValueType;
import unimotus.core.way.PathFactory;
import unimotus.core.way.station.StationRows;

/** Positions over process data: a slide, a drum behind a gear, a turntable; right and wrong. */
class MotionWayTest {
  private static final AxisAssembly SLIDE = FixtureServos.axis(FixtureServos.slide());

  private static List<Prediction> predicted(AxisAssembly axis) {
    return Predictor.predict(axis, PathFactory.of(axis));
  }

  private static Expectation of(List<Prediction> all, String key) {
    return all.stream().filter(p -> p.key().equals(key)).findFirst().orElseThrow().expectation();
  }

  private static double amount(List<Prediction> all, String key) {
    return ((Expectation.Amount) of(all, key)).value();
  }

  private static AxisAssembly changed(UnaryOperator<MotionDesign> change) {
    return FixtureServos.axis(change.apply(FixtureServos.slide()));
  }

  /** Handbook, section 8: 131 072 counts a revolution at 17 bits, 60 mm a revolution. */
  @Test
  void fiveTurnsAreThreeHundredMillimetres() {
    SignalPath path = PathFactory.of(SLIDE);
    PathState end = path.state(300);
    assertThat(end.points().stream().map(PathPoint::station))
        .containsExactly(
            Station.NUMBER, Station.COUNTS, Station.SHAFT, Station.GEAR, Station.MACHINE);
    assertThat(end.value(Station.COUNTS)).isEqualTo(5 * 131_072);
    assertThat(end.value(Station.SHAFT)).isCloseTo(5, within(1e-12));
    assertThat(end.value(Station.MACHINE)).isCloseTo(300, within(1e-9));
    assertThat(path.commands()).isEqualTo(Commanded.POSITION);
    assertThat(path.hasMotor()).isFalse();
    assertThat(path.unit(Station.MACHINE)).isEqualTo(MeasureUnit.MILLIMETRE);
    assertThat(path.numberFor(Station.MACHINE, -60)).isCloseTo(-60, within(1e-9));
    assertThat(path.scale().least()).isCloseTo(-100, within(1e-9));
    assertThat(path.scale().most()).isCloseTo(1000, within(1e-9));
    assertThat(end.derivation(Station.COUNTS).steps().get(0).substitution())
        .isEqualTo("300 · 131\u202f072 counts · 1 / 60 mm");
  }

  /** Arithmetic: 23 bits, 50 mm drum behind 3 : 1, program in metres: π·0.05 m in three turns. */
  @Test
  void aDrumBehindAGearInMetres() {
    AxisScaling copy =
        AxisScaling.direct(8_388_608, new BigDecimal("0.157079632679"), MeasureUnit.METRE_UNIT)
            .with()
            .motorTurns(3)
            .loadTurns(1)
            .build();
    SignalPath path =
        PathFactory.of(
            FixtureServos.axis(
                new Mechanics.Drum(3, 0.05),
                FixtureServos.plate(8_388_608, 0),
                FixtureServos.design(copy, 100)));
    assertThat(path.unit(Station.NUMBER)).isEqualTo(MeasureUnit.METRE_UNIT);
    assertThat(path.value(Station.COUNTS, 0.1))
        .isCloseTo(0.1 * 3 * 8_388_608 / (Math.PI * 0.05), within(1.0));
    assertThat(path.value(Station.MACHINE, 0.1)).isCloseTo(0.1, within(1e-7));
    assertThat(path.state(13.5).points().get(1).condition()).contains("do not fit into 32 bits");
  }

  /** A turntable counts in degrees: a turn of the table is 10 of the motor. */
  @Test
  void aTurntable() {
    AxisScaling copy =
        AxisScaling.direct(131_072, new BigDecimal(360), MeasureUnit.DEGREE)
            .with()
            .motorTurns(10)
            .loadTurns(1)
            .build();
    AxisAssembly axis =
        FixtureServos.axis(
            new Mechanics.Turning(10),
            FixtureServos.plate(131_072, 0),
            FixtureServos.design(copy, 90));
    SignalPath path = PathFactory.of(axis);
    assertThat(path.value(Station.COUNTS, 90)).isEqualTo(327_680);
    assertThat(path.value(Station.SHAFT, 90)).isCloseTo(2.5, within(1e-12));
    assertThat(path.value(Station.MACHINE, 90)).isCloseTo(90, within(1e-9));
    assertThat(amount(predicted(axis), "turn.machine")).isCloseTo(36, within(1e-9));
  }

  /**
   * Handbook, section 10: 100 mm at 200 mm/s and 1000 mm/s² take 0.7 s, here there and back with
   * twice 0.5 s; following error v/Kv is 200/40 = 5 mm (control theory), 10 922.7 counts.
   */
  @Test
  void whatIsSeenOfItIsPredicted() {
    List<Prediction> all = predicted(SLIDE);
    assertThat(all.stream().map(Prediction::key))
        .containsSubsequence(
            "link.station",
            "link.mode",
            "link.turn",
            Predictor.DIRECTION,
            "turn.counts",
            "turn.shaft",
            "turn.machine",
            "place1.counts",
            "place2.machine",
            "link.running",
            "link.following",
            "link.round")
        .doesNotContain("link.brake", "place3.counts", "ref50.counts");
    assertThat(of(all, "link.mode").text(null)).isEqualTo("8 cyclic synchronous position");
    assertThat(amount(all, "link.turn")).isEqualTo(131_072);
    assertThat(amount(all, "place1.counts")).isEqualTo(Math.rint(100.0 / 60 * 131_072));
    assertThat(amount(all, "place2.machine")).isZero();
    assertThat(amount(all, "link.round")).isCloseTo(2 * 0.7 + 2 * 0.5, within(1e-9));
    // 0.2 s from rest to rest at constant speed is over 5/Kv.
    assertThat(amount(all, "link.following")).isCloseTo(5.0 / 60 * 131_072, within(1e-6));
  }

  /** A shaft that a brake holds is not turned by hand; what the brake does is looked at. */
  @Test
  void aBrakeIsLookedAtInsteadOfTheShaft() {
    AxisAssembly axis =
        FixtureServos.axis(
            new Mechanics.Screw(1, 0.06), FixtureServos.plate(131_072, 2), FixtureServos.slide());
    List<String> keys = predicted(axis).stream().map(Prediction::key).toList();
    assertThat(keys).contains("link.brake", "link.hold").doesNotContain("link.turn");
  }

  @Test
  void nothingIsToldOfAFollowingErrorWithoutGainsOrWithoutATimeAtSpeed() {
    assertThat(predicted(changed(d -> d.with().gains(null).build())))
        .noneMatch(p -> p.key().equals("link.following"));
    assertThat(
            predicted(changed(d -> d.with().gains(FixtureServos.GAINS.withPosition(10)).build())))
        .noneMatch(p -> p.key().equals("link.following"));
    assertThat(
            predicted(changed(d -> d.with().gains(FixtureServos.GAINS.withFeedForward(1)).build())))
        .noneMatch(p -> p.key().equals("link.following"));
  }

  /** A move that leads outside is an error of the axis; no place and no time is told. */
  @Test
  void movesThatCannotBeMadeAreNotPredicted() {
    AxisAssembly axis = changed(d -> d.with().travel(TravelRange.between(0, 80)).build());
    List<String> keys = predicted(axis).stream().map(Prediction::key).toList();
    assertThat(keys).contains("turn.counts").doesNotContain("place1.counts", "link.round");
  }

  /** A table that goes the shortest way: 90 straight from zero, 300 backwards: that is not told. */
  @Test
  void anAxisThatTurnsIsProvedWhereItGoesStraight() {
    AxisScaling copy = AxisScaling.direct(131_072, new BigDecimal(360), MeasureUnit.DEGREE);
    MotionDesign design = FixtureServos.design(copy, 90);
    MotionDesign turning =
        design
            .with()
            .travel(TravelRange.turning(1, TravelRange.Way.SHORTEST))
            .moves(
                design
                    .moves()
                    .with()
                    .steps(
                        List.of(
                            new MoveStep.Absolute(0.25),
                            new MoveStep.Absolute(300.0 / 360),
                            new MoveStep.Incremental(0.5)))
                    .build())
            .build();
    AxisAssembly axis =
        FixtureServos.axis(new Mechanics.Turning(1), FixtureServos.plate(131_072, 0), turning);
    List<Prediction> all = predicted(axis);
    assertThat(amount(all, "place1.machine")).isCloseTo(90, within(1e-9));
    // 300 + 180 is 120 after a turn.
    assertThat(amount(all, "place2.counts")).isEqualTo(Math.rint(131_072 / 3.0));
    assertThat(all).noneMatch(p -> p.key().startsWith("place3") || p.key().startsWith("turn."));
  }

  private static String fault(AxisAssembly axis) {
    return PathFactory.fault(axis).orElse("");
  }

  @Test
  void copiesThatAreNotReadOrDifferAreRefused() {
    AxisScaling other = AxisScaling.direct(8_388_608, new BigDecimal(60), MeasureUnit.MILLIMETRE);
    assertThat(fault(changed(d -> d.with().driveScaling(null).build())))
        .isEqualTo("the scaling of the drive is not read: see Motion at Map, Scaling");
    assertThat(fault(changed(d -> d.with().busScaling(other).build())))
        .startsWith("the scaling of the bus configuration is not the machine's");
    assertThat(fault(changed(d -> d.with().programScaling(other).build())))
        .startsWith("the scaling of the motion axis is not the machine's");
    assertThat(
            fault(
                changed(
                    d -> d.with().programScaling(d.programScaling().withReversed(true)).build())))
        .startsWith("the scaling of the motion axis is not the machine's");
    assertThatThrownBy(() -> PathFactory.of(changed(d -> d.with().busScaling(other).build())))
        .isInstanceOf(IllegalArgumentException.class);
  }

  private static AxisAssembly behind(EsiDevice device, int mode) {
    Project project =
        FixtureServos.project(
            new Mechanics.Screw(1, 0.06),
            FixtureServos.plate(131_072, 0),
            FixtureServos.slide(),
            mode == 0
                ? FixtureStations.station("st")
                : FixtureStations.station("st", FixtureStations.mode(mode)));
    return Lines.axis(FixtureServos.sheets(device), project);
  }

  @Test
  void anImageThatTakesNoPositionIsRefused() {
    EsiDevice bare = FixtureStations.device(null, FixtureStations.CONTROL, FixtureServos.TARGET);
    assertThat(fault(behind(bare, 0))).contains("nothing says the operating mode of axis 1");
    assertThat(fault(behind(bare, 8))).isEmpty();
    assertThat(fault(behind(bare, 1))).isEmpty();
    assertThat(fault(behind(bare, 3)))
        .contains(
            "axis 1 is started in profile velocity mode (0x6060 = 3), which takes no position");
    EsiDevice speed =
        FixtureStations.device(null, FixtureStations.CONTROL, FixtureStations.PROFILE);
    assertThat(fault(behind(speed, 8))).contains("the outputs have no target position of axis 1");
    EsiDevice small =
        FixtureStations.device(
            null, FixtureStations.CONTROL, PdoEntry.of(0x607A, 0, 16, "Target position", "INT"));
    assertThat(fault(behind(small, 8))).contains("0x607A is 16 bit in the image, not 32");
  }

  @Test
  void withoutJustOneStationNothingIsTold() {
    Mechanics screw = new Mechanics.Screw(1, 0.06);
    Project none =
        FixtureServos.project(screw, FixtureServos.plate(131_072, 0), FixtureServos.slide());
    Project two =
        none.withStations(List.of(FixtureStations.station("a"), FixtureStations.station("b")));
    assertThat(fault(Lines.axis(FixtureServos.sheets(FixtureServos.device()), none)))
        .startsWith("no station leads to its drive");
    assertThat(fault(Lines.axis(FixtureServos.sheets(FixtureServos.device()), two)))
        .isEqualTo("more than one station leads to its drive: a, b");
    Project undesigned =
        FixtureServos.project(
            screw, FixtureServos.plate(131_072, 0), null, FixtureStations.station("st"));
    assertThat(fault(Lines.axis(FixtureServos.sheets(FixtureServos.device()), undesigned)))
        .contains("it is commanded by positions, see Motion at Map");
  }

  @Test
  void whatNeedsASpeedSaysSo() {
    assertThatThrownBy(() -> BenchSetup.of(SLIDE, PathFactory.of(SLIDE)))
        .hasMessageContaining("commands a position");
  }

  /** Each number makes the readings stale that rest on it, and no others. */
  @Test
  void whatItReadsOfTheDesignIsInTheDigest() {
    Map<Part, String> before = new MotionWay().design(SLIDE);
    AxisScaling other = FixtureServos.slide().programScaling().withFeed(new BigDecimal(61));
    assertThat(differing(before, changed(d -> d.with().programScaling(other).build())))
        .containsExactly(Part.PROGRAM);
    assertThat(differing(before, changed(d -> d.with().busScaling(other).build())))
        .containsExactly(Part.CONTROLLER);
    assertThat(differing(before, changed(d -> d.with().driveScaling(other).build())))
        .containsExactly(Part.DRIVE);
    assertThat(differing(before, changed(d -> d.with().gains(null).build())))
        .containsExactly(Part.DRIVE);
  }

  private static List<Part> differing(Map<Part, String> before, AxisAssembly axis) {
    Map<Part, String> after = new MotionWay().design(axis);
    return before.keySet().stream().filter(p -> !before.get(p).equals(after.get(p))).toList();
  }

  /** An axis that no station or no target leads to is a warning of the line, not silence. */
  @Test
  void anAxisWithoutAWayIsAFinding() {
    Project none =
        FixtureServos.project(
            new Mechanics.Screw(1, 0.06), FixtureServos.plate(131_072, 0), FixtureServos.slide());
    assertThat(seen(none, FixtureServos.device())).contains("no station leads to its drive");
    EsiDevice speed =
        FixtureStations.device(null, FixtureStations.CONTROL, FixtureStations.PROFILE);
    Project csv =
        none.withStations(List.of(FixtureStations.station("st", FixtureStations.mode(9))));
    assertThat(seen(csv, speed)).contains("the outputs have no target position of axis 1");
  }

  private static String seen(Project project, EsiDevice device) {
    return LineReview.of(project, FixtureServos.sheets(device)).axes().get(0).findings().stream()
        .filter(f -> f.rule() == Rule.MOTION_UNKNOWN)
        .map(Finding::seen)
        .findFirst()
        .orElse("");
  }

  @Test
  void aReviewHasItsPath() {
    Project project =
        FixtureServos.project(
            new Mechanics.Screw(1, 0.06),
            FixtureServos.plate(131_072, 0),
            FixtureServos.slide(),
            FixtureStations.station("st"));
    assertThat(
            LineReview.of(project, FixtureServos.sheets(FixtureServos.device()))
                .axes()
                .get(0)
                .signalPath())
        .isPresent();
  }

  private static RegisterEntry register(String name, int address, ValueType type, Access access) {
    return new RegisterEntry(
        DriveValue.named(name, type, Scaling.PLAIN, new Limits(type.least(), type.most()), access),
        new RegisterPlace(RegisterTable.HOLDING_REGISTER, address, WordOrder.ABCD, ""));
  }

  private static AxisAssembly overRegisters(RegisterEntry... entries) {
    Project none =
        FixtureServos.project(
            new Mechanics.Screw(1, 0.06), FixtureServos.plate(131_072, 0), FixtureServos.slide());
    DriveRecord record = none.record(none.axes().get(0).drive());
    return Lines.axis(
        FixtureServos.sheets(FixtureServos.device()),
        none.with(record.withFieldbus(record.fieldbus().withRegisters(List.of(entries)))));
  }

  private static final RegisterEntry TARGET =
      register("target position", 2, ValueType.SIGNED_32, Access.READ_WRITE);

  /** No station: 100 mm are 218 453 counts in the register that is the target position. */
  @Test
  void positionsGoIntoARegister() {
    AxisAssembly axis =
        overRegisters(TARGET, register("actual position", 4, ValueType.SIGNED_32, Access.READ));
    assertThat(fault(axis)).isEmpty();
    SignalPath path = PathFactory.of(axis);
    assertThat(path.value(Station.COUNTS, 100)).isEqualTo(218_453);
    List<Prediction> all = predicted(axis);
    assertThat(all).extracting(Prediction::where).contains("register 400003, target position");
    assertThat(all).extracting(Prediction::where).contains("register 400005, actual position");
    // Nothing entered says its mode or shows its following error.
    assertThat(all)
        .extracting(Prediction::key)
        .doesNotContain(StationRows.MODE, StationRows.STATE, MotionRows.FOLLOWING);
    assertThat(predicted(overRegisters(TARGET)))
        .extracting(Prediction::key)
        .doesNotContain(MotionRows.TURN);
  }

  /** Right but built otherwise is not followed, wrong is refused by name. */
  @Test
  void aRegisterThatTakesNoCountsIsRefused() {
    assertThat(
            fault(
                overRegisters(
                    register("target position", 2, ValueType.SIGNED_16, Access.READ_WRITE))))
        .contains("target position is signed 16: a position in counts is signed 32");
    assertThat(
            fault(overRegisters(register("target position", 2, ValueType.SIGNED_32, Access.READ))))
        .isEqualTo("target position cannot be written");
    RegisterEntry millimetres =
        new RegisterEntry(TARGET.value().withScaling(Scaling.of(0.01, "mm")), TARGET.place());
    assertThat(fault(overRegisters(millimetres)))
        .contains("counts in steps of 0.01 mm: only counts");
    assertThat(fault(overRegisters(register("speed", 2, ValueType.SIGNED_32, Access.READ_WRITE))))
        .contains("none of its registers is the target position");
  }

  /** What a drive makes of 32 bits that arrive otherwise, against the bytes laid by a buffer. */
  @Test
  void exchangedAndMissingRegistersAreNamed() {
    AxisAssembly axis = overRegisters(TARGET);
    SignalPath path = PathFactory.of(axis);
    for (int words : new int[] {2, 1}) {
      List<Reading> readings = new ArrayList<>();
      for (Prediction each : predicted(axis)) {
        if (each.key().endsWith(".counts") && each.expectation() instanceof Expectation.Amount a) {
          int sent = (int) a.value();
          java.nio.ByteBuffer bytes = java.nio.ByteBuffer.allocate(4).putInt(0, sent);
          int high = bytes.getShort(0) & 0xFFFF;
          int low = bytes.getShort(2) & 0xFFFF;
          int arrived =
              words == 1
                  ? low
                  : java.nio.ByteBuffer.allocate(4)
                      .putShort((short) low)
                      .putShort((short) high)
                      .getInt(0);
          readings.add(reading(each.key(), sent));
          readings.add(reading(each.key().replace(".counts", ".shaft"), arrived / 131_072.0));
        }
      }
      assertThat(Detective.diagnose(path, predicted(axis), readings).suspicions().get(0).cause())
          .isEqualTo(
              words == 1
                  ? PositionRegisterCause.LOW_WORD_ONLY
                  : PositionRegisterCause.WORDS_EXCHANGED);
    }
  }

  private static Reading reading(String key, double amount) {
    return new Reading("axis", key, amount, null, "", "2026-01-31T14:05:00Z", "", Map.of());
  }
}
