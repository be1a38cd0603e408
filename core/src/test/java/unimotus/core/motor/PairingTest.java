package unimotus.core.motor;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import unimotus.core.Lines;
import unimotus.core.finding.Severity;
import unimotus.core.link.CommonLink;
import unimotus.core.link.LinkPlanner;
import unimotus.core.link.LinkRequest;
import unimotus.core.link.StopLinks;
import unimotus.core.link.StopRequest;
import unimotus.core.machine.Axis;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Feed;
import unimotus.core.machine.Load;
import unimotus.core.machine.Project;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.StopLogic;
import unimotus.core.machine.StopTrigger;
import unimotus.core.review.LineReview;
import unimotus.core.settings.DerivedSetting;
import unimotus.core.settings.DerivedSettings;
import unimotus.core.sheet.DeviceSheet;
import unimotus.core.sheet.DriveKind;
import unimotus.core.sheet.DriveRatings;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.DriveSheetBuilder;
import unimotus.core.sheet.MotorKind;
import unimotus.core.sheet.MotorPlate;
import unimotus.core.sheet.ServoPlate;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.SettingValue;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.sheet.StepperPlate;
import unimotus.core.stops.BrakingEnergy;
import unimotus.core.stops.StopCircuit;
import unimotus.core.stops.StopOutcome;
import unimotus.core.stops.StopTimeline;
import unimotus.core.stops.StopVerdict;
import unimotus.core.stops.Stops;
import unimotus.core.way.PathFactory;

/** Kinds of motors on kinds of drives: what goes together, and what each engine says of it. */
class PairingTest {
  /** 8 poles at 3000 rpm are 200 Hz; 2.9 N·m at 3.22 A. */
  private static final ServoPlate SERVO =
      new ServoPlate(2.9, 3.22, 3000, 2.39, 0.9, 54.4, 8, 131_072, 0, 230, 0.00012);

  private static final StepperPlate STEPPER =
      new StepperPlate(200, 1.2, 2.8, 0.9, 0.0025, 4, 0.00003);

  /** The terminal drive, but otherwise. */
  private static SheetCatalogue sheets(DriveKind kind) {
    return sheets(drive -> drive.driveKind(kind));
  }

  private static SheetCatalogue sheets(UnaryOperator<DriveSheetBuilder> change) {
    List<DeviceSheet> sheets = new ArrayList<>();
    for (DeviceSheet sheet : Lines.SHEETS.all(DeviceSheet.class)) {
      sheets.add(
          sheet instanceof DriveSheet drive && drive.id().equals(Stops.TERMINAL_DRIVE)
              ? change.apply(DriveSheetBuilder.builder(drive)).build()
              : sheet);
    }
    return new SheetCatalogue(sheets);
  }

  private static final SheetCatalogue SERVO_DRIVE =
      sheets(new DriveKind.Servo(List.of(MotorKind.PERMANENT_MAGNET), 1));
  private static final SheetCatalogue LOW_VOLTAGE =
      sheets(drive -> drive.ratings(new DriveRatings(4000, 17, 230, 1.5, 60)));
  private static final SheetCatalogue STEP_DRIVER =
      sheets(new DriveKind.Step(List.of(MotorKind.STEPPER)));

  private static Project with(Project project, MotorPlate plate) {
    return project.with(project.motors().get(0).withPlate(plate));
  }

  private static AxisAssembly axis(SheetCatalogue sheets, MotorPlate plate) {
    return Lines.axis(sheets, with(Lines.bare("controller-modular", Stops.TERMINAL_DRIVE), plate));
  }

  @Test
  void aWrongPairIsNamedByWhatTheSheetSays() {
    assertThat(Pairing.fault(axis(Lines.SHEETS, SERVO)))
        .contains(
            "Motor is a permanent-magnet servo motor, Terminal drive 4 kW runs induction motors");
    assertThat(Pairing.fault(axis(SERVO_DRIVE, SERVO))).isEmpty();
    assertThat(Pairing.fault(axis(SERVO_DRIVE, STEPPER)))
        .hasValueSatisfying(f -> assertThat(f).contains("step motor"));
    assertThat(Pairing.fault(axis(STEP_DRIVER, STEPPER))).isEmpty();
    assertThat(new DriveKind.Servo(List.of(MotorKind.values()), 2).label()).contains("2 axes");
    assertThatThrownBy(() -> new DriveKind.Frequency(List.of()))
        .hasMessageContaining("which motors");
    assertThatThrownBy(() -> new DriveKind.Servo(List.of(MotorKind.STEPPER), 5))
        .hasMessageContaining("1 to 4, not 5");
  }

