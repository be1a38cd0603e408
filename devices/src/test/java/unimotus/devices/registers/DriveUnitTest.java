package unimotus.devices.registers;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.fieldbus.RegisterMap;
import unimotus.core.fieldbus.RegisterPlace;
import unimotus.core.fieldbus.RegisterTable;
import unimotus.core.fieldbus.WordOrder;
import unimotus.core.profile.DriveProfiles;
import unimotus.core.profile.OperatingMode;
import unimotus.core.profile.WordMachine;
import unimotus.core.profile.WordMachine.Intent;
import unimotus.core.profile.WordMachine.Step;
import unimotus.core.profile.WordProfile;
import unimotus.core.profile.WordState;
import unimotus.core.settings.LinkLoss;
import unimotus.core.value.Access;
import unimotus.core.value.DriveValue;
import unimotus.core.value.Limits;
import unimotus.core.value.Scaling;
import unimotus.core.value.ValueRole;
import unimotus.core.value.ValueType;
import unimotus.devices.drive.QuickStop;
import unimotus.devices.drive.StandInDrive;
import unimotus.devices.modbus.ExceptionCode;
import unimotus.devices.modbus.Unit;

/** A drive behind registers, on a clock of its own. */
class DriveUnitTest {
  private final AtomicLong nanos = new AtomicLong();

  static List<WordProfile> profiles() {
    return List.of(
        DriveProfiles.CIA_402_VELOCITY,
        DriveProfiles.CIA_402_PROFILE_VELOCITY,
        DriveProfiles.RUN_AND_STOP);
  }

  private DriveUnit drive(WordProfile profile) {
    return Drives.drive(2, profile, nanos::get);
  }

  private void pass(double seconds) {
    nanos.addAndGet((long) (seconds * 1e9));
  }

  private static double read(DriveUnit drive, DriveRegisters register) throws Unit.Refused {
    List<Integer> words =
        drive.read(
            register.entry().table(), register.entry().address(), register.entry().type().words());
    return register.entry().value(words.stream().mapToInt(w -> w).toArray());
  }

  private static void write(DriveUnit drive, DriveRegisters register, double value)
      throws Unit.Refused {
    int[] words = register.entry().words(value);
    drive.write(register.entry().table(), register.entry().address(), List.of(words[0]));
  }

  private void go(DriveUnit drive, WordProfile profile, Intent intent) throws Unit.Refused {
    int status = (int) read(drive, DriveRegisters.STATUS_WORD);
    WordState at = profile.shown(status).orElseThrow();
    int before = (int) read(drive, DriveRegisters.CONTROL_WORD);
    for (Step step : new WordMachine(profile).way(at, intent, before)) {
      write(drive, DriveRegisters.CONTROL_WORD, step.word());
      pass(0.01);
      int shown = (int) read(drive, DriveRegisters.STATUS_WORD);
      assertThat(profile.shown(shown)).contains(step.then());
    }
  }

  /** CiA 402 (from memory): in switch on disabled only 0x06 leads on; 0x0F is ignored there. */
  @Test
  void aWordInTheWrongStateIsIgnoredOrRefused() throws Unit.Refused {
    DriveUnit drive = drive(DriveProfiles.CIA_402_VELOCITY);
    write(drive, DriveRegisters.CONTROL_WORD, 0x7F);
    assertThat(drive.drive().state().name()).isEqualTo("switch on disabled");
    write(drive, DriveRegisters.CONTROL_WORD, 0);
    drive.drive().refuseWhatIsIgnored(true);
    assertThatThrownBy(() -> write(drive, DriveRegisters.CONTROL_WORD, 0x7F))
        .isInstanceOfSatisfying(
            Unit.Refused.class,
            r -> assertThat(r.code()).isEqualTo(ExceptionCode.SERVER_DEVICE_BUSY));
    assertThat(read(drive, DriveRegisters.CONTROL_WORD)).as("nothing is taken").isZero();
    write(drive, DriveRegisters.CONTROL_WORD, 0x76);
    assertThat(drive.drive().state().name()).isEqualTo("ready to switch on");
  }

