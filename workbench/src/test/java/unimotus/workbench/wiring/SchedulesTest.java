package unimotus.workbench.wiring;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.Row;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import unimotus.core.machine.ConductorSize;
import unimotus.core.machine.Project;
import unimotus.core.machine.Wire;
import unimotus.core.schedule.Placement;
import unimotus.core.schedule.WireSchedule;
import unimotus.formats.json.FileFault;
import unimotus.workbench.Demo;
import unimotus.workbench.Schedules;

class SchedulesTest {
  private static final String HEADING =
      "Wire,From device,From terminal,To device,To terminal,Size,Length (m)\n";

  @TempDir Path folder;

  private Placement read(String text) throws IOException {
    return read(text.getBytes(StandardCharsets.UTF_8));
  }

  private Placement read(byte[] bytes) throws IOException {
    Path file = folder.resolve("in.csv");
    Files.write(file, bytes);
    return Schedules.read(file, Demo.project(), Lines.SHEETS);
  }

  private Path written(String name) throws IOException {
    Path file = folder.resolve(name);
    Schedules.write(WireSchedule.of(Demo.project(), Lines.SHEETS), file);
    return file;
  }

  @Test
  void whatGoesOutComesBackWithNothingLost() throws IOException {
    Placement back = read(Files.readAllBytes(written("out.csv")));
    assertThat(back.problems()).isEmpty();
    assertThat(back.wires()).isEqualTo(Demo.project().wires());
    assertThat(back.mergedInto(Demo.project())).isEqualTo(Demo.project().wires());
  }

  @Test
  void theRunWireIsExpectedAtNothingAndAtTheSupply() {
    WireSchedule.Row run =
        WireSchedule.of(Demo.project(), Lines.SHEETS).rows().stream()
            .filter(r -> r.wire().touches(Lines.ref("drum-drive:DI1")))
            .findFirst()
            .orElseThrow();
    assertThat(run.expectation().against()).isEqualTo(Lines.ref("drum-drive:COM"));
    assertThat(run.expectation().restVolts().orElseThrow()).isBetween(0.0, 5.0);
    assertThat(run.expectation().actionVolts().orElseThrow()).isEqualTo(24, within(0.5));
    assertThat(run.expectation().action()).contains("DO0 on");
  }

  /** The workbook is read back with a reader of its own format. */
  @Test
  void theWorkbookHoldsARowAWireBelowItsHeading() throws IOException {
    try (var in = Files.newInputStream(written("out.xlsx"));
        ReadableWorkbook book = new ReadableWorkbook(in)) {
      List<Row> rows = book.getFirstSheet().read();
      assertThat(rows).hasSize(Demo.project().wires().size() + 1);
      assertThat(rows.get(0).getCellText(0)).isEqualTo("Wire");
      assertThat(rows.get(1).getCellText(0)).isEqualTo("w1");
      assertThat(rows.get(1).getCellText(1)).isEqualTo("controller-1");
      assertThat(rows.get(1).getCellAsNumber(11).orElseThrow().doubleValue()).isEqualTo(18);
    }
  }

  @ParameterizedTest
  @ValueSource(strings = {",", ";", "\t"})
  void anySeparatorAndAByteOrderMarkAreUnderstood(String separator) throws IOException {
    String text =
        "\uFEFF"
            + (HEADING + "77,Line controller,DO6,Rinse drum drive,DI3,AWG 20,12\r\n")
                .replace(",", separator);
    Placement placed = read(text);
    assertThat(placed.problems()).isEmpty();
    Wire wire = placed.wires().get(0);
    assertThat(wire.id()).isEqualTo("77");
    assertThat(wire.from()).isEqualTo(Lines.ref("controller-1:DO6"));
    assertThat(wire.make().size()).isEqualTo(ConductorSize.awg(20));
    assertThat(wire.make().lengthMetres()).isEqualTo(12);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "7,nobody,DO6,drum-drive,DI3,1,2|line 2: device 'nobody' is not in the line",
        "7,controller-1,DO66,drum-drive,DI3,1,2|Line controller has no terminal 'DO66'",
        "7,controller-1,DO6,drum-drive,DI3,AWG 99,2|AWG 99.0 is outside AWG 4/0 to AWG 40",
        "7,controller-1,DO6,drum-drive,DI3,9999,2|9999.0 mm² is outside",
        "7,controller-1,DO6,drum-drive,DI3,1,far|length: 'far' is not a number; write it like 12.5 or 12.5 m",
        "7,controller-1,DO6,drum-drive,DI3,1,-3|length -3.0 m is outside",
        "7,controller-1,DO6,controller-1,DO6,1,2|both ends on",
        ",controller-1,DO6,drum-drive,DI3,1,2|wire number '' must be",
        "7|line 2: device '' is not in the line"
      })
  void aLineThatCannotBePlacedIsReported(String line, String message) throws IOException {
    Placement placed = read(HEADING + line + "\n8,controller-1,DO7,drum-drive,DI3,1,2\n");
    assertThat(placed.problems()).hasSize(1);
    assertThat(placed.problems().get(0).toString()).contains(message);
    assertThat(placed.wires()).as("the others are placed").hasSize(1);
  }

  @Test
  void aNumberUsedTwiceIsReportedOnItsSecondLine() throws IOException {
    Placement placed =
        read(
            HEADING
                + "7,controller-1,DO6,drum-drive,DI3,1,2\n"
                + "7,controller-1,DO7,drum-drive,DI4,1,2\n");
    assertThat(placed.problems())
        .containsExactly(new Placement.Problem(3, "wire number '7' is used twice"));
  }

  @Test
  void newWiresAreAddedAndKnownOnesReplaced() throws IOException {
    Project demo = Demo.project();
    Placement placed =
        read(
            HEADING
                + "w1,controller-1,DO6,drum-drive,DI3,1,2\n"
                + "99,controller-1,DO7,drum-drive,DI4,1,2\n");
    List<Wire> merged = placed.mergedInto(demo);
    assertThat(merged).hasSize(demo.wires().size() + 1);
    assertThat(merged.get(0).from()).isEqualTo(Lines.ref("controller-1:DO6"));
  }

  @Test
  void whatIsNoScheduleIsRefusedWithItsPlace() {
    assertThatThrownBy(() -> read(""))
        .isInstanceOf(FileFault.class)
        .hasMessageContaining("the schedule is empty");
    assertThatThrownBy(() -> read("a,b,c\n1,2,3\n"))
        .isInstanceOf(FileFault.class)
        .hasMessageContaining("no column 'Wire'; it has a, b, c");
    assertThatThrownBy(() -> read(HEADING + "\"open quote,1\n")).isInstanceOf(FileFault.class);
    assertThatThrownBy(() -> written("out.pdf")).hasMessageContaining("must end in .csv or .xlsx");
  }
}
