package unimotus.cli;

import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import unimotus.devices.modbus.ExplainedFrame;
import unimotus.devices.modbus.FramePart;

/** {@code frame HEX}: a frame with every byte explained. */
@Command(
    name = "frame",
    mixinStandardHelpOptions = true,
    description = {
      "Explains every byte of a Modbus frame, serial or TCP. Exit status 1 where something is wrong."
    },
    footer = {"", "Example: unimotus frame 11 03 00 6B 00 03 76 87"})
final class FrameCommand implements Callable<Integer> {
  @Mixin private Output output;

  @Option(names = "--answer", description = "The frame is an answer, not a request.")
  private boolean answer;

  @Parameters(arity = "1..*", paramLabel = "HEX", description = "The bytes, in any writing.")
  private List<String> hex;

  @Override
  public Integer call() {
    ExplainedFrame frame = ExplainedFrame.of(ExplainedFrame.bytes(String.join(" ", hex)), answer);
    if (output.isJson()) {
      output.document(
          Output.map(
              "serial", frame.serial(),
              "fault", frame.fault(),
              "parts", frame.parts().stream().map(FrameCommand::map).toList()));
    } else {
      output.text().println(frame.serial() ? "serial frame" : "TCP frame");
      for (FramePart part : frame.parts()) {
        output
            .text()
            .printf(
                "%3d  %-24s %-16s %s%n", part.offset(), part.bytes(), part.name(), part.meaning());
      }
      if (!frame.fault().isEmpty()) {
        output.text().println("! " + frame.fault());
      }
    }
    return frame.fault().isEmpty() ? 0 : 1;
  }

  private static Object map(FramePart part) {
    return Output.map(
        "offset", part.offset(),
        "bytes", part.bytes(),
        "name", part.name(),
        "meaning", part.meaning());
  }
}