  /** 25 Hz on a six-pole motor are 500 rpm less slip (IEC 60034-1); the ramp takes a second. */
  @ParameterizedTest
  @MethodSource("profiles")
  void startChangeSpeedStop(WordProfile profile) throws Unit.Refused {
    DriveUnit drive = drive(profile);
    write(drive, DriveRegisters.REFERENCE, 25);
    go(drive, profile, Intent.START_FORWARD);
    pass(0.49);
    assertThat(read(drive, DriveRegisters.OUTPUT)).isBetween(10.0, 13.0);
    pass(2);
    assertThat(read(drive, DriveRegisters.OUTPUT)).isEqualTo(25);
    assertThat(read(drive, DriveRegisters.SPEED)).isBetween(480.0, 500.0);
    assertThat(read(drive, DriveRegisters.CURRENT)).isBetween(1.0, 2.5);
    write(drive, DriveRegisters.REFERENCE, 10);
    pass(2);
    assertThat(read(drive, DriveRegisters.OUTPUT)).isEqualTo(10);
    go(drive, profile, Intent.STOP);
    pass(2);
    assertThat(read(drive, DriveRegisters.OUTPUT)).isZero();
    assertThat(read(drive, DriveRegisters.MILLISECONDS)).isCloseTo(6.5, within(0.1));
  }

  @ParameterizedTest
  @MethodSource("profiles")
  void aFaultIsResetOnlyByAnEdgeAndStartsNothing(WordProfile profile) throws Unit.Refused {
    DriveUnit drive = drive(profile);
    write(drive, DriveRegisters.REFERENCE, 25);
    go(drive, profile, Intent.START_FORWARD);
    pass(2);
    drive.drive().provoke(3);
    assertThat(read(drive, DriveRegisters.FAULT)).isEqualTo(3);
    assertThat(drive.drive().state().kind()).isEqualTo(WordState.Kind.FAULT);
    pass(5);
    assertThat(read(drive, DriveRegisters.CURRENT)).isZero();
    go(drive, profile, Intent.RESET);
    assertThat(read(drive, DriveRegisters.FAULT)).isZero();
    pass(2);
    assertThat(read(drive, DriveRegisters.OUTPUT)).as("nothing starts by itself").isZero();
    go(drive, profile, Intent.START_FORWARD);
    pass(2);
    assertThat(read(drive, DriveRegisters.OUTPUT)).isEqualTo(25);
  }

  /** Last value held is the danger: with a time-out the drive stops by itself (common practice). */
  @ParameterizedTest
  @MethodSource("profiles")
  void aSilentLinkStopsTheDriveWhereATimeOutIsSet(WordProfile profile) throws Unit.Refused {
    DriveUnit drive = drive(profile);
    write(drive, DriveRegisters.REFERENCE, 20);
    go(drive, profile, Intent.START_FORWARD);
    pass(30);
    assertThat(read(drive, DriveRegisters.OUTPUT)).as("without one it runs on").isEqualTo(20);
    write(drive, DriveRegisters.LINK_TIMEOUT, 1);
    pass(0.9);
    write(drive, DriveRegisters.REFERENCE, 20);
    pass(0.9);
    assertThat(read(drive, DriveRegisters.OUTPUT)).as("reading is a message too").isEqualTo(20);
    pass(0.9);
    assertThat(read(drive, DriveRegisters.OUTPUT)).isEqualTo(20);
    pass(1.1);
    assertThat(read(drive, DriveRegisters.FAULT)).isEqualTo(StandInDrive.FAULT_LINK);
    assertThat(drive.drive().state().kind()).isEqualTo(WordState.Kind.FAULT);
  }

  /** What the settings say of a lost link is what the motor does. */
  @Test
  void onALostLinkItStopsHoldsOrFaultsAsItIsSet() throws Unit.Refused {
    WordProfile profile = DriveProfiles.CIA_402_VELOCITY;
    for (LinkLoss.Action action : LinkLoss.Action.values()) {
      DriveUnit drive = drive(profile);
      drive.drive().onSilence(0.5, action);
      assertThat(read(drive, DriveRegisters.LINK_TIMEOUT)).isEqualTo(0.5);
      write(drive, DriveRegisters.REFERENCE, 20);
      go(drive, profile, Intent.START_FORWARD);
      for (int i = 0; i < 20; i++) {
        pass(0.1);
        read(drive, DriveRegisters.OUTPUT);
      }
      pass(0.9);
      double soon = read(drive, DriveRegisters.OUTPUT);
      pass(3);
      double later = read(drive, DriveRegisters.OUTPUT);
      switch (action) {
        case HOLD -> assertThat(later).isEqualTo(20);
        case STOP -> {
          assertThat(soon).as("on its ramp, 2 s for 50 Hz").isBetween(5.0, 15.0);
          assertThat(later).isZero();
          assertThat(drive.drive().state().kind()).isEqualTo(WordState.Kind.READY);
        }
        case FAULT -> {
          assertThat(soon).as("no torque at once").isZero();
          assertThat(read(drive, DriveRegisters.FAULT)).isEqualTo(StandInDrive.FAULT_LINK);
        }
      }
    }
  }

