package unimotus.devices.ethercat.explain;

import java.util.List;
import unimotus.devices.ethercat.Command;
import unimotus.devices.ethercat.Datagram;
import unimotus.devices.ethercat.Place;
import unimotus.devices.ethercat.Telegram;
import unimotus.devices.ethercat.TelegramFault;
import unimotus.devices.ethercat.TelegramPart;
import unimotus.devices.ethercat.TelegramParts;
import unimotus.devices.ethercat.mailbox.ExplainedMail;

/**
 * A telegram taken apart for a reader.
 *
 * @param parts its parts in the order of the bytes; none where it is no telegram
 * @param fault what is wrong; empty where nothing is
 */
public record ExplainedTelegram(List<TelegramPart> parts, String fault) {
  private static final int HEADER = 2;

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
    TelegramParts parts = new TelegramParts(bytes);
    int length = telegram.bytes().length - HEADER;
    parts.take(HEADER, "header", "commands, %d bytes follow".formatted(length));
    telegram.datagrams().forEach(d -> datagram(bytes[parts.at() + 7], d, parts));
    parts.take(parts.left(), "filling", "up to the least frame");
    return parts.parts();
  }

  private static void datagram(byte lengthHigh, Datagram each, TelegramParts parts) {
    parts.take(1, "command", words(each.command()));
    parts.take(1, "index", String.valueOf(each.index()));
    parts.take(4, "address", address(each));
    parts.take(2, "length", lengths(lengthHigh, each));
    parts.take(2, "events", "0x%04X".formatted(each.interrupt()));
    data(each, parts);
    parts.take(
        2,
        "working counter",
        each.counter() == 0 ? "0: not dealt with by any station" : String.valueOf(each.counter()));
  }

  /** Whose data are known is taken apart further; what is only asked for carries nothing yet. */
  private static void data(Datagram each, TelegramParts parts) {
    Command.Addressing addressing = each.command().addressing();
    boolean isAsked = !each.command().writes() && each.counter() == 0;
    if (isAsked || addressing == Command.Addressing.NONE) {
      parts.take(each.length(), "data", isAsked ? "room for the answer" : "");
    } else if (addressing == Command.Addressing.LOGICAL) {
      parts.take(each.length(), "process data", "");
    } else if (each.place() < Place.PROCESS_MEMORY) {
      Registers.take(each.place(), each.length(), parts);
    } else if (addressing != Command.Addressing.ALL && ExplainedMail.isOne(each.data())) {
      ExplainedMail.take(each.length(), parts);
    } else {
      parts.take(each.length(), "data", "");
    }
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
}
