package unimotus.devices.ethercat;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.ArrayList;
import java.util.List;

/**
 * Datagrams that travel together.
 *
 * @param datagrams at least one
 */
public record Telegram(List<Datagram> datagrams) {
  /** Type of an Ethernet frame that carries one. */
  public static final int ETHERNET_TYPE = 0x88A4;

  /** Port to which one goes in a UDP packet. */
  public static final int UDP_PORT = 34_980;

  private static final int HEADER = 2;
  private static final int DATAGRAM_HEADER = 10;
  private static final int COUNTER = 2;
  private static final int MOST = 1498;
  private static final int LENGTH_BITS = 0x07FF;
  private static final int RESERVED = 0x0800;
  private static final int COMMANDS = 1;
  private static final int CIRCULATING = 0x4000;
  private static final int MORE = 0x8000;

  /** Takes a copy and refuses what does not fit into an Ethernet frame. */
  public Telegram {
    datagrams = List.copyOf(datagrams);
    if (datagrams.isEmpty()) {
      throw new IllegalArgumentException("a telegram needs a datagram");
    }
    int length = length(datagrams);
    if (length > MOST) {
      throw new IllegalArgumentException(
          "datagrams of %d bytes; an Ethernet frame has room for %d".formatted(length, MOST));
    }
  }

  private static int length(List<Datagram> datagrams) {
    return datagrams.stream().mapToInt(d -> DATAGRAM_HEADER + d.length() + COUNTER).sum();
  }

  /** As it goes over the wire, behind the Ethernet or UDP header; not filled up. */
  public byte[] bytes() {
    int length = length(datagrams);
    ByteBuffer out = ByteBuffer.allocate(HEADER + length).order(ByteOrder.LITTLE_ENDIAN);
    out.putShort((short) (length | COMMANDS << 12));
    for (int i = 0; i < datagrams.size(); i++) {
      Datagram each = datagrams.get(i);
      int more = i + 1 < datagrams.size() ? MORE : 0;
      out.put((byte) each.command().ordinal()).put((byte) each.index());
      out.putInt((int) each.address());
      out.putShort((short) (each.length() | (each.circulating() ? CIRCULATING : 0) | more));
      out.putShort((short) each.interrupt()).put(each.data()).putShort((short) each.counter());
    }
    return out.array();
  }

  /**
   * Reads a telegram. What follows its stated length fills up the frame.
   *
   * @throws TelegramFault naming the byte and what was expected
   */
  public static Telegram of(byte[] bytes) throws TelegramFault {
    ByteBuffer in = ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN);
    if (bytes.length < HEADER) {
      throw new TelegramFault("%d bytes; a telegram has 2 at least".formatted(bytes.length));
    }
    int header = Short.toUnsignedInt(in.getShort());
    int type = header >>> 12;
    int length = header & LENGTH_BITS;
    if (type != COMMANDS) {
      throw new TelegramFault("byte 1: type %d; expected 1, commands".formatted(type));
    }
    if ((header & RESERVED) != 0) {
      throw new TelegramFault("byte 1: bit 11 is set; it is reserved");
    }
    if (length > in.remaining()) {
      throw new TelegramFault(
          "byte 0: length %d; %d bytes follow".formatted(length, in.remaining()));
    }
    in.limit(HEADER + length);
    List<Datagram> datagrams = new ArrayList<>();
    boolean more = true;
    while (more) {
      more = datagram(in, datagrams);
    }
    if (in.hasRemaining()) {
      throw new TelegramFault(
          "byte %d: %d bytes follow the last datagram".formatted(in.position(), in.remaining()));
    }
    return new Telegram(datagrams);
  }

  /** Reads one more; says whether another one is announced. */
  private static boolean datagram(ByteBuffer in, List<Datagram> into) throws TelegramFault {
    int at = in.position();
    if (in.remaining() < DATAGRAM_HEADER + COUNTER) {
      throw new TelegramFault(
          "byte %d: %d bytes are left; a datagram has 12 at least".formatted(at, in.remaining()));
    }
    int number = Byte.toUnsignedInt(in.get());
    Command command =
        Command.of(number)
            .orElseThrow(
                () ->
                    new TelegramFault(
                        "byte %d: command %d; expected 0 to 14".formatted(at, number)));
    int index = Byte.toUnsignedInt(in.get());
    long address = Integer.toUnsignedLong(in.getInt());
    int lengths = Short.toUnsignedInt(in.getShort());
    int interrupt = Short.toUnsignedInt(in.getShort());
    int length = lengths & LENGTH_BITS;
    if (length + COUNTER > in.remaining()) {
      throw new TelegramFault(
          "byte %d: length %d; %d bytes follow"
              .formatted(at + 6, length, in.remaining() - COUNTER));
    }
    if (length > Datagram.MOST_DATA) {
      throw new TelegramFault(
          "byte %d: length %d; a datagram carries %d at most"
              .formatted(at + 6, length, Datagram.MOST_DATA));
    }
    byte[] data = new byte[length];
    in.get(data);
    into.add(
        new Datagram(
            command,
            index,
            address,
            data,
            (lengths & CIRCULATING) != 0,
            interrupt,
            Short.toUnsignedInt(in.getShort())));
    return (lengths & MORE) != 0;
  }
}
