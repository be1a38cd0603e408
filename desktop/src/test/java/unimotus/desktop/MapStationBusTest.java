package unimotus.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Objects;
import java.util.concurrent.TimeUnit;
import javafx.scene.control.ListView;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import unimotus.core.machine.BusStation;
import unimotus.core.machine.FieldbusLink;
import unimotus.core.machine.Reading;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Station;
import unimotus.formats.capture.CaptureFile;
import unimotus.workbench.Edit;
import unimotus.workbench.WorkStep;
import unimotus.workbench.capture.CapturedTelegrams;

/** The infeed belt behind a station of process data, from its path to evidence over the cable. */
class MapStationBusTest extends WindowTest {

  private void open() {
    onWindow(
        () -> {
          desk.openDemo();
          desk.apply(
              new Edit(
                  "put the belt behind a station",
                  p -> {
                    String drive = p.axis("infeed-belt").orElseThrow().drive();
                    BusStation station =
                        new BusStation(
                            "belt-station",
                            "Belt station",
                            "FD-1",
                            0xFFFF0001L,
                            0x101,
                            0x10000,
                            0,
                            List.of(),
                            null,
                            List.of(),
                            drive);
                    return p.with(p.record(drive).withFieldbus(FieldbusLink.USUAL))
                        .withStations(List.of(p.stations().get(0), station));
                  }));
          desk.show("infeed-belt", WorkStep.MAP);
        });
  }

  @Test
  void fromThePathToEvidenceOverTheCable() throws Exception {
    open();
    assertThat(lookup("#station-counts").tryQuery()).isPresent();
    assertThat(lookup("#station-signal").tryQuery()).as("no signal on wires").isEmpty();
    press("#map-controller");
    assertThat(lookup("#controller-text").<TextInputControl>query().getText())
        .contains("over process data, station Belt station", "outputs, byte 2 bit 0");
    press("#map-live");
    assertThat(shows("Station 1 on the cable, from 0: Belt station, FD-1")).isTrue();
    assertThat(shows("no real-time controller")).isTrue();
    // A test machine may stand still for longer than the 100 ms of a watchdog as delivered.
    type("#live-bus-watchdog", "1");
    press("#live-join");
    assertThat(message(this)).contains("a watchdog of 1 ms");
    type("#live-bus-watchdog", "3000");
    press("#live-stations");
    assertThat(shows("2 stations answer at port")).isTrue();
    press("#live-join");
    waitUntil(() -> says("switch on disabled"));
    waitUntil(() -> shows("not commanded: no outputs go out"));
    press("#live-start-forward");
    waitUntil(() -> message(this).contains("not armed"));
    interact(() -> lookup("#live-who").<TextInputControl>query().setText("A. Tester"));
    press("#live-arm");
    SignalPath path = Objects.requireNonNull(desk.review().orElseThrow().path());
    double half = path.scale().inverse(50);
    type("#live-reference", "%.0f rpm".formatted(path.value(Station.COUNTS, half)));
    press("#live-start-forward");
    waitUntil(() -> says("operation enabled"));
    waitUntil(() -> texts().stream().anyMatch(t -> t.startsWith("in OP, ")));
    for (int i = 0; i < 100 && !message(this).startsWith("recorded"); i++) {
      press("#live-record");
      TimeUnit.MILLISECONDS.sleep(100);
    }
    assertThat(message(this)).isEqualTo("recorded: ref50.counts, ref50.frequency, ref50.shaft");
    push(KeyCode.F8);
    waitUntil(() -> !says("operation enabled"));
    assertThat(desk.live().armed().get()).isNull();
    press("#live-leave");
    answers.file = folder.resolve("telegrams.pcap");
    press("#live-bus-capture");
    assertThat(message(this)).contains("telegrams written to telegrams.pcap");
    CapturedTelegrams captured = CapturedTelegrams.of(CaptureFile.read(answers.file));
    assertThat(captured.lines()).hasSizeGreaterThan(200).allMatch(l -> l.fault().isEmpty());
    assertThat(captured.lines()).anyMatch(l -> l.words().toString().contains("LRW"));
    telegramsAreExplained();
    assertThat(desk.session().project().readings())
        .filteredOn(r -> r.instrument().startsWith("fieldbus station 1"))
        .hasSize(3)
        .extracting(Reading::by)
        .allMatch("A. Tester"::equals);
  }

  /** Live's telegrams as a list, one taken apart, one composed, and written and read again. */
  private void telegramsAreExplained() throws Exception {
    press("#map-frames");
    press("#frames-process_data");
    press("#telegrams-live");
    ListView<CapturedTelegrams.Line> list = lookup("#telegrams-frames").query();
    assertThat(list.getItems()).hasSizeGreaterThan(200);
    int mail = 0;
    while (!list.getItems().get(mail).words().get(0).matches("FPWR \\d+ 0x1000.*")) {
      mail++;
    }
    int chosen = mail;
    interact(() -> list.getSelectionModel().select(chosen));
    assertThat(shows("CoE, objects, mail")).isTrue();
    choose(this, "#telegram-command", "LRW");
    type("#telegram-logical", "0x10000");
    type("#telegram-data", "0F 00");
    assertThat(shows("LRW: read and write, whoever has mapped the address")).isTrue();
    type("#telegram-data", "0F 0");
    assertThat(shows("pairs of hexadecimal digits")).isTrue();
    type("#telegram-index", "300");
    type("#telegram-data", "0F 00");
    assertThat(shows("index 300 is outside 0 to 255")).isTrue();
    type("#telegram-index", "1");
    press("#telegrams-clear");
    press("#telegrams-add");
    answers.file = folder.resolve("composed.pcap");
    press("#telegrams-write");
    assertThat(message(this)).contains("1 telegram written");
    press("#telegrams-read");
    assertThat(shows("1 telegram in 1 packet")).isTrue();
    press("#telegrams-clear");
    press("#telegrams-write");
    assertThat(message(this)).contains("no telegram to write yet");
  }

  /** A simulated station that refuses its image is told so, and nothing moves. */
  @Test
  void aFaultOfTheSimulatedStationIsSeenAndNamed() throws Exception {
    open();
    press("#map-live");
    choose(this, "#live-stations-fault", "another revision");
    press("#live-stations");
    assertThat(shows("wrong: another revision")).isTrue();
    press("#live-join");
    waitUntil(() -> shows("revision 0x00010001 answers, not"));
  }
}
