package unimotus.core.motion;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import unimotus.core.Lines;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.Axis;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Load;
import unimotus.core.machine.Mechanics;
import unimotus.core.machine.MotionDesign;
import unimotus.core.machine.Project;
import unimotus.core.machine.StopFunction;
import unimotus.core.machine.StopLogic;
import unimotus.core.machine.Transmission;
import unimotus.core.move.MoveLimits;
import unimotus.core.move.MoveSequence;
import unimotus.core.move.MoveStep;
import unimotus.core.move.TravelRange;
import unimotus.core.positioning.PositioningDesign;
import unimotus.core.positioning.TablePosition;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.review.LineReview;
import unimotus.core.scaling.AxisScaling;
import unimotus.core.scaling.Holder;
import unimotus.core.servo.LoopGains;
import unimotus.core.sheet.DeviceSheet;
import unimotus.core.sheet.DriveKind;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.DriveSheetBuilder;
import unimotus.core.sheet.MotorKind;
import unimotus.core.sheet.ServoPlate;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.stops.StopCircuit;
import unimotus.core.stops.StopPhase;
import unimotus.core.stops.StopTimeline;
import unimotus.core.stops.Stops;

/**
 * A servo axis looked over: a slide, a drum behind a gear, a turntable, a hoist; right and wrong.
 */
final class ServoChecksTest {
  private static final SheetCatalogue SHEETS = sheets();

  /** 0.4 kW, 1.5 N·m for ever and 4.5 N·m for a short time, brake of 2 N·m. */
  private static final ServoPlate PLATE =
      new ServoPlate(
          1.5, 1.76, 3000, 1.27, 0.85, 51.4, 8, 131_072, 2, 400, 6e-5, 4.5, 5000, 0.06, 0.03);

  private static final Load LIGHT = new Load(3e-4, 0.05, 0, 0, 0.95);

  private static SheetCatalogue sheets() {
    List<DeviceSheet> sheets = new ArrayList<>();
    for (DeviceSheet sheet : Lines.SHEETS.all(DeviceSheet.class)) {
      sheets.add(
          sheet instanceof DriveSheet drive && drive.id().equals(Stops.TERMINAL_DRIVE)
              ? DriveSheetBuilder.builder(drive)
                  .driveKind(new DriveKind.Servo(List.of(MotorKind.PERMANENT_MAGNET), 1))
                  .build()
              : sheet);
    }
    return new SheetCatalogue(sheets);
  }

  private static AxisScaling copy(String feed, MeasureUnit unit) {
    return AxisScaling.direct(131_072, new BigDecimal(feed), unit);
  }

  private static MotionDesign slide() {
    AxisScaling read = copy("20", MeasureUnit.MILLIMETRE);
    return new MotionDesign(
        1,
        read,
        read,
        read,
        TravelRange.between(0, 150),
        new MoveSequence(
            120,
            new MoveLimits(200, 2000, 2000, 20_000),
            List.of(new MoveStep.Absolute(20), new MoveStep.Dwell(0.3), new MoveStep.Absolute(120)),
            2),
        0.001,
        Transmission.RIGID,
        null,
        null,
        null);
  }

  private static Project project(
      Mechanics mechanics, Load load, ServoPlate plate, MotionDesign design) {
    Project bare = Lines.bare("controller-modular", Stops.TERMINAL_DRIVE);
    Axis axis = bare.axes().get(0).withMechanics(mechanics).withLoad(load).withMotion(design);
    return bare.with(axis).with(bare.motors().get(0).withPlate(plate));
  }

  private static AxisAssembly assembly(MotionDesign design) {
    return Lines.axis(SHEETS, project(new Mechanics.Screw(1, 0.02), LIGHT, PLATE, design));
  }

  private static List<Finding> of(AxisAssembly axis) {
    return ServoChecks.check(axis);
  }

  private static List<Finding> of(UnaryOperator<MotionDesign> change) {
    return of(assembly(change.apply(slide())));
  }

  private static void only(List<Finding> found, String code, Severity severity, String... words) {
    assertThat(found)
        .singleElement()
        .satisfies(
            f -> {
              assertThat(f.rule().code()).isEqualTo(code);
              assertThat(f.severity()).isEqualTo(severity);
              assertThat(f.seen()).contains(words);
              assertThat(f.why()).isNotBlank();
              assertThat(f.remedy()).isNotBlank();
            });
  }

  @Test
  void aSoundSlideHasNothingToSay() {
    assertThat(of(UnaryOperator.identity())).isEmpty();
  }

