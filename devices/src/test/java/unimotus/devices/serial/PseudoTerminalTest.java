package unimotus.devices.serial;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Lines, without any protocol on them. */
class PseudoTerminalTest {

  private static byte[] awaited(Line line, int count) throws IOException {
    byte[] all = new byte[count];
    byte[] chunk = new byte[1024];
    int have = 0;
    for (int tries = 0; have < count && tries < 200; tries++) {
      int came = line.receive(chunk, 50);
      System.arraycopy(chunk, 0, all, have, Math.min(came, count - have));
      have += came;
    }
    assertThat(have).isEqualTo(count);
    return all;
  }

  /** No byte is changed, turned into a signal or echoed: the line is raw. */
  @Test
  void everyByteGoesBothWaysUnchanged() throws IOException {
    byte[] every = new byte[256];
    for (int i = 0; i < every.length; i++) {
      every[i] = (byte) i;
    }
    try (PseudoTerminal pair = PseudoTerminal.open();
        PortLine port = PortLine.open(pair.name(), new SerialSettings(115_200, Parity.NONE, 1))) {
      port.send(every);
      assertThat(awaited(pair, 256)).isEqualTo(every);
      pair.send(every);
      assertThat(awaited(port, 256)).isEqualTo(every);
      assertThat(port.receive(new byte[10], 20)).as("nothing comes back").isZero();
    }
  }

  @ParameterizedTest
  @ValueSource(ints = {1200, 2400, 4800, 9600, 19_200, 38_400, 57_600, 115_200})
  void theSpeedThatWasSetIsKnown(int baud) throws IOException {
    try (PseudoTerminal pair = PseudoTerminal.open()) {
      PortLine port = PortLine.open(pair.name(), new SerialSettings(baud, Parity.EVEN, 1));
      port.close();
      assertThat(pair.speedCode()).isEqualTo(PseudoTerminal.code(baud));
    }
  }

  /** Bytes that nobody takes are lost, as on a cable; sending does not stand still for ever. */
  @Test
  void aFloodThatNobodyReadsEnds() throws IOException {
    byte[] flood = new byte[1 << 20];
    new Random(1).nextBytes(flood);
    try (PseudoTerminal pair = PseudoTerminal.open()) {
      pair.send(flood);
      assertThat(pair.receive(new byte[10], 10)).isZero();
    }
  }

  @Test
  void aClosedPairSaysSo() throws IOException {
    PseudoTerminal pair = PseudoTerminal.open();
    pair.close();
    pair.close();
    assertThatThrownBy(pair::speedCode).hasMessageContaining("closed");
  }

  @Test
  void aSocketThatIsClosedByTheOtherEndIsTold() throws IOException {
    try (ServerSocket server = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
      InetSocketAddress there =
          new InetSocketAddress(server.getInetAddress(), server.getLocalPort());
      try (SocketLine line = SocketLine.join(there, 1000)) {
        Socket other = server.accept();
        assertThat(line.receive(new byte[10], 20)).as("silence").isZero();
        other.close();
        assertThatThrownBy(() -> line.receive(new byte[10], 1000))
            .isInstanceOf(IOException.class)
            .hasMessageContaining("closed the line");
      }
    }
  }

  /** Even parity and one stop bit is the standard; without parity two stop bits keep 11 bits. */
  @Test
  void theCandidatesBeginWithTheStandard() {
    assertThat(SerialSettings.candidates()).first().isEqualTo(SerialSettings.STANDARD);
    assertThat(SerialSettings.candidates()).doesNotHaveDuplicates().hasSize(32);
    assertThat(SerialSettings.STANDARD.bitsPerCharacter()).isEqualTo(11);
    assertThat(new SerialSettings(9600, Parity.NONE, 2).bitsPerCharacter()).isEqualTo(11);
    assertThat(new SerialSettings(9600, Parity.NONE, 1).bitsPerCharacter()).isEqualTo(10);
    assertThatThrownBy(() -> new SerialSettings(100, Parity.NONE, 1)).hasMessageContaining("100");
    assertThatThrownBy(() -> new SerialSettings(9600, Parity.NONE, 3)).hasMessageContaining("3");
  }
}
