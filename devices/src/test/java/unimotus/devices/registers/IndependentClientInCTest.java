package unimotus.devices.registers;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import unimotus.core.profile.DriveProfiles;
import unimotus.devices.modbus.RegisterBank;
import unimotus.devices.modbus.SerialStandIn;
import unimotus.devices.modbus.TcpStandIn;
import unimotus.devices.modbus.Unit;
import unimotus.devices.serial.Parity;
import unimotus.devices.serial.SerialSettings;

/** A second client library, in C, over TCP and over a serial port. */
class IndependentClientInCTest {
  @TempDir private static Path folder;

  private static String run(List<String> command) throws Exception {
    Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
    String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    assertThat(process.waitFor(30, TimeUnit.SECONDS)).isTrue();
    return process.exitValue() == 0 ? said : "exit %d: %s".formatted(process.exitValue(), said);
  }

  @BeforeAll
  static void compile() throws Exception {
    String found =
        new ProcessBuilder("sh", "-c", "command -v gcc && pkg-config --exists libmodbus")
                    .start()
                    .waitFor()
                == 0
            ? run(List.of("pkg-config", "--cflags", "--libs", "libmodbus"))
            : "";
    if (found.isEmpty()) {
      System.err.println("NOT CHECKED: gcc or libmodbus is missing, no client in C was tried");
    }
    assumeTrue(!found.isEmpty());
    Path source = folder.resolve("shift.c");
    try (InputStream in = IndependentClientInCTest.class.getResourceAsStream("/unimotus/shift.c")) {
      Files.write(source, in.readAllBytes());
    }
    List<String> command = new ArrayList<>(List.of("gcc", "-o", program(), source.toString()));
    command.addAll(List.of(found.strip().split("\\s+")));
    assertThat(run(command)).isEmpty();
  }

  private static String program() {
    return folder.resolve("shift").toString();
  }

  private static Map<Integer, Unit> units() {
    DriveUnit drive = Drives.drive(0.5, DriveProfiles.CIA_402_VELOCITY, System::nanoTime);
    return Map.of(1, drive, 2, new RegisterBank(3000, Map.of()));
  }

  @Test
  void overTcp() throws Exception {
    try (TcpStandIn standIn = TcpStandIn.start(0, units())) {
      String said = run(List.of(program(), "tcp", String.valueOf(standIn.port())));
      assertThat(said.lines()).containsExactly("40", "2000", "1000", "08 7", "40", "23", "bank");
    }
  }

  @Test
  void overASerialPort() throws Exception {
    SerialSettings settings = new SerialSettings(115_200, Parity.NONE, 1);
    try (SerialStandIn standIn = SerialStandIn.start(settings, units())) {
      String said = run(List.of(program(), "serial", standIn.port(), "115200"));
      assertThat(said.lines()).containsExactly("40", "2000", "1000", "08 7", "40", "23", "bank");
    }
  }
}
