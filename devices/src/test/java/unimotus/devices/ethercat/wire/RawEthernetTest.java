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
import unimotus.devices.connection.Gate;
import unimotus.devices.ethercat.master.BusScan;
import unimotus.devices.ethercat.master.CyclicImage;
import unimotus.devices.ethercat.master.CyclicRun;
import unimotus.devices.ethercat.master.Exchange;
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
            Conversation.class.getName());
    assertThat(code).as(String.join("\n", out)).isZero();
    assertThat(out).last().asString().isEqualTo("text 400, cycles many, partial 0, repeated 0, ");
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
