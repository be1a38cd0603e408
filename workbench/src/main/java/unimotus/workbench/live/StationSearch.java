package unimotus.workbench.live;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import unimotus.core.esi.DeviceDescription;
import unimotus.core.esi.EsiDevice;
import unimotus.core.processdata.AnsweringStation;
import unimotus.core.processdata.StationState;
import unimotus.devices.ethercat.EepromContent;
import unimotus.devices.ethercat.Telegram;
import unimotus.devices.ethercat.master.BusScan;
import unimotus.devices.ethercat.master.Exchange;
import unimotus.devices.ethercat.master.FoundStation;
import unimotus.devices.ethercat.master.StationLink;
import unimotus.devices.ethercat.wire.Cable;

/**
 * Finds the stations of a process-data fieldbus and who they are. It gives them their addresses by
 * position and writes nothing else.
 */
public final class StationSearch {
  /** The port where none is given. */
  public static final int PORT = Telegram.UDP_PORT;

  private static final int RETRIES = 3;
  private static final int ONWARD = 1;

  private StationSearch() {}

  /**
   * What came of a search.
   *
   * @param where the way, in words
   * @param stations who answered, in the order of the cable
   */
  public record Result(String where, List<FoundStation> stations) {
    /** Takes a copy. */
    public Result {
      stations = List.copyOf(stations);
    }

    /** The state of the station at a position, and why it is in no other one where it says so. */
    public String state(int position) {
      return stations.get(position).standing().told();
    }

    /** Whether it takes part with its image: SAFE-OP or OP. */
    public boolean isActive(int position) {
      StationState state = stations.get(position).standing().state();
      return state == StationState.SAFE_OP || state == StationState.OP;
    }

    /** Who answered, as far as the EEPROMs say. */
    public List<AnsweringStation> answering() {
      return stations.stream().map(StationSearch::answering).toList();
    }
  }

  private static AnsweringStation answering(FoundStation found) {
    return found
        .eeprom()
        .map(
            e ->
                new AnsweringStation(
                    found.position(),
                    e.vendor(),
                    e.product(),
                    e.revision(),
                    e.serial(),
                    e.alias(),
                    found.isLinked(ONWARD)))
        .orElseGet(() -> AnsweringStation.unknown(found.position(), found.isLinked(ONWARD)));
  }

  /**
   * Searches.
   *
   * @param milliseconds how long a telegram may be under way
   * @param isForced whether it is done although a controller runs the cable, which then does not
   *     find its stations at their addresses any more
   * @param tap is shown each telegram
   * @throws IOException where nothing comes back, or a controller runs the cable
   */
  public static Result search(Cable cable, int milliseconds, boolean isForced, Exchange.Tap tap)
      throws IOException {
    try (Exchange exchange = new Exchange(cable.open(), milliseconds, RETRIES, tap)) {
      if (!isForced) {
        refuseWhereOperated(exchange);
      }
      return new Result(exchange.toString(), BusScan.scan(exchange));
    }
  }

  /** Other addresses would take the stations away from the controller that runs them. */
  private static void refuseWhereOperated(Exchange exchange) throws IOException {
    if (BusScan.isOperated(exchange)) {
      throw new IOException(
          exchange
              + ": a station is in OP, a controller runs this cable. It would not find its stations"
              + " at their addresses any more: stop the controller first.");
    }
  }

  /**
   * Lets the lamp of one station blink, or not.
   *
   * @throws IllegalArgumentException where there is none at this position
   * @throws IOException where nothing comes back, or a controller runs the cable
   */
  public static void blink(Cable cable, int milliseconds, int position, boolean blinks)
      throws IOException {
    try (Exchange exchange = new Exchange(cable.open(), milliseconds, RETRIES, Exchange.Tap.NONE)) {
      refuseWhereOperated(exchange);
      int count = BusScan.count(exchange);
      if (position < 0 || position >= count) {
        throw new IllegalArgumentException(
            "no station %d; %d answer, from 0".formatted(position, count));
      }
      StationLink station = BusScan.addressed(exchange, count).get(position);
      station.blink(blinks);
    }
  }

  /** The description of a station in its own revision; empty where none is at hand. */
  public static Optional<EsiDevice> described(
      FoundStation station, List<DeviceDescription> descriptions) {
    return station
        .eeprom()
        .flatMap(
            e ->
                descriptions.stream()
                    .filter(d -> d.vendorId() == e.vendor())
                    .flatMap(d -> d.device(e.product(), e.revision()).stream())
                    .findFirst());
  }

  /** The revisions of a device that are described; empty where none is. */
  public static List<Long> revisions(EepromContent content, List<DeviceDescription> descriptions) {
    return descriptions.stream()
        .filter(d -> d.vendorId() == content.vendor())
        .flatMap(d -> d.devices().stream())
        .filter(d -> d.productCode() == content.product())
        .map(EsiDevice::revision)
        .distinct()
        .toList();
  }
}
