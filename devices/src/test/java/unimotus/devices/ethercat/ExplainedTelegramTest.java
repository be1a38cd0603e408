package unimotus.devices.ethercat;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class ExplainedTelegramTest {

  @Test
  void aStationThatRefusedAChangeSaysSo() {
    Telegram answered =
        new Telegram(
            List.of(
                Datagram.toStation(Command.FPRD, 1, 0x1001, 0x0130, new byte[2])
                    .answered(new byte[] {0x12, 0}, 1),
                Datagram.toStation(Command.FPRD, 2, 0x1001, 0x0134, new byte[2])
                    .answered(new byte[] {0x1D, 0}, 1)));
    List<String> said =
        ExplainedTelegram.of(answered.bytes()).parts().stream().map(TelegramPart::meaning).toList();
    assertThat(said)
        .anyMatch(m -> m.startsWith("PRE-OP, a change was refused"))
        .anyMatch(m -> m.contains("outputs are configured wrongly"))
        .anyMatch(m -> m.contains("station 0x1001, 0x0130 state"))
        .anyMatch(m -> m.contains("another datagram follows"));
  }

  /** Every byte stands in exactly one part. */
  @Test
  void noByteIsLeftOutAndNoneIsToldTwice() {
    Random random = new Random(3);
    for (int i = 0; i < 500; i++) {
      byte[] bytes = TelegramTest.made(random).bytes();
      byte[] filled = java.util.Arrays.copyOf(bytes, Math.max(46, bytes.length));
      int next = 0;
      for (TelegramPart part : ExplainedTelegram.of(filled).parts()) {
        assertThat(part.offset()).isEqualTo(next);
        assertThat(part.meaning().isBlank()).isEqualTo(part.meaning().isEmpty());
        next = part.bytes().endsWith("…") ? -1 : next + part.bytes().split(" ").length;
        if (next < 0) {
          break;
        }
      }
      assertThat(next == -1 || next == filled.length).isTrue();
    }
  }

  @Test
  void whatIsNoTelegramIsToldWithItsByte() {
    ExplainedTelegram none = ExplainedTelegram.of(new byte[] {0x0E, 0x40});
    assertThat(none.parts()).isEmpty();
    assertThat(none.fault()).contains("byte 1");
  }
}
