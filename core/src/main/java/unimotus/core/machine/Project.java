package unimotus.core.machine;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * A whole machine section, one immutable value.
 *
 * @param name what people call the line
 * @param controllers the controllers
 * @param drives the drives
 * @param parts the panel parts
 * @param motors the motors
 * @param axes the axes in working order
 * @param wires the control wires
 * @param intents when the wired binary inputs are meant to read on
 * @param probes measurements to be made on the wires
 * @param stops the stop functions
 * @param records what is known of each drive besides its design
 * @param notes what has to stay on record about safety, in the order it was written
 * @param readings the evidence, in the order it was taken
 * @param board where devices were put on the wire board, from the top; one that is not named stands
 *     where the layout puts it
 * @param stations the stations of the process-data fieldbus in the order of the cable
 * @param sequences what axes are to do step by step
 * @param busTiming the cycle of that fieldbus; null where it is not known
 */
@RecordBuilder
public record Project(
    String name,
    List<Controller> controllers,
    List<Drive> drives,
    List<Part> parts,
    List<Motor> motors,
    List<Axis> axes,
    List<Wire> wires,
    List<Intent> intents,
    List<Probe> probes,
    List<StopFunction> stops,
    List<DriveRecord> records,
    List<SafetyNote> notes,
    List<Reading> readings,
    List<BoardPlace> board,
    List<BusStation> stations,
    List<SequenceDesign> sequences,
    @Nullable BusTiming busTiming)
    implements ProjectBuilder.With {

  /** Copies the lists and refuses ids that are used twice. */
  public Project {
    controllers = List.copyOf(controllers);
    drives = List.copyOf(drives);
    parts = List.copyOf(parts);
    motors = List.copyOf(motors);
    axes = List.copyOf(axes);
    wires = List.copyOf(wires);
    intents = List.copyOf(intents);
    probes = List.copyOf(probes);
    stops = List.copyOf(stops);
    records = List.copyOf(records);
    notes = List.copyOf(notes);
    readings = List.copyOf(readings);
    board = List.copyOf(board);
    stations = List.copyOf(stations);
    sequences = List.copyOf(sequences);
    unique("device", devices(controllers, drives, parts).map(Device::id));
    unique("motor", motors.stream().map(Motor::id));
    unique("axis", axes.stream().map(Axis::id));
    unique("wire", wires.stream().map(Wire::id));
    unique("stop", stops.stream().map(StopFunction::id));
    unique("record of drive", records.stream().map(DriveRecord::drive));
    unique("station", stations.stream().map(BusStation::id));
    unique("sequence", sequences.stream().map(q -> q.axis() + "/" + q.name()));
    unique("device on the board", board.stream().map(BoardPlace::device));
  }

  /** A project without sequences, whose bus cycle is not known. */
  public Project(
      String name,
      List<Controller> controllers,
      List<Drive> drives,
      List<Part> parts,
      List<Motor> motors,
      List<Axis> axes,
      List<Wire> wires,
      List<Intent> intents,
      List<Probe> probes,
      List<StopFunction> stops,
      List<DriveRecord> records,
      List<SafetyNote> notes,
      List<Reading> readings,
      List<BoardPlace> board,
      List<BusStation> stations) {
    this(
        name,
        controllers,
        drives,
        parts,
        motors,
        axes,
        wires,
        intents,
        probes,
        stops,
        records,
        notes,
        readings,
        board,
        stations,
        List.of(),
        null);
  }

  /** A project with nothing in it yet. */
  public static Project empty(String name) {
    return new Project(
        name, List.of(), List.of(), List.of(), List.of(), List.of(), List.of(), List.of(),
        List.of(), List.of(), List.of(), List.of(), List.of(), List.of(), List.of(), List.of(),
        null);
  }

  /** This project with another timing of its bus; null for one that is not known. */
  public Project timed(@Nullable BusTiming timing) {
    return with().busTiming(timing).build();
  }

  private static Stream<Device> devices(
      List<Controller> controllers, List<Drive> drives, List<Part> parts) {
    return Stream.of(controllers, drives, parts).flatMap(List::stream);
  }

  /** Everything with terminals: controllers, then drives, then panel parts. */
  public List<Device> devices() {
    return devices(controllers, drives, parts).toList();
  }

  /** The device with this id; empty where there is none. */
  public Optional<Device> device(String id) {
    return devices(controllers, drives, parts).filter(d -> d.id().equals(id)).findFirst();
  }

  private static void unique(String thing, Stream<String> ids) {
    Set<String> seen = new HashSet<>();
    ids.forEach(
        id -> {
          if (!seen.add(id)) {
            throw new IllegalArgumentException("%s id '%s' is used twice".formatted(thing, id));
          }
        });
  }

  /** The axis with this id; empty where there is none. */
  public Optional<Axis> axis(String id) {
    return find(axes, Axis::id, id);
  }

  /** The controller with this id; empty where there is none. */
  public Optional<Controller> controller(String id) {
    return find(controllers, Controller::id, id);
  }

  /** The drive with this id; empty where there is none. */
  public Optional<Drive> drive(String id) {
    return find(drives, Drive::id, id);
  }

  /** The stations of the process-data fieldbus that lead to a drive; possibly empty. */
  public List<BusStation> stationsOf(String driveId) {
    return stations.stream().filter(s -> s.drive().equals(driveId)).toList();
  }

  /** What is known of a drive besides its design; a blank record where nothing is. */
  public DriveRecord record(String driveId) {
    return find(records, DriveRecord::drive, driveId).orElseGet(() -> DriveRecord.blank(driveId));
  }

  /** This project with {@code record} in the place of the one of its drive, or added. */
  public Project with(DriveRecord record) {
    return withRecords(put(records, DriveRecord::drive, record));
  }

  /** The motor with this id; empty where there is none. */
  public Optional<Motor> motor(String id) {
    return find(motors, Motor::id, id);
  }

  /** This project with {@code axis} in the place of the one with its id, or added at the end. */
  public Project with(Axis axis) {
    return withAxes(put(axes, Axis::id, axis));
  }

  /** This project with {@code device} put in by its id. */
  public Project with(Device device) {
    List<Controller> nextControllers =
        device instanceof Controller c ? put(controllers, Controller::id, c) : controllers;
    List<Drive> nextDrives = device instanceof Drive d ? put(drives, Drive::id, d) : drives;
    List<Part> nextParts = device instanceof Part p ? put(parts, Part::id, p) : parts;
    return with().controllers(nextControllers).drives(nextDrives).parts(nextParts).build();
  }

  /** This project with {@code motor} put in by its id. */
  public Project with(Motor motor) {
    return withMotors(put(motors, Motor::id, motor));
  }

  /** This project with {@code wire} put in by its id. */
  public Project with(Wire wire) {
    return withWires(put(wires, Wire::id, wire));
  }

  /** This project with {@code stop} put in by its id. */
  public Project with(StopFunction stop) {
    return withStops(put(stops, StopFunction::id, stop));
  }

  /** The sequences of an axis. */
  public List<SequenceDesign> sequencesOf(String axisId) {
    return sequences.stream().filter(q -> q.axis().equals(axisId)).toList();
  }

  /** This project with a sequence in the place of the one of its axis and name, or added. */
  public Project with(SequenceDesign sequence) {
    return withSequences(put(sequences, q -> q.axis() + "/" + q.name(), sequence));
  }

  /** The stop functions of an axis. */
  public List<StopFunction> stopsOf(String axisId) {
    return stops.stream().filter(s -> s.axis().equals(axisId)).toList();
  }

  /** This project without a stop function and the panel parts it is made of. */
  public Project withoutStop(StopFunction stop) {
    Project next = this;
    for (String part : stop.parts()) {
      next = next.withoutPart(part);
    }
    return next.withStops(next.stops.stream().filter(s -> !s.id().equals(stop.id())).toList());
  }

  /** This project with one more reading. */
  public Project with(Reading reading) {
    List<Reading> next = new ArrayList<>(readings);
    next.add(reading);
    return withReadings(next);
  }

  /**
   * This project without a panel part, its wires, what was meant by its positions and its place
   * along a travel.
   */
  public Project withoutPart(String partId) {
    List<Wire> keptWires = wires.stream().filter(w -> !w.touches(partId)).toList();
    List<Intent> keptIntents =
        intents.stream()
            .filter(i -> i.when().stream().noneMatch(c -> c.device().equals(partId)))
            .toList();
    List<Part> keptParts = parts.stream().filter(p -> !p.id().equals(partId)).toList();
    return with()
        .parts(keptParts)
        .wires(keptWires)
        .intents(keptIntents)
        .stops(stops.stream().filter(f -> !f.parts().contains(partId)).toList())
        .axes(axes.stream().map(a -> a.withoutSwitch(partId)).toList())
        .sequences(sequences.stream().map(q -> q.without(partId)).toList())
        .build();
  }

  /**
   * This project without the axis, its readings and intents, and the drive and motor only it used.
   */
  public Project withoutAxis(String axisId) {
    List<Axis> kept = axes.stream().filter(a -> !a.id().equals(axisId)).toList();
    List<Drive> keptDrives =
        drives.stream().filter(d -> !onlyUsedBy(axisId, kept, Axis::drive, d.id())).toList();
    List<Motor> keptMotors =
        motors.stream().filter(m -> !onlyUsedBy(axisId, kept, Axis::motor, m.id())).toList();
    List<Drive> goneDrives = drives.stream().filter(d -> !keptDrives.contains(d)).toList();
    List<Wire> keptWires =
        wires.stream().filter(w -> goneDrives.stream().noneMatch(d -> w.touches(d.id()))).toList();
    List<Reading> keptReadings = readings.stream().filter(r -> !r.axis().equals(axisId)).toList();
    List<Intent> keptIntents = intents.stream().filter(i -> !i.axis().equals(axisId)).toList();
    return new Project(
        name,
        controllers,
        keptDrives,
        parts,
        keptMotors,
        kept,
        keptWires,
        keptIntents,
        probes.stream().filter(p -> !p.axis().equals(axisId)).toList(),
        stops.stream().filter(f -> !f.axis().equals(axisId)).toList(),
        records.stream()
            .filter(r -> goneDrives.stream().noneMatch(g -> g.id().equals(r.drive())))
            .toList(),
        notes.stream().filter(n -> !n.axis().equals(axisId)).toList(),
        keptReadings,
        board.stream()
            .filter(b -> goneDrives.stream().noneMatch(g -> g.id().equals(b.device())))
            .toList(),
        stations.stream()
            .filter(s -> goneDrives.stream().noneMatch(g -> g.id().equals(s.drive())))
            .toList(),
        sequences.stream().filter(q -> !q.axis().equals(axisId)).toList(),
        busTiming);
  }

  private boolean onlyUsedBy(String axisId, List<Axis> kept, Function<Axis, ?> device, String id) {
    return axis(axisId).filter(a -> id.equals(device.apply(a))).isPresent()
        && kept.stream().noneMatch(a -> id.equals(device.apply(a)));
  }

  private static <T> Optional<T> find(List<T> all, Function<T, String> idOf, String id) {
    for (T item : all) {
      if (idOf.apply(item).equals(id)) {
        return Optional.of(item);
      }
    }
    return Optional.empty();
  }

  private static <T> List<T> put(List<T> all, Function<T, String> idOf, T item) {
    List<T> next = new ArrayList<>(all);
    for (int i = 0; i < next.size(); i++) {
      if (idOf.apply(next.get(i)).equals(idOf.apply(item))) {
        next.set(i, item);
        return next;
      }
    }
    next.add(item);
    return next;
  }
}
