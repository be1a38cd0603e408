package unimotus.workbench.live;

import java.io.Closeable;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.LongSupplier;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import unimotus.core.bench.BenchSetup;
import unimotus.core.esi.DeviceDescription;
import unimotus.core.esi.EsiDevice;
import unimotus.core.machine.Axis;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.BusStation;
import unimotus.core.machine.Project;
import unimotus.core.processdata.StationDesign;
import unimotus.core.processdata.StationSetup;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.devices.ethercat.station.DeviceObjects;
import unimotus.devices.ethercat.station.DriveDevice;
import unimotus.devices.ethercat.station.Ring;
import unimotus.devices.ethercat.station.ServoDevice;
import unimotus.devices.ethercat.station.Station;
import unimotus.devices.ethercat.station.StationDevice;
import unimotus.devices.ethercat.station.StationIdentity;
import unimotus.devices.ethercat.wire.RingServer;
import unimotus.formats.esi.ShippedDescriptions;

/**
 * The stations of a project as stand-ins of a process-data fieldbus; behind a frequency drive run
 * the motor and load of its axis.
 *
 * @param server what answers
 * @param stations the stations in the order of the cable
 */
public record StationStandIns(RingServer server, List<Placed> stations) implements Closeable {
  private static final String COUPLER = "slot-coupler";
  private static final String DRIVE = "frequency-drive";
  private static final long FIRST_SERIAL = 1001;

  /**
   * One station.
   *
   * @param position its place on the wire, from 0
   * @param name what it is called in the project
   * @param axis name of the axis whose motor runs behind it; empty where none does
   * @param still why no motor runs behind it although it leads to a drive; empty where one does, or
   *     it leads to none
   * @param station what answers
   */
  public record Placed(int position, String name, String axis, String still, Station station) {
    /** The device it is by its description. */
    public EsiDevice device() {
      return station.device().objects().setup().device();
    }
  }

  /** Where stations answer. */
  public interface Place {
    /**
     * Starts to answer.
     *
     * @throws IOException where the place cannot be had
     */
    RingServer start(Ring ring) throws IOException;
  }

  /** Takes a copy. */
  public StationStandIns {
    stations = List.copyOf(stations);
  }

  /** UDP packets on the loopback address; port 0 for any that is free. */
  public static Place udp(int port) {
    return ring -> RingServer.udp(ring, port);
  }

  /** Ethernet frames at an interface of this machine. */
  public static Place ethernet(String interfaceName) {
    return ring -> RingServer.ethernet(ring, interfaceName);
  }

  /**
   * Starts the stations of a project, right ones.
   *
   * @throws IllegalArgumentException where a station is not described, or there are more than fit
   *     on one cable
   * @throws IOException where the place cannot be had
   */
  public static StationStandIns start(
      Project project, SheetCatalogue sheets, Place place, LongSupplier nanos) throws IOException {
    return start(project, sheets, place, nanos, List.of());
  }

  /**
   * Starts the stations of a project. A project without any gets a coupler and a drive for each
   * axis with an induction motor and a load.
   *
   * @param nanos a clock in nanoseconds
   * @param faults what is wrong with them
   * @throws IllegalArgumentException where a station is not described, or there are more than fit
   *     on one cable
   * @throws IOException where the place cannot be had
   */
  public static StationStandIns start(
      Project project,
      SheetCatalogue sheets,
      Place place,
      LongSupplier nanos,
      List<StationFault> faults)
      throws IOException {
    List<Placed> placed = new ArrayList<>();
    for (BusStation each :
        project.stations().isEmpty() ? usual(project, sheets) : project.stations()) {
      placed.add(
          placed(
              StationDesign.of(each, sheets.descriptions()),
              identity(each, placed.size(), faults),
              placed.size(),
              Driven.of(project, sheets, each),
              Positioned.of(project, sheets, each),
              nanos));
    }
    Ring ring = new Ring(placed.stream().map(Placed::station).toList());
    StationStandIns started = new StationStandIns(place.start(ring), placed);
    try {
      StationFault.show(faults, started);
    } catch (IllegalArgumentException none) {
      started.close();
      throw none;
    }
    return started;
  }

