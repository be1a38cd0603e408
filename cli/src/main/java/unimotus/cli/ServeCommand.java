package unimotus.cli;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import unimotus.core.fieldbus.Notation;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.fieldbus.RegisterMap;
import unimotus.devices.modbus.Route;
import unimotus.devices.registers.ServoRegisters;
import unimotus.devices.serial.Parity;
import unimotus.devices.serial.SerialSettings;
import unimotus.workbench.live.StandIns;
import unimotus.workbench.live.StationFault;
import unimotus.workbench.live.StationSearch;
import unimotus.workbench.live.StationStandIns;

/** {@code serve FILE}: the drives of a project answer on the loopback address. */
@Command(
    name = "serve",
    mixinStandardHelpOptions = true,
    description = {
      "Simulated drives, each with its motor and load: Modbus TCP or serial frames over TCP on the",
      "loopback address, a serial port that exists only in this machine, or stations of a",
      "process-data fieldbus behind a coupler: UDP on the loopback address, or --interface.",
      "They answer until the program is ended, or for --seconds."
    },
    footer = {
      "",
      "Example: unimotus serve demo --port 5020 --profile cia402",
      "         unimotus serve demo --over ethercat --port 34980"
    })
final class ServeCommand implements Callable<Integer> {
  private static final String NO_PARITY =
      "a pseudo-terminal has no parity: set the client to none; one that insists on parity is"
          + " refused by the system (invalid argument)";

  private static final String ETHERCAT = "ethercat";
  private static final int PORT = 5020;
  private static final int MOST_WATCHDOG = 6500;

  @Mixin private ProjectInput input;
  @Mixin private Output output;

  @Option(
      names = "--port",
      paramLabel = "N",
      description = "Port, 0 for any that is free. Default: 5020; of stations 34980.")
  private @Nullable Integer port;

  @Option(
      names = "--profile",
      paramLabel = "P",
      description =
          "Words they understand: cia402, cia402-pv, run-and-stop. Default: ${DEFAULT-VALUE}.",
      defaultValue = "cia402")
  private String profile;

  @Option(
      names = "--over",
      paramLabel = "W",
      description =
          "How they are spoken to: tcp, rtu-over-tcp, serial (a port that exists only in this"
              + " machine), or ethercat. Default: ${DEFAULT-VALUE}.",
      defaultValue = "tcp")
  private String over;

  @Option(
      names = "--baud",
      paramLabel = "B",
      description = "Speed at which they listen on a serial port. Default: ${DEFAULT-VALUE}.",
      defaultValue = "19200")
  private int baud;

  @Option(
      names = "--interface",
      paramLabel = "I",
      description =
          "An interface where stations answer to Ethernet frames, instead of UDP; needs a right of"
              + " the system.")
  private @Nullable String interfaceName;

  @Option(
      names = "--watchdog",
      paramLabel = "MS",
      description =
          "How long stations wait for outputs in OP, in ms, from power on. Default:"
              + " ${DEFAULT-VALUE}.",
      defaultValue = "100")
  private int watchdog;

  @Option(
      names = "--fault",
      paramLabel = "F",
      description =
          "What is wrong with the stations; may be given several times: "
              + StationFault.FORMS
              + ".")
  private List<String> faults = List.of();

  @Option(names = "--seconds", paramLabel = "S", description = "How long; 0 until ended.")
  private long seconds;

  @Override
  public Integer call() throws IOException, InterruptedException {
    ProjectInput.Line line = input.read();
    if (over.equals(ETHERCAT)) {
      return serveStations(line);
    }
    if (!faults.isEmpty()) {
      throw new IllegalArgumentException("--fault needs --over ethercat");
    }
    try (StandIns standIns =
        StandIns.start(
            line.project(), line.sheets(), place(), StandIns.profile(profile), System::nanoTime)) {
      tell(standIns, StandIns.without(line.project(), line.sheets()));
      untilEnded();
    }
    return 0;
  }

  private void untilEnded() throws InterruptedException {
    if (seconds > 0) {
      TimeUnit.SECONDS.sleep(seconds);
    } else {
      new CountDownLatch(1).await();
    }
  }