  /** A drum of 60 mm behind 3:1, its feed typed with six digits of π·d; and a turntable. */
  @Test
  void aDrumAndATurntableBuiltOtherwiseAreSoundToo() {
    AxisScaling drum =
        copy("188.496", MeasureUnit.MILLIMETRE).with().motorTurns(3).loadTurns(1).build();
    MotionDesign rolling =
        slide().with().driveScaling(drum).busScaling(drum).programScaling(drum).build();
    // 188.496 for 188.4955592 is 2.3 in a million: seen. One digit more is enough.
    assertThat(of(Lines.axis(SHEETS, project(new Mechanics.Drum(3, 0.06), LIGHT, PLATE, rolling))))
        .hasSize(3);
    AxisScaling exact = drum.withFeed(new BigDecimal("188.49556"));
    MotionDesign better =
        rolling.with().driveScaling(exact).busScaling(exact).programScaling(exact).build();
    assertThat(of(Lines.axis(SHEETS, project(new Mechanics.Drum(3, 0.06), LIGHT, PLATE, better))))
        .isEmpty();

    AxisScaling degrees = copy("360", MeasureUnit.DEGREE).with().motorTurns(10).build();
    MotionDesign table =
        slide()
            .with()
            .driveScaling(degrees)
            .busScaling(degrees)
            .programScaling(degrees)
            .travel(TravelRange.turning(1, TravelRange.Way.POSITIVE))
            .moves(
                new MoveSequence(
                    0,
                    MoveLimits.of(2, 10),
                    List.of(new MoveStep.Absolute(0.25), new MoveStep.Absolute(0)),
                    4))
            .build();
    AxisAssembly turning =
        Lines.axis(
            SHEETS,
            project(new Mechanics.Turning(10), new Load(0.02, 0.1, 0, 0, 0.9), PLATE, table));
    assertThat(of(turning)).isEmpty();
    assertThat(ServoAxis.of(turning).orElseThrow().plan().to()).isCloseTo(4, within(1e-9));
  }

  @Test
  void eachCopyThatDiffersIsNamedWithRatioAndCause() {
    AxisScaling fine = copy("20", MeasureUnit.MILLIMETRE).withCounts(1 << 23);
    only(
        of(d -> d.holding(Holder.BUS, fine)),
        "MOV-002",
        Severity.ERROR,
        "bus configuration counts 64 times",
        "23 bits a turn against 17");
    only(
        of(d -> d.holding(Holder.PROGRAM, copy("360", MeasureUnit.DEGREE))),
        "MOV-002",
        Severity.ERROR,
        "a length in one, an angle");
    only(
        of(d -> d.holding(Holder.DRIVE, null)),
        "MOV-003",
        Severity.WARNING,
        "scaling of the drive is not read");
  }

  @Test
  void aMoveOutsideTheTravelIsNamed() {
    only(
        of(d -> d.withTravel(TravelRange.between(50, 150))),
        "MOV-005",
        Severity.ERROR,
        "step 1, absolute",
        "20.0");
    // 2^31 counts are 327 680 mm.
    only(
        of(d -> d.withTravel(TravelRange.between(0, 400_000))),
        "MOV-004",
        Severity.ERROR,
        "32 bits hold");
  }

  @Test
  void speedTorqueAndWarmthAreHeldAgainstThePlate() {
    // 2000 mm/s on 20 mm are 6000 rpm.
    assertThat(
            of(d -> d.withMoves(d.moves().withLimits(new MoveLimits(2000, 200_000, 200_000, 0)))))
        .anyMatch(f -> f.rule().code().equals("MOV-006") && f.seen().contains("6000 rpm"));
    // α = 40 000/20·2π = 12 566 rad/s² on 376 µ kg·m² is 4.7 N·m.
    assertThat(of(d -> d.withMoves(d.moves().withLimits(MoveLimits.of(600, 40_000)))))
        .anyMatch(
            f ->
                f.rule().code().equals("MOV-007")
                    && f.severity() == Severity.ERROR
                    && f.seen().contains("4.5 N·m"));
    ServoPlate unstated = PLATE.withPeakNewtonMetres(0);
    only(
        of(Lines.axis(SHEETS, project(new Mechanics.Screw(1, 0.02), LIGHT, unstated, slide()))),
        "MOV-007",
        Severity.WARNING,
        "states no torque for a short time");
    MoveSequence restless =
        new MoveSequence(
            0,
            MoveLimits.of(400, 25_000),
            List.of(new MoveStep.Absolute(10), new MoveStep.Absolute(0)),
            50);
    assertThat(of(d -> d.withMoves(restless)))
        .anyMatch(f -> f.rule().code().equals("MOV-008") && f.severity() == Severity.ERROR);
  }

