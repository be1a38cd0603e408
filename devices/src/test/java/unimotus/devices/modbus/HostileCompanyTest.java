package unimotus.devices.modbus;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedInputStream;
import java.io.ByteArrayOutputStream;
import java.io.DataInputStream;
import java.io.IOException;
import java.net.InetAddress;
import java.net.Socket;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import unimotus.devices.modbus.TcpStandIn.Framing;

/** A million mutated frames over connections, while a good client is served. */
class HostileCompanyTest {
  private static final int FRAMES = 1_000_000;
  private static final int ATTACKERS = 4;
  private static final int UNDISTURBED = 5000;
  private static final int FRAMES_AT_ONCE = 100;
  private static final long BOUND_BYTES = 64L << 20;

  private static final List<Request> SEEDS =
      List.of(
          new Request.Read(1, 0, 10),
          new Request.Read(3, 5, 100),
          new Request.WriteOne(5, 3, 1),
          new Request.WriteOne(6, 3, 99),
          new Request.WriteMany(15, 0, List.of(1, 0, 1)),
          new Request.WriteMany(16, 7, List.of(1, 2, 3, 4)),
          new Request.MaskWrite(1, 2, 3),
          new Request.ReadWrite(0, 4, 9, List.of(5)),
          new Request.Identify(1, 0));

  private final AtomicInteger answered = new AtomicInteger();
  private final AtomicInteger joined = new AtomicInteger();
  private final RegisterBank own = new RegisterBank(10, Map.of());
  private final Map<Integer, Unit> units = Map.of(1, new RegisterBank(500, Map.of(0, "m")), 2, own);

  /** A good frame in which a few bytes are exchanged; the header mostly stays. */
  private static byte[] mutated(Random random) {
    Request seed = SEEDS.get(random.nextInt(SEEDS.size()));
    byte[] frame = new TcpFrame(random.nextInt(0x10000), 1, seed.bytes()).bytes();
    for (int n = random.nextInt(3); n >= 0; n--) {
      int least = random.nextInt(2000) == 0 ? 0 : TcpFrame.HEADER;
      frame[least + random.nextInt(frame.length - least)] = (byte) random.nextInt(256);
    }
    return frame;
  }

  private void attack(int port, int seed) {
    Random random = new Random(seed);
    while (answered.get() < FRAMES) {
      try (Socket socket = new Socket("127.0.0.1", port)) {
        joined.incrementAndGet();
        count(socket);
        while (answered.get() < FRAMES) {
          ByteArrayOutputStream many = new ByteArrayOutputStream();
          for (int i = 0; i < FRAMES_AT_ONCE; i++) {
            many.writeBytes(mutated(random));
          }
          socket.getOutputStream().write(many.toByteArray());
        }
      } catch (IOException closedOnUs) {
        // A header that lies ends the connection: the next one is made.
        continue;
      }
    }
  }

  /** Counts what is answered: every frame whose header is one is, whatever else it says. */
  private void count(Socket socket) {
    start(
        () -> {
          DataInputStream in =
              new DataInputStream(new BufferedInputStream(socket.getInputStream()));
          while (TcpFrame.read(in) != null) {
            answered.incrementAndGet();
          }
        });
  }

  /** Takes what is answered and throws it away. */
  private static void drain(Socket socket) {
    start(
        () -> {
          byte[] scrap = new byte[8192];
          while (socket.getInputStream().read(scrap) >= 0) {
            continue;
          }
        });
  }

  private interface Reading {
    void run() throws IOException, FrameFault;
  }

  private static void start(Reading reading) {
    Thread thread =
        new Thread(
            () -> {
              try {
                reading.run();
              } catch (IOException | FrameFault over) {
                return;
              }
            });
    thread.setDaemon(true);
    thread.start();
  }

  private static long used() {
    System.gc();
    return Runtime.getRuntime().totalMemory() - Runtime.getRuntime().freeMemory();
  }

