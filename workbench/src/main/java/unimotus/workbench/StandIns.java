package unimotus.workbench;

import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.LongSupplier;
import unimotus.core.bench.BenchSetup;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Project;
import unimotus.core.profile.DriveProfiles;
import unimotus.core.profile.WordProfile;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.devices.drive.DriveUnit;
import unimotus.devices.modbus.TcpStandIn;
import unimotus.devices.modbus.Unit;

/**
 * The drives of a project as stand-ins on the loopback address, each with its motor and load behind
 * it.
 *
 * @param server what listens
 * @param units the drives by unit number, in the order of the axes
 */
public record StandIns(TcpStandIn server, List<Placed> units) implements AutoCloseable {

  /**
   * One drive.
   *
   * @param number its unit number
   * @param axis name of its axis
   * @param drive name of its class
   * @param unit what answers
   */
  public record Placed(int number, String axis, String drive, DriveUnit unit) {}

  /** Takes a copy. */
  public StandIns {
    units = List.copyOf(units);
  }

  /**
   * Starts all drives of a project that have a motor and a load.
   *
   * @param port 0 for any that is free
   * @param profile the words they understand
   * @param nanos a clock in nanoseconds
   * @throws IllegalArgumentException where no axis is complete
   * @throws IOException where the port is taken
   */
  public static StandIns start(
      Project project, SheetCatalogue sheets, int port, WordProfile profile, LongSupplier nanos)
      throws IOException {
    List<Placed> placed = new ArrayList<>();
    Map<Integer, Unit> units = new LinkedHashMap<>();
    project
        .axes()
        .forEach(
            a ->
                AxisAssembly.of(project, sheets, a)
                    .filter(x -> x.motor().servo() == null)
                    .ifPresent(x -> placed.add(place(x, placed.size() + 1, profile, nanos))));
    if (placed.isEmpty()) {
      throw new IllegalArgumentException(
          "%s has no axis with controller, drive and motor yet: nothing can answer"
              .formatted(project.name()));
    }
    placed.forEach(p -> units.put(p.number(), p.unit()));
    return new StandIns(TcpStandIn.start(port, units), placed);
  }

  private static Placed place(
      AxisAssembly axis, int number, WordProfile profile, LongSupplier nanos) {
    DriveUnit unit =
        new DriveUnit(BenchSetup.inHertz(axis), profile, axis.driveSheet().name(), nanos);
    return new Placed(number, axis.axis().name(), axis.driveSheet().name(), unit);
  }

  /** The profile of a word: {@code cia402} or {@code run-and-stop}. */
  public static WordProfile profile(String word) {
    return switch (word) {
      case "cia402" -> DriveProfiles.CIA_402_VELOCITY;
      case "run-and-stop" -> DriveProfiles.RUN_AND_STOP;
      default ->
          throw new IllegalArgumentException(
              "profile '%s' is not one of cia402, run-and-stop".formatted(word));
    };
  }

  @Override
  public void close() throws IOException {
    server.close();
  }
}
