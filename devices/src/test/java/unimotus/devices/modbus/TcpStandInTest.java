package unimotus.devices.modbus;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Stand-in and client on a real connection, with good and bad company. */
class TcpStandInTest {
  private TcpStandIn standIn;
  private TcpClient client;

  @BeforeEach
  void start() throws IOException {
    Map<Integer, String> identity = Map.of(0, "maker", 1, "product", 2, "1.0");
    standIn =
        TcpStandIn.start(
            0, Map.of(1, new RegisterBank(200, identity), 7, new RegisterBank(20, identity)));
    client = new TcpClient("127.0.0.1", standIn.port(), 2000);
  }

  @AfterEach
  void stop() throws IOException {
    client.close();
    standIn.close();
  }

  private static List<Integer> values(Response response) {
    return ((Response.Values) response).values();
  }

  @Test
  void itListensOnTheLoopbackAddressOnly() {
    assertThat(standIn.address().isLoopbackAddress()).isTrue();
  }

  @Test
  void whatIsWrittenIsReadByEveryFunction() throws Exception {
    client.ask(1, new Request.WriteOne(6, 3, 1234));
    client.ask(1, new Request.WriteMany(16, 4, List.of(5, 6)));
    assertThat(values(client.ask(1, new Request.Read(3, 3, 3)))).containsExactly(1234, 5, 6);
    client.ask(1, new Request.WriteOne(5, 9, 1));
    client.ask(1, new Request.WriteMany(15, 10, List.of(0, 1)));
    assertThat(values(client.ask(1, new Request.Read(1, 9, 3)))).containsExactly(1, 0, 1);
    assertThat(values(client.ask(1, new Request.ReadWrite(3, 1, 20, List.of(8)))))
        .containsExactly(1234);
    assertThat(values(client.ask(1, new Request.Read(3, 20, 1)))).containsExactly(8);
    Response.Identity identity = (Response.Identity) client.ask(1, new Request.Identify(1, 0));
    assertThat(identity.objects()).containsEntry(1, "product").hasSize(3);
  }

  @Test
  void unitsAreApartAndAMissingOneIsTold() throws Exception {
    client.ask(7, new Request.WriteOne(6, 0, 77));
    assertThat(values(client.ask(1, new Request.Read(3, 0, 1)))).containsExactly(0);
    assertThat(values(client.ask(7, new Request.Read(3, 0, 1)))).containsExactly(77);
    Response nobody = client.ask(9, new Request.Read(3, 0, 1));
    assertThat(((Response.Refusal) nobody).code()).isEqualTo(0x0B);
    Response outside = client.ask(7, new Request.Read(3, 19, 2));
    assertThat(((Response.Refusal) outside).code()).isEqualTo(0x02);
  }

  @Test
  void manyClientsAreServedAtOnce() throws Exception {
    ExecutorService threads = Executors.newFixedThreadPool(8);
    List<Future<Integer>> all = new ArrayList<>();
    for (int n = 0; n < 8; n++) {
      int address = n;
      Callable<Integer> work =
          () -> {
            try (TcpClient own = new TcpClient("127.0.0.1", standIn.port(), 2000)) {
              int last = 0;
              for (int i = 1; i <= 200; i++) {
                own.ask(1, new Request.WriteOne(6, address, i));
                last = values(own.ask(1, new Request.Read(3, address, 1))).get(0);
              }
              return last;
            }
          };
      all.add(threads.submit(work));
    }
    for (Future<Integer> one : all) {
      assertThat(one.get()).isEqualTo(200);
    }
    threads.shutdown();
  }

  /** Half-open, slow and flooding clients; the good one is served all the time. */
  @Test
  void badCompanyDoesNotStopTheService() throws Exception {
    List<Socket> bad = new ArrayList<>();
    Random random = new Random(4);
    for (int i = 0; i < 100; i++) {
      Socket socket = new Socket("127.0.0.1", standIn.port());
      bad.add(socket);
      byte[] rubbish = new byte[1 + random.nextInt(300)];
      random.nextBytes(rubbish);
      try {
        socket.getOutputStream().write(i % 3 == 0 ? new byte[] {0, 1, 0} : rubbish);
      } catch (IOException closedAlready) {
        continue;
      }
      if (i % 10 == 0) {
        int value = i;
        client.ask(1, new Request.WriteOne(6, 1, value));
        assertThat(values(client.ask(1, new Request.Read(3, 1, 1)))).containsExactly(value);
      }
    }
    assertThat(standIn.clients()).isLessThanOrEqualTo(65);
    for (Socket socket : bad) {
      socket.close();
    }
    assertThat(values(client.ask(1, new Request.Read(3, 1, 1)))).containsExactly(90);
  }

