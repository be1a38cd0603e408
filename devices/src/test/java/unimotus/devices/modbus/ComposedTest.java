package unimotus.devices.modbus;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.HexFormat;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import unimotus.devices.modbus.explain.ExplainedFrame;

/**
 * Requests put together from a form. Messages are the worked examples of Modbus Application
 * Protocol V1.1b3, section 6 (from memory).
 */
class ComposedTest {
  private static final HexFormat HEX = HexFormat.ofDelimiter(" ").withUpperCase();

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "1  | 19  | 19 | ''                  | 0 | 01 00 13 00 13",
        "2  | 196 | 22 | ''                  | 0 | 02 00 C4 00 16",
        "3  | 107 | 3  | ''                  | 0 | 03 00 6B 00 03",
        "4  | 8   | 1  | ''                  | 0 | 04 00 08 00 01",
        "5  | 172 | 0  | 1                   | 0 | 05 00 AC FF 00",
        "6  | 1   | 0  | 3                   | 0 | 06 00 01 00 03",
        "15 | 19  | 0  | 1 0 1 1 0 0 1 1 1 0 | 0 | 0F 00 13 00 0A 02 CD 01",
        "16 | 1   | 0  | 10, 0x0102          | 0 | 10 00 01 00 02 04 00 0A 01 02",
        "22 | 4   | 0  | 0xF2;0x25           | 0 | 16 00 04 00 F2 00 25",
        "23 | 14  | 6  | 255 255 255         | 3 | 17 00 03 00 06 00 0E 00 03 06 00 FF 00 FF 00 FF",
        "43 | 0   | 1  | ''                  | 0 | 2B 0E 01 00"
      })
  void theExamplesOfTheSpecification(
      int function, int address, int count, String values, int readAddress, String hex) {
    Request request =
        Composed.request(function, address, count, Composed.values(values), readAddress);
    assertThat(HEX.formatHex(request.bytes())).isEqualTo(hex);
    byte[] serial = Composed.frame(true, 0, 17, request);
    assertThat(Crc16.of(serial, serial.length)).as("the check over frame and check").isZero();
    ExplainedFrame explained = ExplainedFrame.of(Composed.frame(false, 258, 17, request), false);
    assertThat(explained.fault()).isEmpty();
    assertThat(explained.unit()).isEqualTo(17);
    assertThat(explained.function()).isEqualTo(FunctionCode.labelOf(function));
  }

  /** The answers in the same examples (section 6; exception: section 7). */
  @Test
  void answersAndRefusalsOfTheSpecification() {
    Request read = Composed.request(3, 107, 3, List.of(), 0);
    assertThat(HEX.formatHex(Composed.answer(read, List.of(555, 0, 100)).bytes()))
        .isEqualTo("03 06 02 2B 00 00 00 64");
    Request inputs = Composed.request(2, 196, 4, List.of(), 0);
    assertThat(HEX.formatHex(Composed.answer(inputs, List.of(0, 0, 1, 1)).bytes()))
        .isEqualTo("02 01 0C");
    Request write = Composed.request(16, 1, 0, List.of(10, 258), 0);
    assertThat(HEX.formatHex(Composed.answer(write, List.of()).bytes()))
        .isEqualTo("10 00 01 00 02");
    Request both = Composed.request(23, 14, 2, List.of(255), 3);
    assertThat(HEX.formatHex(Composed.answer(both, List.of(254, 2765)).bytes()))
        .isEqualTo("17 04 00 FE 0A CD");
    Request who = Composed.request(43, 0, 1, List.of(), 0);
    assertThat(HEX.formatHex(Composed.answer(who, List.of()).bytes())).startsWith("2B 0E 01 82");
    assertThatThrownBy(() -> Composed.answer(read, List.of(1, 2)))
        .hasMessageContaining("3 values, not 2");
    byte[] refusal =
        Composed.frame(false, 1, 10, new Response.Refusal(1, ExceptionCode.ILLEGAL_DATA_ADDRESS));
    assertThat(HEX.formatHex(refusal)).isEqualTo("00 01 00 00 00 03 0A 81 02");
  }

  @Test
  void whatIsOutsideTheProtocolIsNamed() {
    assertThatThrownBy(() -> Composed.request(3, 0, 126, List.of(), 0)).hasMessageContaining("126");
    assertThatThrownBy(() -> Composed.request(6, 0, 0, List.of(1, 2), 0))
        .hasMessageContaining("function 6 takes 1 value, not 2");
    assertThatThrownBy(() -> Composed.request(8, 0, 0, List.of(), 0))
        .hasMessageContaining("function 8");
    assertThatThrownBy(() -> Composed.values("1, two")).hasMessageContaining("'two'");
    assertThatThrownBy(() -> Composed.frame(true, 0, 248, new Request.Read(3, 0, 1)))
        .hasMessageContaining("248");
  }
}
