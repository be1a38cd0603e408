package unimotus.workbench.live;

import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.function.LongSupplier;
import unimotus.devices.connection.Gate;
import unimotus.devices.connection.NotDone;
import unimotus.devices.connection.NotSent;

/**
 * Whether a link writes now, since whom and how long, and the log of all it wrote. Looking whether
 * it is armed and sending are one step: after a disarming nothing of a command goes out. Its time
 * only goes forward, whatever is done to the clock of the machine.
 */
final class Arming {
  private final String target;
  private final Clock clock;
  private final LongSupplier nanos;
  private final Duration lasts;
  private final List<String> log = Collections.synchronizedList(new ArrayList<>());
  private boolean armed;

  /** When it was armed or last commanded. */
  private long lastNanos;

  /** Counts the armings: a command belongs to the one it was given under. */
  private int term;

  Arming(String target, Clock clock, LongSupplier nanos, Duration lasts) {
    this.target = target;
    this.clock = clock;
    this.nanos = nanos;
    this.lasts = lasts;
  }

  synchronized void arm(String by) {
    if (by.isBlank()) {
      throw new IllegalArgumentException("enter your name first, then arm the link to " + target);
    }
    note("armed by " + by.strip());
    armed = true;
    term++;
    lastNanos = nanos.getAsLong();
  }

  synchronized void disarm() {
    if (armed) {
      armed = false;
      note("disarmed");
    }
  }

  synchronized boolean isArmed() {
    return armed && !isTooOld(nanos.getAsLong());
  }

  private boolean isTooOld(long now) {
    return now - lastNanos > lasts.toNanos();
  }

  /** Ends an arming that is too old; whether it did. */
  synchronized boolean expire() {
    if (!armed || !isTooOld(nanos.getAsLong())) {
      return false;
    }
    armed = false;
    note("disarmed by itself after %d s without a command".formatted(lasts.toSeconds()));
    return true;
  }

  /** Counts a command; its steps go out under this arming alone. */
  synchronized Gate command() throws NotDone {
    long now = nanos.getAsLong();
    if (!armed || isTooOld(now)) {
      throw new NotDone("the link is not armed: reading is free, writing is not");
    }
    lastNanos = now;
    int given = term;
    return send -> pass(given, send);
  }

  private synchronized void pass(int given, Gate.Send send) throws IOException {
    long now = nanos.getAsLong();
    if (!armed || isTooOld(now) || given != term) {
      throw new NotSent("the link was disarmed meanwhile, nothing was sent");
    }
    // The moment that was looked at, not a later one: an arming that ends just now stays ended.
    lastNanos = now;
    send.now();
  }

  void note(String words) {
    log.add("%s  %s  %s".formatted(clock.instant().truncatedTo(ChronoUnit.SECONDS), target, words));
  }

  List<String> log() {
    synchronized (log) {
      return List.copyOf(log);
    }
  }
}