  /** A frame with a lying length ends that connection, and only that one. */
  @ParameterizedTest
  @ValueSource(
      strings = {
        "00 01 00 01 00 06 01 03 00 00 00 01",
        "00 01 00 00 00 00 01 03",
        "00 01 00 00 00 FF 01 03"
      })
  void aLyingHeaderEndsItsConnection(String hex) throws Exception {
    try (Socket socket = new Socket("127.0.0.1", standIn.port())) {
      socket.setSoTimeout(2000);
      socket.getOutputStream().write(java.util.HexFormat.ofDelimiter(" ").parseHex(hex));
      assertThat(socket.getInputStream().read()).isEqualTo(-1);
    }
    assertThat(values(client.ask(1, new Request.Read(3, 0, 1)))).containsExactly(0);
  }

  /** Two requests in one packet are answered one after the other. */
  @Test
  void requestsMayComeTogether() throws Exception {
    try (Socket socket = new Socket("127.0.0.1", standIn.port())) {
      socket.setSoTimeout(2000);
      byte[] one = new TcpFrame(1, 1, new Request.Read(3, 0, 1).bytes()).bytes();
      byte[] two = new TcpFrame(2, 1, new Request.Read(3, 0, 2).bytes()).bytes();
      OutputStream out = socket.getOutputStream();
      out.write(new Bytes().all(one).all(two).get());
      InputStream in = socket.getInputStream();
      assertThat(in.readNBytes(11)[1]).isEqualTo((byte) 1);
      assertThat(in.readNBytes(13)[1]).isEqualTo((byte) 2);
    }
  }

  /** A server that answers as it is told, once. */
  private static int lyingServer(byte[]... answers) throws IOException {
    ServerSocket server = new ServerSocket(0, 4, InetAddress.getLoopbackAddress());
    Thread thread =
        new Thread(
            () -> {
              try (server;
                  Socket socket = server.accept()) {
                socket.getInputStream().readNBytes(12);
                for (byte[] answer : answers) {
                  socket.getOutputStream().write(answer);
                }
                // Stays until the client has gone.
                socket.getInputStream().readAllBytes();
              } catch (IOException over) {
                return;
              }
            });
    thread.setDaemon(true);
    thread.start();
    return server.getLocalPort();
  }

  private static byte[] answer(int transaction, int value) {
    return new TcpFrame(transaction, 1, new byte[] {3, 2, 0, (byte) value}).bytes();
  }

  @Test
  void aLateAnswerToAnEarlierRequestIsPassedOver() throws Exception {
    int port = lyingServer(answer(0xFFFF, 9), answer(1, 5));
    try (TcpClient own = new TcpClient("127.0.0.1", port, 1000)) {
      assertThat(values(own.ask(1, new Request.Read(3, 0, 1)))).containsExactly(5);
    }
  }

  @Test
  void aSilentDeviceIsToldWithTheTime() throws Exception {
    int port = lyingServer();
    try (TcpClient own = new TcpClient("127.0.0.1", port, 200)) {
      assertThatThrownBy(() -> own.ask(1, new Request.Read(3, 0, 1)))
          .isInstanceOf(IOException.class)
          .hasMessageContaining("200 ms");
    }
  }

  @Test
  void aLyingLengthIsFoundAndTheNextRequestGoesThrough() throws Exception {
    int port = lyingServer(new byte[] {0, 1, 0, 0, 0, 5, 1, 3, 6, 0, 1});
    try (TcpClient own = new TcpClient("127.0.0.1", port, 2000)) {
      assertThatThrownBy(() -> own.ask(1, new Request.Read(3, 0, 1)))
          .isInstanceOf(FrameFault.class)
          .hasMessageContaining("6 bytes");
    }
    assertThat(values(client.ask(1, new Request.Read(3, 0, 1)))).containsExactly(0);
  }

  /** Dropped and spoiled answers are told, and the next request goes through. */
  @Test
  void troublesOnDemandAreSurvived() throws Exception {
    // Long enough that a machine which stands still for a moment drops no answer of its own.
    try (TcpClient own = new TcpClient("127.0.0.1", standIn.port(), 1500)) {
      standIn.misbehave(new Troubles(0, 3, 5));
      int good = 0;
      int bad = 0;
      for (int i = 1; i <= 15; i++) {
        try {
          assertThat(values(own.ask(1, new Request.Read(3, 0, 2)))).containsExactly(0, 0);
          good++;
        } catch (IOException | FrameFault told) {
          assertThat(told.getMessage()).isNotBlank();
          bad++;
        }
      }
      // Of 15 requests 5 are dropped; 5 and 10 are spoiled, 15 is dropped before it could be.
      assertThat(bad).isEqualTo(7);
      assertThat(good).isEqualTo(8);
      standIn.misbehave(new Troubles(50, 0, 0));
      long begun = System.nanoTime();
      own.ask(1, new Request.Read(3, 0, 1));
      assertThat(System.nanoTime() - begun).isGreaterThan(45_000_000L);
      standIn.misbehave(Troubles.NONE);
      assertThat(values(own.ask(1, new Request.Read(3, 0, 1)))).containsExactly(0);
    }
    assertThatThrownBy(() -> new Troubles(60_000, 0, 0)).hasMessageContaining("60000");
  }

