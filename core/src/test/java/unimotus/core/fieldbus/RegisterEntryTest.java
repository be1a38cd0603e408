package unimotus.core.fieldbus;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.value.Access;
import unimotus.core.value.DriveValue;
import unimotus.core.value.Limits;
import unimotus.core.value.Scaling;
import unimotus.core.value.ValueRole;
import unimotus.core.value.ValueType;

/** What one register says, holds and is called; arithmetic, and a line's times from memory. */
class RegisterEntryTest {
  private static final RegisterEntry SPEED =
      new RegisterEntry(
          DriveValue.named(
              "Speed reference",
              ValueType.SIGNED_16,
              new Scaling(0.1, 5, "Hz"),
              new Limits(-50, 50),
              Access.READ_WRITE),
          new RegisterPlace(RegisterTable.HOLDING_REGISTER, 10, WordOrder.ABCD, "command"));

  private static RegisterEntry of(ValueType type, String unit, double scale) {
    return new RegisterEntry(
        DriveValue.named("Value", type, Scaling.of(scale, unit), new Limits(0, 1), Access.READ),
        RegisterPlace.of(RegisterTable.INPUT_REGISTER, 0));
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

  private static String shown(RegisterEntry entry, int[] words) {
    return entry.value().shown(entry.read(words), QuantityFormat.PLAIN);
  }

  @Test
  void itIsShownAsWhatItIs() {
    assertThat(shown(SPEED, new int[] {200})).isEqualTo("25 Hz");
    assertThat(shown(of(ValueType.UNSIGNED_16, "", 1), new int[] {7})).isEqualTo("7");
    assertThat(shown(of(ValueType.BITS_16, "", 1), new int[] {0x2F})).isEqualTo("0x002F");
  }

  @Test
  void itsPlaceIsToldInBothWays() {
    assertThat(SPEED.where())
        .isEqualTo("holding register 10 = 40011, Speed reference, one step 0.1 Hz");
    assertThat(of(ValueType.UNSIGNED_16, "", 1).where())
        .isEqualTo("input register 0 = 30001, Value");
    assertThat(of(ValueType.UNSIGNED_16, "", 10).where()).endsWith("one step 10");
    assertThat(of(ValueType.UNSIGNED_16, "Hz", 1).where()).endsWith("one step 1 Hz");
  }

  @Test
  void aCopyDiffersInOneThing() {
    assertThat(SPEED.withScaling(1, "%").unit()).isEqualTo("%");
    assertThat(SPEED.withScale(2).scale()).isEqualTo(2);
    assertThat(SPEED.at(3).address()).isEqualTo(3);
    assertThat(SPEED.within(1, 2).value().limits()).isEqualTo(new Limits(1, 2));
    assertThat(SPEED.with(ValueRole.NONE).role()).isEqualTo(ValueRole.NONE);
    assertThat(SPEED.withScaling(1, "%").withScaling(0.1, "Hz")).isEqualTo(SPEED);
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
        new RegisterMap(List.of(SPEED.with(ValueRole.CONTROL_WORD)))
            .entry(ValueRole.CONTROL_WORD)
            .orElseThrow();
    assertThat(control.role()).isEqualTo(ValueRole.CONTROL_WORD);
    assertThat(new RegisterMap(List.of(SPEED)).entry(ValueRole.CONTROL_WORD)).isEmpty();
    assertThat(new RegisterMap(List.of(SPEED)).entry("Speed reference")).contains(SPEED);
    assertThat(new RegisterMap(List.of(SPEED)).entry("Other")).isEmpty();
    assertThat(ValueRole.MOTOR_CURRENT.isCountedIn("A")).isTrue();
    assertThat(ValueRole.MOTOR_CURRENT.isCountedIn("Hz")).isFalse();
    assertThat(ValueRole.MOTOR_TORQUE.isCountedIn("%")).isTrue();
    assertThat(ValueRole.MOTOR_TORQUE.isCountedIn("A")).isFalse();
    for (ValueRole role : ValueRole.values()) {
      assertThat(role.label()).isNotNull();
      assertThat(ValueRole.ofName(" " + role.label() + " ")).isIn(role, ValueRole.NONE);
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
