package unimotus.workbench.live;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import unimotus.devices.modbus.RegisterBank;
import unimotus.devices.modbus.Route;
import unimotus.devices.modbus.SerialStandIn;
import unimotus.devices.modbus.TcpStandIn;
import unimotus.devices.modbus.Unit;
import unimotus.devices.serial.Parity;
import unimotus.devices.serial.SerialSettings;

/** Units and line settings found by asking. */
class DeviceSearchTest {
  private final List<String> asked = new ArrayList<>();

  private static Unit bank(String name, int places) {
    return new RegisterBank(places, Map.of(0, "a maker", 1, name, 2, "1.0"));
  }

  private DeviceSearch search(int milliseconds) {
    return new DeviceSearch(milliseconds, (done, all, now) -> asked.add(now), () -> false);
  }

  @Test
  void unitsBehindAGateway() throws IOException {
    try (TcpStandIn gateway =
        TcpStandIn.start(0, Map.of(3, bank("pump", 10), 17, bank("fan", 0)))) {
      DeviceSearch.Result result = search(300).units(gateway.route(), 1, 20);
      assertThat(result.found())
          .extracting(f -> f.target().unit(), DeviceSearch.Found::identity)
          .containsExactly(
              org.assertj.core.groups.Tuple.tuple(3, "a maker, pump, 1.0"),
              org.assertj.core.groups.Tuple.tuple(17, "a maker, fan, 1.0"));
      assertThat(result.found().get(0).evidence()).contains("answered [0]");
      assertThat(result.found().get(1).evidence()).contains("illegal data address");
      assertThat(asked).hasSize(20);
    }
  }

  /** 9600 baud is found among the candidates; silence before it is no fault. */
  @Test
  void theBaudRateOfASerialLine() throws IOException {
    SerialSettings set = new SerialSettings(9600, Parity.EVEN, 1);
    try (SerialStandIn drive = SerialStandIn.start(set, Map.of(5, bank("drive", 10)))) {
      DeviceSearch.Result result =
          search(60)
              .settings(
                  s -> new Route.Serial(drive.port(), s),
                  SerialSettings.candidates(),
                  List.of(1, 5));
      assertThat(result.found()).hasSize(1);
      DeviceSearch.Found found = result.found().get(0);
      assertThat(found.target().unit()).isEqualTo(5);
      assertThat(((Route.Serial) found.target().route()).settings().baud()).isEqualTo(9600);
      assertThat(asked.get(0)).contains("19200 baud, parity even, 1 stop unit 1");
    }
  }

  @Test
  void itCanBeEnded() throws IOException {
    try (TcpStandIn gateway = TcpStandIn.start(0, Map.of(1, bank("pump", 10)))) {
      DeviceSearch.Result result =
          new DeviceSearch(300, (done, all, now) -> asked.add(now), () -> asked.size() >= 3)
              .units(gateway.route(), 1, 247);
      assertThat(asked).hasSize(3);
      assertThat(result.trouble()).contains("ended before");
      assertThat(result.found()).hasSize(1);
    }
  }

  @Test
  void aWayThatIsNotThereIsSaid() throws IOException {
    int free;
    try (ServerSocket socket = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
      free = socket.getLocalPort();
    }
    DeviceSearch.Result result = search(300).units(new Route.Tcp("127.0.0.1", free), 1, 5);
    assertThat(result.found()).isEmpty();
    assertThat(result.trouble()).contains("127.0.0.1:" + free).contains("refused");
  }
}
