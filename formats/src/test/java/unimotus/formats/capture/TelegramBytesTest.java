package unimotus.formats.capture;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HexFormat;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Frames by hand: Ethernet (IEEE 802.3), IPv4 (RFC 791) and UDP (RFC 768). */
class TelegramBytesTest {
  private static final String ADDRESSES = "ffffffffffff020000000001";
  private static final String TELEGRAM = "0e10040701103001020000000000" + "0000";

  private static Optional<String> found(int linkType, String hex) {
    return TelegramBytes.of(new Packet(0, linkType, HexFormat.of().parseHex(hex)))
        .map(HexFormat.of()::formatHex);
  }

  private static String udp(int from, int to, String payload) {
    int bytes = payload.length() / 2;
    return "4500%04x0000000040110000".formatted(20 + 8 + bytes)
        + "0a0000010a000002"
        + "%04x%04x%04x0000".formatted(from, to, 8 + bytes)
        + payload;
  }

  @Test
  void behindItsEthernetType() {
    assertThat(found(Packet.ETHERNET, ADDRESSES + "88a4" + TELEGRAM)).contains(TELEGRAM);
    assertThat(found(Packet.ETHERNET, ADDRESSES + "8100" + "0005" + "88a4" + TELEGRAM))
        .contains(TELEGRAM);
  }

  @Test
  void inUdpFromOrToItsPortWithoutWhatFillsTheFrame() {
    assertThat(found(Packet.ETHERNET, ADDRESSES + "0800" + udp(40_000, 34_980, TELEGRAM) + "0000"))
        .contains(TELEGRAM);
    assertThat(found(Packet.RAW_IP, udp(34_980, 40_000, TELEGRAM))).contains(TELEGRAM);
  }

  @Test
  void somethingElseAndWhatIsCutShortIsNone() {
    assertThat(found(Packet.ETHERNET, ADDRESSES + "0806" + TELEGRAM)).isEmpty();
    assertThat(found(Packet.RAW_IP, udp(40_000, 502, TELEGRAM))).isEmpty();
    String whole = udp(40_000, 34_980, TELEGRAM);
    for (int bytes = 0; bytes < whole.length() / 2; bytes++) {
      assertThat(found(Packet.RAW_IP, whole.substring(0, 2 * bytes))).isEmpty();
    }
    assertThat(found(Packet.ETHERNET, "ffff")).isEmpty();
    assertThat(found(Packet.LINUX_COOKED, whole)).isEmpty();
  }
}
