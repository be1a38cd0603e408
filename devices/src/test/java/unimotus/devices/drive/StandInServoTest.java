package unimotus.devices.drive;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import unimotus.core.profile.HomingMethod;
import unimotus.core.profile.OperatingMode;
import unimotus.core.servo.BrakeTimes;
import unimotus.core.servo.Dynamics;
import unimotus.core.servo.GainProposal;
import unimotus.core.servo.LoopGains;
import unimotus.core.servo.ServoLoad;
import unimotus.core.servo.ServoSetup;

/** A servo axis spoken to in its words (IEC 61800-7-201, from memory), its clock turned by hand. */
class StandInServoTest {
  private static final double TURN = 131_072;
  private static final int ENABLED = 0x0F;

  private long nanos;
  private double target;
  private double velocity;
  private double window = TURN;
  private int method = 37;
  private double offset;
  private double ahead;
  private ServoLimits limits = ServoLimits.NONE;
  private LoopGains gains = new LoopGains(1, 1, 0, 0);

  private StandInServo servo(ServoLoad load, @Nullable BrakeTimes brake, double start) {
    gains = GainProposal.of(Dynamics.MEDIUM, load, 0.0005, 0.00025).gains();
    ServoSetup setup = new ServoSetup(load, gains, 0.0005, 0.00025, 8, TURN);
    ServoBuild build =
        new ServoBuild(setup, brake, TURN, -5 * TURN, 20 * TURN, start, 10 * TURN, 100 * TURN);
    return new StandInServo(
        build,
        () ->
            new ServoSetting(
                target,
                velocity,
                10 * TURN,
                100 * TURN,
                window,
                0.001,
                method,
                offset,
                ahead,
                limits),
        () -> nanos);
  }

  private StandInServo level() {
    return servo(slide(), null, 0);
  }

  private static ServoLoad slide() {
    return ServoLoad.rigid(1e-4, 3e-4).withFrictionNewtonMetres(0.02);
  }

  private void pass(double seconds) {
    nanos += Math.round(seconds * 1e9);
  }

  private void enable(StandInServo servo) {
    for (int word : new int[] {0x06, 0x07, ENABLED}) {
      servo.control(word);
      pass(0.002);
    }
    assertThat(servo.state().name()).isEqualTo("operation enabled");
  }

  /** Set-points of a cycle from where it stands, at a speed, for a time. */
  private void cycle(StandInServo servo, double countsPerSecond, double seconds) {
    for (int i = 0; i < seconds * 1000; i++) {
      target += countsPerSecond / 1000;
      servo.setPointsCame();
      pass(0.001);
    }
  }

  @Test
  void itFollowsSetPointsAndLagsByVelocityOverGain() {
    StandInServo servo = level();
    enable(servo);
    assertThat(servo.status() & 0x1000).as("follows").isNotZero();
    cycle(servo, 2 * TURN, 1);
    // Looked at when the set-point is reached, which is when the next one is due.
    double lag = gains.followingError(2 * TURN);
    assertThat(target - servo.position()).isCloseTo(lag, within(0.05 * lag));
    cycle(servo, 0, 0.5);
    assertThat(servo.position()).isCloseTo(target, within(20.0));
    assertThat(servo.fault()).isZero();
  }

  /** A first set-point far away faults at once; reset and three words later it is enabled again. */
  @Test
  void aJumpFaultsAndNeedsANewCommand() {
    StandInServo servo = level();
    enable(servo);
    target = 30 * TURN;
    servo.setPointsCame();
    pass(0.1);
    assertThat(servo.fault()).isEqualTo(StandInServo.FAULT_FOLLOWING);
    assertThat(servo.state().name()).isEqualTo("fault");
    servo.control(ENABLED);
    assertThat(servo.state().name()).isEqualTo("fault");
    pass(3);
    servo.control(0);
    servo.control(0x80);
    assertThat(servo.state().name()).isEqualTo("switch on disabled");
    double stands = servo.position();
    enable(servo);
    pass(0.5);
    assertThat(servo.position()).as("no set-point came").isCloseTo(stands, within(40.0));
    window = 0xFFFF_FFFFL;
    target = servo.position() + 5 * TURN;
    servo.setPointsCame();
    pass(3);
    assertThat(servo.fault()).isZero();
    assertThat(servo.position()).isCloseTo(target, within(20.0));
  }

