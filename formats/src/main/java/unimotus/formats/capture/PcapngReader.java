package unimotus.formats.capture;

import java.nio.BufferUnderflowException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.ArrayList;
import java.util.List;
import unimotus.formats.json.FileFault;

/** Goes through the blocks of a pcapng capture. */
final class PcapngReader {
  private static final int SECTION = 0x0A0D0D0A;
  private static final int BYTE_ORDER = 0x1A2B3C4D;
  private static final int INTERFACE = 1;
  private static final int SIMPLE_PACKET = 3;
  private static final int ENHANCED_PACKET = 6;
  private static final int RESOLUTION_OPTION = 9;
  private static final int SHORTEST_BLOCK = 12;

  /** A sender of packets: what its packets begin with, and how it counts time. */
  private record Port(int linkType, double nanosecondsPerUnit) {}

  private final String name;
  private final ByteBuffer in;
  private final List<Port> ports = new ArrayList<>();
  private final List<Packet> packets = new ArrayList<>();

  PcapngReader(String name, ByteBuffer in) {
    this.name = name;
    this.in = in;
  }

  List<Packet> read() throws FileFault {
    while (in.remaining() >= SHORTEST_BLOCK) {
      int start = in.position();
      int type = in.getInt(start);
      if (type == SECTION) {
        boolean big = in.order(ByteOrder.BIG_ENDIAN).getInt(start + 8) == BYTE_ORDER;
        in.order(big ? ByteOrder.BIG_ENDIAN : ByteOrder.LITTLE_ENDIAN);
        ports.clear();
      }
      type = in.getInt(start);
      int length = in.getInt(start + 4);
      if (length < SHORTEST_BLOCK || length % 4 != 0) {
        throw new FileFault(name, 1, start + 1, "a block says it has %d bytes".formatted(length));
      }
      if (length > in.remaining()) {
        return packets;
      }
      block(type, in.slice(start + 8, length - SHORTEST_BLOCK).order(in.order()));
      in.position(start + length);
    }
    return packets;
  }

  private void block(int type, ByteBuffer body) throws FileFault {
    try {
      switch (type) {
        case INTERFACE -> ports.add(port(body));
        case ENHANCED_PACKET -> enhanced(body);
        case SIMPLE_PACKET -> simple(body);
        default -> {
          // Statistics, names and what comes later are of no use here.
        }
      }
    } catch (BufferUnderflowException | IndexOutOfBoundsException | IllegalArgumentException lies) {
      throw new FileFault(name, 1, in.position() + 1, "a block is shorter than it says");
    }
  }

  private static Port port(ByteBuffer body) {
    int linkType = body.getShort() & 0xFFFF;
    body.position(8);
    double nanoseconds = 1000;
    while (body.remaining() >= 4) {
      int code = body.getShort() & 0xFFFF;
      int length = body.getShort() & 0xFFFF;
      if (code == RESOLUTION_OPTION && length == 1) {
        int exponent = body.get(body.position());
        nanoseconds =
            1e9 * (exponent < 0 ? Math.pow(2, -(exponent & 0x7F)) : Math.pow(10, -exponent));
      }
      body.position(Math.min(body.limit(), body.position() + (length + 3) / 4 * 4));
    }
    return new Port(linkType, nanoseconds);
  }

  private void enhanced(ByteBuffer body) {
    Port port = ports.get(body.getInt());
    long high = Integer.toUnsignedLong(body.getInt());
    long units = high << 32 | Integer.toUnsignedLong(body.getInt());
    byte[] bytes = new byte[captured(body.getInt(), body)];
    body.getInt();
    body.get(bytes);
    long nanoseconds =
        port.nanosecondsPerUnit() == 1000
            ? units * 1000
            : (long) (units * port.nanosecondsPerUnit());
    packets.add(new Packet(nanoseconds, port.linkType(), bytes));
  }

  private void simple(ByteBuffer body) {
    int length = body.getInt();
    byte[] bytes = new byte[Math.min(captured(length, body), body.remaining())];
    body.get(bytes);
    packets.add(new Packet(0, ports.get(0).linkType(), bytes));
  }

  private static int captured(int told, ByteBuffer body) {
    if (told < 0 || told > body.limit()) {
      throw new IndexOutOfBoundsException(told);
    }
    return told;
  }
}
