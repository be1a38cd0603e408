package unimotus.workbench;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import unimotus.core.esi.DeviceDescription;
import unimotus.core.esi.EsiDevice;
import unimotus.core.esi.StartUpCommand;
import unimotus.core.machine.BusStation;
import unimotus.core.machine.BusTiming;
import unimotus.core.machine.Project;
import unimotus.core.quantity.Count;

/** The named changes of the stations of a process-data fieldbus. */
public final class StationEdits {
  private static final int MOST_ALIAS = 0xFFFF;

  private StationEdits() {}

  /** Adds a station at the end of the cable, as it is delivered. */
  public static Edit add(DeviceDescription description, EsiDevice device) {
    return new Edit(
        "add %s to the bus".formatted(device.type()),
        p -> {
          List<BusStation> next = new ArrayList<>(p.stations());
          next.add(
              new BusStation(
                  freeId(p),
                  freeName(p, device.name()),
                  device.type(),
                  description.vendorId(),
                  device.productCode(),
                  device.revision(),
                  0,
                  List.of(),
                  null,
                  List.of(),
                  ""));
          return p.withStations(next);
        });
  }

  private static String freeId(Project project) {
    Set<String> taken = project.stations().stream().map(BusStation::id).collect(Collectors.toSet());
    int number = 1;
    while (taken.contains("station-" + number)) {
      number++;
    }
    return "station-" + number;
  }

  private static String freeName(Project project, String name) {
    Set<String> taken =
        project.stations().stream().map(BusStation::name).collect(Collectors.toSet());
    String free = name;
    for (int number = 2; taken.contains(free); number++) {
      free = "%s %d".formatted(name, number);
    }
    return free;
  }

  /** Takes a station out. */
  public static Edit remove(BusStation station) {
    return new Edit(
        "remove %s from the bus".formatted(station.name()),
        p ->
            p.withStations(
                p.stations().stream().filter(s -> !s.id().equals(station.id())).toList()));
  }

  /**
   * Moves a station in the cable.
   *
   * @param by how many places, towards the end above 0; no further than there is cable
   */
  public static Edit move(BusStation station, int by) {
    return new Edit(
        "move %s in the cable".formatted(station.name()),
        p -> {
          List<BusStation> next = new ArrayList<>(p.stations());
          int from = next.indexOf(station);
          if (from < 0) {
            return p;
          }
          next.remove(from);
          next.add(Math.max(0, Math.min(next.size(), from + by)), station);
          return p.withStations(next);
        });
  }

  /** Calls a station otherwise. */
  public static Edit rename(BusStation station, String name) {
    if (name.isBlank()) {
      throw new IllegalArgumentException("a station needs a name");
    }
    return change(station, "rename %s".formatted(station.name()), s -> s.withName(name.strip()));
  }

  /**
   * Gives a station another alias.
   *
   * @throws IllegalArgumentException where it is outside 0 to 65535, or another station has it
   */
  public static Edit alias(Project project, BusStation station, int alias) {
    if (alias < 0 || alias > MOST_ALIAS) {
      throw new IllegalArgumentException(
          "alias %d is outside 0 to %d; 0 is none".formatted(alias, MOST_ALIAS));
    }
    project.stations().stream()
        .filter(s -> alias != 0 && s.alias() == alias && !s.id().equals(station.id()))
        .findFirst()
        .ifPresent(
            s -> {
              throw new IllegalArgumentException(
                  "alias %d is that of %s".formatted(alias, s.name()));
            });
    return change(
        station, "set the alias of %s".formatted(station.name()), s -> s.withAlias(alias));
  }

  /** Says which drive is behind a station; empty for none. */
  public static Edit drive(BusStation station, String drive) {
    return change(
        station, "set the drive behind %s".formatted(station.name()), s -> s.withDrive(drive));
  }

  /**
   * Puts a module into a slot.
   *
   * @param modules what stands in each slot now, by ident; 0 for an empty one
   * @param ident the module; 0 for none
   */
  public static Edit module(BusStation station, List<Long> modules, int slot, long ident) {
    List<Long> next = new ArrayList<>(modules);
    next.set(slot, ident);
    return change(
        station, "change slot %d of %s".formatted(slot, station.name()), s -> s.withModules(next));
  }

  /**
   * Chooses the image.
   *
   * @param pdos the process data objects in it, by number; null for those as delivered
   */
  public static Edit image(BusStation station, @Nullable List<Integer> pdos) {
    return change(
        station, "change the image of %s".formatted(station.name()), s -> s.carrying(pdos));
  }

  /** Adds an object at the end of what the project wants written at start-up. */
  public static Edit addStartUp(BusStation station, StartUpCommand command) {
    return addStartUp(station, List.of(command));
  }

  /** Sets the timing of the bus; null for one that is not known. */
  public static Edit timing(@Nullable BusTiming timing) {
    return new Edit(
        timing == null ? "forget the cycle of the bus" : "set the timing of the bus",
        p -> p.timed(timing));
  }

  /** Adds objects at the end of what the project wants written, in one step. */
  public static Edit addStartUp(BusStation station, List<StartUpCommand> commands) {
    String what =
        commands.size() == 1 ? commands.get(0).object() : Count.of(commands.size(), "object");
    return startUp(
        station,
        "add %s to the start-up of %s".formatted(what, station.name()),
        all -> all.addAll(commands));
  }

  /** Takes an object out of what the project wants written, by its place among these. */
  public static Edit removeStartUp(BusStation station, int place) {
    return startUp(
        station,
        "take an object out of the start-up of %s".formatted(station.name()),
        all -> all.remove(place));
  }

  /** Moves such an object; no further than there is a list. */
  public static Edit moveStartUp(BusStation station, int place, int by) {
    return startUp(
        station,
        "move an object in the start-up of %s".formatted(station.name()),
        all -> {
          StartUpCommand moved = all.remove(place);
          all.add(Math.max(0, Math.min(all.size(), place + by)), moved);
        });
  }

  private static Edit startUp(
      BusStation station, String name, Consumer<List<StartUpCommand>> change) {
    return change(
        station,
        name,
        s -> {
          List<StartUpCommand> next = new ArrayList<>(s.startUp());
          change.accept(next);
          return s.withStartUp(next);
        });
  }

  private static Edit change(BusStation station, String name, UnaryOperator<BusStation> change) {
    return new Edit(
        name,
        p ->
            p.withStations(
                p.stations().stream()
                    .map(s -> s.id().equals(station.id()) ? change.apply(s) : s)
                    .toList()));
  }
}
