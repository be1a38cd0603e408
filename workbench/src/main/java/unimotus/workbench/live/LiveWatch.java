package unimotus.workbench.live;

import java.io.IOException;
import java.util.concurrent.Executors;
import java.util.concurrent.RejectedExecutionException;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import unimotus.devices.connection.NotDone;

/**
 * Reads a drive again and again, and does what is commanded between two readings, on a thread of
 * its own. A drive that was commanded is handed back before it is left, and stopped where the
 * program ends, however it ends.
 */
public final class LiveWatch implements AutoCloseable {
  private final LiveLink link;
  private final Listener listener;
  private final int everyMilliseconds;
  private final ScheduledExecutorService line =
      Executors.newSingleThreadScheduledExecutor(
          work -> {
            Thread thread = new Thread(work, "live-watch");
            thread.setDaemon(true);
            return thread;
          });
  private final Thread atTheEnd = new Thread(this::stopAtTheEnd, "live-end");
  private volatile boolean left;

  /** Is told what happens, on the thread of the watch. */
  public interface Listener {
    /** The drive was read. */
    void read(Sample sample);

    /** The drive was not read. */
    void silent(String why);

    /** A command was done. */
    void done();

    /** A command was not done. */
    void refused(String why);

    /** Nobody commanded for so long that the drive was handed back. */
    void expired();
  }

  /** Something that waits for the drive. */
  public interface Command {
    /**
     * Does it.
     *
     * @throws NotDone where the drive does not
     */
    void on(LiveLink link) throws NotDone;
  }

  /** Begins to read. */
  public LiveWatch(LiveLink link, int everyMilliseconds, Listener listener) {
    this.link = link;
    this.everyMilliseconds = everyMilliseconds;
    this.listener = listener;
    Runtime.getRuntime().addShutdownHook(atTheEnd);
    line.execute(this::poll);
  }

  /** The link that is watched. */
  public LiveLink link() {
    return link;
  }

  private void poll() {
    if (left) {
      return;
    }
    try {
      if (link.expire()) {
        listener.expired();
      }
      Sample sample = link.read();
      if (!left) {
        listener.read(sample);
      }
    } catch (NotDone why) {
      if (!left) {
        listener.silent(String.valueOf(why.getMessage()));
      }
    }
    if (!left) {
      line.schedule(this::poll, everyMilliseconds, TimeUnit.MILLISECONDS);
    }
  }

  /** Does something after what is under way. */
  public void command(Command command) {
    try {
      line.execute(
          () -> {
            try {
              command.on(link);
              listener.done();
            } catch (NotDone why) {
              listener.refused(String.valueOf(why.getMessage()));
            }
          });
    } catch (RejectedExecutionException over) {
      listener.refused("the drive is left already");
    }
  }

  /** The program ends: a commanded drive is not left running. */
  private void stopAtTheEnd() {
    if (link.isOwed()) {
      try {
        link.stop();
      } catch (NotDone gone) {
        System.err.println(
            "unimotus: NOT STOPPED, use the machine's own stop: " + gone.getMessage());
      }
    }
  }

  /** Ends the watching; a drive that was commanded is handed back first. */
  @Override
  public void close() {
    left = true;
    line.execute(this::handBack);
    line.shutdown();
  }

  private void handBack() {
    try (link) {
      if (link.isOwed()) {
        link.handBack();
      }
      link.disarm();
    } catch (NotDone | IOException gone) {
      listener.refused("CONTROL NOT RETURNED, use the machine's own stop: " + gone.getMessage());
    }
    try {
      Runtime.getRuntime().removeShutdownHook(atTheEnd);
    } catch (IllegalStateException theEndHasCome) {
      // The hook runs already, and finds nothing armed.
      return;
    }
  }
}
