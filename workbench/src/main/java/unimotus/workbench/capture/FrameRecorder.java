package unimotus.workbench.capture;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.function.LongSupplier;
import unimotus.devices.modbus.Tap;

/** Keeps the last frames of a link, with the time at which each went by. */
public final class FrameRecorder implements Tap {
  /** Older ones are forgotten. */
  public static final int MOST_FRAMES = 4000;

  private final LongSupplier nanos;
  private final Deque<Frame> frames = new ArrayDeque<>();
  private final long begun;

  /**
   * A recorder.
   *
   * @param nanos a clock in nanoseconds
   */
  public FrameRecorder(LongSupplier nanos) {
    this.nanos = nanos;
    this.begun = nanos.getAsLong();
  }

  @Override
  public void sent(byte[] frame) {
    add(frame, false);
  }

  @Override
  public void received(byte[] frame) {
    add(frame, true);
  }

  private synchronized void add(byte[] frame, boolean answer) {
    frames.addLast(Frame.of((nanos.getAsLong() - begun) / 1e9, answer, frame));
    if (frames.size() > MOST_FRAMES) {
      frames.removeFirst();
    }
  }

  /** What is kept, the oldest first. */
  public synchronized List<Frame> frames() {
    return new ArrayList<>(frames);
  }
}
