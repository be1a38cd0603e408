package unimotus.core.identity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import unimotus.core.machine.DrivePlate;

/** Versions are numbers between points, not decimal fractions. */
class FirmwareTest {
  @ParameterizedTest
  @CsvSource({
    "2.9, 2.10, true",
    "2.10, 2.9, false",
    "2.10, 2.10, false",
    "2, 2.0.1, true",
    "10.0, 9.99, false"
  })
  void olderByParts(String version, String other, boolean older) {
    assertThat(Firmware.isOlder(version, other)).isEqualTo(older);
  }

  @Test
  void wordsAreNoFirmware() {
    assertThatThrownBy(() -> new DrivePlate("", "v2.1", List.of(), true))
        .hasMessageContaining("'v2.1'");
  }
}
