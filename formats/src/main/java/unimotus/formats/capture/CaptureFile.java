package unimotus.formats.capture;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.BufferUnderflowException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import unimotus.formats.file.AtomicFile;
import unimotus.formats.json.FileFault;

/** Reads captures of libpcap and pcapng, writes those of libpcap. */
public final class CaptureFile {
  private static final int MICROSECONDS = 0xA1B2C3D4;
  private static final int NANOSECONDS = 0xA1B23C4D;
  private static final int SECTION = 0x0A0D0D0A;
  private static final int HEADER_BYTES = 24;
  private static final int LONGEST_PACKET = 262_144;
  private static final long LARGEST_FILE = 256L << 20;

  private CaptureFile() {}

  /**
   * Reads a capture.
   *
   * @throws FileFault where it is none, naming what was found
   * @throws IOException where it cannot be read
   */
  public static List<Packet> read(Path file) throws IOException {
    if (Files.size(file) > LARGEST_FILE) {
      throw new FileFault(
          String.valueOf(file.getFileName()),
          1,
          1,
          "a capture of more than 256 MB is not read; cut it first");
    }
    return read(String.valueOf(file.getFileName()), Files.readAllBytes(file));
  }

  /**
   * Reads a capture from bytes. A last packet that is cut short is left out, as a capture that was
   * broken off has it.
   *
   * @param name the file's name, for messages
   * @throws FileFault where it is none
   */
  public static List<Packet> read(String name, byte[] bytes) throws FileFault {
    ByteBuffer in = ByteBuffer.wrap(bytes);
    if (bytes.length >= Integer.BYTES) {
      int magic = in.getInt(0);
      int turned = Integer.reverseBytes(magic);
      boolean classic = magic == MICROSECONDS || magic == NANOSECONDS;
      if (classic || turned == MICROSECONDS || turned == NANOSECONDS) {
        in.order(classic ? ByteOrder.BIG_ENDIAN : ByteOrder.LITTLE_ENDIAN);
        return classic(name, in);
      }
      if (magic == SECTION) {
        return new PcapngReader(name, in).read();
      }
    }
    throw new FileFault(name, 1, 1, "this is no capture: it begins neither as pcap nor as pcapng");
  }

  private static List<Packet> classic(String name, ByteBuffer in) throws FileFault {
    if (in.remaining() < HEADER_BYTES) {
      throw new FileFault(name, 1, 1, "the capture ends within its header");
    }
    long unit = in.getInt() == NANOSECONDS ? 1 : 1000;
    in.position(HEADER_BYTES - Integer.BYTES);
    int linkType = in.getInt() & 0xFFFF;
    List<Packet> packets = new ArrayList<>();
    try {
      while (in.hasRemaining()) {
        long seconds = Integer.toUnsignedLong(in.getInt());
        long fraction = Integer.toUnsignedLong(in.getInt());
        int length = in.getInt();
        in.getInt();
        if (length < 0 || length > LONGEST_PACKET) {
          throw new FileFault(
              name,
              1,
              in.position(),
              "packet %d says it has %d bytes".formatted(packets.size() + 1, length));
        }
        byte[] bytes = new byte[length];
        in.get(bytes);
        packets.add(new Packet(seconds * 1_000_000_000L + fraction * unit, linkType, bytes));
      }
    } catch (BufferUnderflowException brokenOff) {
      return packets;
    }
    return packets;
  }

  /**
   * Writes a capture; all packets are of one link type.
   *
   * @throws IOException where it cannot be written
   */
  public static void write(Path file, int linkType, List<Packet> packets) throws IOException {
    AtomicFile.write(
        file, file.resolveSibling(file.getFileName() + ".previous"), bytes(linkType, packets));
    Files.deleteIfExists(file.resolveSibling(file.getFileName() + ".previous"));
  }

  /** The bytes of a capture; all packets are of one link type. */
  public static byte[] bytes(int linkType, List<Packet> packets) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ByteBuffer header = ByteBuffer.allocate(HEADER_BYTES).order(ByteOrder.LITTLE_ENDIAN);
    header.putInt(NANOSECONDS).putShort((short) 2).putShort((short) 4);
    header.putInt(0).putInt(0).putInt(LONGEST_PACKET).putInt(linkType);
    out.writeBytes(header.array());
    for (Packet packet : packets) {
      byte[] bytes = packet.bytes();
      ByteBuffer head = ByteBuffer.allocate(16).order(ByteOrder.LITTLE_ENDIAN);
      head.putInt((int) (packet.nanoseconds() / 1_000_000_000L));
      head.putInt((int) (packet.nanoseconds() % 1_000_000_000L));
      head.putInt(bytes.length).putInt(bytes.length);
      out.writeBytes(head.array());
      out.writeBytes(bytes);
    }
    return out.toByteArray();
  }
}