  @Test
  void aHeavyLoadAndAHangingOneAreTold() {
    Load heavy = LIGHT.withInertiaKgM2(9e-4);
    only(
        of(Lines.axis(SHEETS, project(new Mechanics.Screw(1, 0.02), heavy, PLATE, slide()))),
        "MOV-009",
        Severity.WARNING,
        "15 times");
    MotionDesign hoist = slide().withTransmission(new Transmission(8, 0, 0));
    assertThat(of(assembly(hoist))).isEmpty();
    ServoPlate bare = PLATE.withBrakeNewtonMetres(0);
    only(
        of(Lines.axis(SHEETS, project(new Mechanics.Screw(1, 0.02), LIGHT, bare, hoist))),
        "MOV-010",
        Severity.ERROR,
        "without a brake");
    // 60 kg on 20 mm pull with 1.87 N·m.
    assertThat(of(assembly(slide().withTransmission(new Transmission(60, 0, 0)))))
        .anyMatch(
            f ->
                f.rule().code().equals("MOV-010")
                    && f.severity() == Severity.WARNING
                    && f.seen().contains("a factor of 1.06"));
    ServoPlate slow = PLATE.withBrakeCloseSeconds(0);
    only(
        of(Lines.axis(SHEETS, project(new Mechanics.Screw(1, 0.02), LIGHT, slow, hoist))),
        "MOV-010",
        Severity.WARNING,
        "how long the brake takes");
  }

  @Test
  void whatIsNotEnteredIsSaidAndNothingIsWorkedOut() {
    Project without =
        project(new Mechanics.Screw(1, 0.02), LIGHT, PLATE, slide())
            .with(Lines.bare("controller-modular", Stops.TERMINAL_DRIVE).axes().get(0));
    only(of(Lines.axis(SHEETS, without)), "MOV-001", Severity.WARNING, "not entered yet");
    AxisAssembly turning =
        Lines.axis(
            SHEETS,
            project(
                new Mechanics.Turning(1),
                LIGHT,
                PLATE,
                slide().withTransmission(new Transmission(8, 0, 0))));
    only(of(turning), "MOV-001", Severity.WARNING, "axis that turns");
    AxisAssembly fan =
        Lines.axis(
            SHEETS,
            project(
                new Mechanics.Screw(1, 0.02),
                LIGHT.withQuadraticNewtonMetresPerRpm2(1e-6),
                PLATE,
                slide()));
    only(of(fan), "MOV-001", Severity.WARNING, "square of the speed");
    assertThat(ServoAxis.of(fan)).isEmpty();
    only(of(d -> d.withDriveAxis(2)), "MOV-001", Severity.WARNING, "axis 2 of", "which has 1");
    only(
        of(Lines.axis(SHEETS, project(new Mechanics.Screw(1e-6, 0.02), LIGHT, PLATE, slide()))),
        "MOV-001",
        Severity.WARNING,
        "gear ratio of 1.0E-6");
    only(
        of(d -> d.withMoves(d.moves().withSteps(List.of()))),
        "MOV-001",
        Severity.WARNING,
        "no moves are entered");
    assertThat(
            ServoChecks.check(Lines.axis(Lines.bare("controller-modular", Stops.TERMINAL_DRIVE))))
        .isEmpty();
    assertThatThrownBy(() -> slide().withDriveAxis(0)).hasMessageContaining("1 to 4, not 0");
    assertThatThrownBy(() -> slide().withCycleSeconds(0)).hasMessageContaining("cycle");
    assertThatThrownBy(() -> slide().holding(Holder.MACHINE, null))
        .hasMessageContaining("motor plate");
    assertThatThrownBy(() -> new Transmission(0, 0, 0.1)).hasMessageContaining("stiffness");
  }

  /** What would compute for ever is refused with its figure. */
  @Test
  void runsWithoutEndAreRefused() {
    ServoAxis slow =
        ServoAxis.of(
                assembly(
                    slide()
                        .withMoves(
                            slide().moves().withTimes(1000).withLimits(MoveLimits.of(1, 1)))))
            .orElseThrow();
    assertThatThrownBy(() -> slow.run(slow.gains(), 0)).hasMessageContaining("600 s at most");
    ServoAxis stiff =
        ServoAxis.of(assembly(slide().withTransmission(new Transmission(0, 1e12, 0))))
            .orElseThrow();
    assertThatThrownBy(() -> stiff.run(stiff.gains(), 0)).hasMessageContaining("take it as rigid");
  }

  /** The trial of the gains that were entered comes first, and lags by v/Kv. */
  @Test
  void gainsAreTriedOnTheLongestMove() {
    MotionDesign design = slide().withGains(new LoopGains(20, 0.02, 0.05, 0));
    List<GainTrial> trials = GainTrial.all(ServoAxis.of(assembly(design)).orElseThrow());
    assertThat(trials).hasSize(12);
    assertThat(trials.get(0).name()).isEqualTo("as entered");
    assertThat(trials.get(0).largestError()).isCloseTo(10, within(0.5));
    MotionDesign still = slide().withMoves(slide().moves().withSteps(List.of()));
    assertThat(GainTrial.all(ServoAxis.of(assembly(still)).orElseThrow())).isEmpty();
  }

