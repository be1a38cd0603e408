package unimotus.devices.ethercat.station;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import unimotus.devices.ethercat.Command;

/**
 * Stations as they are cabled. A telegram passes each of them and comes back; what is no telegram
 * goes nowhere. Several threads may send at once; one telegram is under way at a time.
 */
public final class Ring {
  /** The most stations. */
  public static final int MOST = 64;

  private static final int HEADER = 2;
  private static final int DATAGRAM = 10;
  private static final int COUNTER = 2;
  private static final int LENGTH = 0x07FF;
  private static final int MORE = 0x8000;
  private static final int COMMANDS = 1;

  private final List<Station> stations;
  private RingTroubles troubles = RingTroubles.NONE;
  private int count;

  /**
   * A ring.
   *
   * @param stations in the order of the cable, 1 to 64
   */
  public Ring(List<Station> stations) {
    if (stations.isEmpty() || stations.size() > MOST) {
      throw new IllegalArgumentException(
          "a ring has 1 to %d stations, not %d".formatted(MOST, stations.size()));
    }
    this.stations = List.copyOf(stations);
    wire();
  }

  /** The stations in the order of the cable, also those behind an open one. */
  public List<Station> stations() {
    return stations;
  }

  /** Lets it misbehave from now on. */
  public synchronized void troubles(RingTroubles next) {
    troubles = next;
    wire();
  }

  /** How it misbehaves. */
  public synchronized RingTroubles troubles() {
    return troubles;
  }

  private int reached() {
    int open = troubles.openAfter();
    return open == 0 ? stations.size() : Math.min(open, stations.size());
  }

  private void wire() {
    int reached = reached();
    for (int i = 0; i < stations.size(); i++) {
      stations
          .get(i)
          .wired(i, Math.max(0, reached - 1 - i), i != reached - 1 && i < stations.size() - 1);
    }
  }

  /**
   * Lets a telegram pass all stations.
   *
   * @param telegram from its own header on
   * @return as it comes back; null where it does not
   */
  public synchronized byte @Nullable [] pass(byte[] telegram) {
    count++;
    if (telegram.length < HEADER) {
      return null;
    }
    ByteBuffer frame = ByteBuffer.wrap(telegram.clone()).order(ByteOrder.LITTLE_ENDIAN);
    int header = Short.toUnsignedInt(frame.getShort(0));
    int end = HEADER + (header & LENGTH);
    if (header >>> 12 != COMMANDS || end > telegram.length) {
      return null;
    }
    int at = HEADER;
    boolean more = true;
    while (more && at + DATAGRAM + COUNTER <= end) {
      int lengths = Short.toUnsignedInt(frame.getShort(at + 6));
      int length = lengths & LENGTH;
      if (at + DATAGRAM + length + COUNTER > end) {
        break;
      }
      datagram(frame, at, length);
      at += DATAGRAM + length + COUNTER;
      more = (lengths & MORE) != 0;
    }
    boolean isLost = troubles.dropEvery() > 0 && count % troubles.dropEvery() == 0;
    byte[] back = new byte[end];
    frame.get(0, back);
    return isLost ? null : back;
  }

  private void datagram(ByteBuffer frame, int at, int length) {
    Optional<Command> command = Command.of(Byte.toUnsignedInt(frame.get(at)));
    if (command.isEmpty()) {
      return;
    }
    int first = Short.toUnsignedInt(frame.getShort(at + 2));
    int place = Short.toUnsignedInt(frame.getShort(at + 4));
    byte[] data = new byte[length];
    frame.get(at + DATAGRAM, data);
    int counter = Short.toUnsignedInt(frame.getShort(at + DATAGRAM + length));
    boolean counts =
        command.get().addressing() == Command.Addressing.POSITION
            || command.get().addressing() == Command.Addressing.ALL;
    for (Station station : stations.subList(0, reached())) {
      counter += station.pass(command.get(), first, place, data);
      first = counts ? first + 1 & 0xFFFF : first;
    }
    frame.putShort(at + 2, (short) first);
    frame.put(at + DATAGRAM, data);
    frame.putShort(at + DATAGRAM + length, (short) counter);
  }
}
