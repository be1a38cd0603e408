package unimotus.workbench.capture;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import unimotus.devices.modbus.explain.FrameSplitter;
import unimotus.devices.modbus.explain.FrameSplitter.Kind;
import unimotus.devices.modbus.explain.FrameSplitter.Piece;
import unimotus.formats.capture.ByteStream;
import unimotus.formats.capture.Packet;
import unimotus.formats.capture.Segment;

/** Goes through the packets of one capture. */
final class CaptureReader {
  private final List<Packet> packets;
  private final int port;
  private final long begun;
  private final List<Frame> frames = new ArrayList<>();
  private final SerialTurns turns = new SerialTurns();

  /** What was sent on each connection of the port, by who spoke with whom. */
  private final Map<String, List<Segment>> spoken = new LinkedHashMap<>();

  private int passedOver;
  private long missing;

  CaptureReader(List<Packet> packets, int port) {
    this.packets = packets;
    this.port = port;
    this.begun = packets.isEmpty() ? 0 : packets.get(0).nanoseconds();
  }

  Captures.Read read() {
    for (Packet packet : packets) {
      if (packet.linkType() == Packet.USER_0) {
        byte[] bytes = packet.bytes();
        frames.add(
            Frame.of(seconds(packet.nanoseconds()), "", "", turns.isAnswer(bytes), true, bytes));
      } else {
        Segment.of(packet)
            .filter(s -> s.toPort() == port || s.fromPort() == port)
            .ifPresent(s -> spoken.computeIfAbsent(ends(s), e -> new ArrayList<>()).add(s));
      }
    }
    spoken.values().forEach(this::conversation);
    frames.sort(Comparator.comparingDouble(Frame::seconds));
    return new Captures.Read(frames, packets.size(), passedOver, missing);
  }

  private double seconds(long nanoseconds) {
    return (nanoseconds - begun) / 1e9;
  }

  /** The same both ways. */
  private String ends(Segment segment) {
    boolean answer = isAnswer(segment);
    return answer ? segment.to() + ">" + segment.from() : segment.from() + ">" + segment.to();
  }

  private boolean isAnswer(Segment segment) {
    return segment.fromPort() == port;
  }

  /** One connection is either of TCP frames or of serial ones: what fits it better counts. */
  private void conversation(List<Segment> segments) {
    List<Way> ways = new ArrayList<>();
    for (boolean answers : new boolean[] {false, true}) {
      List<Segment> way = segments.stream().filter(s -> isAnswer(s) == answers).toList();
      ByteStream.of(way).forEach(s -> ways.add(new Way(way.get(0), s, answers)));
    }
    boolean certain = ways.stream().allMatch(w -> w.isWhole(false));
    boolean serial = !certain && weight(ways, true) >= weight(ways, false);
    ways.forEach(w -> take(w, serial));
  }

  private static long weight(List<Way> ways, boolean serial) {
    return ways.stream().mapToLong(w -> FrameSplitter.weight(w.pieces(serial))).sum();
  }

  private void take(Way way, boolean serial) {
    missing += way.stream().missing();
    byte[] bytes = way.stream().bytes();
    for (Piece piece : way.pieces(serial)) {
      if (piece.kind() == Kind.NONE) {
        passedOver += piece.length();
        continue;
      }
      frames.add(
          Frame.of(
              seconds(way.stream().timeOf(piece.end() - 1)),
              way.first().from(),
              way.first().to(),
              way.answers(),
              serial,
              Arrays.copyOfRange(bytes, piece.offset(), piece.end())));
    }
  }

  /**
   * One direction of a connection.
   *
   * @param first its first segment, which names the ends
   * @param stream its bytes
   * @param answers whether the asked port spoke
   */
  private record Way(Segment first, ByteStream stream, boolean answers) {
    List<Piece> pieces(boolean serial) {
      List<Integer> starts = stream.chunks().stream().map(ByteStream.Chunk::offset).toList();
      return FrameSplitter.split(stream.bytes(), starts, answers, serial);
    }

    boolean isWhole(boolean serial) {
      return pieces(serial).stream().allMatch(p -> p.kind() == Kind.FRAME);
    }
  }
}
