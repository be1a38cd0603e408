package unimotus.devices.modbus;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import unimotus.devices.serial.Parity;
import unimotus.devices.serial.PseudoTerminal;
import unimotus.devices.serial.SerialSettings;

/**
 * Silences on a serial line, measured at the other end of a pair of pseudo-terminals (Modbus over
 * Serial Line V1.02, from memory: 3.5 characters before every frame, a turnaround after a
 * broadcast).
 */
class SerialTimingTest {
  private static final int REQUESTS = 8;

  /** By hand: 3.5 · 11 bits at 19200 baud are 2.005 ms; above, 1.75 ms whatever the speed. */
  @ParameterizedTest
  @CsvSource({
    "1200, EVEN, 1, 32083",
    "9600, EVEN, 1, 4010",
    "9600, NONE, 1, 3645",
    "19200, EVEN, 1, 2005",
    "38400, EVEN, 1, 1750",
    "115200, NONE, 2, 1750"
  })
  void theSilenceFollowsTheSpeed(int baud, Parity parity, int stop, long micros) {
    assertThat(new SerialSettings(baud, parity, stop).silenceNanos() / 1000)
        .isBetween(micros - 1, micros + 1);
  }

  /** Nanoseconds from what was sent last to each request, as the other end sees them. */
  private static List<Long> gaps(PseudoTerminal device, boolean answers) throws Exception {
    List<Long> gaps = new ArrayList<>();
    byte[] chunk = new byte[RtuFrame.LONGEST];
    long before = System.nanoTime();
    for (int request = 0; request < REQUESTS; request++) {
      int count = 0;
      while (count < 8) {
        int came = device.receive(chunk, 2000);
        assertThat(came).as("request %d", request).isPositive();
        if (count == 0) {
          gaps.add(System.nanoTime() - before);
        }
        count += came;
      }
      before = System.nanoTime();
      if (answers) {
        before = System.nanoTime();
        device.send(new RtuFrame(1, new byte[] {3, 2, 0, 7}).bytes());
      }
    }
    return gaps;
  }

  @ParameterizedTest
  @CsvSource({"1200", "9600", "19200", "115200"})
  void everyRequestWaitsForSilence(int baud) throws Exception {
    assumeTrue(PseudoTerminal.isPossible());
    SerialSettings settings = new SerialSettings(baud, Parity.NONE, 1);
    ExecutorService other = Executors.newSingleThreadExecutor();
    try (PseudoTerminal device = PseudoTerminal.open();
        Client client = new Route.Serial(device.name(), settings).client(1000)) {
      Future<List<Long>> seen = other.submit(() -> gaps(device, true));
      for (int i = 0; i < REQUESTS; i++) {
        client.ask(1, new Request.Read(3, 0, 1));
      }
      List<Long> gaps = seen.get();
      assertThat(gaps.subList(1, gaps.size()))
          .as("at %d baud", baud)
          .allSatisfy(g -> assertThat(g).isGreaterThanOrEqualTo(settings.silenceNanos()));
    } finally {
      other.shutdownNow();
    }
  }

  private static final long TURNAROUND_NANOS = 100_000_000;

  /** What is sent to all is answered by none: the next request waits 100 ms. */
  @Test
  void aBroadcastGetsItsTurnaround() throws Exception {
    assumeTrue(PseudoTerminal.isPossible());
    SerialSettings settings = new SerialSettings(19_200, Parity.NONE, 1);
    ExecutorService other = Executors.newSingleThreadExecutor();
    try (PseudoTerminal device = PseudoTerminal.open();
        Client client = new Route.Serial(device.name(), settings).client(1000)) {
      Future<List<Long>> seen = other.submit(() -> gaps(device, false));
      for (int i = 0; i < REQUESTS; i++) {
        client.ask(0, new Request.WriteOne(6, 0, i));
      }
      List<Long> gaps = seen.get();
      // The first two are seen by a reader that has just begun to run. A frame that is noticed late
      // shortens the gap behind it and lengthens the one before.
      List<Long> between = gaps.subList(2, gaps.size());
      assertThat(between).allSatisfy(g -> assertThat(g).isGreaterThan(TURNAROUND_NANOS / 2));
      assertThat(between.stream().mapToLong(g -> g).sum())
          .isGreaterThan((between.size() - 1) * TURNAROUND_NANOS);
    } finally {
      other.shutdownNow();
    }
  }
}
