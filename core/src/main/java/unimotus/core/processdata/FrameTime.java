package unimotus.core.processdata;

import java.util.ArrayList;
import java.util.List;

/**
 * How long process data take on a wire of 100 Mbit/s (IEC 61158-4-12; IEEE 802.3). Around the
 * datagrams stand preamble, addresses and type, checksum and the gap before the next frame; what is
 * shorter than the least Ethernet frame is filled up.
 */
public final class FrameTime {
  /** Time of a byte in ns at 100 Mbit/s. */
  public static final int BYTE_NS = 80;

  /** The most that one datagram alone can carry in bytes. */
  public static final int MOST_DATA = 1486;

  private static final int PREAMBLE = 8;
  private static final int ADDRESSES_AND_TYPE = 14;
  private static final int LEAST_CONTENT = 46;
  private static final int MOST_CONTENT = 1500;
  private static final int HEADER = 2;
  private static final int AROUND_DATA = 12;
  private static final int CHECKSUM = 4;
  private static final int GAP = 12;

  private FrameTime() {}

  /** The bytes of each frame on the wire, for datagrams that are packed in their order. */
  public static List<Integer> frames(List<Integer> datagrams) {
    List<Integer> frames = new ArrayList<>();
    int content = HEADER;
    for (int data : datagrams) {
      if (data < 0 || data > MOST_DATA) {
        throw new IllegalArgumentException(
            "a datagram carries 0 to %d bytes, not %d".formatted(MOST_DATA, data));
      }
      if (content + AROUND_DATA + data > MOST_CONTENT) {
        frames.add(onWire(content));
        content = HEADER;
      }
      content += AROUND_DATA + data;
    }
    if (content > HEADER) {
      frames.add(onWire(content));
    }
    return frames;
  }

  private static int onWire(int content) {
    return PREAMBLE + ADDRESSES_AND_TYPE + Math.max(LEAST_CONTENT, content) + CHECKSUM + GAP;
  }

  /** The time of all frames in ns. */
  public static long nanoseconds(List<Integer> datagrams) {
    return frames(datagrams).stream().mapToLong(b -> (long) b * BYTE_NS).sum();
  }
}