  private static AxisAssembly stopped(double kilograms, ServoPlate plate, boolean vertical) {
    Project built =
        Stops.withLoad(
            Stops.project(Stops.TERMINAL_DRIVE, Stops.guard(StopLogic.SAFETY_RELAY)), LIGHT);
    StopFunction stop =
        built.stops().get(0).with().verticalLoad(vertical).holdingBrake(true).build();
    Axis axis =
        built
            .axes()
            .get(0)
            .withMechanics(new Mechanics.Screw(1, 0.02))
            .withMotion(slide().withTransmission(new Transmission(kilograms, 0, 0)));
    return Lines.axis(
        SHEETS,
        built.with(axis).withStops(List.of(stop)).with(built.motors().get(0).withPlate(plate)));
  }

  /** A stop that does not know of the hanging load is told. */
  @Test
  void aStopHasToKnowOfTheHangingLoad() {
    only(of(stopped(8, PLATE, false)), "SAF-007", Severity.ERROR, "8 kg hang on the axis");
    assertThat(of(stopped(8, PLATE, true))).isEmpty();
    assertThat(
            LineReview.of(project(new Mechanics.Screw(1, 0.02), LIGHT, PLATE, slide()), SHEETS)
                .findings())
        .filteredOn(f -> f.rule().code().startsWith("MOV"))
        // Sound but for the station, which this line has none of.
        .extracting(Finding::place)
        .containsExactly("axis/belt/motion/station");
  }

  /** From 5000 rpm: it falls for 30 ms under m·g, then the brake takes ω·J/(T_b − T_w). By hand. */
  @Test
  void theBrakeOfTheMotorCatchesAHangingLoad() {
    AxisAssembly axis = stopped(8, PLATE, true);
    StopTimeline timeline = StopTimeline.fromMaximum(StopCircuit.of(axis, axis.stops().get(0)));
    double weight = 8 * 9.80665 * 0.02 / (2 * Math.PI);
    double inertia = 6e-5 + 3e-4 + 8 * Math.pow(0.02 / (2 * Math.PI), 2);
    double pull = weight * 0.95 - 0.05;
    double falls = 5000 * 2 * Math.PI / 60 + pull / inertia * 0.03;
    double braked = falls * inertia / (2 - pull);
    assertThat(timeline.phases().stream().map(StopPhase::kind))
        .endsWith(StopPhase.Kind.FALL, StopPhase.Kind.BRAKE);
    assertThat(timeline.standstillSeconds() - timeline.torqueOffSeconds())
        .isCloseTo(0.03 + braked, within(1e-5));
    assertThat(timeline.turns())
        .isGreaterThan(
            5000 / 60.0 * timeline.torqueOffSeconds() + falls / (2 * Math.PI) * braked / 2);
    // A brake that holds no more than the load pulls, or of which nobody knows how long it takes.
    AxisAssembly weak = stopped(80, PLATE, true);
    assertThat(StopTimeline.fromMaximum(StopCircuit.of(weak, weak.stops().get(0))).comesToRest())
        .isFalse();
    AxisAssembly untold = stopped(8, PLATE.withBrakeCloseSeconds(0), true);
    assertThat(
            StopTimeline.fromMaximum(StopCircuit.of(untold, untold.stops().get(0))).comesToRest())
        .isFalse();
  }

  /** Of a slide of 0 to 150 mm at 200 mm/s: what lies outside, is too fast, or has no number. */
  @Test
  void aTableThatCannotBeRunIsAFinding() {
    TablePosition in = new TablePosition(new MoveStep.Absolute(20), 0);
    assertThat(tableFaults(List.of(in, new TablePosition(new MoveStep.Incremental(-120), 200))))
        .isEmpty();
    assertThat(tableFaults(List.of(in, new TablePosition(new MoveStep.Absolute(151), 0))))
        .contains("position 2 is 151 mm, the travel goes from 0 mm to 150 mm");
    assertThat(tableFaults(List.of(new TablePosition(new MoveStep.Incremental(-151), 0))))
        .contains("position 1 moves by −151 mm, the whole travel is 150 mm");
    assertThat(tableFaults(List.of(new TablePosition(new MoveStep.Absolute(20), 201))))
        .contains("position 1 runs at 201 mm/s, the axis at 200 mm/s at most");
    assertThat(tableFaults(java.util.Collections.nCopies(64, in)))
        .contains("64 positions are entered, the number in the word goes to 63");
  }

  private static String tableFaults(List<TablePosition> positions) {
    return of(assembly(slide().withByBits(PositioningDesign.USUAL.withPositions(positions))))
        .stream()
        .filter(f -> f.rule() == Rule.POSITION_TABLE)
        .map(Finding::seen)
        .collect(java.util.stream.Collectors.joining());
  }
}
