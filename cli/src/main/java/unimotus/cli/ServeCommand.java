package unimotus.cli;

import java.io.IOException;
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
import unimotus.devices.serial.Parity;
import unimotus.devices.serial.SerialSettings;
import unimotus.workbench.live.StandIns;

/** {@code serve FILE}: the drives of a project answer on the loopback address. */
@Command(
    name = "serve",
    mixinStandardHelpOptions = true,
    description = {
      "Simulated drives, each with its motor and load: Modbus TCP or serial frames over TCP on the",
      "loopback address, or a serial port that exists only in this machine.",
      "They answer until the program is ended, or for --seconds."
    },
    footer = {"", "Example: unimotus serve demo --port 5020 --profile cia402"})
final class ServeCommand implements Callable<Integer> {
  private static final String NO_PARITY =
      "a pseudo-terminal has no parity: set the client to none; one that insists on parity is"
          + " refused by the system (invalid argument)";

  @Mixin private ProjectInput input;
  @Mixin private Output output;

  @Option(
      names = "--port",
      paramLabel = "N",
      description = "Port, 0 for any that is free. Default: ${DEFAULT-VALUE}.",
      defaultValue = "5020")
  private int port;

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
          "How they are spoken to: tcp, rtu-over-tcp, or serial, a port that exists only in this"
              + " machine. Default: ${DEFAULT-VALUE}.",
      defaultValue = "tcp")
  private String over;

  @Option(
      names = "--baud",
      paramLabel = "B",
      description = "Speed at which they listen on a serial port. Default: ${DEFAULT-VALUE}.",
      defaultValue = "19200")
  private int baud;

  @Option(names = "--seconds", paramLabel = "S", description = "How long; 0 until ended.")
  private long seconds;

  @Override
  public Integer call() throws IOException, InterruptedException {
    ProjectInput.Line line = input.read();
    try (StandIns standIns =
        StandIns.start(
            line.project(), line.sheets(), place(), StandIns.profile(profile), System::nanoTime)) {
      tell(standIns, StandIns.without(line.project(), line.sheets()));
      CountDownLatch ended = new CountDownLatch(1);
      if (seconds > 0) {
        boolean interrupted = ended.await(seconds, TimeUnit.SECONDS);
        return interrupted ? 1 : 0;
      }
      ended.await();
    }
    return 0;
  }

  private StandIns.Place place() {
    return switch (over) {
      case "tcp" -> StandIns.tcp(port);
      case "rtu-over-tcp" -> StandIns.serialOverTcp(port);
      case "serial" -> StandIns.serial(new SerialSettings(baud, Parity.NONE, 2));
      default ->
          throw new IllegalArgumentException(
              "--over '%s' is not one of tcp, rtu-over-tcp, serial".formatted(over));
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
                  .toList()));
      return;
    }
    output.text().println(route);
    if (route instanceof Route.Serial) {
      output.text().println("  " + NO_PARITY);
    }
    for (StandIns.Placed placed : standIns.units()) {
      output
          .text()
          .printf(
              "  unit %d  %s, %s; words: %s%n",
              placed.number(), placed.axis(), placed.drive(), placed.profile().name());
      registers(placed.map());
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
