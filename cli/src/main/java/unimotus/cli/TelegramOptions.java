package unimotus.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Option;
import unimotus.devices.ethercat.Command;
import unimotus.devices.ethercat.ComposedTelegram;
import unimotus.devices.ethercat.Telegram;
import unimotus.devices.ethercat.TelegramPart;
import unimotus.devices.ethercat.explain.ExplainedTelegram;
import unimotus.devices.modbus.explain.ExplainedFrame;
import unimotus.formats.capture.CaptureFile;
import unimotus.formats.capture.Packet;
import unimotus.formats.capture.TelegramBytes;

/** What of {@code frame} belongs to a telegram of a process-data fieldbus. */
final class TelegramOptions {
  private static final HexFormat HEX = HexFormat.ofDelimiter(" ").withUpperCase();

  @Option(
      names = "--telegram",
      description = "The bytes are a telegram of a process-data fieldbus.")
  private boolean telegram;

  @Option(
      names = "--command",
      paramLabel = "C",
      description = "Puts a telegram together: APRD, FPRD, FPWR, BRD, LRW and so on.")
  private @Nullable Command command;

  @Option(
      names = "--station",
      paramLabel = "N",
      description = "To which station, by the address it was given, such as 0x1001.")
  private @Nullable String station;

  @Option(
      names = "--position",
      paramLabel = "N",
      description = "To which station, by its position on the cable, from 0.")
  private @Nullable String position;

  @Option(
      names = "--place",
      paramLabel = "N",
      description = "The place in its memory, such as 0x0130; a logical address for LRD, LWR, LRW.")
  private @Nullable String place;

  @Option(names = "--length", paramLabel = "N", description = "How many bytes are read.")
  private @Nullable String length;

  @Option(names = "--data", paramLabel = "HEX", description = "The bytes that are written.")
  private String data = "";

  @Option(
      names = "--capture",
      paramLabel = "FILE",
      description = "Writes the telegram as a capture of Ethernet frames.")
  private @Nullable Path capture;

  /** Whether a telegram is meant at all. */
  boolean isMeant() {
    return telegram || command != null;
  }

  /**
   * Explains the telegram.
   *
   * @param hex its bytes, where they are given
   * @return the exit status
   */
  int explain(Output output, List<String> hex) throws IOException {
    byte[] bytes = bytes(hex);
    ExplainedTelegram told = ExplainedTelegram.of(bytes);
    if (output.isJson()) {
      output.document(
          Output.map(
              "bytes", HEX.formatHex(bytes),
              "fault", told.fault(),
              "parts", told.parts().stream().map(TelegramOptions::map).toList()));
    } else {
      if (command != null) {
        output.text().println(HEX.formatHex(bytes));
      }
      for (TelegramPart part : told.parts()) {
        output
            .text()
            .printf(
                "%3d  %-24s %-18s %s%n", part.offset(), part.bytes(), part.name(), part.meaning());
      }
      if (!told.fault().isEmpty()) {
        output.text().println("! " + told.fault());
      }
    }
    if (capture != null) {
      CaptureFile.write(capture, Packet.ETHERNET, List.of(TelegramBytes.packet(0, true, bytes)));
    }
    return told.fault().isEmpty() ? 0 : 1;
  }

  private static Map<String, @Nullable Object> map(TelegramPart part) {
    return Output.map(
        "offset", part.offset(),
        "bytes", part.bytes(),
        "name", part.name(),
        "meaning", part.meaning());
  }

  private byte[] bytes(List<String> hex) {
    if (command == null) {
      if (station != null
          || position != null
          || place != null
          || length != null
          || !data.isEmpty()) {
        throw new IllegalArgumentException(
            "--station, --position, --place, --length and --data need --command");
      }
      return ExplainedFrame.bytes(String.join(" ", hex));
    }
    if (!hex.isEmpty()) {
      throw new IllegalArgumentException(
          "bytes '%s' beside --command: give one of them".formatted(String.join(" ", hex)));
    }
    byte[] written = data.isEmpty() ? new byte[0] : ExplainedFrame.bytes(data);
    return new Telegram(
            List.of(
                ComposedTelegram.datagram(
                    command,
                    1,
                    whom(command),
                    needed("--place", place),
                    written.length > 0 ? 0 : small("--length", length),
                    written)))
        .bytes();
  }

  private long whom(Command of) {
    boolean byPosition = of.addressing() == Command.Addressing.POSITION;
    boolean byStation = of.addressing() == Command.Addressing.STATION;
    if (position != null && !byPosition || station != null && !byStation) {
      throw new IllegalArgumentException(
          "%s takes no %s"
              .formatted(of, position != null && !byPosition ? "--position" : "--station"));
    }
    return byPosition
        ? needed("--position", position)
        : byStation ? needed("--station", station) : 0;
  }

  private long needed(String option, @Nullable String given) {
    if (given == null) {
      throw new IllegalArgumentException("%s needs %s".formatted(command, option));
    }
    try {
      return Long.decode(given);
    } catch (NumberFormatException none) {
      throw new IllegalArgumentException(
          "%s '%s' is no whole number; 16 and 0x10 are".formatted(option, given));
    }
  }

  /** A number that is held against its limits where it is used. */
  private int small(String option, @Nullable String given) {
    return (int) Math.max(-1, Math.min(needed(option, given), Integer.MAX_VALUE));
  }
}