  /** The handshake of profile position: bit 4, acknowledged by bit 12, reached by bit 10. */
  @Test
  void setPointsAreTakenByTheirEdge() {
    StandInServo servo = level();
    servo.speak(OperatingMode.PROFILE_POSITION);
    enable(servo);
    target = 5 * TURN;
    pass(0.5);
    assertThat(servo.position()).as("no edge yet").isZero();
    servo.control(ENABLED | 0x10);
    assertThat(servo.status() & 0x1000).as("acknowledged").isNotZero();
    assertThat(servo.status() & 0x400).as("reached").isZero();
    pass(2);
    servo.control(ENABLED);
    assertThat(servo.status() & 0x1400).isEqualTo(0x400);
    assertThat(servo.position()).isCloseTo(5 * TURN, within(30.0));
    // Absolute twice is the same place; relative adds each time.
    servo.control(ENABLED | 0x10);
    pass(1);
    assertThat(servo.position()).isCloseTo(5 * TURN, within(30.0));
    servo.control(ENABLED);
    target = TURN;
    for (int i = 0; i < 2; i++) {
      servo.control(ENABLED | 0x50);
      pass(1);
      servo.control(ENABLED);
    }
    assertThat(servo.position()).isCloseTo(7 * TURN, within(30.0));
    // Halt stops it on the way; letting go of it does not start it again.
    target = 15 * TURN;
    servo.control(ENABLED | 0x10);
    pass(0.4);
    servo.control(ENABLED | 0x100);
    pass(1);
    double halted = servo.position();
    assertThat(halted).isBetween(8 * TURN, 14 * TURN);
    servo.control(ENABLED);
    pass(1);
    assertThat(servo.position()).isCloseTo(halted, within(30.0));
  }

  @Test
  void velocitiesAreReachedAlongTheRampOrAtOnce() {
    StandInServo servo = level();
    servo.speak(OperatingMode.PROFILE_VELOCITY);
    enable(servo);
    velocity = -3 * TURN;
    servo.state();
    pass(1);
    assertThat(servo.velocity()).isCloseTo(-3 * TURN, within(0.01 * TURN));
    assertThat(servo.status() & 0x1400).isEqualTo(0x400);
    servo.control(0x02);
    pass(1);
    assertThat(servo.state().name()).isEqualTo("switch on disabled");
    assertThat(servo.velocity()).isCloseTo(0, within(0.01 * TURN));
    assertThatThrownBy(() -> servo.speak(OperatingMode.PROFILE_TORQUE))
        .hasMessageContaining("profile torque");
    velocity = 0;
    servo.speak(OperatingMode.CYCLIC_VELOCITY);
    enable(servo);
    velocity = TURN;
    servo.state();
    pass(0.5);
    assertThat(servo.velocity()).isCloseTo(TURN, within(0.02 * TURN));
  }

  /** Limit switches at −5 and 20 turns, an index pulse every turn; the edge is crept over. */
  @ParameterizedTest
  @CsvSource({"17,-5", "18,20", "1,-4", "2,19", "33,2", "34,3", "37,2.4", "35,2.4"})
  void homeIsFoundWhereTheMethodSays(int number, double turns) {
    StandInServo servo = servo(slide(), null, 2.4 * TURN);
    servo.speak(OperatingMode.HOMING);
    enable(servo);
    method = number;
    offset = 1000;
    assertThat(servo.status() & 0x3400).as("not started").isEqualTo(0x400);
    servo.control(ENABLED | 0x10);
    if (!HomingMethod.of(number).orElseThrow().isHere()) {
      pass(0.01);
      assertThat(servo.status() & 0x3400).as("under way").isZero();
    }
    for (int i = 0; i < 30; i++) {
      pass(1);
      servo.state();
    }
    assertThat(servo.status() & 0x3400).as("done").isEqualTo(0x1400);
    // The offset is shown at home; the rest of what is shown was moved by.
    double home = offset - servo.shift();
    assertThat(home / TURN).isCloseTo(turns, within(0.02));
  }

