package unimotus.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.HexFormat;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import unimotus.devices.modbus.explain.ExplainedFrame;
import unimotus.workbench.capture.CapturedTelegrams;
import unimotus.workbench.capture.Captures;
import unimotus.workbench.capture.Frame;

/** {@code capture FILE}: the Modbus frames of a capture, a line each. */
@Command(
    name = "capture",
    mixinStandardHelpOptions = true,
    description = {
      "Lists the Modbus frames of a capture (pcap or pcapng): TCP, serial frames over TCP, or bare",
      "serial frames. With --telegrams those of a process-data fieldbus (EtherCAT), in Ethernet frames",
      "or UDP. Exit status 1 where a frame is wrong or bytes are in none or missing."
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

  @Option(names = "--telegrams", description = "Lists telegrams of a process-data fieldbus.")
  private boolean telegrams;

  @Override
  public Integer call() throws IOException {
    if (telegrams) {
      return telegrams();
    }
    Captures.Read read = Captures.read(file, port);
    boolean sound =
        read.rest().isEmpty()
            && read.frames().stream().allMatch(f -> f.explained().faults().isEmpty());
    if (output.isJson()) {
      output.document(
          Output.map(
              "packets", read.packets(),
              "bytesInNoFrame", read.passedOver(),
              "bytesMissing", read.missing(),
              "frames", read.frames().stream().map(CaptureCommand::map).toList()));
      return sound ? 0 : 1;
    }
    for (Frame frame : read.frames()) {
      ExplainedFrame explained = frame.explained();
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
            "%d frames in %d packets, %d bytes in none%s%n",
            read.frames().size(),
            read.packets(),
            read.passedOver(),
            read.missing() == 0 ? "" : ", %d missing".formatted(read.missing()));
    return sound ? 0 : 1;
  }

  private int telegrams() throws IOException {
    CapturedTelegrams read = CapturedTelegrams.read(file);
    if (output.isJson()) {
      output.document(
          Output.map(
              "packets", read.packets(),
              "telegrams",
                  read.lines().stream()
                      .map(
                          l ->
                              Output.map(
                                  "seconds", l.seconds(),
                                  "datagrams", l.words(),
                                  "fault", l.fault()))
                      .toList()));
    } else {
      for (CapturedTelegrams.Line line : read.lines()) {
        output
            .text()
            .printf(
                "%10.6f  %s%s%n",
                line.seconds(),
                String.join("; ", line.words()),
                line.fault().isEmpty() ? "" : "! " + line.fault());
      }
      output.text().printf("%d telegrams in %d packets%n", read.lines().size(), read.packets());
    }
    return read.lines().stream().allMatch(l -> l.fault().isEmpty()) ? 0 : 1;
  }

  private static Object map(Frame frame) {
    ExplainedFrame explained = frame.explained();
    return Output.map(
        "seconds", frame.seconds(),
        "from", frame.from(),
        "to", frame.to(),
        "answer", frame.answer(),
        "unit", explained.unit(),
        "function", explained.function(),
        "serial", frame.serial(),
        "fault", explained.fault(),
        "bytes", HEX.formatHex(frame.array()));
  }
}
