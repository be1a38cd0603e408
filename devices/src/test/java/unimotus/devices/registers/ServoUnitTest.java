package unimotus.devices.registers;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import unimotus.core.fieldbus.RegisterTable;
import unimotus.core.servo.Dynamics;
import unimotus.core.servo.GainProposal;
import unimotus.core.servo.ServoLoad;
import unimotus.core.servo.ServoSetup;
import unimotus.devices.drive.ServoBuild;
import unimotus.devices.drive.StandInServo;
import unimotus.devices.modbus.Unit.Refused;

/** A servo axis over registers, its words as over process data (IEC 61800-7-201, from memory). */
class ServoUnitTest {
  private static final int TURN = 131_072;
  private static final int PROFILE_POSITION = 1;
  private static final int PROFILE_VELOCITY = 3;
  private static final int HOMING = 6;

  private long nanos;
  private final ServoUnit unit = unit();

  private ServoUnit unit() {
    ServoLoad load = ServoLoad.rigid(1e-4, 3e-4).withFrictionNewtonMetres(0.02);
    ServoSetup setup =
        new ServoSetup(
            load,
            GainProposal.of(Dynamics.MEDIUM, load, 0.0005, 0.00025).gains(),
            0.0005,
            0.00025,
            8,
            TURN);
    ServoBuild build =
        new ServoBuild(setup, null, TURN, -5.0 * TURN, 20.0 * TURN, 0, 10.0 * TURN, 100.0 * TURN);
    return new ServoUnit(build, "Servo", () -> nanos);
  }

  private void pass(double seconds) {
    nanos += Math.round(seconds * 1e9);
  }

  private void put(int address, int... words) throws Refused {
    List<Integer> values = java.util.Arrays.stream(words).boxed().toList();
    unit.write(RegisterTable.HOLDING_REGISTER, address, values);
  }

  /** The high word first. */
  private void put32(int address, int value) throws Refused {
    put(address, value >>> 16, value & 0xFFFF);
  }

  private int shown(int address) throws Refused {
    return unit.read(RegisterTable.INPUT_REGISTER, address, 1).get(0);
  }

  private int shown32(int address) throws Refused {
    List<Integer> words = unit.read(RegisterTable.INPUT_REGISTER, address, 2);
    return words.get(0) << 16 | words.get(1);
  }

  private void enable(int mode) throws Refused {
    put(1, mode);
    for (int word : new int[] {0x06, 0x07, 0x0F}) {
      put(0, word);
      pass(0.01);
    }
    assertThat(shown(0) & 0x6F).isEqualTo(0x27);
  }

  /** Three turns, told by the start edge of bit 4; taken back, it stays. */
  @Test
  void aPositionIsToldByItsStartEdge() throws Refused {
    enable(PROFILE_POSITION);
    put32(2, 3 * TURN);
    pass(1);
    assertThat(shown32(2)).as("no edge yet").isCloseTo(0, within(2));
    put(0, 0x1F);
    assertThat(shown(0) & 0x1000).as("acknowledged").isNotZero();
    put(0, 0x0F);
    pass(1);
    assertThat(shown32(2)).isCloseTo(3 * TURN, within(TURN / 500));
    assertThat(shown(0) & 0x400).as("reached").isNotZero();
    put(0, 0);
    pass(0.5);
    assertThat(shown(0) & 0x6F).isEqualTo(0x40);
  }

  @Test
  void aSpeedIsFollowedAndSilenceEndsIt() throws Refused {
    put(13, 5);
    enable(PROFILE_VELOCITY);
    put32(4, -2 * TURN);
    for (int i = 0; i < 10; i++) {
      pass(0.1);
      assertThat(shown(0) & 0x6F).isEqualTo(0x27);
    }
    assertThat(shown32(4)).isCloseTo(-2 * TURN, within(TURN / 50));
    pass(0.6);
    assertThat(shown(0) & 0x4F).as("fault").isEqualTo(0x08);
    assertThat(shown(6)).isEqualTo(StandInServo.FAULT_LINK);
    pass(3);
    put32(4, 2 * TURN);
    put(0, 0x0F);
    pass(0.3);
    assertThat(shown(0) & 0x4F).as("the word that stands starts nothing").isEqualTo(0x08);
    put(0, 0x80);
    pass(0.01);
    assertThat(shown(0) & 0x6F).isEqualTo(0x40);
  }

  @Test
  void homeIsWhereItStandsAndShowsItsOffset() throws Refused {
    put(10, 37);
    put32(11, 5000);
    enable(HOMING);
    put(0, 0x1F);
    pass(0.1);
    assertThat(shown32(2)).isEqualTo(5000);
    assertThat(shown(0) & 0x1000).as("homed").isNotZero();
  }

  /** All or nothing: what a request holds beside a wrong value is not taken either. */
  @Test
  void whatItDoesNotHaveIsRefused() throws Refused {
    assertThatThrownBy(() -> put(0, 0x06, 99)).isInstanceOf(Refused.class);
    assertThat(shown(0) & 0x6F).as("nothing was taken").isEqualTo(0x40);
    assertThatThrownBy(() -> put(10, 99)).isInstanceOf(Refused.class);
    assertThatThrownBy(() -> put(13, 700)).isInstanceOf(Refused.class);
    assertThatThrownBy(() -> put(14, 1)).isInstanceOf(Refused.class);
    assertThatThrownBy(() -> unit.write(RegisterTable.INPUT_REGISTER, 0, List.of(1)))
        .isInstanceOf(Refused.class);
  }
}
