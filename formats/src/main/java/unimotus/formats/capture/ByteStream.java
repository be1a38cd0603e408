package unimotus.formats.capture;

import java.io.ByteArrayOutputStream;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.TreeMap;

/**
 * The bytes of one direction of a TCP connection, put in order by their sequence numbers (RFC
 * 9293): what was sent again counts once, what came out of order stands where it belongs.
 *
 * @param bytes the bytes; where some are missing from the capture the next ones follow at once
 * @param chunks where the bytes of a segment begin, in order; the first is 0
 * @param missing how many bytes the capture does not have
 */
public record ByteStream(byte[] bytes, List<Chunk> chunks, long missing) {
  /** A jump this far is another connection between the same ports. */
  private static final int ANOTHER_CONNECTION = 1 << 20;

  /**
   * What one segment added.
   *
   * @param offset of its first byte in the stream
   * @param nanoseconds when it was captured
   */
  public record Chunk(int offset, long nanoseconds) {}

  /** Takes copies. */
  public ByteStream {
    bytes = bytes.clone();
    chunks = List.copyOf(chunks);
  }

  @Override
  public byte[] bytes() {
    return bytes.clone();
  }

  /** When the byte at a place was captured, in nanoseconds since 1970. */
  public long timeOf(int offset) {
    int found =
        Collections.binarySearch(
            chunks, new Chunk(offset, 0), Comparator.comparingInt(Chunk::offset));
    return chunks.get(found >= 0 ? found : Math.max(0, -found - 2)).nanoseconds();
  }

  /**
   * The streams of one direction.
   *
   * @param segments from one port to one other, in the order of the capture
   */
  public static List<ByteStream> of(List<Segment> segments) {
    List<ByteStream> streams = new ArrayList<>();
    TreeMap<Long, Segment> open = new TreeMap<>();
    long base = 0;
    for (Segment segment : segments) {
      if (segment.payload().length == 0) {
        continue;
      }
      // 32-bit numbers wrap: the difference tells how far on a segment is.
      int further = (int) (segment.sequence() - (base & 0xFFFF_FFFFL));
      if (open.isEmpty() || Math.abs((long) further) > ANOTHER_CONNECTION) {
        close(open, streams);
        base = segment.sequence();
        further = 0;
      }
      open.merge(base + further, segment, ByteStream::longer);
      base = Math.max(base, base + further);
    }
    close(open, streams);
    return streams;
  }

  private static Segment longer(Segment first, Segment again) {
    return again.payload().length > first.payload().length ? again : first;
  }

  private static void close(TreeMap<Long, Segment> open, List<ByteStream> streams) {
    if (open.isEmpty()) {
      return;
    }
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    List<Chunk> chunks = new ArrayList<>();
    long next = open.firstKey();
    long missing = 0;
    for (var entry : open.entrySet()) {
      byte[] payload = entry.getValue().payload();
      long known = Math.max(0, next - entry.getKey());
      if (known >= payload.length) {
        continue;
      }
      missing += Math.max(0, entry.getKey() - next);
      chunks.add(new Chunk(bytes.size(), entry.getValue().nanoseconds()));
      bytes.write(payload, (int) known, payload.length - (int) known);
      next = entry.getKey() + payload.length;
    }
    streams.add(new ByteStream(bytes.toByteArray(), chunks, missing));
    open.clear();
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof ByteStream s
        && java.util.Arrays.equals(bytes, s.bytes)
        && chunks.equals(s.chunks)
        && missing == s.missing;
  }

  @Override
  public int hashCode() {
    return java.util.Arrays.hashCode(bytes);
  }
}