  private static RegisterEntry entry(
      String name, RegisterTable table, int address, ValueType type, double scale, String unit) {
    return new RegisterEntry(
        DriveValue.named(
            name,
            type,
            Scaling.of(scale, unit),
            new Limits(-40_000, 65_535),
            table == RegisterTable.INPUT_REGISTER ? Access.READ : Access.READ_WRITE),
        new RegisterPlace(table, address, WordOrder.CDAB, ""));
  }

  /** A reference of two registers in rpm, written one by one; 750 rpm of six poles are 37.5 Hz. */
  @Test
  void aDriveWithAMapOfItsOwn() throws Unit.Refused {
    RegisterTable holding = RegisterTable.HOLDING_REGISTER;
    RegisterTable input = RegisterTable.INPUT_REGISTER;
    RegisterMap map =
        new RegisterMap(
            List.of(
                entry("command word", holding, 10, ValueType.BITS_16, 1, ""),
                entry("speed reference", holding, 20, ValueType.SIGNED_32, 0.1, "rpm"),
                entry("operating hours", holding, 30, ValueType.UNSIGNED_16, 1, "h"),
                entry("status word", input, 0, ValueType.BITS_16, 1, ""),
                entry("output frequency", input, 1, ValueType.UNSIGNED_16, 0.5, "%")));
    DriveUnit drive =
        new DriveUnit(Drives.setup(2), DriveProfiles.RUN_AND_STOP, map, "own", nanos::get);
    int[] words = map.entry(ValueRole.REFERENCE).orElseThrow().words(750);
    drive.write(holding, 20, List.of(words[0]));
    drive.write(holding, 21, List.of(words[1]));
    drive.write(holding, 30, List.of(777));
    drive.write(holding, 10, List.of(0x11));
    pass(3);
    assertThat(drive.read(input, 1, 1)).as("37.5 of 50 Hz are 75 %").containsExactly(150);
    assertThat(drive.read(holding, 21, 1)).as("half of a value").containsExactly(words[1]);
    assertThat(drive.read(holding, 30, 1)).as("kept as written").containsExactly(777);
    assertThat(drive.read(input, 0, 1).get(0) & 0x0B).as("running").isEqualTo(0x03);
    drive.write(holding, 10, List.of(0x13));
    pass(5);
    assertThat(drive.read(input, 1, 1)).as("an unsigned register ends at 0").containsExactly(0);
    assertThatThrownBy(() -> drive.read(input, 0, 3)).isInstanceOf(Unit.Refused.class);
    assertThatThrownBy(() -> drive.write(input, 0, List.of(1))).isInstanceOf(Unit.Refused.class);
  }

  @Test
  void theNegativeReferenceTurnsBackwards() throws Unit.Refused {
    DriveUnit drive = drive(DriveProfiles.CIA_402_VELOCITY);
    write(drive, DriveRegisters.REFERENCE, -10);
    go(drive, DriveProfiles.CIA_402_VELOCITY, Intent.START_FORWARD);
    pass(2);
    assertThat(read(drive, DriveRegisters.OUTPUT)).isEqualTo(-10);
    assertThat(read(drive, DriveRegisters.SPEED)).isNegative();
  }

  /** A word that does not claim the drive is not listened to. */
  @Test
  void theDriveObeysOnlyWhoClaimsIt() throws Unit.Refused {
    DriveUnit drive = drive(DriveProfiles.RUN_AND_STOP);
    write(drive, DriveRegisters.REFERENCE, 10);
    write(drive, DriveRegisters.CONTROL_WORD, 0x01);
    pass(1);
    assertThat(read(drive, DriveRegisters.OUTPUT)).isZero();
    write(drive, DriveRegisters.CONTROL_WORD, 0x11);
    pass(1);
    assertThat(read(drive, DriveRegisters.OUTPUT)).isEqualTo(10);
  }

