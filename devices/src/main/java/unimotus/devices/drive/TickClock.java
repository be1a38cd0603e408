package unimotus.devices.drive;

import java.util.function.LongSupplier;

/** Counts the ticks of a simulation that are due by a clock. Not thread-safe. */
final class TickClock {
  private static final long NANOS_PER_SECOND = 1_000_000_000;

  /** What is longer ago than this is not played any more; nobody looked. */
  private static final double MOST_SECONDS = 10;

  private final LongSupplier nanos;
  private final double tick;
  private long startNanos;
  private long played;

  /**
   * A clock that begins now.
   *
   * @param nanos in nanoseconds; it only goes forward
   * @param tick seconds from one tick to the next
   */
  TickClock(LongSupplier nanos, double tick) {
    this.nanos = nanos;
    this.tick = tick;
    this.startNanos = nanos.getAsLong();
  }

  /** Ticks since it was asked last. */
  long due() {
    long now = (long) ((nanos.getAsLong() - startNanos) / (tick * NANOS_PER_SECOND));
    long most = (long) (MOST_SECONDS / tick);
    if (now - played > most) {
      startNanos += (long) ((now - played - most) * tick * NANOS_PER_SECOND);
      now = played + most;
    }
    long due = now - played;
    played = now;
    return due;
  }
}