  @Test
  void onlyTheWrongPairIsAnError() {
    assertThat(rules(Lines.SHEETS, SERVO)).contains("MOT-009");
    assertThat(rules(SERVO_DRIVE, SERVO)).doesNotContain("MOT-009");
    assertThat(rules(STEP_DRIVER, STEPPER)).doesNotContain("MOT-009");
  }

  private static List<String> rules(SheetCatalogue sheets, MotorPlate plate) {
    Project project = with(Lines.bare("controller-modular", Stops.TERMINAL_DRIVE), plate);
    return LineReview.of(project, sheets).findings().stream().map(f -> f.rule().code()).toList();
  }

  @Test
  void aPathIsToldOfInductionMotorsAlone() {
    assertThat(PathFactory.fault(axis(SERVO_DRIVE, SERVO)))
        .contains(
            "Motor is a permanent-magnet servo motor: it is commanded by positions, see Motion at Map");
    assertThat(PathFactory.fault(axis(STEP_DRIVER, STEPPER)))
        .hasValueSatisfying(f -> assertThat(f).contains("says nothing of switches"));
  }

  /** The plate of a servo in the drive: 3000 rpm, 3.22 A, 8 poles, 750 W. */
  @Test
  void theSettingsOfAServoAreThoseOfItsPlate() {
    List<DerivedSetting> derived = DerivedSettings.withReasons(axis(SERVO_DRIVE, SERVO));
    assertThat(number(derived, SettingRole.MOTOR_SPEED)).isEqualTo(3000);
    assertThat(number(derived, SettingRole.MOTOR_CURRENT)).isCloseTo(3.22, within(1e-9));
    assertThat(derived).noneMatch(d -> d.setting().role() == SettingRole.ACCELERATION_TIME);
    assertThat(DerivedSettings.withReasons(axis(STEP_DRIVER, STEPPER)))
        .noneMatch(d -> d.setting().role() == SettingRole.MOTOR_SPEED);
  }

  private static double number(List<DerivedSetting> derived, SettingRole role) {
    return derived.stream()
        .filter(d -> d.setting().role() == role)
        .map(d -> ((SettingValue.Number) d.value()).value())
        .findFirst()
        .orElseThrow();
  }

  @Test
  void theWiresOfEveryKindAreLaid() {
    for (SheetCatalogue sheets : List.of(SERVO_DRIVE, STEP_DRIVER)) {
      Project bare = Lines.bare("controller-modular", Stops.TERMINAL_DRIVE);
      Project wired =
          LinkPlanner.plan(
                  with(bare, sheets == SERVO_DRIVE ? SERVO : STEPPER),
                  sheets,
                  LinkRequest.of(Lines.AXIS, CommonLink.TWO_WIRE))
              .project();
      assertThat(wired.wires()).isNotEmpty();
      assertThat(LineReview.of(wired, sheets).findings())
          .noneMatch(f -> f.severity() == Severity.ERROR && f.rule().code().startsWith("DIS"));
    }
  }

  private static StopCircuit stop(SheetCatalogue sheets, MotorPlate plate) {
    Project project = Stops.project(Stops.TERMINAL_DRIVE, Stops.guard(StopLogic.SAFETY_RELAY));
    Project moved = with(Stops.withLoad(project, new Load(4, 20, 0, 0, 1)), plate);
    AxisAssembly axis = Lines.axis(sheets, moved);
    return StopCircuit.of(axis, axis.stops().get(0));
  }

  /** Coast of a servo: friction 0.5 N·m at the shaft on 2.62 g·m² from 1500 rpm and more. */
  @Test
  void aStopOfAServoIsTimedByItsOwnPlate() {
    StopCircuit circuit = stop(SERVO_DRIVE, SERVO);
    assertThat(StopVerdict.of(circuit).outcome()).isEqualTo(StopOutcome.STOPS);
    double top = StopTimeline.topRpm(circuit.axis());
    StopTimeline timeline = StopTimeline.fromMaximum(circuit);
    double inertia = SERVO.inertiaKgM2() + 4 / (40.0 * 40);
    double coast = inertia * top * 2 * Math.PI / 60 / (20.0 / 40);
    assertThat(timeline.standstillSeconds() - timeline.reactionSeconds())
        .isCloseTo(coast, within(0.01 * coast));
    assertThat(BrakingEnergy.of(circuit.axis(), circuit.stop(), timeline).tripVolts()).isPositive();
  }

