package unimotus.formats.capture;

import java.nio.BufferUnderflowException;
import java.nio.ByteBuffer;
import java.util.Optional;

/**
 * What one packet carried of a TCP connection.
 *
 * @param nanoseconds when
 * @param from sender, address and port
 * @param fromPort the sender's port
 * @param to receiver, address and port
 * @param toPort the receiver's port
 * @param sequence number of the first byte
 * @param payload the bytes; possibly none
 */
public record Segment(
    long nanoseconds,
    String from,
    int fromPort,
    String to,
    int toPort,
    long sequence,
    byte[] payload) {
  private static final int TCP = 6;
  private static final int TYPE_IPV4 = 0x0800;
  private static final int TYPE_IPV6 = 0x86DD;
  private static final int TYPE_VLAN = 0x8100;
  private static final int IPV6_HEADER = 40;
  private static final int FRAGMENT = 0x3FFF;

  /** Takes a copy. */
  public Segment {
    payload = payload.clone();
  }

  @Override
  public byte[] payload() {
    return payload.clone();
  }

  /** The segment in a packet; empty where it carries no TCP, or only a fragment of it. */
  public static Optional<Segment> of(Packet packet) {
    ByteBuffer in = ByteBuffer.wrap(packet.bytes());
    try {
      return toNetwork(packet.linkType(), in)
          ? network(packet.nanoseconds(), in)
          : Optional.empty();
    } catch (BufferUnderflowException | IllegalArgumentException | IndexOutOfBoundsException cut) {
      return Optional.empty();
    }
  }

  /** Moves to the packet of IP; whether there is one. */
  private static boolean toNetwork(int linkType, ByteBuffer in) {
    switch (linkType) {
      case Packet.RAW_IP, Packet.RAW_IPV4, 12, 14 -> {
        return true;
      }
      case Packet.LOOPBACK -> {
        in.getInt();
        return true;
      }
      case Packet.LINUX_COOKED -> {
        in.position(14);
        return isNetwork(in.getShort() & 0xFFFF);
      }
      case Packet.ETHERNET -> {
        in.position(12);
        int type = in.getShort() & 0xFFFF;
        if (type == TYPE_VLAN) {
          in.getShort();
          type = in.getShort() & 0xFFFF;
        }
        return isNetwork(type);
      }
      default -> {
        return false;
      }
    }
  }

  private static boolean isNetwork(int type) {
    return type == TYPE_IPV4 || type == TYPE_IPV6;
  }

  private static Optional<Segment> network(long at, ByteBuffer in) {
    int start = in.position();
    int version = in.get(start) >> 4 & 0xF;
    if (version == 4) {
      int header = (in.get(start) & 0xF) * 4;
      int length = in.getShort(start + 2) & 0xFFFF;
      boolean fragment = (in.getShort(start + 6) & FRAGMENT) != 0;
      if (in.get(start + 9) != TCP || fragment) {
        return Optional.empty();
      }
      String from = dotted(in, start + 12);
      String to = dotted(in, start + 16);
      // Short frames are padded on Ethernet: the packet's own length counts. 0 is a card that
      // divides long packets itself.
      int end = length == 0 ? in.limit() : Math.min(in.limit(), start + length);
      return transport(at, in.position(start + header).limit(end), from, to);
    }
    if (version == 6 && in.get(start + 6) == TCP) {
      String from = "[" + grouped(in, start + 8) + "]";
      String to = "[" + grouped(in, start + 24) + "]";
      int end = Math.min(in.limit(), start + IPV6_HEADER + (in.getShort(start + 4) & 0xFFFF));
      return transport(at, in.position(start + IPV6_HEADER).limit(end), from, to);
    }
    return Optional.empty();
  }

  private static Optional<Segment> transport(long at, ByteBuffer in, String from, String to) {
    int start = in.position();
    int fromPort = in.getShort() & 0xFFFF;
    int toPort = in.getShort() & 0xFFFF;
    long sequence = Integer.toUnsignedLong(in.getInt());
    in.position(start + (in.get(start + 12) >> 4 & 0xF) * 4);
    byte[] payload = new byte[in.remaining()];
    in.get(payload);
    return Optional.of(
        new Segment(
            at,
            "%s:%d".formatted(from, fromPort),
            fromPort,
            "%s:%d".formatted(to, toPort),
            toPort,
            sequence,
            payload));
  }

  private static String dotted(ByteBuffer in, int at) {
    return "%d.%d.%d.%d"
        .formatted(
            in.get(at) & 0xFF, in.get(at + 1) & 0xFF, in.get(at + 2) & 0xFF, in.get(at + 3) & 0xFF);
  }

  private static String grouped(ByteBuffer in, int at) {
    StringBuilder text = new StringBuilder();
    for (int i = 0; i < 8; i++) {
      text.append(i == 0 ? "" : ":").append(Integer.toHexString(in.getShort(at + 2 * i) & 0xFFFF));
    }
    return text.toString();
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof Segment s
        && nanoseconds == s.nanoseconds
        && from.equals(s.from)
        && to.equals(s.to)
        && sequence == s.sequence
        && java.util.Arrays.equals(payload, s.payload);
  }

  @Override
  public int hashCode() {
    return 31 * Long.hashCode(nanoseconds) + java.util.Arrays.hashCode(payload);
  }
}
