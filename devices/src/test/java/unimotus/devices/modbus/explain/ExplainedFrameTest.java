package unimotus.devices.modbus.explain;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Every byte of a frame explained. */
class ExplainedFrameTest {

  private static ExplainedFrame explain(String hex, boolean answer) {
    return ExplainedFrame.of(ExplainedFrame.bytes(hex), answer);
  }

  /** The example of the specification (V1.1b3, from memory). */
  @Test
  void aSerialRequest() {
    ExplainedFrame frame = explain("11 03 00 6B 00 03 76 87", false);
    assertThat(frame.serial()).isTrue();
    assertThat(frame.fault()).isEmpty();
    assertThat(frame.parts())
        .extracting(FramePart::name)
        .containsExactly("unit", "function", "address", "count", "check");
    assertThat(frame.parts().get(2).meaning()).startsWith("107");
    assertThat(frame.parts().get(1).meaning()).contains("read holding registers");
  }

  @Test
  void anAnswerOnTcp() {
    ExplainedFrame frame = explain("0001 0000 0009 01 03 06 022B 0000 0064", true);
    assertThat(frame.serial()).isFalse();
    assertThat(frame.parts()).extracting(FramePart::meaning).contains("555", "0", "100");
    assertThat(frame.fault()).isEmpty();
  }

  @Test
  void aRefusalInWords() {
    ExplainedFrame frame = explain("00 01 00 00 00 03 01 83 02", true);
    assertThat(frame.parts())
        .extracting(FramePart::meaning)
        .last()
        .asString()
        .contains("illegal data address")
        .contains("register is not there");
  }

  @Test
  void aWrongCheckIsShownWithTheRightOne() {
    ExplainedFrame frame = explain("11 03 00 6B 00 03 76 88", false);
    assertThat(frame.fault()).isEqualTo("the check is wrong: 8876, the bytes give 8776");
    assertThat(frame.parts().get(4).meaning()).contains("8776");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {"11 03 00 6B", "11:03:00:6B", "0x11,0x03,0x00,0x6B", "1103006b", "11-03-00-6B"})
  void bytesFromAnywhere(String text) {
    assertThat(ExplainedFrame.bytes(text)).containsExactly(0x11, 3, 0, 0x6B);
  }

  @ParameterizedTest
  @ValueSource(strings = {"", "1", "zz", "11 0"})
  void whatAreNoBytesIsRefused(String text) {
    assertThatThrownBy(() -> ExplainedFrame.bytes(text)).hasMessageContaining("pairs");
  }

  /** Whatever comes: every byte stands in exactly one part, in order. */
  @Test
  void noByteIsLeftOutOrSaidTwice() {
    Random random = new Random(5);
    for (int i = 0; i < 20_000; i++) {
      byte[] bytes = new byte[1 + random.nextInt(40)];
      random.nextBytes(bytes);
      if (i % 2 == 0 && bytes.length > 8) {
        bytes[1] = (byte) (1 + random.nextInt(23));
        System.arraycopy(new byte[] {0, 0, 0, (byte) (bytes.length - 6)}, 0, bytes, 2, 4);
      }
      ExplainedFrame frame = ExplainedFrame.of(bytes, random.nextBoolean());
      int at = 0;
      for (FramePart part : frame.parts()) {
        assertThat(part.offset()).isEqualTo(at);
        at += (part.bytes().length() + 1) / 3;
      }
      assertThat(at).isEqualTo(bytes.length);
    }
  }
}
