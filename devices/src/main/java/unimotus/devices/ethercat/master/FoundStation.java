package unimotus.devices.ethercat.master;

import java.util.Optional;
import org.jspecify.annotations.Nullable;
import unimotus.devices.ethercat.EepromContent;

/**
 * A station that answers.
 *
 * @param position its place on the wire, from 0
 * @param address the address it was given
 * @param standing the state it is in
 * @param portStatus links, loops and communication of its ports, as in its register
 * @param lostLinks how often a link was lost, at all its ports
 * @param receiveErrors how many damaged frames it saw, at all its ports
 * @param content what its EEPROM says; null where it cannot be read
 * @param trouble why not; empty where it can
 */
public record FoundStation(
    int position,
    int address,
    StationLink.Standing standing,
    int portStatus,
    int lostLinks,
    int receiveErrors,
    @Nullable EepromContent content,
    String trouble) {
  private static final int FIRST_LINK = 4;
  private static final int FIRST_LOOP = 8;

  /** What its EEPROM says. */
  public Optional<EepromContent> eeprom() {
    return Optional.ofNullable(content);
  }

  /** Whether a cable is in a port and its other end is alive. */
  public boolean isLinked(int port) {
    return (portStatus >> FIRST_LINK + port & 1) != 0;
  }

  /** Whether a port sends back what comes, as one where nothing follows does. */
  public boolean isClosed(int port) {
    return (portStatus >> FIRST_LOOP + 2 * port & 1) != 0;
  }
}
