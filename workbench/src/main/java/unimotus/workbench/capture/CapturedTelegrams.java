package unimotus.workbench.capture;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import unimotus.devices.ethercat.Datagram;
import unimotus.devices.ethercat.Telegram;
import unimotus.devices.ethercat.TelegramFault;
import unimotus.formats.capture.CaptureFile;
import unimotus.formats.capture.Packet;
import unimotus.formats.capture.TelegramBytes;

/**
 * The telegrams of a capture, in the order of the packets.
 *
 * @param packets how many packets there are
 * @param lines what was found
 */
public record CapturedTelegrams(int packets, List<Line> lines) {
  private static final double SECOND = 1e9;

  /**
   * One telegram.
   *
   * @param seconds since the first packet
   * @param packet what carries it
   * @param words its datagrams, for people
   * @param fault what is wrong; empty where nothing is
   */
  public record Line(double seconds, Packet packet, List<String> words, String fault) {
    /** Takes a copy. */
    public Line {
      words = List.copyOf(words);
    }

    /** A telegram that goes out in an Ethernet frame. */
    public static Line composed(double seconds, byte[] telegram) {
      Packet packet = TelegramBytes.packet(Math.round(SECOND * seconds), true, telegram);
      return line(seconds, packet, telegram);
    }

    /** Its bytes, from its own header on. */
    public byte[] bytes() {
      return TelegramBytes.of(packet).orElseThrow();
    }
  }

  /** Takes a copy. */
  public CapturedTelegrams {
    lines = List.copyOf(lines);
  }

  /** The telegrams of packets. */
  public static CapturedTelegrams of(List<Packet> packets) {
    List<Line> lines = new ArrayList<>();
    for (Packet packet : packets) {
      Optional<byte[]> bytes = TelegramBytes.of(packet);
      if (bytes.isPresent()) {
        double seconds = (packet.nanoseconds() - packets.get(0).nanoseconds()) / SECOND;
        lines.add(line(seconds, packet, bytes.get()));
      }
    }
    return new CapturedTelegrams(packets.size(), lines);
  }

  /**
   * Reads the telegrams of a capture.
   *
   * @throws IOException where it is no capture
   */
  public static CapturedTelegrams read(Path file) throws IOException {
    return of(CaptureFile.read(file));
  }

  /**
   * Writes telegrams as a capture that any analyser reads, in the packets they came in.
   *
   * @throws IOException where it cannot be written, or where the packets are of several kinds
   */
  public static void write(Path file, List<Line> lines) throws IOException {
    List<Packet> packets = lines.stream().map(Line::packet).toList();
    List<Integer> kinds = packets.stream().map(Packet::linkType).distinct().toList();
    if (kinds.size() != 1) {
      throw new IOException(
          "%d telegrams in packets of %d kinds: a capture holds one kind"
              .formatted(lines.size(), kinds.size()));
    }
    CaptureFile.write(file, kinds.get(0), packets);
  }

  private static Line line(double seconds, Packet packet, byte[] bytes) {
    try {
      List<String> words = Telegram.of(bytes).datagrams().stream().map(Datagram::toString).toList();
      return new Line(seconds, packet, words, "");
    } catch (TelegramFault fault) {
      return new Line(seconds, packet, List.of(), String.valueOf(fault.getMessage()));
    }
  }
}
