package unimotus.benchmarks;

import java.io.IOException;
import java.util.Arrays;
import java.util.concurrent.locks.LockSupport;
import unimotus.devices.modbus.FrameFault;
import unimotus.devices.modbus.Request;
import unimotus.devices.modbus.Response;
import unimotus.devices.modbus.TcpClient;

/** Reads so many drives again and again, and counts the cycles that were not done in time. */
public final class CyclicReading {
  private static final long CYCLE_NANOS = 10_000_000;
  private static final int WARM_UP_CYCLES = 1500;

  private CyclicReading() {}

  /** {@code PORT DRIVES SECONDS}. */
  public static void main(String[] args) throws IOException, FrameFault {
    int drives = Integer.parseInt(args[1]);
    int cycles = (int) (Long.parseLong(args[2]) * 1_000_000_000L / CYCLE_NANOS);
    Request read = new Request.Read(4, 0, 8);
    double[] micros = new double[cycles];
    int missed = 0;
    int missedOnOurOwn = 0;
    int heldBack = 0;
    BareTicks bare = new BareTicks();
    bare.start();
    try (TcpClient client = new TcpClient("127.0.0.1", Integer.parseInt(args[0]), 1000)) {
      for (int i = 0; i < WARM_UP_CYCLES; i++) {
        cycle(client, drives, read);
        LockSupport.parkNanos(CYCLE_NANOS);
      }
      long due = System.nanoTime();
      long stolen = StolenTime.hundredths();
      for (int i = 0; i < cycles; i++) {
        cycle(client, drives, read);
        long taken = System.nanoTime() - due;
        micros[i] = taken / 1e3;
        due += CYCLE_NANOS;
        long now = StolenTime.hundredths();
        boolean held = now > stolen;
        stolen = now;
        heldBack += held ? 1 : 0;
        if (taken > CYCLE_NANOS) {
          missed++;
          missedOnOurOwn += held ? 0 : 1;
          due = System.nanoTime();
        }
        while (System.nanoTime() < due) {
          LockSupport.parkNanos(due - System.nanoTime());
        }
      }
    }
    Arrays.sort(micros);
    System.out.printf(
        "%d drives every 10 ms, %d cycles: missed %d; from the tick to the last answer"
            + " median %.0f us, 99 %% %.0f us, longest %.0f us%n",
        drives,
        cycles,
        missed,
        micros[cycles / 2],
        micros[(int) (0.99 * cycles)],
        micros[cycles - 1]);
    System.out.printf(
        "the host held this machine back (stolen time) in %d of the cycles; missed in the others:"
            + " %d%n",
        heldBack, missedOnOurOwn);
    System.out.printf(
        "a bare thread that only waits for its tick, beside it: %d of %d ticks late by 10 ms or"
            + " more, longest %.0f us%n",
        bare.late, bare.ticks, bare.longestMicros);
  }

  /** What the machine itself does to a thread that waits every 10 ms and does nothing. */
  @SuppressWarnings("NonAtomicVolatileUpdate") // written by its own thread only
  private static final class BareTicks extends Thread {
    private volatile int late;
    private volatile int ticks;
    private volatile double longestMicros;

    BareTicks() {
      super("bare-ticks");
      setDaemon(true);
    }

    @Override
    public void run() {
      long due = System.nanoTime();
      while (true) {
        due += CYCLE_NANOS;
        while (System.nanoTime() < due) {
          LockSupport.parkNanos(due - System.nanoTime());
        }
        long over = System.nanoTime() - due;
        ticks++;
        longestMicros = Math.max(longestMicros, over / 1e3);
        if (over > CYCLE_NANOS) {
          late++;
          due = System.nanoTime();
        }
      }
    }
  }

  private static void cycle(TcpClient client, int drives, Request read)
      throws IOException, FrameFault {
    for (int unit = 1; unit <= drives; unit++) {
      Response answer = client.ask(unit, read);
      if (!(answer instanceof Response.Values)) {
        throw new IOException("unit %d refused: %s".formatted(unit, answer));
      }
    }
  }
}
