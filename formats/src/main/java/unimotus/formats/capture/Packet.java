package unimotus.formats.capture;

/**
 * One packet of a capture.
 *
 * @param nanoseconds when, since 1970
 * @param linkType what its first bytes are, by the number of the registry
 * @param bytes what was captured of it
 */
public record Packet(long nanoseconds, int linkType, byte[] bytes) {
  /** Ethernet frames. */
  public static final int ETHERNET = 1;

  /** Bare packets of IP; two numbers are in use. */
  public static final int RAW_IP = 101;

  /** Bare packets of IPv4. */
  public static final int RAW_IPV4 = 228;

  /** Loopback of BSD: four bytes of address family before the packet. */
  public static final int LOOPBACK = 0;

  /** Linux, captured on any interface. */
  public static final int LINUX_COOKED = 113;

  /** For the user; here frames of a serial line. */
  public static final int USER_0 = 147;

  /** Takes a copy. */
  public Packet {
    bytes = bytes.clone();
  }

  @Override
  public byte[] bytes() {
    return bytes.clone();
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof Packet p
        && nanoseconds == p.nanoseconds
        && linkType == p.linkType
        && java.util.Arrays.equals(bytes, p.bytes);
  }

  @Override
  public int hashCode() {
    return 31 * Long.hashCode(nanoseconds) + java.util.Arrays.hashCode(bytes);
  }
}
