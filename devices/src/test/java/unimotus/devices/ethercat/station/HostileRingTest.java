package unimotus.devices.ethercat.station;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.SocketTimeoutException;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import unimotus.devices.ethercat.Command;
import unimotus.devices.ethercat.Datagram;
import unimotus.devices.ethercat.Telegram;
import unimotus.devices.ethercat.mailbox.Mail;
import unimotus.devices.ethercat.master.BusScan;
import unimotus.devices.ethercat.master.Exchange;
import unimotus.devices.ethercat.master.FoundStation;
import unimotus.devices.ethercat.wire.RingServer;
import unimotus.devices.ethercat.wire.UdpWire;

/** A million mutated telegrams, mails among them, while a good client scans again and again. */
class HostileRingTest {
  private static final int FRAMES = 1_000_000;
  private static final int ATTACKERS = 3;
  private static final int IN_ROW = 20;
  private static final long BOUND_BYTES = 64L << 20;

  private final AtomicInteger sent = new AtomicInteger();

  private static Datagram seed(Random random) {
    Command command = Command.values()[random.nextInt(Command.values().length)];
    int[] places = {
      0x0000, 0x0010, 0x0110, 0x0120, 0x0130, 0x0400, 0x0502, 0x0600, 0x0800, 0x0805, 0x080E,
      0x0910, 0x1000, 0x1200, 0x1400, 0x1800, 0x4FFE, 0xFFF0
    };
    int place = places[random.nextInt(places.length)];
    int first =
        random.nextBoolean() ? BusScan.FIRST_ADDRESS + random.nextInt(3) : random.nextInt(4);
    byte[] data = new byte[random.nextInt(140)];
    random.nextBytes(data);
    if (place == 0x1000 && random.nextBoolean()) {
      data = mail(random);
    }
    long address = (long) place << 16 | first;
    return new Datagram(command, random.nextInt(256), address, data, false, 0, 0);
  }

  /** A request for an object with a few bytes exchanged. */
  private static byte[] mail(Random random) {
    byte[] body = new byte[10 + random.nextInt(20)];
    random.nextBytes(body);
    body[0] = 0;
    body[1] = (byte) (random.nextBoolean() ? 0x20 : 0x80);
    int counter = random.nextInt(8);
    byte[] mail =
        new Mail(random.nextInt(5) == 0 ? random.nextInt(16) : 3, counter, body).bytes(128);
    mail[random.nextInt(2)] = (byte) random.nextInt(256);
    return mail;
  }

  private static byte[] mutated(Random random) {
    List<Datagram> datagrams = new ArrayList<>();
    for (int i = random.nextInt(3); i >= 0; i--) {
      datagrams.add(seed(random));
    }
    byte[] frame = new Telegram(datagrams).bytes();
    for (int n = random.nextInt(3); n > 0; n--) {
      frame[random.nextInt(frame.length)] = (byte) random.nextInt(256);
    }
    return random.nextInt(50) == 0
        ? java.util.Arrays.copyOf(frame, random.nextInt(frame.length))
        : frame;
  }

  /** Sends a few, then a good one, so that nothing piles up where it would be thrown away. */
  private void attack(int port, int number) {
    Random random = new Random(number);
    byte[] good =
        new Telegram(List.of(new Datagram(Command.BRD, 0, 0x0130L << 16, new byte[2], false, 0, 0)))
            .bytes();
    try (DatagramSocket socket = new DatagramSocket()) {
      socket.connect(InetAddress.getLoopbackAddress(), port);
      socket.setSoTimeout(200);
      while (sent.get() < FRAMES) {
        for (int i = 0; i < IN_ROW; i++) {
          byte[] frame = mutated(random);
          socket.send(new DatagramPacket(frame, frame.length));
        }
        socket.send(new DatagramPacket(good, good.length));
        sent.addAndGet(IN_ROW);
        drain(socket, good.length);
      }
    } catch (IOException broken) {
      throw new AssertionError(broken);
    }
  }

  private static void drain(DatagramSocket socket, int length) throws IOException {
    DatagramPacket packet = new DatagramPacket(new byte[2048], 2048);
    try {
      do {
        socket.receive(packet);
      } while (packet.getLength() != length);
    } catch (SocketTimeoutException lost) {
      // UDP loses packets under load; the next row comes all the same.
    }
  }

  private static long used() {
    System.gc();
    Runtime runtime = Runtime.getRuntime();
    return runtime.totalMemory() - runtime.freeMemory();
  }

  @Test
  void aMillionMutatedTelegramsDisturbNobody() throws Exception {
    List<Station> stations = new ArrayList<>();
    for (int i = 1; i <= 3; i++) {
      stations.add(
          i == 2 ? TestStations.drive(i, System::nanoTime) : TestStations.odd(i, System::nanoTime));
    }
    long before = used();
    int scans = 0;
    try (RingServer server = RingServer.udp(new Ring(stations), 0);
        Exchange exchange =
            new Exchange(UdpWire.to("127.0.0.1", server.port()), 100, 20, Exchange.Tap.NONE)) {
      List<Thread> attackers = new ArrayList<>();
      for (int i = 0; i < ATTACKERS; i++) {
        int number = i;
        Thread attacker = new Thread(() -> attack(server.port(), number));
        attacker.start();
        attackers.add(attacker);
      }
      while (attackers.stream().anyMatch(Thread::isAlive)) {
        assertThat(BusScan.count(exchange)).isEqualTo(3);
        scans++;
      }
      for (Thread attacker : attackers) {
        attacker.join();
      }
      assertThat(server.fault()).isEmpty();
      List<FoundStation> found = BusScan.scan(exchange);
      assertThat(found)
          .extracting(f -> f.eeprom().orElseThrow().product())
          .containsExactly(0x11L, 0x22L, 0x11L);
    }
    assertThat(used() - before).isLessThan(BOUND_BYTES);
    System.out.printf(
        "mutated telegrams: %d, %d good ones answered beside them%n", sent.get(), scans);
    assertThat(scans).isPositive();
  }
}
