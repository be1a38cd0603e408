package unimotus.workbench.live;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.DataInputStream;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import unimotus.devices.modbus.FrameFault;
import unimotus.devices.modbus.RtuFrame;
import unimotus.devices.modbus.TcpFrame;
import unimotus.formats.capture.CaptureFile;
import unimotus.formats.capture.Packet;
import unimotus.formats.capture.Segment;
import unimotus.formats.capture.TcpConversation;

/** Frames of captures: out of files, and into them. */
public final class Captures {
  /** The port that stands for Modbus. */
  public static final int MODBUS_PORT = 502;

  private Captures() {}

  /**
   * A frame of a capture.
   *
   * @param seconds when, from the first packet on
   * @param from who sent it; empty on a serial line
   * @param to to whom; empty on a serial line
   * @param answer whether it is an answer
   * @param bytes the frame
   */
  public record Frame(double seconds, String from, String to, boolean answer, List<Byte> bytes) {
    /** Takes a copy. */
    public Frame {
      bytes = List.copyOf(bytes);
    }

    /** A frame of a link whose ends need no names. */
    public static Frame of(double seconds, boolean answer, byte[] bytes) {
      return of(seconds, "", "", answer, bytes);
    }

    static Frame of(double seconds, String from, String to, boolean answer, byte[] bytes) {
      List<Byte> all = new ArrayList<>();
      for (byte one : bytes) {
        all.add(one);
      }
      return new Frame(seconds, from, to, answer, all);
    }

    /** The bytes as an array. */
    public byte[] array() {
      byte[] array = new byte[bytes.size()];
      for (int i = 0; i < array.length; i++) {
        array[i] = bytes.get(i);
      }
      return array;
    }
  }

  /**
   * What was read.
   *
   * @param frames the frames, in the order they were sent
   * @param packets how many packets the capture has
   * @param passedOver how many bytes of the port were in no frame
   */
  public record Read(List<Frame> frames, int packets, int passedOver) {
    /** Takes a copy. */
    public Read {
      frames = List.copyOf(frames);
    }
  }

  /**
   * Reads the Modbus frames of a capture: TCP, serial frames over TCP, or bare serial frames.
   *
   * @param port the port that was asked
   * @throws IOException where it is no capture
   */
  public static Read read(Path file, int port) throws IOException {
    return new Reader(CaptureFile.read(file), port).read();
  }

  /**
   * Writes frames as a capture that any analyser reads: those of TCP as a conversation on port 502,
   * those of a serial line as packets of the first link type for users.
   *
   * @throws IOException where it cannot be written
   */
  public static void write(Path file, List<Frame> frames, boolean serial) throws IOException {
    List<Packet> packets = new ArrayList<>();
    if (serial) {
      frames.forEach(f -> packets.add(new Packet(nanos(f), Packet.USER_0, f.array())));
      CaptureFile.write(file, Packet.USER_0, packets);
      return;
    }
    TcpConversation conversation = new TcpConversation(MODBUS_PORT);
    for (Frame frame : frames) {
      if (frame.answer()) {
        conversation.answer(nanos(frame), frame.array());
      } else {
        conversation.ask(nanos(frame), frame.array());
      }
    }
    CaptureFile.write(file, Packet.RAW_IPV4, conversation.packets());
  }

  private static long nanos(Frame frame) {
    return Math.round(1e9 * frame.seconds());
  }

  /** Goes through the packets of one capture. */
  private static final class Reader {
    private final List<Packet> packets;
    private final int port;
    private final List<Frame> frames = new ArrayList<>();

    /** What of a direction is no whole frame yet. */
    private final Map<String, ByteArrayOutputStream> open = new HashMap<>();

    private final Map<String, Long> expected = new HashMap<>();
    private boolean answerNext;
    private int passedOver;

    Reader(List<Packet> packets, int port) {
      this.packets = packets;
      this.port = port;
    }

    Read read() {
      long begun = packets.isEmpty() ? 0 : packets.get(0).nanoseconds();
      for (Packet packet : packets) {
        double seconds = (packet.nanoseconds() - begun) / 1e9;
        if (packet.linkType() == Packet.USER_0) {
          add(seconds, "", "", answerNext, packet.bytes());
          answerNext = !answerNext;
          continue;
        }
        Segment.of(packet)
            .filter(s -> s.toPort() == port || s.fromPort() == port)
            .filter(s -> s.payload().length > 0)
            .filter(this::isNew)
            .ifPresent(s -> take(seconds, s));
      }
      open.values().forEach(rest -> passedOver += rest.size());
      return new Read(frames, packets.size(), passedOver);
    }

    /** A segment that was sent again says nothing new. */
    private boolean isNew(Segment segment) {
      String way = segment.from() + ">" + segment.to();
      long end = segment.sequence() + segment.payload().length;
      Long seen = expected.get(way);
      if (seen != null && (int) (end - seen) <= 0) {
        return false;
      }
      expected.put(way, end);
      return true;
    }

    private void take(double seconds, Segment segment) {
      String way = segment.from() + ">" + segment.to();
      ByteArrayOutputStream rest = open.computeIfAbsent(way, w -> new ByteArrayOutputStream());
      rest.writeBytes(segment.payload());
      boolean answer = segment.fromPort() == port;
      byte[] bytes = rest.toByteArray();
      rest.reset();
      if (isSerial(bytes)) {
        add(seconds, segment.from(), segment.to(), answer, bytes);
        return;
      }
      int done = 0;
      DataInputStream in = new DataInputStream(new ByteArrayInputStream(bytes));
      try {
        while (bytes.length - done >= TcpFrame.HEADER + 1) {
          TcpFrame frame = TcpFrame.read(in);
          if (frame == null) {
            return;
          }
          byte[] whole = frame.bytes();
          add(seconds, segment.from(), segment.to(), answer, whole);
          done += whole.length;
        }
        rest.write(bytes, done, bytes.length - done);
      } catch (FrameFault | IOException notWhole) {
        keep(bytes, done, rest);
      }
    }

    /** A frame may go on in the next segment; what cannot be one is passed over. */
    private void keep(byte[] bytes, int done, ByteArrayOutputStream rest) {
      boolean lies =
          bytes.length - done >= TcpFrame.HEADER && (bytes[done + 2] != 0 || bytes[done + 3] != 0);
      if (lies || bytes.length - done > TcpFrame.HEADER + TcpFrame.LONGEST_MESSAGE) {
        passedOver += bytes.length - done;
      } else {
        rest.write(bytes, done, bytes.length - done);
      }
    }

    private static boolean isSerial(byte[] bytes) {
      try {
        RtuFrame.of(bytes);
        return true;
      } catch (FrameFault no) {
        return false;
      }
    }

    private void add(double seconds, String from, String to, boolean answer, byte[] bytes) {
      frames.add(Frame.of(seconds, from, to, answer, bytes));
    }
  }
}
