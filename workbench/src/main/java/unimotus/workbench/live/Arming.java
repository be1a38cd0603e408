package unimotus.workbench.live;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.atomic.AtomicReference;
import org.jspecify.annotations.Nullable;

/** Whether a link writes now, since whom and how long, and the log of all it wrote. */
final class Arming {
  private final Target target;
  private final Clock clock;
  private final Duration lasts;
  private final List<String> log = Collections.synchronizedList(new ArrayList<>());

  /** When it was armed or last commanded; null while it is not armed. */
  private final AtomicReference<@Nullable Instant> lastCommand = new AtomicReference<>();

  Arming(Target target, Clock clock, Duration lasts) {
    this.target = target;
    this.clock = clock;
    this.lasts = lasts;
  }

  void arm(String by) {
    if (by.isBlank()) {
      throw new IllegalArgumentException("say who arms the link to " + target);
    }
    note("armed by " + by.strip());
    lastCommand.set(clock.instant());
  }

  void disarm() {
    if (lastCommand.getAndSet(null) != null) {
      note("disarmed");
    }
  }

  boolean isArmed() {
    Instant last = lastCommand.get();
    return last != null && !isTooOld(last);
  }

  private boolean isTooOld(Instant last) {
    return clock.instant().isAfter(last.plus(lasts));
  }

  /** Ends an arming that is too old; whether it did. */
  boolean expire() {
    Instant last = lastCommand.get();
    if (last == null || !isTooOld(last) || !lastCommand.compareAndSet(last, null)) {
      return false;
    }
    note("disarmed by itself after %d s without a command".formatted(lasts.toSeconds()));
    return true;
  }

  /** Counts a command. */
  void command() throws NotDone {
    if (!isArmed()) {
      throw new NotDone("the link is not armed: reading is free, writing is not");
    }
    lastCommand.set(clock.instant());
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
