package unimotus.devices.ethercat;

import java.util.Arrays;
import java.util.List;

/** Telegrams of one datagram put together from what a form holds. */
public final class ComposedTelegram {
  private static final int WORD = 0xFFFF;
  private static final long LONG_WORD = 0xFFFF_FFFFL;

  private ComposedTelegram() {}

  /** The commands that can be composed. */
  public static List<Command> commands() {
    return Arrays.stream(Command.values()).filter(c -> c != Command.NOP).toList();
  }

  /**
   * A datagram, not answered by any station yet.
   *
   * @param index the number by which the sender knows it again, 0 to 255
   * @param whom the position on the wire from 0, or the address of the station; not looked at where
   *     every station or a logical address is meant
   * @param place the place in the station's memory, or the logical address
   * @param length how many bytes are read; not looked at where something is written
   * @param written what is written; empty for a read
   * @throws IllegalArgumentException naming what is outside the protocol
   */
  public static Datagram datagram(
      Command command, int index, long whom, long place, int length, byte[] written) {
    boolean isLogical = command.addressing() == Command.Addressing.LOGICAL;
    within(isLogical ? "logical address" : "place", place, isLogical ? LONG_WORD : WORD);
    if (command.writes() && written.length == 0) {
      throw new IllegalArgumentException(command + " writes: say which bytes");
    }
    if (!command.writes() && written.length > 0) {
      throw new IllegalArgumentException(
          "%s only reads: it carries no bytes out, %d are given"
              .formatted(command, written.length));
    }
    if (!command.writes()) {
      within("length", length, Datagram.MOST_DATA);
    }
    byte[] data = command.writes() ? written : new byte[length];
    return switch (command.addressing()) {
      case POSITION -> {
        within("position", whom, WORD);
        yield Datagram.toPosition(command, index, (int) whom, (int) place, data);
      }
      case STATION -> {
        within("station", whom, WORD);
        yield Datagram.toStation(command, index, (int) whom, (int) place, data);
      }
      case ALL, NONE -> Datagram.toStation(command, index, 0, (int) place, data);
      case LOGICAL -> Datagram.logical(command, index, place, data);
    };
  }

  private static void within(String what, long number, long most) {
    if (number < 0 || number > most) {
      throw new IllegalArgumentException(
          "%s %d (0x%X) is outside 0 to 0x%X".formatted(what, number, number, most));
    }
  }
}
