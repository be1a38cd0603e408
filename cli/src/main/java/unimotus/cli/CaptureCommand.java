package unimotus.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.HexFormat;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import unimotus.devices.modbus.ExplainedFrame;
import unimotus.workbench.live.Captures;
import unimotus.workbench.live.Captures.Frame;

/** {@code capture FILE}: the Modbus frames of a capture, a line each. */
@Command(
    name = "capture",
    mixinStandardHelpOptions = true,
    description = {
      "Lists the Modbus frames of a capture (pcap or pcapng): TCP, serial frames over TCP, or bare",
      "serial frames. Exit status 1 where a frame is wrong or bytes are in none."
    },
    footer = {"", "Example: unimotus capture line.pcapng --port 502"})
final class CaptureCommand implements Callable<Integer> {
  private static final HexFormat HEX = HexFormat.ofDelimiter(" ").withUpperCase();

  @Mixin private Output output;

  @Parameters(paramLabel = "FILE", description = "The capture.")
  private Path file;

  @Option(
      names = "--port",
      paramLabel = "N",
      defaultValue = "502",
      description = "The port that is asked. Default: ${DEFAULT-VALUE}.")
  private int port;

  @Override
  public Integer call() throws IOException {
    Captures.Read read = Captures.read(file, port);
    boolean sound =
        read.passedOver() == 0
            && read.frames().stream().allMatch(f -> explained(f).fault().isEmpty());
    if (output.isJson()) {
      output.document(
          Output.map(
              "packets", read.packets(),
              "bytesInNoFrame", read.passedOver(),
              "frames", read.frames().stream().map(CaptureCommand::map).toList()));
      return sound ? 0 : 1;
    }
    for (Frame frame : read.frames()) {
      ExplainedFrame explained = explained(frame);
      output
          .text()
          .printf(
              "%10.6f  %-8s unit %-3d %-24s %s%s%n",
              frame.seconds(),
              frame.answer() ? "answer" : "request",
              explained.unit(),
              explained.function(),
              HEX.formatHex(frame.array()),
              explained.fault().isEmpty() ? "" : "  ! " + explained.fault());
    }
    output
        .text()
        .printf(
            "%d frames in %d packets, %d bytes in none%n",
            read.frames().size(), read.packets(), read.passedOver());
    return sound ? 0 : 1;
  }

  private static ExplainedFrame explained(Frame frame) {
    return ExplainedFrame.of(frame.array(), frame.answer());
  }

  private static Object map(Frame frame) {
    ExplainedFrame explained = explained(frame);
    return Output.map(
        "seconds", frame.seconds(),
        "from", frame.from(),
        "to", frame.to(),
        "answer", frame.answer(),
        "unit", explained.unit(),
        "function", explained.function(),
        "fault", explained.fault(),
        "bytes", HEX.formatHex(frame.array()));
  }
}
