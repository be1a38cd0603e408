package unimotus.devices.modbus;

import java.io.IOException;
import java.io.InterruptedIOException;
import java.util.Arrays;
import java.util.concurrent.locks.LockSupport;
import org.jspecify.annotations.Nullable;
import unimotus.devices.connection.Gate;
import unimotus.devices.connection.NotSent;
import unimotus.devices.serial.Line;

/**
 * Asks devices on a serial line. Serial frames have no number that tells whose answer one is: after
 * a silence or a lie the line is listened to until nothing comes any more, so that a late answer is
 * not taken for that to the next request.
 */
public final class RtuClient implements Client {
  private static final int BROADCAST = 0;
  private static final int SILENCE_MILLISECONDS = 40;
  private static final int MOST_DRAINED = 64;

  /**
   * After a broadcast, which nobody answers, the devices get this long to do it (Modbus over Serial
   * Line V1.02: 100 to 200 ms, from memory).
   */
  private static final long TURNAROUND_NANOS = 100_000_000;

  private final Opener opener;
  private final int timeoutMilliseconds;
  private final Tap tap;
  private @Nullable Line line;
  private boolean clean = true;

  /** When the line fell silent, or will have; by the clock that only goes forward. */
  private long silentSince;

  /** Opens a line when it is needed. */
  public interface Opener {
    /**
     * Opens it.
     *
     * @throws IOException where it cannot be had
     */
    Line open() throws IOException;
  }

  /**
   * A client.
   *
   * @param timeoutMilliseconds longest wait for each answer
   * @param tap is shown every frame
   */
  public RtuClient(Opener opener, int timeoutMilliseconds, Tap tap) {
    this.tap = tap;
    this.opener = opener;
    this.timeoutMilliseconds = timeoutMilliseconds;
  }

  @Override
  public synchronized Response ask(int unit, Request request, Gate gate)
      throws IOException, FrameFault {
    try {
      Line joined = joined();
      if (!clean) {
        drain(joined);
        clean = true;
      }
      byte[] asked = new RtuFrame(unit, request.bytes()).bytes();
      waitForSilence(joined);
      gate.pass(
          () -> {
            clean = false;
            joined.send(asked);
            silentSince = System.nanoTime() + joined.sendingNanos(asked.length);
          });
      tap.sent(asked);
      if (unit == BROADCAST) {
        silentSince += TURNAROUND_NANOS;
        clean = true;
        return new Response.Done(request);
      }
      byte[] came = awaited(joined);
      silentSince = System.nanoTime();
      tap.received(came);
      RtuFrame answer = RtuFrame.of(came);
      if (answer.unit() != unit) {
        throw new FrameFault("unit %d was asked, unit %d answered".formatted(unit, answer.unit()));
      }
      Response response = Response.to(request, answer.message());
      clean = true;
      return response;
    } catch (IOException broken) {
      if (!(broken instanceof NoAnswer || broken instanceof NotSent)) {
        close();
      }
      throw broken;
    }
  }

  private Line joined() throws IOException {
    Line now = line;
    if (now == null) {
      now = opener.open();
      line = now;
      clean = true;
      silentSince = System.nanoTime();
    }
    return now;
  }

  /** Three and a half characters part a frame from whatever went before it. */
  private void waitForSilence(Line on) throws IOException {
    long end = silentSince + on.silenceNanos();
    for (long left = end - System.nanoTime(); left > 0; left = end - System.nanoTime()) {
      LockSupport.parkNanos(left);
      if (Thread.interrupted()) {
        Thread.currentThread().interrupt();
        throw new InterruptedIOException("ended while waiting for the line");
      }
    }
  }

  private static void drain(Line line) throws IOException {
    byte[] scrap = new byte[RtuFrame.LONGEST];
    for (int i = 0; i < MOST_DRAINED; i++) {
      if (line.receive(scrap, SILENCE_MILLISECONDS) == 0) {
        return;
      }
    }
    throw new IOException("the line is never silent: somebody else speaks on it");
  }

  private byte[] awaited(Line from) throws IOException, FrameFault {
    byte[] frame = new byte[RtuFrame.LONGEST];
    byte[] chunk = new byte[RtuFrame.LONGEST];
    int count = 0;
    long end = System.nanoTime() + timeoutMilliseconds * 1_000_000L;
    while (true) {
      long left = Math.max(1, (end - System.nanoTime()) / 1_000_000);
      int came =
          from.receive(chunk, (int) (count == 0 ? left : Math.min(left, SILENCE_MILLISECONDS)));
      if (came == 0 && count > 0) {
        return Arrays.copyOf(frame, count);
      }
      if (came == 0) {
        throw new NoAnswer(timeoutMilliseconds);
      }
      if (count + came > frame.length) {
        throw new FrameFault("more than %d bytes were answered".formatted(RtuFrame.LONGEST));
      }
      System.arraycopy(chunk, 0, frame, count, came);
      count += came;
      if (count == RtuLength.answer(frame, count)) {
        return Arrays.copyOf(frame, count);
      }
      if (System.nanoTime() > end) {
        throw new FrameFault("the answer did not end within %d ms".formatted(timeoutMilliseconds));
      }
    }
  }

  @Override
  public synchronized void close() throws IOException {
    Line open = line;
    line = null;
    if (open != null) {
      open.close();
    }
  }
}
