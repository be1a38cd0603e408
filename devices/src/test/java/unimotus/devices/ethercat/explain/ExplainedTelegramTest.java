package unimotus.devices.ethercat.explain;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HexFormat;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import unimotus.devices.ethercat.Command;
import unimotus.devices.ethercat.Datagram;
import unimotus.devices.ethercat.RandomTelegrams;
import unimotus.devices.ethercat.Telegram;
import unimotus.devices.ethercat.TelegramPart;

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
      byte[] bytes = RandomTelegrams.made(random).bytes();
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

  private static List<String> told(Datagram datagram) {
    return ExplainedTelegram.of(new Telegram(List.of(datagram)).bytes()).parts().stream()
        .map(p -> p.name() + ": " + p.meaning())
        .toList();
  }

  private static byte[] bytes(String hex) {
    return HexFormat.ofDelimiter(" ").parseHex(hex);
  }

  /** By hand, CiA 301 and ETG.1000.6 from memory: 0x6060:0 written as 8 with one byte. */
  @Test
  void aWrittenObjectIsToldByteByByte() {
    Datagram mail =
        Datagram.toStation(
            Command.FPWR,
            5,
            0x1002,
            0x1000,
            bytes("0A 00 00 00 00 13 00 20 2F 60 60 00 08 00 00 00 00 00 00 00"));
    assertThat(told(mail))
        .containsSubsequence(
            "mail length: 10 bytes",
            "mail type: CoE, objects, mail 1",
            "service: request of an object",
            "command: write, the value with it",
            "object: 0x6060",
            "subindex: 0",
            "value: 8, 0x8",
            "unused: ",
            "rest of the mailbox: ");
  }

  @Test
  void anAbortIsToldWithItsMeaning() {
    Datagram mail =
        Datagram.toStation(Command.FPRD, 5, 0x1002, 0x1080, new byte[16])
            .answered(bytes("0A 00 00 00 00 23 00 20 80 60 60 00 30 00 09 06"), 1);
    assertThat(told(mail))
        .contains("command: abort", "abort: 0x06090030, the value is out of range");
  }

  /** What is asked for carries nothing yet: zeros are no value. */
  @Test
  void aReadOnItsWayOutCarriesNothing() {
    assertThat(told(Datagram.toStation(Command.FPRD, 5, 0x1002, 0x0130, new byte[6])))
        .contains("data: room for the answer")
        .noneMatch(t -> t.startsWith("state"));
  }

  @Test
  void registersOfTheImageAreToldInWords() {
    Datagram managers =
        Datagram.toStation(
            Command.FPWR,
            1,
            0x1001,
            0x0800,
            bytes("00 10 80 00 26 00 01 00 00 12 80 00 22 00 01 00"));
    assertThat(told(managers))
        .contains(
            "sync manager 0: from 0x1000, 128 bytes, mailbox, written by the controller, on",
            "sync manager 1: from 0x1200, 128 bytes, mailbox, read by the controller, on");
    Datagram mapping =
        Datagram.toStation(
            Command.FPWR,
            1,
            0x1001,
            0x0610,
            bytes("00 00 01 00 07 00 00 07 00 18 00 01 01 00 00 00"));
    assertThat(told(mapping))
        .contains(
            "memory mapping 1: logical 0x00010000, 7 bytes, bit 0 to 7, on 0x1800 from bit 0, read, on");
  }

  /** Mails made at random stay whole: each byte in one part, whatever the header says. */
  @Test
  void noByteOfAMailIsLeftOut() {
    Random random = new Random(11);
    int mails = 0;
    for (int i = 0; i < 20_000; i++) {
      byte[] data = new byte[6 + random.nextInt(24)];
      random.nextBytes(data);
      data[0] = (byte) random.nextInt(24);
      data[1] = 0;
      data[4] = 0;
      data[5] = (byte) (random.nextInt(8) << 4 | (random.nextInt(4) == 0 ? 0 : 3));
      if (data.length > 7 && random.nextBoolean()) {
        data[6] = 0;
        data[7] = (byte) (random.nextInt(9) << 4);
      }
      Datagram mail = Datagram.toStation(Command.FPWR, 1, 0x1001, 0x1000, data);
      byte[] bytes = new Telegram(List.of(mail)).bytes();
      int next = 0;
      for (TelegramPart part : ExplainedTelegram.of(bytes).parts()) {
        assertThat(part.offset()).isEqualTo(next);
        mails += part.name().equals("mail type") ? 1 : 0;
        next += part.bytes().endsWith("…") ? 0 : part.bytes().split(" ").length;
        if (part.bytes().endsWith("…")) {
          next = -1;
          break;
        }
      }
      assertThat(next == -1 || next == bytes.length).isTrue();
    }
    assertThat(mails).isGreaterThan(5000);
  }
}
