package unimotus.formats.esi;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;
import unimotus.core.esi.DeviceDescription;
import unimotus.core.processdata.ExpectedStation;
import unimotus.formats.json.FileFault;

/** Lists of stations: right ones, and ones that name what cannot be used. */
class StationListCsvTest {
  private static final List<DeviceDescription> KNOWN =
      ShippedDescriptions.NAMES.stream()
          .map(n -> ShippedDescriptions.find(n).orElseThrow().description())
          .toList();

  private static List<ExpectedStation> read(String... lines) throws FileFault {
    String text = "name,device,revision,alias\n" + String.join("\n", lines) + "\n";
    return StationListCsv.read("list.csv", text.getBytes(StandardCharsets.UTF_8), KNOWN);
  }

  @Test
  void devicesAreFoundByTypeAndRevisionsByCustomCountInTheUpperHalf() throws FileFault {
    assertThat(read("Coupler,CP-4,1,", "Slicer,SD-2,0x00020000,7"))
        .containsExactly(
            new ExpectedStation("Coupler", 0xFFFF0001L, 0x301, 0x10000, 0),
            new ExpectedStation("Slicer", 0xFFFF0001L, 0x201, 0x20000, 7));
  }

  @Test
  void whatCannotBeUsedIsNamedWithItsLine() {
    assertThatThrownBy(() -> read("Coupler,CP-4,1,", "Slicer,XX-9,2,"))
        .isInstanceOf(FileFault.class)
        .hasMessageContaining("3")
        .hasMessageContaining("no description has a device 'XX-9'");
    assertThatThrownBy(() -> read("Coupler,CP-4,one,")).hasMessageContaining("revision 'one'");
    assertThatThrownBy(() -> read("Coupler,CP-4,1,70000")).hasMessageContaining("0 to 65535");
    assertThatThrownBy(() -> read("Coupler,CP-4")).hasMessageContaining("2 cells");
    assertThatThrownBy(
            () ->
                StationListCsv.read("x.csv", "name,type\n".getBytes(StandardCharsets.UTF_8), KNOWN))
        .hasMessageContaining("expected name,device,revision,alias");
  }
}