  private static StationIdentity identity(
      BusStation station, int position, List<StationFault> faults) {
    StationIdentity own =
        new StationIdentity(
            station.vendor(),
            station.product(),
            station.revision(),
            FIRST_SERIAL + position,
            station.alias());
    return StationFault.revision(faults, position).map(own::withRevision).orElse(own);
  }

  private static List<BusStation> usual(Project project, SheetCatalogue sheets) {
    List<BusStation> usual = new ArrayList<>();
    usual.add(usual(COUPLER, "coupler", "Coupler", ""));
    for (AxisAssembly axis : StandIns.complete(project, sheets)) {
      String drive = axis.drive().id();
      usual.add(usual(DRIVE, "station-" + drive, axis.drive().name(), drive));
    }
    return usual;
  }

  private static BusStation usual(String description, String id, String name, String drive) {
    DeviceDescription shipped = ShippedDescriptions.find(description).orElseThrow().description();
    EsiDevice device = shipped.devices().get(0);
    return new BusStation(
        id,
        name,
        device.type(),
        shipped.vendorId(),
        device.productCode(),
        device.revision(),
        0,
        List.of(),
        null,
        List.of(),
        drive);
  }

  /**
   * The axis a station drives.
   *
   * @param axis the axis whose motor is simulated; empty for none
   * @param still why none is although it leads to a drive
   */
  private record Driven(Optional<AxisAssembly> axis, String still) {
    static Driven of(Project project, SheetCatalogue sheets, BusStation station) {
      if (station.drive().isEmpty()) {
        return new Driven(Optional.empty(), "");
      }
      List<Axis> axes =
          project.axes().stream().filter(a -> station.drive().equals(a.drive())).toList();
      Optional<AxisAssembly> axis =
          StandIns.complete(project, sheets).stream()
              .filter(a -> axes.contains(a.axis()))
              .findFirst();
      String why =
          axes.stream()
              .flatMap(a -> StandIns.whyNone(project, sheets, a).stream())
              .findFirst()
              .orElse("no axis is on drive '%s'".formatted(station.drive()));
      return new Driven(axis, axis.isPresent() ? "" : why);
    }
  }

  private static Placed placed(
      StationDesign design,
      StationIdentity identity,
      int position,
      Driven driven,
      Positioned positioned,
      LongSupplier nanos) {
    BusStation each = design.station();
    StationSetup setup =
        design
            .known()
            .orElseThrow(
                () ->
                    new IllegalArgumentException(
                        "%s: %s".formatted(each.name(), design.obstacle())));
    DeviceObjects objects = new DeviceObjects(setup, identity);
    if (!positioned.axes().isEmpty() && ServoDevice.fits(objects, positioned.axes().size())) {
      ServoDevice servo =
          new ServoDevice(
              objects,
              IntStream.range(0, positioned.axes().size())
                  .mapToObj(
                      i -> Positioned.build(positioned.axes().get(i), positioned.senses().get(i)))
                  .toList(),
              nanos);
      String names =
          positioned.axes().stream().map(a -> a.axis().name()).collect(Collectors.joining(", "));
      return new Placed(position, each.name(), names, "", new Station(identity, servo, nanos));
    }
    Optional<AxisAssembly> axis = driven.axis();
    if (axis.isEmpty() || !DriveDevice.fits(objects)) {
      String still =
          !positioned.still().isEmpty()
              ? positioned.still()
              : !positioned.axes().isEmpty()
                  ? "its description has no target position (0x607A) for each of its axes"
                  : axis.isEmpty()
                      ? driven.still()
                      : "its description has no velocity mode (0x6042)";
      Station plain = new Station(identity, StationDevice.plain(objects), nanos);
      return new Placed(position, each.name(), "", still, plain);
    }
    DriveDevice drive = new DriveDevice(objects, BenchSetup.inHertz(axis.get()), nanos);
    return new Placed(
        position, each.name(), axis.get().axis().name(), "", new Station(identity, drive, nanos));
  }

  @Override
  public void close() throws IOException {
    server.close();
  }
}
