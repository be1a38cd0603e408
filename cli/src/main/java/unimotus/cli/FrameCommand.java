package unimotus.cli;

import java.io.IOException;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import unimotus.devices.modbus.Composed;
import unimotus.devices.modbus.Request;
import unimotus.devices.modbus.explain.ExplainedFrame;
import unimotus.devices.modbus.explain.FramePart;

/** {@code frame HEX}: a frame with every byte explained. */
@Command(
    name = "frame",
    mixinStandardHelpOptions = true,
    description = {
      "Explains every byte of a Modbus frame, serial or TCP, given as bytes or put together by",
      "--function and what it needs; with --telegram of a process-data telegram (EtherCAT), from its own",
      "header on, or put together by --command. Exit status 1 where something is wrong."
    },
    footer = {
      "",
      "Example: unimotus frame 11 03 00 6B 00 03 76 87",
      "         unimotus frame --function 16 --address 1 --values 10,258 --unit 17 --serial",
      "         unimotus frame --telegram 0E 10 04 07 01 10 30 01 02 00 00 00 12 00 01 00",
      "         unimotus frame --command FPRD --station 0x1001 --place 0x0130 --length 6"
    })
final class FrameCommand implements Callable<Integer> {
  @Mixin private Output output;

  @Option(names = "--answer", description = "The frame is an answer, not a request.")
  private boolean answer;

  @Option(
      names = "--function",
      paramLabel = "F",
      description = "Puts a request together: 1-6, 15, 16, 22, 23 or 43.")
  private int function;

  @Option(names = "--address", paramLabel = "N", description = "Where it reads or writes, from 0.")
  private int address;

  @Option(
      names = "--count",
      paramLabel = "N",
      defaultValue = "1",
      description = "How many it reads.")
  private int count;

  @Option(
      names = "--values",
      paramLabel = "V",
      defaultValue = "",
      description = "What it writes, divided by commas; and-mask, or-mask for function 22.")
  private String values;

  @Option(names = "--read-address", paramLabel = "N", description = "Where function 23 reads.")
  private int readAddress;

  @Option(names = "--unit", paramLabel = "N", defaultValue = "1", description = "For which unit.")
  private int unit;

  @Option(
      names = "--transaction",
      paramLabel = "N",
      defaultValue = "1",
      description = "Its number on TCP.")
  private int transaction;

  @Option(
      names = "--serial",
      description = "A serial frame, not one of TCP; detected from the bytes where not given.")
  private boolean serial;

  @Mixin private TelegramOptions telegram;

  @Parameters(arity = "0..*", paramLabel = "HEX", description = "The bytes, in any writing.")
  private List<String> hex = List.of();

  @Override
  public Integer call() throws IOException {
    if (telegram.isMeant()) {
      return telegram();
    }
    byte[] bytes = bytes();
    ExplainedFrame frame =
        serial ? ExplainedFrame.of(bytes, answer, true) : ExplainedFrame.of(bytes, answer);
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
            .printf("%3d  %-24s %-16s %s%n", part.offset(), part.bytes(), part.name(), words(part));
      }
      frame.faults().forEach(f -> output.text().println("! " + f));
    }
    return frame.faults().isEmpty() ? 0 : 1;
  }

  private int telegram() throws IOException {
    if (function != 0 || serial || answer) {
      throw new IllegalArgumentException(
          "--function, --serial and --answer belong to Modbus, not to a telegram");
    }
    return telegram.explain(output, hex);
  }

  private static String words(FramePart part) {
    return part.fault().isEmpty() ? part.meaning() : part.meaning() + "  ! " + part.fault();
  }

  private byte[] bytes() {
    if (function == 0) {
      return ExplainedFrame.bytes(String.join(" ", hex));
    }
    Request request =
        Composed.request(function, address, count, Composed.values(values), readAddress);
    return Composed.frame(serial, transaction, unit, request);
  }

  private static Object map(FramePart part) {
    return Output.map(
        "offset", part.offset(),
        "bytes", part.bytes(),
        "name", part.name(),
        "meaning", part.meaning(),
        "fault", part.fault());
  }
}
