package unimotus.devices.modbus;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import unimotus.devices.modbus.TcpStandIn.Framing;

/** The program's client against a server of a general-purpose library. */
class IndependentServerTest {
  private static final String SCRIPT =
      """
      import sys
      from pymodbus.server import StartTcpServer
      from pymodbus.device import ModbusDeviceIdentification
      from pymodbus.datastore import ModbusSequentialDataBlock, ModbusSlaveContext
      from pymodbus.datastore import ModbusServerContext
      block = lambda start: ModbusSequentialDataBlock(0, [start + n for n in range(100)])
      bits = lambda: ModbusSequentialDataBlock(0, [n % 2 for n in range(100)])
      unit = ModbusSlaveContext(di=bits(), co=bits(), hr=block(0), ir=block(1000), zero_mode=True)
      who = ModbusDeviceIdentification(info_name={'VendorName': 'v', 'ProductCode': 'p',
                                                  'MajorMinorRevision': '3'})
      from pymodbus.transaction import ModbusRtuFramer, ModbusSocketFramer
      framer = ModbusRtuFramer if sys.argv[2] == 'SERIAL' else ModbusSocketFramer
      print('ready', flush=True)
      StartTcpServer(context=ModbusServerContext(slaves=unit, single=True), identity=who,
                     framer=framer, address=('127.0.0.1', int(sys.argv[1])))
      """;

  private Process server;
  private Client client;

  @BeforeAll
  static void isThere() throws Exception {
    boolean there =
        new ProcessBuilder("/usr/bin/python3", "-c", "from pymodbus.server import StartTcpServer")
                .start()
                .waitFor()
            == 0;
    if (!there) {
      System.err.println("NOT CHECKED: python3-pymodbus is missing, no other server was asked");
    }
    assumeTrue(there);
  }

  private void start(Framing framing) throws Exception {
    int port;
    try (ServerSocket free = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
      port = free.getLocalPort();
    }
    server =
        new ProcessBuilder("/usr/bin/python3", "-c", SCRIPT, String.valueOf(port), framing.name())
            .redirectError(ProcessBuilder.Redirect.DISCARD)
            .start();
    BufferedReader said =
        new BufferedReader(new InputStreamReader(server.getInputStream(), StandardCharsets.UTF_8));
    assertThat(said.readLine()).isEqualTo("ready");
    Route route =
        framing == Framing.TCP
            ? new Route.Tcp("127.0.0.1", port)
            : new Route.SerialOverTcp("127.0.0.1", port);
    client = route.client(3000);
    awaitService();
  }

  private void awaitService() throws InterruptedException {
    for (int i = 0; i < 100; i++) {
      try {
        client.ask(1, new Request.Read(3, 0, 1));
        return;
      } catch (IOException | FrameFault notYet) {
        Thread.sleep(50);
      }
    }
  }

  @AfterEach
  void stop() throws IOException {
    client.close();
    server.destroyForcibly();
  }

  private List<Integer> values(Request request) throws IOException, FrameFault {
    return ((Response.Values) client.ask(1, request)).values();
  }

  @ParameterizedTest
  @EnumSource
  void everyTableIsReadAndWritten(Framing framing) throws Exception {
    start(framing);
    assertThat(values(new Request.Read(3, 10, 3))).containsExactly(10, 11, 12);
    assertThat(values(new Request.Read(4, 0, 2))).containsExactly(1000, 1001);
    assertThat(values(new Request.Read(1, 0, 9))).containsExactly(0, 1, 0, 1, 0, 1, 0, 1, 0);
    assertThat(values(new Request.Read(2, 1, 3))).containsExactly(1, 0, 1);
    client.ask(1, new Request.WriteOne(6, 5, 0xABCD));
    client.ask(1, new Request.WriteMany(16, 6, List.of(1, 65_535)));
    assertThat(values(new Request.Read(3, 5, 3))).containsExactly(0xABCD, 1, 65_535);
    client.ask(1, new Request.WriteOne(5, 3, 0));
    client.ask(1, new Request.WriteMany(15, 4, List.of(1, 1, 1)));
    assertThat(values(new Request.Read(1, 3, 4))).containsExactly(0, 1, 1, 1);
    assertThat(values(new Request.ReadWrite(0, 3, 1, List.of(7, 8)))).containsExactly(0, 7, 8);
  }

  @ParameterizedTest
  @EnumSource
  void masksExceptionsAndIdentification(Framing framing) throws Exception {
    start(framing);
    client.ask(1, new Request.WriteOne(6, 4, 0x12));
    client.ask(1, new Request.MaskWrite(4, 0xF2, 0x25));
    assertThat(values(new Request.Read(3, 4, 1))).containsExactly(0x17);
    Response outside = client.ask(1, new Request.Read(3, 65_000, 1));
    assertThat(((Response.Refusal) outside).code())
        .isEqualTo(ExceptionCode.ILLEGAL_DATA_ADDRESS.code());
    Response.Identity who = (Response.Identity) client.ask(1, new Request.Identify(1, 0));
    assertThat(who.objects()).containsEntry(0, "v").containsEntry(1, "p").containsEntry(2, "3");
  }
}
