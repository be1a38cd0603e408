package unimotus.devices.ethercat.master;

import java.io.IOException;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import unimotus.devices.connection.Gate;
import unimotus.devices.connection.NotDone;
import unimotus.devices.ethercat.mailbox.Aborted;
import unimotus.devices.ethercat.mailbox.MailFault;

/** Objects of a station that are changed for a while, with what stood in them before. */
final class Borrowed {
  private final Map<Integer, byte[]> before = new LinkedHashMap<>();

  /**
   * Takes down what stands in objects, before they are changed; what was taken down already stays.
   *
   * @throws NotDone where one cannot be read, and so could not be put back
   * @throws IOException where the station does not answer
   */
  void take(StationStart from, List<Integer> objects) throws IOException, NotDone {
    for (int index : objects) {
      try {
        before.putIfAbsent(index, from.objects().read(index, 0));
      } catch (Aborted | MailFault unread) {
        throw new NotDone(
            "%s: 0x%04X cannot be read, so it could not be put back: %s"
                .formatted(from.station(), index, unread.getMessage()));
      }
    }
  }

  /** Whether nothing was taken down. */
  boolean isEmpty() {
    return before.isEmpty();
  }

  /**
   * Puts them back, and leaves the station in INIT.
   *
   * @param begun a station in INIT
   * @return what was not put back, in words; empty where all was
   * @throws IOException where the station does not answer
   */
  Optional<String> giveBack(StationStart begun) throws IOException {
    if (before.isEmpty()) {
      return Optional.empty();
    }
    // The gate of whoever began the run may be closed by now; what gives back goes out always.
    StationStart to = new StationStart(begun.station(), begun.content(), Gate.OPEN);
    to.mailbox();
    Optional<String> kept = Optional.empty();
    for (Map.Entry<Integer, byte[]> each : before.entrySet()) {
      try {
        to.objects().write(each.getKey(), 0, each.getValue());
      } catch (Aborted | MailFault refused) {
        kept =
            Optional.of(
                "0x%04X was not put back to %s: %s"
                    .formatted(
                        each.getKey(),
                        HexFormat.ofDelimiter(" ").withUpperCase().formatHex(each.getValue()),
                        refused.getMessage()));
      }
    }
    before.clear();
    to.reset();
    return kept;
  }
}
