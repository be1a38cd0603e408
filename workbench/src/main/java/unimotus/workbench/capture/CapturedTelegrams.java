package unimotus.workbench.capture;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import unimotus.devices.ethercat.Datagram;
import unimotus.devices.ethercat.Telegram;
import unimotus.devices.ethercat.TelegramFault;
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
   * @param words its datagrams, for people
   * @param fault what is wrong; empty where nothing is
   */
  public record Line(double seconds, List<String> words, String fault) {
    /** Takes a copy. */
    public Line {
      words = List.copyOf(words);
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
        lines.add(line(seconds, bytes.get()));
      }
    }
    return new CapturedTelegrams(packets.size(), lines);
  }

  private static Line line(double seconds, byte[] bytes) {
    try {
      List<String> words = Telegram.of(bytes).datagrams().stream().map(Datagram::toString).toList();
      return new Line(seconds, words, "");
    } catch (TelegramFault fault) {
      return new Line(seconds, List.of(), String.valueOf(fault.getMessage()));
    }
  }
}
