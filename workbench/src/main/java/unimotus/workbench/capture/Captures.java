package unimotus.workbench.capture;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import unimotus.formats.capture.CaptureFile;
import unimotus.formats.capture.Packet;
import unimotus.formats.capture.TcpConversation;

/** Frames of captures: out of files, and into them. */
public final class Captures {
  /** The port that stands for Modbus. */
  public static final int MODBUS_PORT = 502;

  private Captures() {}

  /**
   * What was read.
   *
   * @param frames the frames, in the order they were sent, good ones and bad ones
   * @param packets how many packets the capture has
   * @param passedOver how many bytes of the port were in no frame
   * @param missing how many bytes of the port's connections the capture does not have
   */
  public record Read(List<Frame> frames, int packets, int passedOver, long missing) {
    /** Takes a copy. */
    public Read {
      frames = List.copyOf(frames);
    }

    /** What is not in the frames, in words; empty where nothing is. */
    public String rest() {
      String passed = passedOver == 0 ? "" : ", %d bytes in none".formatted(passedOver);
      return missing == 0
          ? passed
          : passed + ", %d bytes missing from the capture".formatted(missing);
    }
  }

  /**
   * Reads the Modbus frames of a capture: TCP, serial frames over TCP, or bare serial frames.
   *
   * @param port the port that was asked
   * @throws IOException where it is no capture
   */
  public static Read read(Path file, int port) throws IOException {
    return new CaptureReader(CaptureFile.read(file), port).read();
  }

  /**
   * Writes frames as a capture that any analyser reads: those of TCP as a conversation on port 502,
   * those of a serial line as packets of the first link type for users.
   *
   * @throws IOException where it cannot be written, or where some frames are serial and some not
   */
  public static void write(Path file, List<Frame> frames) throws IOException {
    long serial = frames.stream().filter(Frame::serial).count();
    if (serial > 0 && serial < frames.size()) {
      throw new IOException(
          "%d of %d frames are serial, the others of TCP: a capture holds one kind"
              .formatted(serial, frames.size()));
    }
    if (serial > 0) {
      List<Packet> packets = new ArrayList<>();
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
}
