package unimotus.devices.ethercat.master;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import unimotus.devices.connection.Gate;
import unimotus.devices.ethercat.Command;
import unimotus.devices.ethercat.Datagram;
import unimotus.devices.ethercat.Telegram;
import unimotus.devices.ethercat.TelegramFault;
import unimotus.devices.ethercat.wire.Wire;

/**
 * Sends telegrams and waits for each to come back; a lost one is sent again a few times. Several
 * threads may ask; one telegram is under way at a time.
 */
public final class Exchange implements AutoCloseable {
  private static final int INDEXES = 0x100;
  private static final long NANOS_PER_MILLI = 1_000_000;

  private final Wire wire;
  private final long timeoutNanos;
  private final int retries;
  private final Tap tap;
  private int index;
  private long repeated;
  private long strange;

  /** Is shown each telegram. */
  public interface Tap {
    /** Looks at none. */
    Tap NONE = (sent, telegram) -> {};

    /**
     * One telegram.
     *
     * @param sent whether it goes out; else it came back
     * @param telegram its bytes from its own header on
     */
    void seen(boolean sent, byte[] telegram);
  }

  /**
   * An exchange over a wire, which it closes.
   *
   * @param timeoutMilliseconds how long a telegram may be under way
   * @param retries how often a lost one is sent again
   */
  public Exchange(Wire wire, int timeoutMilliseconds, int retries, Tap tap) {
    this.wire = wire;
    this.timeoutNanos = timeoutMilliseconds * NANOS_PER_MILLI;
    this.retries = retries;
    this.tap = tap;
  }

  /**
   * Lets errands go round.
   *
   * @param errands their indexes are given here
   * @return as they came back, in the same order
   * @throws NoAnswer where none came back, however often it was sent
   * @throws IOException where the wire is broken
   */
  public List<Datagram> ask(List<Datagram> errands) throws IOException {
    return ask(errands, retries, Gate.OPEN);
  }

  /**
   * The same, where a gate lets it out.
   *
   * @param again how often it is sent again where it is lost
   */
  public synchronized List<Datagram> ask(List<Datagram> errands, int again, Gate gate)
      throws IOException {
    for (int left = again; left >= 0; left--) {
      Telegram telegram = numbered(errands);
      byte[] bytes = telegram.bytes();
      gate.pass(() -> wire.send(bytes));
      tap.seen(true, bytes);
      long end = System.nanoTime() + timeoutNanos;
      for (long now = end - timeoutNanos; now < end; now = System.nanoTime()) {
        byte[] back = wire.receive(end - now);
        if (back == null) {
          break;
        }
        tap.seen(false, back);
        List<Datagram> answers = fitting(back, telegram);
        if (!answers.isEmpty()) {
          return answers;
        }
        strange++;
      }
      repeated += left > 0 ? 1 : 0;
    }
    throw new NoAnswer(
        "%s: nothing came back within %d ms, asked %d times"
            .formatted(wire, timeoutNanos / NANOS_PER_MILLI, again + 1));
  }

  private Telegram numbered(List<Datagram> errands) {
    List<Datagram> numbered = new ArrayList<>();
    for (Datagram each : errands) {
      index = (index + 1) % INDEXES;
      numbered.add(new Datagram(each.command(), index, each.address(), each.data(), false, 0, 0));
    }
    return new Telegram(numbered);
  }

  /** What came back, where it is this telegram; empty for one that is not. */
  private static List<Datagram> fitting(byte[] back, Telegram sent) {
    Telegram came;
    try {
      came = Telegram.of(back);
    } catch (TelegramFault none) {
      return List.of();
    }
    List<Datagram> answers = came.datagrams();
    if (answers.size() != sent.datagrams().size()) {
      return List.of();
    }
    for (int i = 0; i < answers.size(); i++) {
      if (!isAnswer(answers.get(i), sent.datagrams().get(i))) {
        return List.of();
      }
    }
    return answers;
  }

  private static boolean isAnswer(Datagram answer, Datagram sent) {
    // Stations count up the position on the way.
    boolean counts =
        sent.command().addressing() == Command.Addressing.POSITION
            || sent.command().addressing() == Command.Addressing.ALL;
    return answer.command() == sent.command()
        && answer.index() == sent.index()
        && answer.length() == sent.length()
        && (counts ? answer.place() == sent.place() : answer.address() == sent.address());
  }

  /** How many telegrams were sent again. */
  public synchronized long repeated() {
    return repeated;
  }

  /** How many came in that nobody waited for. */
  public synchronized long strange() {
    return strange;
  }

  @Override
  public synchronized void close() throws IOException {
    wire.close();
  }

  @Override
  public String toString() {
    return wire.toString();
  }
}
