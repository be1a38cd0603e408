package unimotus.devices.ethercat;

import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import unimotus.core.processdata.StateCode;
import unimotus.core.processdata.StationState;

/**
 * A telegram taken apart for a reader.
 *
 * @param parts its parts in the order of the bytes; none where it is no telegram
 * @param fault what is wrong; empty where nothing is
 */
public record ExplainedTelegram(List<TelegramPart> parts, String fault) {
  private static final HexFormat HEX = HexFormat.ofDelimiter(" ").withUpperCase();
  private static final int SHOWN = 16;

  /** Takes a copy. */
  public ExplainedTelegram {
    parts = List.copyOf(parts);
  }

  /** Takes bytes apart, from the telegram's own header on. */
  public static ExplainedTelegram of(byte[] bytes) {
    try {
      return new ExplainedTelegram(parts(bytes, Telegram.of(bytes)), "");
    } catch (TelegramFault fault) {
      return new ExplainedTelegram(List.of(), String.valueOf(fault.getMessage()));
    }
  }

  private static List<TelegramPart> parts(byte[] bytes, Telegram telegram) {
    List<TelegramPart> parts = new ArrayList<>();
    int length = telegram.bytes().length - 2;
    parts.add(part(bytes, 0, 2, "header", "commands, %d bytes follow".formatted(length)));
    int at = 2;
    for (Datagram each : telegram.datagrams()) {
      at = datagram(bytes, at, each, parts);
    }
    if (at < bytes.length) {
      parts.add(part(bytes, at, bytes.length - at, "filling", "up to the least frame"));
    }
    return parts;
  }

  private static int datagram(byte[] bytes, int from, Datagram each, List<TelegramPart> parts) {
    parts.add(part(bytes, from, 1, "command", words(each.command())));
    parts.add(part(bytes, from + 1, 1, "index", String.valueOf(each.index())));
    parts.add(part(bytes, from + 2, 4, "address", address(each)));
    parts.add(part(bytes, from + 6, 2, "length", lengths(bytes[from + 7], each)));
    parts.add(part(bytes, from + 8, 2, "events", "0x%04X".formatted(each.interrupt())));
    if (each.length() > 0) {
      parts.add(part(bytes, from + 10, each.length(), "data", data(each)));
    }
    int counter = from + 10 + each.length();
    parts.add(
        part(
            bytes,
            counter,
            2,
            "working counter",
            each.counter() == 0
                ? "0: not dealt with by any station"
                : String.valueOf(each.counter())));
    return counter + 2;
  }

  private static String words(Command command) {
    String does =
        command.reads() && command.writes()
            ? "read and write"
            : command.reads() ? "read" : command.writes() ? "write" : "nothing";
    String whom =
        switch (command.addressing()) {
          case NONE -> "";
          case POSITION -> ", the station at a place on the wire";
          case STATION -> ", the station of an address";
          case ALL -> ", every station";
          case LOGICAL -> ", whoever has mapped the address";
        };
    return command + ": " + does + whom;
  }

  private static String address(Datagram each) {
    if (each.command().addressing() == Command.Addressing.LOGICAL) {
      return "logical 0x%08X".formatted(each.address());
    }
    String whom =
        switch (each.command().addressing()) {
          case POSITION -> "position %d on its way".formatted((short) each.first());
          case STATION -> "station 0x%04X".formatted(each.first());
          default -> "passed %d stations".formatted(each.first());
        };
    String name = Place.name(each.place());
    return "%s, 0x%04X%s".formatted(whom, each.place(), name.isEmpty() ? "" : " " + name);
  }

  private static String lengths(byte high, Datagram each) {
    return "%d bytes%s%s"
        .formatted(
            each.length(),
            each.circulating() ? ", went round" : "",
            (high & 0x80) != 0 ? ", another datagram follows" : ", the last datagram");
  }

  private static String data(Datagram each) {
    byte[] data = each.data();
    if (each.command().addressing() == Command.Addressing.LOGICAL || data.length < 2) {
      return "";
    }
    int word = Byte.toUnsignedInt(data[0]) | Byte.toUnsignedInt(data[1]) << 8;
    return switch (each.place()) {
      case Place.STATE, Place.STATE_ASKED ->
          StationState.of(word)
              .map(
                  s ->
                      s.label()
                          + ((word & StationState.REFUSED) == 0
                              ? ""
                              : ", a change was refused or is acknowledged"))
              .orElse("no state");
      case Place.STATE_CODE -> StateCode.told(word);
      default -> "";
    };
  }

  private static TelegramPart part(
      byte[] bytes, int from, int length, String name, String meaning) {
    int shown = Math.min(length, SHOWN);
    String hex = HEX.formatHex(bytes, from, from + shown) + (shown < length ? " …" : "");
    return new TelegramPart(from, hex, name, meaning);
  }
}
