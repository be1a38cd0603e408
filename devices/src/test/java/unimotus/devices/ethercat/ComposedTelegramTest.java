package unimotus.devices.ethercat;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.HexFormat;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Telegrams from a form, by hand, and what no telegram can carry. */
class ComposedTelegramTest {
  private static final byte[] NOTHING = {};

  private static String hex(Datagram datagram) {
    return HexFormat.of().formatHex(new Telegram(List.of(datagram)).bytes());
  }

  /** ETG.1000.4 from memory; positions count down from 0. */
  @Test
  void eachAddressingByHand() {
    assertThat(hex(ComposedTelegram.datagram(Command.APRD, 1, 2, 0x0130, 2, NOTHING)))
        .isEqualTo("0e10" + "0101" + "feff" + "3001" + "0200" + "0000" + "0000" + "0000");
    assertThat(
            hex(ComposedTelegram.datagram(Command.FPWR, 2, 0x1001, 0x0120, 0, new byte[] {2, 0})))
        .isEqualTo("0e10" + "0502" + "0110" + "2001" + "0200" + "0000" + "0200" + "0000");
    assertThat(hex(ComposedTelegram.datagram(Command.BRD, 3, 77, 0, 1, NOTHING)))
        .isEqualTo("0d10" + "0703" + "0000" + "0000" + "0100" + "0000" + "00" + "0000");
    assertThat(hex(ComposedTelegram.datagram(Command.LRW, 4, 77, 0x10000, 0, new byte[] {5})))
        .isEqualTo("0d10" + "0c04" + "00000100" + "0100" + "0000" + "05" + "0000");
  }

  @ParameterizedTest
  @CsvSource({
    "FPRD, 1, 65536, 0, 1, 0, station 65536",
    "FPRD, 1, 1, 65536, 1, 0, place 65536",
    "FPRD, 1, 1, 0, 1487, 0, length 1487",
    "FPRD, 1, 1, 0, 1, 3, only reads",
    "FPWR, 1, 1, 0, 1, 0, which bytes",
    "APRD, 256, 1, 0, 1, 0, index 256",
    "LRD, 1, 0, 4294967296, 1, 0, logical address 4294967296"
  })
  void whatNoneCanCarryIsNamed(
      Command command, int index, long whom, long place, int length, int written, String named) {
    assertThatThrownBy(
            () -> ComposedTelegram.datagram(command, index, whom, place, length, new byte[written]))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining(named);
  }
}
