package unimotus.devices.ethercat.wire;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import unimotus.core.processdata.DriveImage;
import unimotus.core.value.HeldValue;
import unimotus.core.value.PlacedValue;
import unimotus.core.value.ValueRole;
import unimotus.devices.connection.Gate;
import unimotus.devices.ethercat.master.BusScan;
import unimotus.devices.ethercat.master.CyclicImage;
import unimotus.devices.ethercat.master.CyclicRun;
import unimotus.devices.ethercat.master.Exchange;
import unimotus.devices.ethercat.master.Pace;
import unimotus.devices.ethercat.master.StationConnection;
import unimotus.devices.ethercat.master.StationLink;
import unimotus.devices.ethercat.master.StationStart;
import unimotus.devices.ethercat.station.Ring;
import unimotus.devices.ethercat.station.Station;
import unimotus.devices.ethercat.station.TestStations;

/** Ethernet frames of their own, between two ends of a virtual pair in a network of its own. */
class RawEthernetTest {
  private static final String NETWORK = "unimotus-" + ProcessHandle.current().pid();

  /** What runs in that network: stations at one end, a controller at the other. */
  static final class Conversation {
    private Conversation() {}

    public static void main(String[] arguments) throws Exception {
      List<Station> stations =
          List.of(
              TestStations.odd(1, System::nanoTime),
              TestStations.odd(2, System::nanoTime),
              TestStations.odd(3, System::nanoTime));
      try (RingServer server = RingServer.ethernet(new Ring(stations), "far");
          Exchange exchange = new Exchange(EthernetWire.at("near"), 200, 5, Exchange.Tap.NONE)) {
        CyclicImage image = new CyclicImage();
        List<StationStart> starts = new ArrayList<>();
        for (StationLink link : BusScan.addressed(exchange, BusScan.count(exchange))) {
          StationStart start = new StationStart(link, link.eeprom(), Gate.OPEN);
          start.mailbox();
          CyclicImage.Member member = image.add(start.imageSize());
          start.processData(CyclicImage.START + member.at(), member.size());
          starts.add(start);
        }
        for (StationStart start : starts) {
          start.operate(() -> image.exchange(exchange, Gate.OPEN));
        }
        CyclicRun run = CyclicRun.start(image, exchange, Gate.OPEN, 2000);
        TimeUnit.MILLISECONDS.sleep(500);
        run.close();
        System.out.printf(
            "text %d, cycles %s, partial %d, repeated %d, %s%n",
            starts.get(1).objects().read(0x2000, 0).length,
            run.counted().cycles() > 50 ? "many" : run.counted().cycles(),
            run.counted().partial(),
            exchange.repeated(),
            server.fault());
      }
    }
  }

  /** The same two ends with a drive, reached as Live reaches it. */
  static final class Commanded {
    private Commanded() {}

    public static void main(String[] arguments) throws Exception {
      DriveImage image = TestStations.image(TestStations.drive());
      Ring ring = new Ring(List.of(TestStations.drive(1, System::nanoTime)));
      try (RingServer server = RingServer.ethernet(ring, "far");
          StationConnection drive =
              new StationConnection(
                  Cable.ethernet("near"), 0, image, new Pace(4000, 1000), Exchange.Tap.NONE)) {
        drive.write(image.entry(ValueRole.REFERENCE).orElseThrow(), 300, Gate.OPEN);
        PlacedValue control = image.entry(ValueRole.CONTROL_WORD).orElseThrow();
        for (int word : new int[] {0x06, 0x07, 0x7F}) {
          drive.write(control, word, Gate.OPEN);
        }
        TimeUnit.SECONDS.sleep(2);
        PlacedValue status = image.entry(ValueRole.STATUS_WORD).orElseThrow();
        HeldValue held = drive.read(List.of(status), new ArrayList<>()).get(status);
        System.out.printf(
            "status 0x%02X, %s, %s%n",
            (int) ((HeldValue.Number) held).value() & 0x6F,
            drive.standing().substring(0, 5),
            server.fault());
      }
    }
  }

  private static int run(List<String> out, String... command) throws Exception {
    Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
    new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8)
        .lines()
        .forEach(out::add);
    return process.waitFor();
  }

  private static int run(String... command) throws Exception {
    return run(new ArrayList<>(), command);
  }

  private static boolean canMakeNetworks() {
    try {
      return run("ip", "netns", "add", NETWORK) == 0
          && run("ip", "-n", NETWORK, "link", "add", "near", "type", "veth", "peer", "name", "far")
              == 0
          && run("ip", "-n", NETWORK, "link", "set", "near", "up") == 0
          && run("ip", "-n", NETWORK, "link", "set", "far", "up") == 0;
    } catch (Exception missing) {
      return false;
    }
  }

  @AfterEach
  void removeNetwork() throws Exception {
    if (run("which", "ip") == 0) {
      run("ip", "netns", "del", NETWORK);
    }
  }

  @Test
  void stationsAnswerOverEthernetFrames() throws Exception {
    boolean can = canMakeNetworks();
    if (!can) {
      System.err.println("NOT CHECKED: no right to make a network, Ethernet frames were not sent");
    }
    assumeTrue(can);
    assertThat(inNetwork(Conversation.class))
        .isEqualTo("text 400, cycles many, partial 0, repeated 0, ");
    // IEC 61800-7-201, from memory: operation enabled is x01x 0111.
    assertThat(inNetwork(Commanded.class)).isEqualTo("status 0x27, in OP, ");
  }

  /** The last line a program prints there. */
  private static String inNetwork(Class<?> program) throws Exception {
    List<String> out = new ArrayList<>();
    int code =
        run(
            out,
            "ip",
            "netns",
            "exec",
            NETWORK,
            Path.of(System.getProperty("java.home"), "bin", "java").toString(),
            "-cp",
            System.getProperty("java.class.path"),
            program.getName());
    assertThat(code).as(String.join("\n", out)).isZero();
    return out.get(out.size() - 1);
  }

  @Test
  void whatIsNoInterfaceIsNamed() {
    assertThatThrownBy(() -> EthernetWire.at("nosuch0"))
        .isInstanceOf(IOException.class)
        .hasMessageContaining("'nosuch0' is no Ethernet interface of this machine");
  }

  @Test
  void whatIsNoAddressIsNamed() {
    assertThatThrownBy(() -> UdpWire.to("no.such.host.invalid", 34980))
        .isInstanceOf(IOException.class)
        .hasMessageContaining("no.such.host.invalid");
  }

  @Test
  void aTakenPortIsNamed() throws IOException {
    Ring ring = new Ring(List.of(TestStations.odd(1, System::nanoTime)));
    try (RingServer first = RingServer.udp(ring, 0)) {
      assertThatThrownBy(() -> RingServer.udp(ring, first.port()))
          .hasMessageContaining("UDP port %d".formatted(first.port()));
    }
  }
}
