package unimotus.formats.capture;

import java.nio.BufferUnderflowException;
import java.nio.ByteBuffer;
import java.util.Optional;

/**
 * Bytes of a process-data telegram in a packet: behind an Ethernet header of type 88A4, or in a UDP
 * packet from or to port 34980 (IEC 61158-4-12, from memory). What fills up the frame is among
 * them.
 */
public final class TelegramBytes {
  private static final int TYPE = 0x88A4;
  private static final int PORT = 34_980;
  private static final int TYPE_IPV4 = 0x0800;
  private static final int TYPE_VLAN = 0x8100;
  private static final int ADDRESSES = 12;
  private static final int HEADER = ADDRESSES + Short.BYTES;

  /** Without its check sum (IEEE 802.3, from memory). */
  private static final int LEAST_FRAME = 60;

  private static final byte[] EVERYBODY = {-1, -1, -1, -1, -1, -1};

  /** Addresses that are given locally: nobody's. */
  private static final byte[] SENT_BY = {4, 0, 0, 0, 0, 1};

  private static final byte[] BACK_FROM = {6, 0, 0, 0, 0, 1};
  private static final int UDP = 17;
  private static final int UDP_HEADER = 8;
  private static final int IPV4_HEADER = 20;
  private static final int FRAGMENT = 0x3FFF;

  private TelegramBytes() {}

  /** The bytes; empty where the packet carries something else, or is cut short. */
  public static Optional<byte[]> of(Packet packet) {
    ByteBuffer in = ByteBuffer.wrap(packet.bytes());
    try {
      return switch (packet.linkType()) {
        case Packet.ETHERNET -> ethernet(in);
        case Packet.RAW_IP, Packet.RAW_IPV4 -> network(in);
        default -> Optional.empty();
      };
    } catch (BufferUnderflowException | IllegalArgumentException cutShort) {
      return Optional.empty();
    }
  }

  /**
   * A telegram in an Ethernet frame of type 88A4, filled up to the least a frame has.
   *
   * @param sent whether it goes out; what comes back has the second bit of its sender set
   */
  public static Packet packet(long nanoseconds, boolean sent, byte[] telegram) {
    byte[] frame = new byte[Math.max(LEAST_FRAME, HEADER + telegram.length)];
    ByteBuffer out = ByteBuffer.wrap(frame);
    out.put(EVERYBODY).put(sent ? SENT_BY : BACK_FROM).putShort((short) TYPE).put(telegram);
    return new Packet(nanoseconds, Packet.ETHERNET, frame);
  }

  private static Optional<byte[]> ethernet(ByteBuffer in) {
    in.position(ADDRESSES);
    int type = Short.toUnsignedInt(in.getShort());
    while (type == TYPE_VLAN) {
      in.getShort();
      type = Short.toUnsignedInt(in.getShort());
    }
    return type == TYPE
        ? Optional.of(rest(in))
        : type == TYPE_IPV4 ? network(in) : Optional.empty();
  }

  private static Optional<byte[]> network(ByteBuffer in) {
    if (in.remaining() < IPV4_HEADER) {
      return Optional.empty();
    }
    int begin = in.position();
    int first = Byte.toUnsignedInt(in.get(begin));
    int header = (first & 0x0F) * Integer.BYTES;
    int total = Short.toUnsignedInt(in.getShort(begin + 2));
    boolean isWhole = (in.getShort(begin + 6) & FRAGMENT) == 0;
    if (first >> 4 != 4
        || header < IPV4_HEADER
        || !isWhole
        || in.get(begin + 9) != UDP
        || begin + total > in.limit()) {
      return Optional.empty();
    }
    in.limit(begin + total).position(begin + header);
    int from = Short.toUnsignedInt(in.getShort());
    int to = Short.toUnsignedInt(in.getShort());
    if (from != PORT && to != PORT) {
      return Optional.empty();
    }
    in.position(begin + header + UDP_HEADER);
    return Optional.of(rest(in));
  }

  private static byte[] rest(ByteBuffer in) {
    byte[] rest = new byte[in.remaining()];
    in.get(rest);
    return rest;
  }
}
