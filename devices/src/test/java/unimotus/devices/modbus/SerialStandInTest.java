package unimotus.devices.modbus;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.net.InetAddress;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import unimotus.devices.modbus.TcpStandIn.Framing;
import unimotus.devices.serial.Parity;
import unimotus.devices.serial.PortLine;
import unimotus.devices.serial.SerialSettings;

/** Serial frames over a pair of pseudo-terminals and over TCP. */
class SerialStandInTest {
  private static final SerialSettings NINE_SIX = new SerialSettings(9600, Parity.NONE, 1);

  private final RegisterBank bank = new RegisterBank(200, Map.of(0, "m", 1, "p", 2, "1"));
  private SerialStandIn standIn;

  @BeforeEach
  void start() throws IOException {
    standIn = SerialStandIn.start(NINE_SIX, Map.of(17, bank, 18, bank));
  }

  @AfterEach
  void close() throws IOException {
    standIn.close();
  }

  private static void exchanges(Client client) throws Exception {
    Response written = client.ask(17, new Request.WriteMany(16, 5, List.of(1, 2, 3, 0xFFFF)));
    assertThat(written.function()).isEqualTo(16);
    assertThat(client.ask(18, new Request.Read(3, 5, 4)))
        .isEqualTo(new Response.Values(3, List.of(1, 2, 3, 0xFFFF)));
    assertThat(client.ask(17, new Request.Read(3, 199, 2)))
        .isEqualTo(new Response.Refusal(3, ExceptionCode.ILLEGAL_DATA_ADDRESS));
    assertThat(client.ask(17, new Request.MaskWrite(5, 0xF2, 0x25)).function()).isEqualTo(22);
    assertThat(client.ask(17, new Request.WriteMany(15, 3, List.of(1, 0, 1))).function())
        .isEqualTo(15);
    assertThat(client.ask(17, new Request.Read(1, 3, 3)))
        .isEqualTo(new Response.Values(1, List.of(1, 0, 1)));
    assertThat(client.ask(17, new Request.ReadWrite(6, 1, 6, List.of(77))))
        .isEqualTo(new Response.Values(23, List.of(77)));
    assertThat(client.ask(17, new Request.Identify(1, 0)))
        .isEqualTo(new Response.Identity(1, Map.of(0, "m", 1, "p", 2, "1")));
    assertThat(client.ask(0, new Request.WriteOne(6, 9, 99)).function()).isEqualTo(6);
    assertThat(client.ask(17, new Request.Read(3, 9, 1)))
        .as("done by all, answered by none")
        .isEqualTo(new Response.Values(3, List.of(99)));
    assertThatThrownBy(() -> client.ask(19, new Request.Read(3, 0, 1)))
        .isInstanceOf(IOException.class)
        .hasMessageContaining("did not answer within 300 ms");
    assertThat(client.ask(17, new Request.Read(3, 9, 1)).function()).isEqualTo(3);
  }

  @Test
  void aSerialPortIsServed() throws Exception {
    try (Client client = standIn.route().client(300)) {
      exchanges(client);
    }
    try (Client again = standIn.route().client(300)) {
      assertThat(again.ask(17, new Request.Read(3, 6, 1)))
          .as("the line outlives its clients")
          .isEqualTo(new Response.Values(3, List.of(77)));
    }
  }

  @Test
  void serialFramesOverTcpAreServed() throws Exception {
    try (TcpStandIn converter =
            TcpStandIn.start(
                InetAddress.getLoopbackAddress(), 0, Map.of(17, bank, 18, bank), Framing.SERIAL);
        Client client = converter.route().client(300)) {
      assertThat(converter.route()).isInstanceOf(Route.SerialOverTcp.class);
      exchanges(client);
    }
  }

  /** A device at another baud rate hears nothing (fact of the trade, common practice). */
  @Test
  void atAnotherBaudRateNobodyAnswers() throws Exception {
    Route other = new Route.Serial(standIn.port(), new SerialSettings(19_200, Parity.NONE, 1));
    try (Client client = other.client(150)) {
      assertThatThrownBy(() -> client.ask(17, new Request.Read(3, 0, 1)))
          .hasMessageContaining("did not answer");
    }
  }

  /** Modbus over Serial Line V1.02, 2.4 (from memory): a wrong check gets no answer. */
  @Test
  void noiseGetsNoAnswerAndTheNextFrameDoes() throws Exception {
    byte[] good = new RtuFrame(17, new Request.Read(3, 0, 1).bytes()).bytes();
    byte[] bad = good.clone();
    bad[7] ^= 1;
    byte[] into = new byte[300];
    try (PortLine line = PortLine.open(standIn.port(), NINE_SIX)) {
      line.send(bad);
      assertThat(line.receive(into, 100)).isZero();
      line.send(new byte[700]);
      assertThat(line.receive(into, 100)).isZero();
      while (!sentInTwo(line, good)) {
        // The pause was longer than frames may have: what came first is nobody's.
        line.receive(into, 100);
      }
      assertThat(line.receive(into, 1000)).isPositive();
    }
  }

  /** Whether both halves went out within the 4 ms of silence that would part them at 9600 Bd. */
  private static boolean sentInTwo(PortLine line, byte[] frame) throws Exception {
    long begun = System.nanoTime();
    line.send(java.util.Arrays.copyOf(frame, 2));
    Thread.sleep(1);
    line.send(java.util.Arrays.copyOfRange(frame, 2, frame.length));
    return System.nanoTime() - begun < 3_000_000;
  }

  /** A late answer is not taken for that to the next request. */
  @Test
  void lateAndSpoiltAnswersAreNotTaken() throws Exception {
    bank.write(unimotus.core.fieldbus.RegisterTable.HOLDING_REGISTER, 0, List.of(11, 22));
    try (Client client = standIn.route().client(100)) {
      // Far over the client's patience, so that a busy machine does not make it come in time.
      standIn.misbehave(new Troubles(900, 0, 0));
      assertThatThrownBy(() -> client.ask(17, new Request.Read(3, 0, 1)))
          .hasMessageContaining("did not answer");
      standIn.misbehave(Troubles.NONE);
      Thread.sleep(1000);
      assertThat(client.ask(17, new Request.Read(3, 1, 1)))
          .isEqualTo(new Response.Values(3, List.of(22)));
      standIn.misbehave(new Troubles(0, 0, 1));
      assertThatThrownBy(() -> client.ask(17, new Request.Read(3, 0, 1)))
          .isInstanceOf(FrameFault.class);
      standIn.misbehave(Troubles.NONE);
      assertThat(client.ask(17, new Request.Read(3, 0, 1)))
          .isEqualTo(new Response.Values(3, List.of(11)));
    }
  }

  @Test
  void aPortThatIsNotThereIsNamed() throws Exception {
    try (Client client = new Route.Serial("/dev/ttyNONE7", SerialSettings.STANDARD).client(100)) {
      assertThatThrownBy(() -> client.ask(1, new Request.Read(3, 0, 1)))
          .isInstanceOf(IOException.class)
          .hasMessageContaining("/dev/ttyNONE7");
    }
  }
}