  @Test
  void aHomeSwitchThatIsNotThereIsAnError() {
    StandInServo servo = level();
    servo.speak(OperatingMode.HOMING);
    enable(servo);
    method = 23;
    servo.control(ENABLED | 0x10);
    pass(1);
    assertThat(servo.status() & 0x3400).as("error, stopped").isEqualTo(0x2400);
    assertThat(HomingMethod.of(15)).isEmpty();
    assertThat(HomingMethod.of(-1)).isEmpty();
    assertThat(HomingMethod.all()).hasSize(32);
    assertThat(HomingMethod.of(24).orElseThrow().text()).contains("home switch").contains("edge");
  }

  private static final BrakeTimes BRAKE = new BrakeTimes(2, 0.06, 0.03);

  private static ServoLoad hoist() {
    return new ServoLoad(6e-5, 2.8e-4, 0.05, 0, 0.25, 1, 0, 0);
  }

  /** It follows only once its brake is open, and does not drop meanwhile. */
  @Test
  void theBrakeOpensBeforeItFollows() {
    StandInServo servo = servo(hoist(), BRAKE, 3 * TURN);
    target = 3 * TURN;
    pass(1);
    assertThat(servo.position()).as("held by the brake").isEqualTo(3 * TURN);
    for (int word : new int[] {0x06, 0x07, ENABLED}) {
      servo.control(word);
    }
    pass(0.05);
    assertThat(servo.isBraked()).isTrue();
    assertThat(servo.status() & 0x1000).isZero();
    pass(0.02);
    assertThat(servo.isBraked()).isFalse();
    assertThat(servo.status() & 0x1000).isNotZero();
    assertThat(servo.position()).isCloseTo(3 * TURN, within(0.01 * TURN));
  }

  /** Safe torque off: it falls ½·T/J·t² until the brake holds, and stays there. By hand. */
  @Test
  void withoutTorqueItFallsUntilTheBrakeHolds() {
    StandInServo servo = servo(hoist(), BRAKE, 3 * TURN);
    target = 3 * TURN;
    enable(servo);
    pass(0.5);
    double before = servo.position();
    servo.permit(false);
    assertThat(servo.state().name()).isEqualTo("switch on disabled");
    pass(0.5);
    double pull = 0.25 - 0.05;
    double speed = pull / 3.4e-4 * 0.03;
    double falls = speed * 0.03 / 2 + speed * speed * 3.4e-4 / (2 * (2 - pull));
    // The torque itself goes with the lag of the current loop, half a millisecond.
    assertThat(before - servo.position())
        .isCloseTo(falls / (2 * Math.PI) * TURN, within(0.08 * falls / (2 * Math.PI) * TURN));
    double rests = servo.position();
    servo.control(0x06);
    servo.control(0x07);
    servo.control(ENABLED);
    pass(0.5);
    assertThat(servo.state().name()).as("no permission").isNotEqualTo("operation enabled");
    assertThat(servo.position()).isEqualTo(rests);
    // A weak brake lets it sink.
    StandInServo weak = servo(hoist(), new BrakeTimes(0.1, 0.06, 0.03), 3 * TURN);
    pass(1);
    assertThat(weak.position()).isLessThan(3 * TURN);
  }

  @Test
  void takenOutOfOperationItWaitsForANewCommand() {
    StandInServo servo = level();
    enable(servo);
    servo.stopHere();
    servo.control(ENABLED);
    pass(0.1);
    assertThat(servo.state().name()).isNotEqualTo("operation enabled");
    servo.control(0x06);
    servo.control(0x07);
    servo.control(ENABLED);
    assertThat(servo.state().name()).isEqualTo("operation enabled");
    servo.provoke(StandInServo.FAULT_LINK);
    assertThat(servo.fault()).isEqualTo(0x7500);
    assertThat(servo.switches()).isZero();
  }

