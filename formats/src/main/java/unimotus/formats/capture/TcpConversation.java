package unimotus.formats.capture;

import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.List;

/** Puts bytes that went back and forth into packets of TCP, as if they had been captured. */
public final class TcpConversation {
  private static final byte[] CLIENT = {10, 0, 0, 1};
  private static final byte[] SERVER = {10, 0, 0, 2};
  private static final int CLIENT_PORT = 40_000;
  private static final int IP_HEADER = 20;
  private static final int TCP_HEADER = 20;
  private static final short PUSHED = 0x5018;

  private final int serverPort;
  private final List<Packet> packets = new ArrayList<>();
  private int asked = 1;
  private int answered = 1;

  /**
   * A conversation that has not begun.
   *
   * @param serverPort the port that is asked
   */
  public TcpConversation(int serverPort) {
    this.serverPort = serverPort;
  }

  /** Adds what the client sent. */
  public void ask(long nanoseconds, byte[] payload) {
    add(nanoseconds, payload, CLIENT, CLIENT_PORT, SERVER, serverPort, asked, answered);
    asked += payload.length;
  }

  /** Adds what the server sent. */
  public void answer(long nanoseconds, byte[] payload) {
    add(nanoseconds, payload, SERVER, serverPort, CLIENT, CLIENT_PORT, answered, asked);
    answered += payload.length;
  }

  /** The packets so far, bare IPv4. */
  public List<Packet> packets() {
    return List.copyOf(packets);
  }

  private void add(
      long nanoseconds,
      byte[] payload,
      byte[] from,
      int fromPort,
      byte[] to,
      int toPort,
      int sequence,
      int acknowledged) {
    ByteBuffer ip = ByteBuffer.allocate(IP_HEADER + TCP_HEADER + payload.length);
    ip.putShort((short) 0x4500).putShort((short) ip.capacity());
    ip.putShort((short) packets.size()).putShort((short) 0);
    ip.put((byte) 64).put((byte) 6).putShort((short) 0).put(from).put(to);
    ip.putShort(10, (short) checksum(ip, 0, IP_HEADER, 0));
    ip.putShort((short) fromPort).putShort((short) toPort).putInt(sequence).putInt(acknowledged);
    ip.putShort(PUSHED).putShort((short) 8192).putShort((short) 0).putShort((short) 0);
    ip.put(payload);
    int pseudo = 6 + TCP_HEADER + payload.length;
    for (int at = 12; at < IP_HEADER; at += 2) {
      pseudo += ip.getShort(at) & 0xFFFF;
    }
    ip.putShort(
        IP_HEADER + 16, (short) checksum(ip, IP_HEADER, TCP_HEADER + payload.length, pseudo));
    packets.add(new Packet(nanoseconds, Packet.RAW_IPV4, ip.array()));
  }

  /** The internet checksum (RFC 1071, from memory). */
  private static int checksum(ByteBuffer bytes, int from, int length, int begin) {
    int sum = begin;
    for (int i = 0; i < length; i++) {
      int octet = bytes.get(from + i) & 0xFF;
      sum += i % 2 == 0 ? octet << 8 : octet;
    }
    while (sum >> 16 != 0) {
      sum = (sum & 0xFFFF) + (sum >> 16);
    }
    return ~sum & 0xFFFF;
  }
}
