package unimotus.workbench.capture;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.function.LongSupplier;
import unimotus.devices.ethercat.master.Exchange;
import unimotus.formats.capture.CaptureFile;
import unimotus.formats.capture.Packet;
import unimotus.formats.capture.TelegramBytes;

/** Keeps the last telegrams of an exchange, with the time at which each went by. */
public final class TelegramRecorder implements Exchange.Tap {
  /** Older ones are forgotten: about a minute of a cycle of 5 ms. */
  public static final int MOST_TELEGRAMS = 24_000;

  private final LongSupplier nanos;
  private final long begun;
  private final Deque<Packet> packets = new ArrayDeque<>();

  /**
   * A recorder.
   *
   * @param nanos a clock in nanoseconds
   */
  public TelegramRecorder(LongSupplier nanos) {
    this.nanos = nanos;
    this.begun = nanos.getAsLong();
  }

  @Override
  public synchronized void seen(boolean sent, byte[] telegram) {
    packets.addLast(TelegramBytes.packet(nanos.getAsLong() - begun, sent, telegram));
    if (packets.size() > MOST_TELEGRAMS) {
      packets.removeFirst();
    }
  }

  /** What is kept, the oldest first. */
  public synchronized List<Packet> packets() {
    return List.copyOf(packets);
  }

  /**
   * Writes them as a capture of Ethernet frames.
   *
   * @return how many
   * @throws IllegalArgumentException where none went by
   * @throws IOException where the file cannot be written
   */
  public int write(Path file) throws IOException {
    List<Packet> kept = packets();
    if (kept.isEmpty()) {
      throw new IllegalArgumentException("no telegram went by yet");
    }
    CaptureFile.write(file, Packet.ETHERNET, kept);
    return kept.size();
  }
}
