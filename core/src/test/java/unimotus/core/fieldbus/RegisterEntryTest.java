package unimotus.core.fieldbus;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import unimotus.core.fieldbus.RegisterEntry.Access;
import unimotus.core.quantity.QuantityFormat;

/** What one register says, holds and is called; arithmetic, and a line's times from memory. */
class RegisterEntryTest {
  private static final RegisterEntry SPEED =
      new RegisterEntry(
          "Speed reference",
          RegisterTable.HOLDING_REGISTER,
          10,
          RegisterType.SIGNED_16,
          WordOrder.ABCD,
          0.1,
          5,
          "Hz",
          -50,
          50,
          Access.READ_WRITE,
          "command");

  private static RegisterEntry of(RegisterType type, String unit, double scale) {
    return new RegisterEntry(
        "Value",
        RegisterTable.INPUT_REGISTER,
        0,
        type,
        WordOrder.ABCD,
        scale,
        0,
        unit,
        0,
        1,
        Access.READ,
        "");
  }

  @Test
  void aValueGoesOutAndComesBack() {
    assertThat(SPEED.words(25)).containsExactly(200);
    assertThat(SPEED.words(4)).as("two's complement of −10").containsExactly(0xFFF6);
    assertThat(SPEED.value(new int[] {200})).isCloseTo(25, within(1e-9));
    assertThat(SPEED.value(new int[] {0xFFF6})).isCloseTo(4, within(1e-9));
    assertThat(SPEED.end()).isEqualTo(11);
  }

  /** 32 767 steps of a tenth above 5, and 32 768 below. */
  @Test
  void whatDoesNotFitIsHeldAtTheNearest() {
    assertThat(SPEED.held(25)).isEqualTo(25);
    assertThat(SPEED.held(1e6)).isCloseTo(3281.7, within(1e-9));
    assertThat(SPEED.held(-1e6)).isCloseTo(-3271.8, within(1e-9));
    assertThat(SPEED.heldWords(1e6)).containsExactly(0x7FFF);
    assertThat(SPEED.heldWords(-1e6)).containsExactly(0x8000);
    assertThat(SPEED.heldWords(25)).containsExactly(200);
    RegisterEntry turned = SPEED.withScale(-0.1);
    assertThat(turned.held(1e6)).isCloseTo(3281.8, within(1e-9));
    assertThat(turned.held(-1e6)).isCloseTo(-3271.7, within(1e-9));
  }

  @Test
  void itIsShownAsWhatItIs() {
    QuantityFormat format = QuantityFormat.PLAIN;
    assertThat(SPEED.shown(new int[] {200}, format)).isEqualTo("25 Hz");
    assertThat(of(RegisterType.UNSIGNED_16, "", 1).shown(new int[] {7}, format)).isEqualTo("7");
    assertThat(of(RegisterType.BITS_16, "", 1).shown(new int[] {0x2F}, format)).isEqualTo("0x002F");
  }

  @Test
  void itsPlaceIsToldInBothWays() {
    assertThat(SPEED.place())
        .isEqualTo("holding register 10 = 40011, Speed reference, one step 0.1 Hz");
    assertThat(of(RegisterType.UNSIGNED_16, "", 1).place())
        .isEqualTo("input register 0 = 30001, Value");
    assertThat(of(RegisterType.UNSIGNED_16, "", 10).place()).endsWith("one step 10");
    assertThat(of(RegisterType.UNSIGNED_16, "Hz", 1).place()).endsWith("one step 1 Hz");
  }

  @Test
  void aCopyDiffersInOneThing() {
    assertThat(SPEED.withUnit("%").unit()).isEqualTo("%");
    assertThat(SPEED.withScale(2).scale()).isEqualTo(2);
    assertThat(SPEED.at(3).address()).isEqualTo(3);
    assertThat(SPEED.within(1, 2)).extracting("minimum", "maximum").containsExactly(1.0, 2.0);
    assertThat(SPEED.with(RegisterRole.NONE).role()).isEqualTo(RegisterRole.NONE);
    assertThat(SPEED.withUnit("%").withUnit("Hz")).isEqualTo(SPEED);
    for (Access access : Access.values()) {
      assertThat(access.isReadable() || access.isWritable()).isTrue();
      assertThat(access.label()).isNotBlank();
    }
    assertThat(Access.WRITE.isReadable()).isFalse();
    assertThat(Access.READ.isWritable()).isFalse();
  }

  @Test
  void aRoleIsFoundByItsNameAndCountedInItsUnits() {
    RegisterEntry control =
        new RegisterMap(List.of(SPEED.with(RegisterRole.CONTROL_WORD)))
            .entry(RegisterRole.CONTROL_WORD)
            .orElseThrow();
    assertThat(control.role()).isEqualTo(RegisterRole.CONTROL_WORD);
    assertThat(new RegisterMap(List.of(SPEED)).entry(RegisterRole.CONTROL_WORD)).isEmpty();
    assertThat(new RegisterMap(List.of(SPEED)).entry("Speed reference")).contains(SPEED);
    assertThat(new RegisterMap(List.of(SPEED)).entry("Other")).isEmpty();
    assertThat(RegisterRole.MOTOR_CURRENT.isCountedIn("A")).isTrue();
    assertThat(RegisterRole.MOTOR_CURRENT.isCountedIn("Hz")).isFalse();
    assertThat(RegisterRole.MOTOR_TORQUE.isCountedIn("%")).isTrue();
    assertThat(RegisterRole.MOTOR_TORQUE.isCountedIn("A")).isFalse();
    for (RegisterRole role : RegisterRole.values()) {
      assertThat(role.label()).isNotNull();
      assertThat(RegisterRole.ofName(" " + role.label() + " ")).isIn(role, RegisterRole.NONE);
    }
  }

  /** 8 bytes there, 5 + 2n back, 3.5 characters of silence twice (from memory). */
  @ParameterizedTest
  @CsvSource({"9600, 11, 10, 0", "19200, 10, 1, 0.005", "115200, 11, 125, 0"})
  void theTimesOfALineAreItsCharacters(int baud, int bits, int count, double delay) {
    SerialLine line = new SerialLine(baud, bits, delay);
    ReadRequest request = new ReadRequest(RegisterTable.HOLDING_REGISTER, 0, count, List.of());
    double character = (double) bits / baud;
    double silence = baud > 19_200 ? 0.00175 : 3.5 * character;
    double expected = (8 + 5 + 2 * count) * character + delay + 2 * silence;
    assertThat(line.requestSeconds(request)).isCloseTo(expected, within(1e-12));
    String sum = line.cycle(List.of(request, request), 3).text();
    String once = QuantityFormat.PLAIN.number(Math.round(2e6 * expected) / 1e3);
    assertThat(sum)
        .contains("%d/%d".formatted(bits, baud))
        .contains("%d·".formatted(2 * (13 + 2 * count)))
        .contains("3·%s ms".formatted(once));
    assertThat(SerialLine.answerBytes(new ReadRequest(RegisterTable.COIL, 0, 9, List.of())))
        .isEqualTo(7);
    assertThat(SerialLine.answerBytes(new ReadRequest(RegisterTable.COIL, 0, 8, List.of())))
        .isEqualTo(6);
    assertThat(request.end()).isEqualTo(count);
  }
}