  @Test
  void aStopIsNotToldWhereTheMotionIsNotKnown() {
    assertThat(StopVerdict.of(stop(STEP_DRIVER, STEPPER)).outcome())
        .isEqualTo(StopOutcome.CANNOT_BE_TOLD);
    StopVerdict wrong = StopVerdict.of(stop(Lines.SHEETS, SERVO));
    assertThat(wrong.outcome()).isEqualTo(StopOutcome.CANNOT_BE_TOLD);
    assertThat(wrong.because()).anyMatch(b -> b.contains("runs induction motors"));
  }

  @Test
  void theTorqueOfAServoFollowsItsCurrent() {
    MotorTorque torque = MotorTorque.ofServo(SERVO, 6.44);
    assertThat(torque.most()).isCloseTo(0.9 * 6.44, within(1e-9));
    assertThat(FieldFigures.of(SERVO)).contains(new FieldFigures(8, 200));
    assertThat(FieldFigures.of(STEPPER)).isEmpty();
    assertThatThrownBy(() -> FieldFigures.of(axis(STEP_DRIVER, STEPPER)))
        .hasMessageContaining("no frequency");
  }

  /** Nobody has looked: the mains a drive is rated for, not the one of another drive. */
  @Test
  void theFeedIsTheDrivesOwnUntilSomebodyLooks() {
    AxisAssembly small = Lines.axis(LOW_VOLTAGE, bare());
    assertThat(small.feed().mainsVolts()).isEqualTo(230);
    Project looked = bare();
    Project read = looked.with(looked.record("drive").withFeed(Feed.USUAL.withMains(480, 3)));
    assertThat(Lines.axis(read).feed().mainsVolts()).isEqualTo(480);
    assertThat(looked.record("drive").feed()).isNull();
    assertThat(Lines.axis(looked).feed().mainsVolts()).isEqualTo(400);
    assertThat(Lines.axis(looked).feed().phases()).isEqualTo(3);
  }

  /** There is no mains of three phases of 230 V to draw: none is drawn in its place. */
  @Test
  void noMainsIsDrawnThatTheDriveIsNotRatedFor() {
    StopRequest contactors =
        Stops.request(StopTrigger.EMERGENCY_STOP, StopLogic.SAFETY_RELAY, StopEffect.CONTACTORS);
    assertThat(StopLinks.plan(bare(), Lines.SHEETS, contactors).project().wires()).isNotEmpty();
    assertThatThrownBy(() -> StopLinks.plan(bare(), LOW_VOLTAGE, contactors))
        .hasMessageContaining("3 conductors of 230 V");
  }

  private static Project bare() {
    return Lines.bare("controller-modular", Stops.TERMINAL_DRIVE);
  }

  /**
   * Two axes on a drive of two are right, a third is one too many; on a drive of one the second.
   */
  @Test
  void aDriveRunsAsManyAxesAsItsSheetSays() {
    SheetCatalogue two = sheets(new DriveKind.Servo(List.of(MotorKind.PERMANENT_MAGNET), 2));
    Project line = with(bare(), SERVO);
    assertThat(usedTwice(line, two)).isZero();
    Project second = line.with(another(line, "second"));
    assertThat(usedTwice(second, two)).isZero();
    assertThat(usedTwice(second, SERVO_DRIVE)).isEqualTo(2);
    assertThat(usedTwice(second.with(another(line, "third")), two)).isEqualTo(2);
  }

  private static Axis another(Project line, String id) {
    Axis axis = line.axes().get(0);
    return axis.with().id(id).name(id).motor(null).build();
  }

  private static long usedTwice(Project project, SheetCatalogue sheets) {
    return LineReview.of(project, sheets).findings().stream()
        .filter(f -> f.seen().startsWith("drive drive is used by"))
        .count();
  }

  @Test
  void platesRefuseWhatNoMotorHas() {
    assertThatThrownBy(() -> new StepperPlate(200, 1, 1, 1, 1, 5, 1))
        .hasMessageContaining("4, 6 or 8, not 5");
    assertThatThrownBy(() -> new StepperPlate(2, 1, 1, 1, 1, 4, 1)).hasMessageContaining("not 2");
    assertThatThrownBy(() -> new StepperPlate(200, 0, 1, 1, 1, 4, 1))
        .hasMessageContaining("holding torque");
    assertThat(STEPPER.stepDegrees()).isEqualTo(1.8);
  }
}
