package unimotus.desktop.frames;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.function.Supplier;
import unimotus.devices.modbus.explain.ExplainedFrame;
import unimotus.workbench.capture.Captures;
import unimotus.workbench.capture.Frame;

/** Modbus frames of a capture: TCP, or of a serial line. */
final class ModbusCapture implements CaptureKind<Frame> {
  private final Supplier<List<Frame>> live;

  /** A capture whose frames may come from the last link under Live. */
  ModbusCapture(Supplier<List<Frame>> live) {
    this.live = live;
  }

  @Override
  public String prefix() {
    return "capture-";
  }

  @Override
  public String noun() {
    return "frame";
  }

  @Override
  public String hint() {
    return "Read a capture of a network analyser (pcap or pcapng, port 502), or add frames from"
        + " above.";
  }

  @Override
  public String words(Frame frame) {
    ExplainedFrame explained = frame.explained();
    return "%.4f s  %s  unit %d  %s%s"
        .formatted(
            frame.seconds(),
            frame.answer() ? "← answer" : "→ request",
            explained.unit(),
            explained.function(),
            explained.fault().isEmpty() ? "" : "  – " + explained.fault());
  }

  @Override
  public double seconds(Frame frame) {
    return frame.seconds();
  }

  @Override
  public byte[] bytes(Frame frame) {
    return frame.array();
  }

  @Override
  public boolean isAnswer(Frame frame) {
    return frame.answer();
  }

  @Override
  public Frame made(double seconds, byte[] bytes, boolean isAnswer) {
    return Frame.of(seconds, isAnswer, bytes);
  }

  @Override
  public List<Frame> live() {
    return live.get();
  }

  @Override
  public Read<Frame> read(Path file) throws IOException {
    Captures.Read read = Captures.read(file, Captures.MODBUS_PORT);
    return new Read<>(
        read.frames(),
        "%d frames in %d packets%s".formatted(read.frames().size(), read.packets(), read.rest()));
  }

  @Override
  public String fileName(List<Frame> frames) {
    return frames.get(0).serial() ? "serial.pcap" : "modbus.pcap";
  }

  @Override
  public void write(Path file, List<Frame> frames) throws IOException {
    Captures.write(file, frames);
  }
}
