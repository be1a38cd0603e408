package unimotus.devices.ethercat.master;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.awaitility.Awaitility;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import unimotus.core.esi.PdoEntry;
import unimotus.core.processdata.DriveImage;
import unimotus.core.processdata.StationSetup;
import unimotus.core.value.HeldValue;
import unimotus.core.value.PlacedValue;
import unimotus.core.value.ValueRole;
import unimotus.devices.connection.Gate;
import unimotus.devices.connection.NotDone;
import unimotus.devices.ethercat.station.Ring;
import unimotus.devices.ethercat.station.TestStations;
import unimotus.devices.ethercat.wire.Cable;
import unimotus.devices.ethercat.wire.RingServer;

/** A drive whose words do not begin with a byte: a gap of some bits stands before them. */
@Timeout(60)
class OddPlaceTest {
  private static PlacedValue value(DriveImage image, ValueRole role) {
    return image.entry(role).orElseThrow();
  }

  private static double read(StationConnection drive, PlacedValue value) {
    try {
      HeldValue held = drive.read(List.of(value), new ArrayList<>()).get(value);
      return ((HeldValue.Number) held).value();
    } catch (NotDone silent) {
      throw new AssertionError(silent);
    }
  }

  @ParameterizedTest
  @ValueSource(ints = {0, 1, 3, 7})
  void itIsCommandedAndReadAllTheSame(int gap) throws Exception {
    StationSetup setup = TestStations.drive(gap == 0 ? List.of() : List.of(PdoEntry.padding(gap)));
    DriveImage image = TestStations.image(setup);
    assertThat(image.entry(ValueRole.CONTROL_WORD).orElseThrow().place().bitOffset())
        .isEqualTo(gap);
    try (RingServer server =
            RingServer.udp(new Ring(List.of(TestStations.drive(1, setup, System::nanoTime))), 0);
        StationConnection drive =
            new StationConnection(
                Cable.udp("127.0.0.1", server.port()),
                0,
                image,
                new Pace(4000, 1000),
                Exchange.Tap.NONE)) {
      // Velocity mode takes its reference with bits 4 to 6 set.
      drive.write(value(image, ValueRole.REFERENCE), 300, Gate.OPEN);
      for (int word : new int[] {0x06, 0x07, 0x7F}) {
        drive.write(value(image, ValueRole.CONTROL_WORD), word, Gate.OPEN);
      }
      // IEC 61800-7-201, from memory: operation enabled is x01x 0111.
      Awaitility.await()
          .atMost(Duration.ofSeconds(10))
          .untilAsserted(
              () -> {
                int status = (int) read(drive, value(image, ValueRole.STATUS_WORD));
                assertThat(status & 0x6F).isEqualTo(0x27);
                assertThat(read(drive, value(image, ValueRole.SHAFT_SPEED)))
                    .isBetween(270.0, 301.0);
              });
    }
  }
}
