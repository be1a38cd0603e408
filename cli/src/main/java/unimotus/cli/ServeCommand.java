package unimotus.cli;

import java.io.IOException;
import java.util.concurrent.Callable;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import unimotus.core.fieldbus.Notation;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.devices.drive.DriveRegisters;
import unimotus.workbench.live.StandIns;

/** {@code serve FILE}: the drives of a project answer on the loopback address. */
@Command(
    name = "serve",
    mixinStandardHelpOptions = true,
    description = {
      "Stand-in drives as Modbus TCP servers on the loopback address, each with its motor and load.",
      "They answer until the program is ended, or for --seconds."
    },
    footer = {"", "Example: unimotus serve demo --port 5020 --profile cia402"})
final class ServeCommand implements Callable<Integer> {
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
      description = "Words they understand: cia402, run-and-stop. Default: ${DEFAULT-VALUE}.",
      defaultValue = "cia402")
  private String profile;

  @Option(names = "--seconds", paramLabel = "S", description = "How long; 0 until ended.")
  private long seconds;

  @Override
  public Integer call() throws IOException, InterruptedException {
    ProjectInput.Line line = input.read();
    try (StandIns standIns =
        StandIns.start(
            line.project(), line.sheets(), port, StandIns.profile(profile), System::nanoTime)) {
      tell(standIns);
      CountDownLatch ended = new CountDownLatch(1);
      if (seconds > 0) {
        boolean interrupted = ended.await(seconds, TimeUnit.SECONDS);
        return interrupted ? 1 : 0;
      }
      ended.await();
    }
    return 0;
  }

  private void tell(StandIns standIns) {
    if (output.isJson()) {
      output.document(
          Output.map(
              "address", standIns.server().address().getHostAddress(),
              "port", standIns.server().port(),
              "profile", profile,
              "units",
                  standIns.units().stream()
                      .map(u -> Output.map("unit", u.number(), "axis", u.axis()))
                      .toList()));
      return;
    }
    output
        .text()
        .printf(
            "%s port %d, words: %s%n",
            standIns.server().address().getHostAddress(), standIns.server().port(), profile);
    standIns
        .units()
        .forEach(u -> output.text().printf("  unit %d  %s, %s%n", u.number(), u.axis(), u.drive()));
    for (DriveRegisters register : DriveRegisters.values()) {
      RegisterEntry entry = register.entry();
      output
          .text()
          .printf(
              "  %-6s %-20s %-12s × %s %s%n",
              Notation.FIVE_DIGITS.write(entry.table(), entry.address()),
              entry.name(),
              entry.type().label(),
              entry.scale(),
              entry.unit());
    }
    output.text().flush();
  }
}
