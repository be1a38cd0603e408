package unimotus.devices.modbus.explain;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import unimotus.devices.modbus.Crc16;
import unimotus.devices.modbus.RtuFrame;
import unimotus.devices.modbus.RtuLength;
import unimotus.devices.modbus.TcpFrame;

/**
 * Divides the bytes of one direction into frames. Where one is bad the next good one is looked for,
 * first where a segment begins: a bad frame takes no other with it.
 */
public final class FrameSplitter {
  private static final int BEFORE_LENGTH_COUNTS = 6;
  private static final int SHORTEST_SERIAL = 4;

  private final byte[] bytes;
  private final BitSet starts;
  private final boolean answers;
  private final boolean serial;

  private FrameSplitter(byte[] bytes, List<Integer> starts, boolean answers, boolean serial) {
    this.bytes = bytes;
    this.starts = new BitSet();
    starts.forEach(this.starts::set);
    this.starts.set(bytes.length);
    this.answers = answers;
    this.serial = serial;
  }

  /**
   * Some bytes of a direction.
   *
   * @param offset of the first
   * @param length how many
   * @param kind what they are
   */
  public record Piece(int offset, int length, Kind kind) {
    /** The place after the last byte. */
    public int end() {
      return offset + length;
    }
  }

  /** What bytes are. */
  public enum Kind {
    /** A frame whose function has this length. */
    FRAME,
    /** A frame whose function does not tell a length. */
    UNMEASURED,
    /** A frame with a fault. */
    BAD,
    /** No frame. */
    NONE
  }

  /**
   * Divides.
   *
   * @param starts where segments begin; frames mostly begin there as well
   * @param answers whether the bytes are answers
   * @param serial whether frames are those of a serial line, else of TCP
   * @return all bytes, in order
   */
  public static List<Piece> split(
      byte[] bytes, List<Integer> starts, boolean answers, boolean serial) {
    return new FrameSplitter(bytes.clone(), starts, answers, serial).pieces();
  }

  /** How much speaks for the way the bytes were divided by: more for frames of a known length. */
  public static long weight(List<Piece> pieces) {
    long weight = 0;
    for (Piece piece : pieces) {
      weight +=
          (long) piece.length()
              * (piece.kind() == Kind.FRAME ? 2 : piece.kind() == Kind.UNMEASURED ? 1 : 0);
    }
    return weight;
  }

  private List<Piece> pieces() {
    List<Piece> pieces = new ArrayList<>();
    int at = 0;
    while (at < bytes.length) {
      int length = length(at);
      Piece piece =
          length > 0 ? new Piece(at, length, kind(at, length)) : bad(at, nextGood(at) - at);
      pieces.add(piece);
      at = piece.end();
    }
    return pieces;
  }

  private int length(int at) {
    return serial ? serialLength(at) : tcpLength(at);
  }

  /** The length of the good frame here; 0 where there is none. */
  private int tcpLength(int at) {
    if (!headed(at)) {
      return 0;
    }
    int end = at + BEFORE_LENGTH_COUNTS + word(at + 4);
    if (end > bytes.length) {
      return 0;
    }
    boolean followed = isFollowed(end);
    Kind kind = kind(at, end - at);
    boolean doubtful = !followed || kind == Kind.BAD;
    boolean trusted = followed || kind == Kind.FRAME;
    return trusted && !swallowsAnother(at, end, doubtful) ? end - at : 0;
  }

  /**
   * Whether a good frame lies in between: the length lies.
   *
   * @param doubtful looks at every byte, else only where a segment begins and for one that another
   *     frame seems to follow
   */
  private boolean swallowsAnother(int at, int end, boolean doubtful) {
    for (int next = at + 1; next < end; next++) {
      if ((doubtful || starts.get(next)) && headed(next)) {
        int length = BEFORE_LENGTH_COUNTS + word(next + 4);
        int after = next + length;
        if (after <= bytes.length
            && (doubtful || headed(after) || after == bytes.length)
            && kind(next, length) == Kind.FRAME) {
          return true;
        }
      }
    }
    return false;
  }

  /** Whether another frame seems to begin here, or the bytes end. */
  private boolean isFollowed(int end) {
    return starts.get(end) || headed(end);
  }

  private boolean headed(int at) {
    return bytes.length - at > TcpFrame.HEADER
        && word(at + 2) == 0
        && word(at + 4) >= 2
        && word(at + 4) <= TcpFrame.LONGEST_MESSAGE + 1;
  }

  private int serialLength(int at) {
    int told = told(Arrays.copyOfRange(bytes, at, Math.min(bytes.length, at + RtuFrame.LONGEST)));
    if (told >= SHORTEST_SERIAL && hasCheck(at, told)) {
      return told;
    }
    int most = Math.min(bytes.length, at + RtuFrame.LONGEST);
    for (int end = starts.nextSetBit(at + 1);
        end >= 0 && end <= most;
        end = starts.nextSetBit(end + 1)) {
      if (hasCheck(at, end - at)) {
        return end - at;
      }
    }
    return 0;
  }

  private boolean hasCheck(int at, int length) {
    if (length < SHORTEST_SERIAL || at + length > bytes.length) {
      return false;
    }
    byte[] frame = Arrays.copyOfRange(bytes, at, at + length);
    int told = frame[length - 2] & 0xFF | (frame[length - 1] & 0xFF) << 8;
    return told == Crc16.of(frame, length - 2);
  }

  /** What the function says about the length of a serial frame. */
  private int told(byte[] frame) {
    return answers ? RtuLength.answer(frame, frame.length) : RtuLength.request(frame, frame.length);
  }

  private Kind kind(int at, int length) {
    int skipped = serial ? 0 : BEFORE_LENGTH_COUNTS;
    byte[] frame = new byte[length - skipped + (serial ? 0 : 2)];
    System.arraycopy(bytes, at + skipped, frame, 0, length - skipped);
    int told = told(frame);
    if (told == RtuLength.BY_SILENCE) {
      return Kind.UNMEASURED;
    }
    return told == frame.length ? Kind.FRAME : Kind.BAD;
  }

  /** Where the next good frame begins, at the latest where the bytes end. */
  private int nextGood(int at) {
    for (int next = at + 1; next < bytes.length; next++) {
      int length = length(next);
      if (length > 0
          && (starts.get(next) || kind(next, length) == Kind.FRAME)
          && kind(next, length) != Kind.BAD) {
        return next;
      }
    }
    return bytes.length;
  }

  /** A bad frame, or bytes that are none: what has nothing of a header or is cut off. */
  private Piece bad(int at, int length) {
    boolean known;
    if (serial) {
      known = length >= SHORTEST_SERIAL && length <= RtuFrame.LONGEST;
    } else {
      boolean protocol = length > TcpFrame.HEADER && word(at + 2) == 0;
      boolean measured = length > TcpFrame.HEADER && word(at + 4) == length - BEFORE_LENGTH_COUNTS;
      known =
          (protocol || measured)
              && length <= TcpFrame.HEADER + TcpFrame.LONGEST_MESSAGE + BEFORE_LENGTH_COUNTS;
    }
    return new Piece(at, length, known ? Kind.BAD : Kind.NONE);
  }

  private int word(int at) {
    return (bytes[at] & 0xFF) << 8 | bytes[at + 1] & 0xFF;
  }
}
