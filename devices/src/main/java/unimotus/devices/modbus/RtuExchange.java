package unimotus.devices.modbus;

import java.io.IOException;
import java.util.Map;
import java.util.function.BooleanSupplier;
import org.jspecify.annotations.Nullable;
import unimotus.devices.serial.Line;

/**
 * Devices on one serial line. What is no frame, has a wrong check or is for another unit gets no
 * answer, as on a real bus; what is for unit 0 is done by all and answered by none.
 */
final class RtuExchange {
  private static final int BROADCAST = 0;
  private static final int LOOK_UP_MILLISECONDS = 50;
  private static final int SILENCE_MILLISECONDS = 15;

  private final Line line;
  private final Map<Integer, Unit> units;
  private final Conduct conduct;
  private final byte[] frame = new byte[RtuFrame.LONGEST];
  private int count;

  /** More came than a frame has: what follows until the next silence is none. */
  private boolean overrun;

  RtuExchange(Line line, Map<Integer, Unit> units, Conduct conduct) {
    this.line = line;
    this.units = units;
    this.conduct = conduct;
  }

  /**
   * Serves the line.
   *
   * @param heard tells whether a request of these bytes is understood at all
   * @param mostSilentMilliseconds ends after so long a silence; 0 for never
   * @throws IOException where the line breaks or was silent for too long
   */
  void serve(BooleanSupplier open, BooleanSupplier heard, int mostSilentMilliseconds)
      throws IOException {
    byte[] chunk = new byte[RtuFrame.LONGEST];
    int silent = 0;
    while (open.getAsBoolean()) {
      int wait = count == 0 && !overrun ? LOOK_UP_MILLISECONDS : SILENCE_MILLISECONDS;
      int came = line.receive(chunk, wait);
      silent = came == 0 ? silent + wait : 0;
      if (mostSilentMilliseconds > 0 && silent > mostSilentMilliseconds) {
        throw new IOException("silent for too long");
      }
      if (came == 0) {
        ended(heard);
      } else {
        take(chunk, came);
        complete(heard);
      }
    }
  }

  private void take(byte[] chunk, int came) {
    if (count + came > frame.length) {
      overrun = true;
      count = 0;
    }
    if (!overrun) {
      System.arraycopy(chunk, 0, frame, count, came);
      count += came;
    }
  }

  /** Answers as soon as all bytes of a request are there. */
  private void complete(BooleanSupplier heard) throws IOException {
    int length = RtuLength.request(frame, count);
    while (length > 0 && count >= length && answer(length, heard)) {
      System.arraycopy(frame, length, frame, 0, count - length);
      count -= length;
      length = RtuLength.request(frame, count);
    }
  }

  /** A silence ends what was sent, whatever it was. */
  private void ended(BooleanSupplier heard) throws IOException {
    if (count > 0) {
      answer(count, heard);
    }
    count = 0;
    overrun = false;
  }

  /** Whether the first bytes were a frame. */
  private boolean answer(int length, BooleanSupplier heard) throws IOException {
    RtuFrame asked;
    try {
      asked = RtuFrame.of(java.util.Arrays.copyOf(frame, length));
    } catch (FrameFault none) {
      return false;
    }
    if (!heard.getAsBoolean()) {
      return true;
    }
    if (asked.unit() == BROADCAST) {
      units.values().forEach(u -> Answering.answer(u, asked.message()));
      return true;
    }
    @Nullable Unit unit = units.get(asked.unit());
    if (unit != null) {
      byte[] honest = Answering.answer(unit, asked.message()).bytes();
      byte[] sent = conduct.of(honest);
      if (sent != null) {
        line.send(new RtuFrame(asked.unit(), sent).bytes());
      }
    }
    return true;
  }
}
