package unimotus.desktop.frames;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.function.Supplier;
import unimotus.core.quantity.Count;
import unimotus.formats.capture.Packet;
import unimotus.workbench.capture.CapturedTelegrams;

/** Telegrams of a process-data fieldbus in a capture. */
final class TelegramCapture implements CaptureKind<CapturedTelegrams.Line> {
  private final Supplier<List<Packet>> live;

  /** A capture whose telegrams may come from the last connection under Live. */
  TelegramCapture(Supplier<List<Packet>> live) {
    this.live = live;
  }

  @Override
  public String prefix() {
    return "telegrams-";
  }

  @Override
  public String noun() {
    return "telegram";
  }

  @Override
  public String hint() {
    return "Read a capture of a network analyser (pcap or pcapng, Ethernet type 88A4 or UDP port"
        + " 34980), or add telegrams from above.";
  }

  @Override
  public String words(CapturedTelegrams.Line line) {
    return "%.4f s  %s"
        .formatted(
            line.seconds(),
            line.fault().isEmpty() ? String.join("; ", line.words()) : line.fault());
  }

  @Override
  public double seconds(CapturedTelegrams.Line line) {
    return line.seconds();
  }

  @Override
  public byte[] bytes(CapturedTelegrams.Line line) {
    return line.bytes();
  }

  /** A telegram does not say so: its working counters tell who dealt with it. */
  @Override
  public boolean isAnswer(CapturedTelegrams.Line line) {
    return false;
  }

  @Override
  public CapturedTelegrams.Line made(double seconds, byte[] bytes, boolean isAnswer) {
    return CapturedTelegrams.Line.composed(seconds, bytes);
  }

  @Override
  public List<CapturedTelegrams.Line> live() {
    return CapturedTelegrams.of(live.get()).lines();
  }

  @Override
  public Read<CapturedTelegrams.Line> read(Path file) throws IOException {
    CapturedTelegrams read = CapturedTelegrams.read(file);
    return new Read<>(
        read.lines(),
        "%s in %s"
            .formatted(Count.of(read.lines().size(), noun()), Count.of(read.packets(), "packet")));
  }

  @Override
  public String fileName(List<CapturedTelegrams.Line> lines) {
    return "telegrams.pcap";
  }

  @Override
  public void write(Path file, List<CapturedTelegrams.Line> lines) throws IOException {
    CapturedTelegrams.write(file, lines);
  }
}