  @Test
  void whatIsNotThereIsRefused() {
    DriveUnit drive = drive(DriveProfiles.RUN_AND_STOP);
    assertThatThrownBy(() -> drive.read(RegisterTable.HOLDING_REGISTER, 2, 2))
        .isInstanceOf(Unit.Refused.class);
    assertThatThrownBy(() -> drive.write(RegisterTable.INPUT_REGISTER, 0, List.of(1)))
        .isInstanceOf(Unit.Refused.class);
    assertThatThrownBy(() -> drive.write(RegisterTable.HOLDING_REGISTER, 1, List.of(32_767)))
        .as("327.67 Hz is over the limit")
        .isInstanceOf(Unit.Refused.class);
    assertThat(DriveRegisters.map().doubts()).isEmpty();
  }

  private DriveUnit running(double hertz) throws Unit.Refused {
    DriveUnit drive = drive(DriveProfiles.CIA_402_VELOCITY);
    write(drive, DriveRegisters.REFERENCE, hertz);
    go(drive, DriveProfiles.CIA_402_VELOCITY, Intent.START_FORWARD);
    pass(3);
    assertThat(read(drive, DriveRegisters.OUTPUT)).isEqualTo(hertz);
    return drive;
  }

  /**
   * Velocity mode (IEC 61800-7-201, from memory): bits 4 to 6 and 8 act on the ramp, not on torque.
   */
  @ParameterizedTest
  @CsvSource({"0x17F, 0", "0x6F, 0", "0x3F, 0", "0x5F, 25"})
  void theRampFollowsItsBits(String word, double hertz) throws Unit.Refused {
    DriveUnit drive = running(25);
    write(drive, DriveRegisters.CONTROL_WORD, Integer.decode(word));
    write(drive, DriveRegisters.REFERENCE, 10);
    pass(3);
    assertThat(read(drive, DriveRegisters.OUTPUT)).isEqualTo(hertz);
    assertThat(drive.drive().state().name()).as("torque stays").isEqualTo("operation enabled");
    write(drive, DriveRegisters.CONTROL_WORD, 0x7F);
    pass(3);
    assertThat(read(drive, DriveRegisters.OUTPUT)).isEqualTo(10);
  }

  /** Disabling the operation ramps down; a shutdown takes the torque and the motor coasts. */
  @Test
  void aShutdownCoastsAndADisablingRamps() throws Unit.Refused {
    DriveUnit ramps = running(25);
    write(ramps, DriveRegisters.CONTROL_WORD, 0x77);
    pass(0.2);
    assertThat(read(ramps, DriveRegisters.OUTPUT)).isBetween(5.0, 24.0);
    DriveUnit coasts = running(25);
    write(coasts, DriveRegisters.CONTROL_WORD, 0x76);
    assertThat(coasts.drive().state().name()).isEqualTo("ready to switch on");
    pass(0.01);
    assertThat(read(coasts, DriveRegisters.OUTPUT)).isZero();
    assertThat(read(coasts, DriveRegisters.SPEED)).as("it still turns").isGreaterThan(100);
  }

  /**
   * A quick stop ramps with torque and then goes to "switch on disabled" (option 2, from memory).
   */
  @Test
  void aQuickStopEndsWithoutTorque() throws Unit.Refused {
    DriveUnit drive = running(25);
    write(drive, DriveRegisters.CONTROL_WORD, 0x7B);
    assertThat(drive.drive().state().name()).isEqualTo("quick stop active");
    pass(0.2);
    assertThat(read(drive, DriveRegisters.OUTPUT)).isBetween(1.0, 24.5);
    pass(5);
    assertThat(drive.drive().state().name()).isEqualTo("switch on disabled");
    write(drive, DriveRegisters.CONTROL_WORD, 0x7F);
    pass(1);
    assertThat(drive.drive().state().name())
        .as("only the whole way leads back")
        .isEqualTo("switch on disabled");
  }