  /** Writes and reads back; how long both took, in nanoseconds. */
  private static long served(TcpClient good, int number) throws IOException, FrameFault {
    long begun = System.nanoTime();
    good.ask(2, new Request.WriteOne(6, 3, number % 1000));
    assertThat(good.ask(2, new Request.Read(3, 3, 1)))
        .isEqualTo(new Response.Values(3, List.of(number % 1000)));
    return System.nanoTime() - begun;
  }

  /** The 99th percentile in milliseconds. */
  private static double percentile(List<Long> nanos) {
    List<Long> sorted = nanos.stream().sorted().toList();
    return sorted.get((int) (0.99 * (sorted.size() - 1))) / 1e6;
  }

  @Test
  void aMillionMutatedFramesOverConnections() throws Exception {
    try (TcpStandIn standIn = TcpStandIn.start(0, units);
        TcpClient good = new TcpClient("127.0.0.1", standIn.port(), 5000)) {
      long before = used();
      List<Long> alone = new ArrayList<>();
      for (int i = 0; i < UNDISTURBED; i++) {
        alone.add(served(good, i));
      }
      List<Long> disturbed = new ArrayList<>();
      Thread[] attackers = new Thread[ATTACKERS];
      for (int i = 0; i < ATTACKERS; i++) {
        int seed = i;
        attackers[i] = new Thread(() -> attack(standIn.port(), seed));
        attackers[i].start();
      }
      int served = 0;
      while (answered.get() < FRAMES) {
        disturbed.add(served(good, served));
        served++;
      }
      for (Thread attacker : attackers) {
        attacker.join(10_000);
      }
      assertThat(served).as("served in between").isGreaterThan(100);
      System.out.printf(
          "%d mutated frames answered, %d connections; a good client's write and read, 99%%: "
              + "%.2f ms undisturbed (%d), %.2f ms beside them (%d)%n",
          answered.get(),
          joined.get(),
          percentile(alone),
          alone.size(),
          percentile(disturbed),
          disturbed.size());
      assertThat(joined.get()).as("connections that were ended").isGreaterThan(ATTACKERS);
      for (int i = 0; i < 100 && standIn.clients() > 1; i++) {
        Thread.sleep(20);
      }
      assertThat(standIn.clients()).as("none is left over").isEqualTo(1);
      assertThat(used() - before).as("nothing leaks").isLessThan(BOUND_BYTES);
    }
  }

  /** On a serial line a mutated frame is noise: no answer, and the next good one is heard. */
  @Test
  void mutatedSerialFramesAreNoise() throws Exception {
    try (TcpStandIn converter =
            TcpStandIn.start(InetAddress.getLoopbackAddress(), 0, units, Framing.SERIAL);
        Socket noisy = new Socket("127.0.0.1", converter.port());
        Client good = converter.route().client(2000)) {
      drain(noisy);
      AtomicBoolean over = new AtomicBoolean();
      Random random = new Random(9);
      Thread attacker =
          new Thread(
              () -> {
                try {
                  for (int i = 0; i < 200_000; i++) {
                    byte[] frame = new RtuFrame(1, SEEDS.get(i % SEEDS.size()).bytes()).bytes();
                    frame[random.nextInt(frame.length)] ^= (byte) (1 + random.nextInt(255));
                    noisy.getOutputStream().write(frame);
                  }
                } catch (IOException broken) {
                  return;
                } finally {
                  over.set(true);
                }
              });
      attacker.start();
      int served = 0;
      while (!over.get()) {
        assertThat(good.ask(2, new Request.WriteOne(6, 4, served++ % 1000)).function())
            .isEqualTo(6);
      }
      attacker.join();
      assertThat(served).isPositive();
      assertThat(good.ask(2, new Request.Read(3, 4, 1)))
          .isEqualTo(new Response.Values(3, List.of((served - 1) % 1000)));
    }
  }
}
