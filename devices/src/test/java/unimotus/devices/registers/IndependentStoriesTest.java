package unimotus.devices.registers;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.IOException;
import java.net.InetAddress;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import unimotus.core.profile.DriveProfiles;
import unimotus.core.profile.WordProfile;
import unimotus.devices.modbus.Client;
import unimotus.devices.modbus.Request;
import unimotus.devices.modbus.Response;
import unimotus.devices.modbus.Route;
import unimotus.devices.modbus.SerialStandIn;
import unimotus.devices.modbus.StandIn;
import unimotus.devices.modbus.TcpStandIn;
import unimotus.devices.serial.Parity;
import unimotus.devices.serial.PseudoTerminal;
import unimotus.devices.serial.SerialSettings;

/**
 * A client in another language, of a general-purpose library, through a whole shift: start, every
 * stop, reverse, speed change, lost link, fault, reset and return, for every profile of speed, over
 * TCP, serial frames over TCP and a serial port.
 */
class IndependentStoriesTest {
  private static final SerialSettings SERIAL = new SerialSettings(115_200, Parity.NONE, 1);

  @BeforeAll
  static void isThere() throws Exception {
    boolean there =
        new ProcessBuilder("/usr/bin/python3", "-c", "import serial, pymodbus.client")
                .start()
                .waitFor()
            == 0;
    if (!there) {
      System.err.println("NOT CHECKED: python3-pymodbus is missing, no other client was tried");
    }
    assumeTrue(there);
  }

  static Stream<Arguments> shifts() {
    List<Arguments> shifts = new ArrayList<>();
    Map<String, WordProfile> profiles =
        Map.of(
            "none", DriveProfiles.CIA_402,
            "vl", DriveProfiles.CIA_402_VELOCITY,
            "pv", DriveProfiles.CIA_402_PROFILE_VELOCITY,
            "run-and-stop", DriveProfiles.RUN_AND_STOP);
    assertThat(profiles.values()).containsExactlyInAnyOrderElementsOf(DriveProfiles.ofSpeed());
    profiles.forEach(
        (word, profile) ->
            Stream.of("tcp", "serial-over-tcp", "serial")
                .forEach(way -> shifts.add(Arguments.of(word, profile, way))));
    return shifts.stream();
  }

  private static StandIn standIn(String way, DriveUnit drive) throws IOException {
    Map<Integer, unimotus.devices.modbus.Unit> units = Map.of(1, drive);
    return switch (way) {
      case "tcp" -> TcpStandIn.start(0, units);
      case "serial" -> SerialStandIn.start(SERIAL, units);
      default ->
          TcpStandIn.start(InetAddress.getLoopbackAddress(), 0, units, TcpStandIn.Framing.SERIAL);
    };
  }

  private static String place(StandIn standIn) {
    return standIn instanceof SerialStandIn serial
        ? serial.port()
        : String.valueOf(((TcpStandIn) standIn).port());
  }

  @ParameterizedTest
  @MethodSource("shifts")
  void aShiftAtTheDrive(String word, WordProfile profile, String way) throws Exception {
    assumeTrue(!way.equals("serial") || PseudoTerminal.isPossible());
    Path script =
        Path.of(Objects.requireNonNull(getClass().getResource("/unimotus/stories.py")).toURI());
    DriveUnit drive = Drives.drive(0.3, profile, System::nanoTime);
    try (StandIn standIn = standIn(way, drive)) {
      Process client =
          new ProcessBuilder("/usr/bin/python3", script.toString(), word, way, place(standIn))
              .redirectErrorStream(true)
              .start();
      String said = new String(client.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
      assertThat(client.waitFor(60, TimeUnit.SECONDS)).isTrue();
      assertThat(client.exitValue()).as(said).isZero();
      assertThat(said.lines())
          .as(said)
          .contains("start", "speed change", "reverse", "lost link", "reset", "return", "end")
          .hasSizeGreaterThanOrEqualTo(9);
      System.out.printf("stories of another client, %s, %s: %d%n", word, way, said.lines().count());
    }
  }

  /**
   * A pair of pseudo-terminals has no parity. This program's client is served whatever it sets; one
   * that checks what the system made of its settings is refused by the system, which serve tells.
   */
  @Test
  void aClientWithParityIsServed() throws Exception {
    assumeTrue(PseudoTerminal.isPossible());
    DriveUnit drive = Drives.drive(0.3, DriveProfiles.RUN_AND_STOP, System::nanoTime);
    try (SerialStandIn standIn = SerialStandIn.start(SERIAL, Map.of(1, drive))) {
      for (Parity parity : Parity.values()) {
        Route route = new Route.Serial(standIn.port(), new SerialSettings(115_200, parity, 1));
        try (Client client = route.client(500)) {
          assertThat(client.ask(1, new Request.Read(4, 0, 1)))
              .as("%s", parity)
              .isInstanceOf(Response.Values.class);
        }
      }
    }
  }
}