  /**
   * The speed of the set-points given to the velocity loop as they come: nothing is left of v/Kv
   * (control theory) but what the cycle and the ramp of the first moment leave.
   */
  @Test
  void aVelocityOffsetTakesTheFollowingErrorAway() {
    StandInServo servo = level();
    enable(servo);
    ahead = 2 * TURN;
    cycle(servo, 2 * TURN, 1);
    double lag = gains.followingError(2 * TURN);
    assertThat(target - servo.position()).isCloseTo(0, within(0.05 * lag));
    assertThat(Math.abs(servo.followingError())).isLessThan(0.05 * lag);
    ahead = 0;
    cycle(servo, 2 * TURN, 1);
    assertThat(target - servo.position()).isCloseTo(lag, within(0.05 * lag));
  }

  /** A target beyond a position limit ends there, with the bit of an internal limit (bit 11). */
  @ParameterizedTest
  @CsvSource({"8, 6", "8, -2.5", "1, 6", "1, -2.5"})
  void aTargetEndsAtThePositionLimit(int mode, double turns) {
    limits = new ServoLimits(-2 * TURN, 4 * TURN, Double.POSITIVE_INFINITY);
    window = 0xFFFF_FFFFL;
    StandInServo servo = level();
    servo.speak(mode == 1 ? OperatingMode.PROFILE_POSITION : OperatingMode.CYCLIC_POSITION);
    enable(servo);
    target = turns * TURN;
    servo.setPointsCame();
    servo.control(mode == 1 ? ENABLED | 0x10 : ENABLED);
    pass(4);
    assertThat(servo.position()).isCloseTo((turns > 0 ? 4 : -2) * TURN, within(30.0));
    assertThat(servo.status() & 0x800).isNotZero();
    servo.control(ENABLED);
    target = TURN;
    servo.setPointsCame();
    servo.control(mode == 1 ? ENABLED | 0x10 : ENABLED);
    pass(3);
    assertThat(servo.position()).isCloseTo(TURN, within(30.0));
    assertThat(servo.status() & 0x800).isZero();
  }

  /**
   * In the modes of velocity it brakes at the limit: at 100 turns/s² from 3 turns/s 0.045 turns.
   */
  @Test
  void aSpeedEndsAtThePositionLimitAndMayGoBack() {
    limits = new ServoLimits(-2 * TURN, 4 * TURN, Double.POSITIVE_INFINITY);
    StandInServo servo = level();
    servo.speak(OperatingMode.PROFILE_VELOCITY);
    enable(servo);
    velocity = 3 * TURN;
    servo.state();
    pass(3);
    assertThat(servo.velocity()).isCloseTo(0, within(0.01 * TURN));
    assertThat(servo.position()).isBetween(4 * TURN, 4.2 * TURN);
    assertThat(servo.status() & 0x800).isNotZero();
    velocity = -3 * TURN;
    servo.state();
    pass(0.5);
    assertThat(servo.position()).isLessThan(4 * TURN);
  }

  /** 0.1 of 8 N·m less 0.02 N·m of friction on 4e-4 kg·m²: 1950 rad/s², Newton's second law. */
  @Test
  void aTorqueLimitLimitsTheAcceleration() {
    limits = new ServoLimits(0, 0, 0.1);
    window = 0xFFFF_FFFFL;
    StandInServo servo = level();
    servo.speak(OperatingMode.CYCLIC_VELOCITY);
    enable(servo);
    velocity = 15 * TURN;
    servo.state();
    pass(0.03);
    double early = servo.velocity();
    pass(0.01);
    double perSecond = (servo.velocity() - early) / 0.01 / TURN * 2 * Math.PI;
    assertThat(perSecond).isCloseTo((0.8 - 0.02) / 4e-4, within(0.05 * 1950));
  }
}
