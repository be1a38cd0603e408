package unimotus.devices.ethercat.master;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import unimotus.devices.connection.Gate;
import unimotus.devices.ethercat.Command;
import unimotus.devices.ethercat.Datagram;
import unimotus.devices.ethercat.master.StationStart.ImageSize;

/**
 * The images of several stations, one behind the other in logical memory, exchanged in one
 * telegram. Outputs stand at 0 until they are given.
 */
public final class CyclicImage {
  /** The first byte in logical memory. */
  public static final long START = 0x0001_0000;

  private final List<Member> members = new ArrayList<>();
  private byte[] outputs = new byte[0];
  private byte[] inputs = new byte[0];
  private int length;

  /**
   * One station in it.
   *
   * @param at its first byte in the image
   * @param size how long its part is
   */
  public record Member(int at, ImageSize size) {
    /** How much it counts where it reads and writes all of its part. */
    int counts() {
      return (size.outputs() > 0 ? 2 : 0) + (size.inputs() > 0 ? 1 : 0);
    }
  }

  /**
   * What came of one exchange.
   *
   * @param counter how much the stations counted
   * @param expected how much they count where each did it
   */
  public record Turn(int counter, int expected) {
    /** Whether every station did it. */
    public boolean isWhole() {
      return counter == expected;
    }
  }

  /**
   * Takes a station into it.
   *
   * @return its part
   * @throws IllegalArgumentException where a telegram has no room for it
   */
  public synchronized Member add(ImageSize size) {
    int next = length + size.outputs() + size.inputs();
    if (next > Datagram.MOST_DATA) {
      throw new IllegalArgumentException(
          "an image of %d bytes; a datagram carries %d".formatted(next, Datagram.MOST_DATA));
    }
    Member member = new Member(length, size);
    members.add(member);
    length = next;
    outputs = Arrays.copyOf(outputs, length);
    inputs = Arrays.copyOf(inputs, length);
    return member;
  }

  /** Gives the outputs of a station; they go out with the next exchange. */
  public synchronized void outputs(Member member, byte[] data) {
    if (data.length != member.size().outputs()) {
      throw new IllegalArgumentException(
          "outputs of %d bytes; the station has %d"
              .formatted(data.length, member.size().outputs()));
    }
    System.arraycopy(data, 0, outputs, member.at(), data.length);
  }

  /** All outputs stand at 0 again. */
  public synchronized void clear() {
    Arrays.fill(outputs, (byte) 0);
  }

  /** The inputs of a station as they came last. */
  public synchronized byte[] inputs(Member member) {
    int from = member.at() + member.size().outputs();
    return Arrays.copyOfRange(inputs, from, from + member.size().inputs());
  }

  /** How many bytes it has. */
  public synchronized int length() {
    return length;
  }

  /**
   * Exchanges all of it once; a lost telegram is not sent again, the next one is newer.
   *
   * @throws IOException where it does not come back, or the gate keeps it back
   */
  public Turn exchange(Exchange exchange, Gate gate) throws IOException {
    byte[] sent;
    int expected;
    synchronized (this) {
      sent = outputs.clone();
      expected = members.stream().mapToInt(Member::counts).sum();
    }
    if (sent.length == 0) {
      return new Turn(0, 0);
    }
    Datagram errand = Datagram.logical(Command.LRW, 0, START, sent);
    Datagram answer = exchange.ask(List.of(errand), 0, gate).get(0);
    if (answer.counter() == expected) {
      synchronized (this) {
        inputs = answer.data();
      }
    }
    return new Turn(answer.counter(), expected);
  }
}
