package unimotus.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import unimotus.core.machine.Project;
import unimotus.devices.ethercat.station.RingTroubles;
import unimotus.formats.sheet.SheetLibrary;
import unimotus.workbench.Demo;
import unimotus.workbench.live.StationStandIns;

/** The verb {@code scan} beside simulated stations: right, spoilt and silent. */
class ScanVerbTest {
  @TempDir private Path folder;
  private final StringWriter out = new StringWriter();
  private final StringWriter err = new StringWriter();
  private StationStandIns stations;

  @BeforeEach
  void serve() throws IOException {
    stations =
        StationStandIns.start(
            withoutStations(), SheetLibrary.catalogue(), StationStandIns.udp(0), System::nanoTime);
  }

  /** A coupler and a drive for each axis that can be simulated. */
  private static Project withoutStations() {
    return Demo.project().withStations(List.of());
  }

  @AfterEach
  void end() throws IOException {
    stations.close();
  }

  private int scan(String... more) {
    out.getBuffer().setLength(0);
    err.getBuffer().setLength(0);
    String[] arguments = new String[more.length + 3];
    arguments[0] = "scan";
    arguments[1] = "--port";
    arguments[2] = String.valueOf(stations.server().port());
    System.arraycopy(more, 0, arguments, 3, more.length);
    return Main.run(new PrintWriter(out, true), new PrintWriter(err, true), arguments);
  }

  private String list(String... lines) throws IOException {
    return Files.writeString(
            folder.resolve("stations.csv"),
            "name,device,revision,alias\n" + String.join("\n", lines) + "\n")
        .toString();
  }

  @Test
  void whoAnswersIsListedWithNameAndState() throws IOException {
    assertThat(scan()).isZero();
    assertThat(out.toString())
        .contains("5 stations answer", "CP-4", "FD-1", "INIT", "links in, out");
    assertThat(scan("--json")).isZero();
    JsonNode document = new ObjectMapper().readTree(out.toString());
    assertThat(document.at("/stations")).hasSize(5);
    assertThat(document.at("/stations/1/product").asLong()).isEqualTo(0x101);
    assertThat(document.at("/stations/4/links").asText()).isEqualTo("in");
  }

  @Test
  void theTelegramsOfASearchAreWritten() throws IOException {
    String file = folder.resolve("scan.pcap").toString();
    assertThat(scan("--capture", file)).isZero();
    out.getBuffer().setLength(0);
    int listed =
        Main.run(
            new PrintWriter(out, true), new PrintWriter(err, true), "capture", file, "--telegrams");
    assertThat(listed).as(err.toString()).isZero();
    assertThat(out.toString()).contains("BRD", "APWR", "FPRD");
  }

  @Test
  void theListIsLaidBeside() throws IOException {
    String[] right = {"Coupler,CP-4,1,", "A,FD-1,1,", "B,FD-1,1,", "C,FD-1,1,", "D,FD-1,1,"};
    assertThat(scan("--against", list(right))).as(out.toString()).isZero();
    assertThat(out.toString()).contains("A and B are of one kind").doesNotContain("as expected\n");
    right[3] = "C,FD-1,2,";
    assertThat(scan("--against", list(right))).isEqualTo(1);
    assertThat(out.toString()).contains("C has revision 0x00010000; the project has 0x00020000");
    stations.server().ring().troubles(new RingTroubles(2, 0, 0));
    assertThat(scan("--against", list(right))).isEqualTo(1);
    assertThat(out.toString()).contains("no link between station 1 and B; 3 behind it");
  }

  @Test
  void theDemoIsAsItIsInTheProject() throws IOException {
    stations.close();
    stations =
        StationStandIns.start(
            Demo.project(), SheetLibrary.catalogue(), StationStandIns.udp(0), System::nanoTime);
    assertThat(scan("--against", "demo")).as(out.toString()).isZero();
    assertThat(out.toString()).contains("2 stations answer", "alias 11", "as expected");
    stations.server().ring().troubles(new RingTroubles(1, 0, 0));
    assertThat(scan("--against", "demo")).isEqualTo(1);
    assertThat(out.toString()).contains("no link between station 0 and Slicer drive");
  }

  @Test
  void oneBlinks() {
    assertThat(scan("--blink", "1", "--seconds", "1")).isZero();
    assertThat(out.toString()).contains("station 1 blinks for 1 s");
    assertThat(stations.stations().get(1).station().isBlinking()).as("not any more").isFalse();
    assertThat(scan("--blink", "9")).isEqualTo(2);
    assertThat(err.toString()).contains("no station 9; 5 answer");
  }

  @Test
  void silenceIsNoEmptyBus() {
    stations.server().ring().troubles(new RingTroubles(0, 1, 0));
    assertThat(scan("--timeout", "10")).isEqualTo(2);
    assertThat(err.toString()).contains("nothing came back within 10 ms");
    assertThat(scan("--timeout", "0")).isEqualTo(2);
    assertThat(err.toString()).contains("--timeout 0");
  }
}