  /** Every exception of Modbus Application Protocol V1.1b3, section 7 (from memory), on demand. */
  @ParameterizedTest
  @EnumSource(ExceptionCode.class)
  void everyExceptionComesOnDemandAndInWords(ExceptionCode code) throws Exception {
    standIn.misbehave(Troubles.refusing(code));
    Response answer = client.ask(1, new Request.Read(4, 0, 1));
    assertThat(answer).isEqualTo(new Response.Refusal(4, code));
    assertThat(((Response.Refusal) answer).words()).contains(code.label(), code.meaning());
    standIn.misbehave(Troubles.NONE);
    assertThat(values(client.ask(1, new Request.Read(4, 0, 1)))).containsExactly(0);
  }

  @Test
  void aTakenPortIsTold() {
    assertThatThrownBy(() -> TcpStandIn.start(standIn.port(), Map.of()))
        .isInstanceOf(IOException.class);
  }

  /**
   * Modbus Application Protocol V1.1b3, 6.3 (from memory): beyond the last address it is code 2.
   */
  @Test
  void beyondTheLastAddressIsNoAddress() {
    byte[] read = {3, (byte) 0xFF, (byte) 0xFF, 0, 2};
    assertThat(
            ((Response.Refusal) Answering.answer(new RegisterBank(0x10000, Map.of()), read)).code())
        .isEqualTo(2);
    byte[] none = {3, 0, 0, 0, 0};
    assertThat(
            ((Response.Refusal) Answering.answer(new RegisterBank(0x10000, Map.of()), none)).code())
        .isEqualTo(3);
    byte[] write = {16, (byte) 0xFF, (byte) 0xFF, 0, 2, 4, 0, 1, 0, 2};
    assertThat(
            ((Response.Refusal) Answering.answer(new RegisterBank(0x10000, Map.of()), write))
                .code())
        .isEqualTo(2);
  }

  /** A reading and writing in one that cannot be read has written nothing. */
  @Test
  void aRefusedReadWriteChangesNothing() throws Exception {
    Response outside = client.ask(7, new Request.ReadWrite(19, 2, 3, List.of(99)));
    assertThat(((Response.Refusal) outside).code()).isEqualTo(2);
    assertThat(values(client.ask(7, new Request.Read(3, 3, 1)))).containsExactly(0);
    Response unwritable = client.ask(7, new Request.ReadWrite(3, 1, 19, List.of(7, 7)));
    assertThat(((Response.Refusal) unwritable).code()).isEqualTo(2);
    assertThat(values(client.ask(7, new Request.Read(3, 19, 1)))).containsExactly(0);
  }

  /** Far more connections than places, none of them speaking: the next one is served at once. */
  @Test
  void halfOpenConnectionsKeepNobodyOut() throws Exception {
    client.ask(1, new Request.WriteOne(6, 3, 7));
    List<Socket> silent = new ArrayList<>();
    try {
      for (int i = 0; i < 100; i++) {
        silent.add(new Socket("127.0.0.1", standIn.port()));
        client.ask(1, new Request.Read(3, 3, 1));
      }
      try (TcpClient late = new TcpClient("127.0.0.1", standIn.port(), 2000)) {
        assertThat(values(late.ask(1, new Request.Read(3, 3, 1)))).containsExactly(7);
      }
      assertThat(values(client.ask(1, new Request.Read(3, 3, 1))))
          .as("who speaks is not sent away")
          .containsExactly(7);
    } finally {
      for (Socket one : silent) {
        one.close();
      }
    }
  }

  /** A connection that says nothing, or begins a request and goes no further, is closed in time. */
  @Test
  void whoeverIsSilentForLongIsSentAway() throws Exception {
    try (TcpStandIn impatient =
            TcpStandIn.start(
                InetAddress.getLoopbackAddress(),
                0,
                Map.of(1, new RegisterBank(4, Map.of())),
                TcpStandIn.Framing.TCP,
                Duration.ofMillis(300));
        Socket mute = new Socket("127.0.0.1", impatient.port());
        Socket stuck = new Socket("127.0.0.1", impatient.port())) {
      stuck.getOutputStream().write(new byte[] {0, 1, 0});
      for (Socket one : List.of(mute, stuck)) {
        one.setSoTimeout(10_000);
        assertThat(one.getInputStream().read()).as("the end of the connection").isEqualTo(-1);
      }
      assertThat(impatient.clients()).isZero();
      try (TcpClient next = new TcpClient("127.0.0.1", impatient.port(), 2000)) {
        assertThat(values(next.ask(1, new Request.Read(3, 3, 1)))).containsExactly(0);
      }
    }
  }
}