  /** What comes of it stands in object 0x605A (from memory): coast, ramp and off, ramp and stay. */
  @Test
  void aQuickStopFollowsItsOption() throws Unit.Refused {
    DriveUnit coasts = running(25);
    coasts.drive().onQuickStop(QuickStop.of(0).orElseThrow());
    write(coasts, DriveRegisters.CONTROL_WORD, 0x7B);
    assertThat(coasts.drive().state().name()).isEqualTo("switch on disabled");
    pass(0.01);
    assertThat(read(coasts, DriveRegisters.OUTPUT)).isZero();
    assertThat(read(coasts, DriveRegisters.SPEED)).isGreaterThan(100);
    DriveUnit stays = running(25);
    stays.drive().onQuickStop(QuickStop.of(6).orElseThrow());
    write(stays, DriveRegisters.CONTROL_WORD, 0x7B);
    pass(5);
    assertThat(stays.drive().state().name()).isEqualTo("quick stop active");
    assertThat(read(stays, DriveRegisters.OUTPUT)).isZero();
    write(stays, DriveRegisters.CONTROL_WORD, 0x7D);
    assertThat(stays.drive().state().name()).isEqualTo("switch on disabled");
    assertThat(QuickStop.of(3)).as("no current limit to brake at").isEmpty();
  }

  /** Profile velocity: bit 12 tells that it stands, bit 10 that the reference is reached. */
  @Test
  void profileVelocityTellsThatItStands() throws Unit.Refused {
    DriveUnit drive = drive(DriveProfiles.CIA_402_PROFILE_VELOCITY);
    assertThat((int) read(drive, DriveRegisters.STATUS_WORD) & 0x1000).isNotZero();
    write(drive, DriveRegisters.REFERENCE, 25);
    go(drive, DriveProfiles.CIA_402_PROFILE_VELOCITY, Intent.START_FORWARD);
    assertThat((int) read(drive, DriveRegisters.CONTROL_WORD)).isEqualTo(0x0F);
    pass(3);
    assertThat((int) read(drive, DriveRegisters.STATUS_WORD) & 0x1400).isEqualTo(0x400);
    write(drive, DriveRegisters.CONTROL_WORD, 0x10F);
    pass(3);
    assertThat((int) read(drive, DriveRegisters.STATUS_WORD) & 0x1000).as("halted").isNotZero();
  }

  @Test
  void aModeThatCommandsNoSpeedHasNoStandIn() {
    assertThatThrownBy(() -> drive(DriveProfiles.cia402(OperatingMode.HOMING)))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("homing mode");
  }

  /**
   * Permission lost and given back, a stop at the drive, a dip of the mains: none starts by itself.
   */
  @ParameterizedTest
  @MethodSource("profiles")
  void whatEndsMotionDoesNotBeginIt(WordProfile profile) throws Unit.Refused {
    DriveUnit drive = drive(profile);
    write(drive, DriveRegisters.REFERENCE, 25);
    go(drive, profile, Intent.START_FORWARD);
    pass(2);
    drive.drive().stopHere();
    int standing = (int) read(drive, DriveRegisters.CONTROL_WORD);
    assertThat(drive.drive().state().kind()).isEqualTo(WordState.Kind.READY);
    assertThat(standing).isEqualTo(new WordMachine(profile).stopWord());
    drive.drive().permit(false);
    assertThat(drive.drive().state().kind()).isEqualTo(WordState.Kind.BLOCKED);
    for (int word = 0; word < 0x100; word++) {
      write(drive, DriveRegisters.CONTROL_WORD, word);
      assertThat(drive.drive().state().kind()).as("%x", word).isNotEqualTo(WordState.Kind.RUNNING);
    }
    write(drive, DriveRegisters.CONTROL_WORD, 0);
    drive.drive().permit(true);
    pass(1);
    assertThat(drive.drive().state().kind()).isNotEqualTo(WordState.Kind.RUNNING);
    drive.drive().powerCycle();
    assertThat(read(drive, DriveRegisters.CONTROL_WORD)).isZero();
    assertThat(read(drive, DriveRegisters.REFERENCE)).isZero();
    write(drive, DriveRegisters.REFERENCE, 5);
    go(drive, profile, Intent.START_FORWARD);
  }

  /** Weeks of a clock in nanoseconds: it answers, and its own time goes on. */
  @Test
  void weeksPass() throws Unit.Refused {
    DriveUnit drive = running(10);
    for (int day = 0; day < 50; day++) {
      pass(86_400);
      assertThat(read(drive, DriveRegisters.OUTPUT)).isEqualTo(10);
    }
    double before = read(drive, DriveRegisters.MILLISECONDS);
    pass(5);
    assertThat(read(drive, DriveRegisters.MILLISECONDS)).isCloseTo(before + 5, within(0.01));
  }
}
