package unimotus.devices.drive;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import unimotus.core.profile.DriveProfiles;
import unimotus.devices.modbus.TcpStandIn;

/** A client of a general-purpose library drives the stand-in through a whole shift. */
class IndependentClientTest {
  private static final String SCRIPT =
      """
      import sys, time
      from pymodbus.client import ModbusTcpClient
      c = ModbusTcpClient('127.0.0.1', port=int(sys.argv[1]), timeout=2)
      c.connect()
      status = lambda: c.read_input_registers(0, 1, slave=1).registers[0]
      hertz = lambda: c.read_input_registers(1, 1, slave=1).registers[0] / 100
      def word(value): assert not c.write_register(0, value, slave=1).isError()
      assert not c.write_register(1, 2000, slave=1).isError()
      print('%02x' % (status() & 0x4f))
      for w, shown in ((0x76, 0x21), (0x77, 0x23), (0x7f, 0x27)):
          word(w)
          assert status() & 0x6f == shown, hex(status())
      time.sleep(0.8)
      print(hertz())
      c.write_register(1, 1000, slave=1)
      time.sleep(0.8)
      print(hertz())
      c.write_register(2, 2, slave=1)
      time.sleep(0.5)
      print('%02x' % (status() & 0x4f), c.read_input_registers(5, 1, slave=1).registers[0])
      word(0x80)
      print('%02x' % (status() & 0x4f))
      c.write_register(2, 0, slave=1)
      for w in (0x76, 0x77, 0x7f, 0x77):
          word(w)
      print('%02x' % (status() & 0x6f))
      print(c.read_holding_registers(3, 1, slave=1).exception_code)
      """;

  @BeforeAll
  static void isThere() throws Exception {
    boolean there =
        new ProcessBuilder("/usr/bin/python3", "-c", "from pymodbus.client import ModbusTcpClient")
                .start()
                .waitFor()
            == 0;
    if (!there) {
      System.err.println("NOT CHECKED: python3-pymodbus is missing, no other client was tried");
    }
    assumeTrue(there);
  }

  @Test
  void startSpeedChangeFaultResetStop() throws Exception {
    DriveUnit drive = Drives.drive(0.5, DriveProfiles.CIA_402_VELOCITY, System::nanoTime);
    try (TcpStandIn standIn = TcpStandIn.start(0, Map.of(1, drive))) {
      Process client =
          new ProcessBuilder("/usr/bin/python3", "-c", SCRIPT, String.valueOf(standIn.port()))
              .redirectErrorStream(true)
              .start();
      String said = new String(client.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
      assertThat(client.waitFor(30, TimeUnit.SECONDS)).isTrue();
      assertThat(said.lines())
          .as(said)
          .containsExactly("40", "20.0", "10.0", "08 7", "40", "23", "2");
    }
  }
}
