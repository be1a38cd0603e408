package unimotus.devices.ethercat.master;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import unimotus.core.processdata.StationState;
import unimotus.devices.ethercat.Command;
import unimotus.devices.ethercat.Datagram;
import unimotus.devices.ethercat.EepromContent;
import unimotus.devices.ethercat.Place;

/**
 * Finds out who answers, in the order of the cable. Each station gets an address by its position;
 * nothing else in it changes.
 */
public final class BusScan {
  /** The address of the station at position 0. */
  public static final int FIRST_ADDRESS = 0x1001;

  private static final int PORTS = 4;

  private BusScan() {}

  /**
   * Scans.
   *
   * @return possibly none
   * @throws IOException where nothing comes back
   */
  public static List<FoundStation> scan(Exchange exchange) throws IOException {
    int count = count(exchange);
    List<FoundStation> found = new ArrayList<>();
    for (StationLink station : addressed(exchange, count)) {
      found.add(found(station));
    }
    return found;
  }

  /**
   * How many stations answer.
   *
   * @throws IOException where nothing comes back
   */
  public static int count(Exchange exchange) throws IOException {
    return states(exchange).counter();
  }

  /**
   * Whether a station is in OP: a controller runs the cable, and other addresses would take its
   * stations away from it.
   *
   * @throws IOException where nothing comes back
   */
  public static boolean isOperated(Exchange exchange) throws IOException {
    // Each station adds its bits to what comes by (ETG.1000.4, from memory).
    return (states(exchange).data()[0] & StationState.OP.number()) != 0;
  }

  private static Datagram states(Exchange exchange) throws IOException {
    Datagram all = new Datagram(Command.BRD, 0, wide(Place.STATE), new byte[2], false, 0, 0);
    return exchange.ask(List.of(all)).get(0);
  }

  private static long wide(int place) {
    return (long) place << Short.SIZE;
  }

  /**
   * Links to stations that answer, each with its address given anew.
   *
   * @throws IOException where one does not take it
   */
  public static List<StationLink> addressed(Exchange exchange, int count) throws IOException {
    List<StationLink> stations = new ArrayList<>();
    for (int position = 0; position < count; position++) {
      int address = FIRST_ADDRESS + position;
      Datagram errand =
          Datagram.toPosition(
              Command.APWR, 0, position, Place.STATION_ADDRESS, StationLink.bytes(address, 2));
      Datagram answer = exchange.ask(List.of(errand)).get(0);
      if (answer.counter() != 1) {
        throw new Unexpected(
            "station %d does not take an address: working counter %d instead of 1"
                .formatted(position, answer.counter()));
      }
      stations.add(new StationLink(exchange, position, address));
    }
    return stations;
  }

  private static FoundStation found(StationLink station) throws IOException {
    EepromContent content = null;
    String trouble = "";
    try {
      content = station.eeprom();
    } catch (Unexpected unreadable) {
      trouble = String.valueOf(unreadable.getMessage());
    }
    byte[] errors = station.read(Place.RECEIVE_ERRORS, 2 * PORTS);
    return new FoundStation(
        station.position(),
        station.address(),
        station.standing(),
        station.word(Place.PORT_STATUS),
        sum(station.read(Place.LOST_LINKS, PORTS)),
        sum(errors),
        content,
        trouble);
  }

  private static int sum(byte[] counters) {
    int sum = 0;
    for (byte each : counters) {
      sum += Byte.toUnsignedInt(each);
    }
    return sum;
  }
}