  private int serveStations(ProjectInput.Line line) throws IOException, InterruptedException {
    if (watchdog < 0 || watchdog > MOST_WATCHDOG) {
      throw new IllegalArgumentException(
          "--watchdog %d; expected 0 to %d ms, 0 for never".formatted(watchdog, MOST_WATCHDOG));
    }
    StationStandIns.Place stationPlace =
        interfaceName == null
            ? StationStandIns.udp(port == null ? StationSearch.PORT : port)
            : StationStandIns.ethernet(interfaceName);
    try (StationStandIns stations =
        StationStandIns.start(
            line.project(),
            line.sheets(),
            stationPlace,
            System::nanoTime,
            faults.stream().map(StationFault::of).toList())) {
      stations.stations().forEach(s -> s.station().watchdog(watchdog));
      if (output.isJson()) {
        output.document(ServedStations.document(stations));
      } else {
        ServedStations.print(stations, output.text());
      }
      untilEnded();
    }
    return 0;
  }

  private StandIns.Place place() {
    int number = port == null ? PORT : port;
    return switch (over) {
      case "tcp" -> StandIns.tcp(number);
      case "rtu-over-tcp" -> StandIns.serialOverTcp(number);
      case "serial" -> StandIns.serial(new SerialSettings(baud, Parity.NONE, 2));
      default ->
          throw new IllegalArgumentException(
              "--over '%s' is not one of tcp, rtu-over-tcp, serial, ethercat".formatted(over));
    };
  }

  private void tell(StandIns standIns, Map<String, String> without) {
    Route route = standIns.server().route();
    if (output.isJson()) {
      output.document(
          Output.map(
              "route",
              route.toString(),
              "note",
              route instanceof Route.Serial ? NO_PARITY : "",
              "profile",
              profile,
              "without",
              without,
              "units",
              standIns.units().stream()
                  .map(
                      u ->
                          Output.map(
                              "unit",
                              u.number(),
                              "axis",
                              u.axis(),
                              "words",
                              u.profile().name(),
                              "registers",
                              u.map().entries().stream().map(ServeCommand::document).toList()))
                  .toList(),
              "servos",
              standIns.servos().stream()
                  .map(
                      u ->
                          Output.map(
                              "unit",
                              u.number(),
                              "axis",
                              u.axis(),
                              "registers",
                              ServoRegisters.map().entries().stream()
                                  .map(ServeCommand::document)
                                  .toList()))
                  .toList()));
      return;
    }
    output.text().println(route);
    if (route instanceof Route.Serial) {
      output.text().println("  " + NO_PARITY);
    }
    for (StandIns.Placed placed : standIns.units()) {
      unit(
          placed.number(),
          "%s, %s; words: %s".formatted(placed.axis(), placed.drive(), placed.profile().name()),
          placed.map());
    }
    for (StandIns.PlacedServo servo : standIns.servos()) {
      unit(
          servo.number(),
          "%s, %s; a servo axis, counts of its drive".formatted(servo.axis(), servo.drive()),
          ServoRegisters.map());
    }
    without.forEach(
        (axis, why) -> output.text().printf("  no simulated drive for %s: %s%n", axis, why));
    output.text().flush();
  }

  private static Map<String, @Nullable Object> document(RegisterEntry entry) {
    return Output.map(
        "name",
        entry.name(),
        "table",
        entry.table().label(),
        "address",
        entry.address(),
        "reference",
        Notation.FIVE_DIGITS.write(entry.table(), entry.address()),
        "type",
        entry.type().label(),
        "scale",
        entry.scale(),
        "unit",
        entry.unit());
  }

  private void unit(int number, String words, RegisterMap map) {
    output.text().printf("  unit %d  %s%n", number, words);
    registers(map);
  }

  private void registers(RegisterMap map) {
    for (RegisterEntry entry : map.entries()) {
      output
          .text()
          .printf(
              "    %-6s %-20s %-12s × %s %s%n",
              Notation.FIVE_DIGITS.write(entry.table(), entry.address()),
              entry.name(),
              entry.type().label(),
              entry.scale(),
              entry.unit());
    }
  }
}
