package unimotus.devices.ethercat.master;

import java.io.IOException;
import java.util.concurrent.locks.LockSupport;
import unimotus.devices.connection.Gate;
import unimotus.devices.connection.NotSent;

/**
 * Exchanges an image again and again, until it is ended, kept back by its gate, or nothing comes
 * back any more. Whatever ends it: no more outputs go out, they are set to 0, and the watchdogs of
 * the stations stop what is behind them. It does not begin again by itself.
 */
public final class CyclicRun implements AutoCloseable {
  private static final long NANOS_PER_MICRO = 1000;
  private static final int MOST_LOST = 10;

  /** A station that left OP does not count its outputs; it must not find them when it returns. */
  private static final int MOST_PARTIAL = 10;

  private final CyclicImage image;
  private final Exchange exchange;
  private final Gate gate;
  private final long periodNanos;
  private final Thread thread;
  private volatile boolean isEnded;
  private volatile String end = "";
  private long cycles;
  private long late;
  private long lost;
  private long partial;
  private long worstNanos;

  /**
   * How it went so far.
   *
   * @param cycles how often the image was exchanged
   * @param late how often an exchange began more than a period late
   * @param lost how many telegrams did not come back
   * @param partial how often not every station did it
   * @param worstNanos the longest time from the due beginning of a cycle to the end of its exchange
   */
  public record Count(long cycles, long late, long lost, long partial, long worstNanos) {}

  private CyclicRun(CyclicImage image, Exchange exchange, Gate gate, int periodMicroseconds) {
    this.image = image;
    this.exchange = exchange;
    this.gate = gate;
    this.periodNanos = periodMicroseconds * NANOS_PER_MICRO;
    this.thread = new Thread(this::run, "process data");
    thread.setDaemon(true);
    thread.setPriority(Thread.MAX_PRIORITY);
  }

  /** Starts. */
  public static CyclicRun start(
      CyclicImage image, Exchange exchange, Gate gate, int periodMicroseconds) {
    if (periodMicroseconds < 1) {
      throw new IllegalArgumentException(
          "a period of %d µs; expected 1 at least".formatted(periodMicroseconds));
    }
    CyclicRun run = new CyclicRun(image, exchange, gate, periodMicroseconds);
    run.thread.start();
    return run;
  }

  private void run() {
    long due = System.nanoTime();
    int inRow = 0;
    int partialInRow = 0;
    while (!isEnded) {
      long began = System.nanoTime();
      try {
        CyclicImage.Turn turn = image.exchange(exchange, gate);
        inRow = 0;
        count(began - due > periodNanos, turn.isWhole(), System.nanoTime() - due);
        partialInRow = turn.isWhole() ? 0 : partialInRow + 1;
        if (partialInRow == MOST_PARTIAL) {
          finish(
              "working counter %d instead of %d, %d times in a row: a station is not in OP any more"
                  .formatted(turn.counter(), turn.expected(), partialInRow));
        }
      } catch (NoAnswer none) {
        inRow++;
        count();
        if (inRow == MOST_LOST) {
          finish("%d telegrams in a row did not come back".formatted(inRow));
        }
      } catch (NotSent kept) {
        finish(String.valueOf(kept.getMessage()));
      } catch (IOException broken) {
        finish(String.valueOf(broken.getMessage()));
      }
      due += periodNanos;
      long now = System.nanoTime();
      // What was missed is not made up for: cycles would follow each other at once.
      due = Math.max(due, now - periodNanos);
      while (!isEnded && now < due) {
        LockSupport.parkNanos(due - now);
        now = System.nanoTime();
      }
    }
    image.clear();
  }

  private synchronized void count(boolean isLate, boolean isWhole, long nanos) {
    cycles++;
    late += isLate ? 1 : 0;
    partial += isWhole ? 0 : 1;
    worstNanos = Math.max(worstNanos, nanos);
  }

  private synchronized void count() {
    lost++;
  }

  private void finish(String why) {
    end = why;
    isEnded = true;
  }

  /** How it went so far. */
  public synchronized Count counted() {
    return new Count(cycles, late, lost, partial, worstNanos);
  }

  /** Why it ended by itself; empty while it runs, and where it was ended. */
  public String endedBy() {
    return end;
  }

  /** Whether outputs go out. */
  public boolean isRunning() {
    return !isEnded;
  }

  /** Ends it; outputs go out no more when this returns. */
  @Override
  public void close() {
    isEnded = true;
    LockSupport.unpark(thread);
    try {
      thread.join();
    } catch (InterruptedException ended) {
      Thread.currentThread().interrupt();
    }
  }
}
