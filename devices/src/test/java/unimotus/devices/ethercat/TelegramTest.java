package unimotus.devices.ethercat;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.HexFormat;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Telegrams by IEC 61158-6-12 (from memory), and bytes that are none. */
class TelegramTest {
  private static final int ROUNDS = 5000;
  private static final int DAMAGED = 200_000;

  /** By hand: read of register 0130 of station 1001, two bytes, not yet answered. */
  @Test
  void oneDatagramByHand() {
    Telegram telegram =
        new Telegram(
            List.of(Datagram.toStation(Command.FPRD, 7, 0x1001, 0x0130, new byte[] {0, 0})));
    assertThat(HexFormat.of().formatHex(telegram.bytes()))
        .isEqualTo("0e10" + "0407" + "0110" + "3001" + "0200" + "0000" + "0000" + "0000");
  }

  /** Positions count down from 0: the third station finds FFFE. */
  @Test
  void aPositionIsWhatTheStationBringsToZero() {
    Datagram third = Datagram.toPosition(Command.APRD, 0, 2, 0x0010, new byte[2]);
    assertThat(third.first()).isEqualTo(0xFFFE);
    assertThat(third.place()).isEqualTo(0x0010);
  }

  @Test
  void whatIsWrittenIsReadAgain() throws TelegramFault {
    Random random = new Random(17);
    for (int i = 0; i < ROUNDS; i++) {
      Telegram telegram = RandomTelegrams.made(random);
      byte[] bytes = telegram.bytes();
      assertThat(Telegram.of(bytes)).isEqualTo(telegram);
      // An Ethernet frame is filled up to 46 bytes.
      assertThat(Telegram.of(java.util.Arrays.copyOf(bytes, bytes.length + random.nextInt(40))))
          .isEqualTo(telegram);
    }
  }

  @ParameterizedTest
  @CsvSource({
    "'', 0 bytes",
    "0e, 1 bytes",
    "0e40, type 4",
    "0e18, bit 11",
    "ff17, bytes follow",
    "0010, 0 bytes are left",
    "0c100f0000000000000000000000, command 15",
    "0c10010000000000010000000000, length 1; 0 bytes follow",
    "0c10010000000000008000000000, 0 bytes are left",
    "0d1001000000000000000000000000, 1 bytes follow the last"
  })
  void whatIsNoTelegramIsNamed(String hex, String said) {
    assertThatThrownBy(() -> Telegram.of(HexFormat.of().parseHex(hex)))
        .isInstanceOf(TelegramFault.class)
        .hasMessageContaining(said);
  }

  @Test
  void damagedBytesEndInAFaultOrInATelegramThatSaysTheSame() {
    Random random = new Random(9);
    int faults = 0;
    for (int i = 0; i < DAMAGED; i++) {
      byte[] bytes = RandomTelegrams.made(random).bytes();
      for (int c = 0; c <= random.nextInt(3); c++) {
        bytes[random.nextInt(bytes.length)] ^= (byte) (1 << random.nextInt(8));
      }
      byte[] cut =
          random.nextInt(4) > 0
              ? bytes
              : java.util.Arrays.copyOf(bytes, random.nextInt(bytes.length));
      try {
        byte[] again = Telegram.of(cut).bytes();
        assertThat(again.length).isLessThanOrEqualTo(cut.length);
      } catch (TelegramFault fault) {
        faults++;
      }
    }
    assertThat(faults).isBetween(DAMAGED / 10, DAMAGED - 1);
  }

  /** Reads and writes count 1 each; a write counts 2 where both are done (ETG.1000.4). */
  @Test
  void theWorkingCounter() {
    assertThat(Command.FPRD.counts(true, false)).isEqualTo(1);
    assertThat(Command.FPWR.counts(false, true)).isEqualTo(1);
    assertThat(Command.LRW.counts(true, false)).isEqualTo(1);
    assertThat(Command.LRW.counts(false, true)).isEqualTo(2);
    assertThat(Command.LRW.counts(true, true)).isEqualTo(3);
    assertThat(Command.FRMW.counts(true, false)).isEqualTo(1);
    assertThat(Command.NOP.counts(true, true)).isZero();
  }

  @Test
  void whatDoesNotFitIsRefused() {
    assertThatThrownBy(() -> Datagram.logical(Command.LRW, 0, 0, new byte[1487]))
        .hasMessageContaining("1487");
    assertThatThrownBy(() -> Datagram.logical(Command.LRW, 256, 0, new byte[0]))
        .hasMessageContaining("256");
    Datagram half = Datagram.logical(Command.LRW, 0, 0, new byte[800]);
    assertThatThrownBy(() -> new Telegram(List.of(half, half))).hasMessageContaining("1624");
  }
}
