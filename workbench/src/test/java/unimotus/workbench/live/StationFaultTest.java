package unimotus.workbench.live;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import unimotus.core.processdata.StateCode;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.devices.connection.Gate;
import unimotus.devices.ethercat.mailbox.Aborted;
import unimotus.devices.ethercat.master.BusScan;
import unimotus.devices.ethercat.master.Exchange;
import unimotus.devices.ethercat.master.StateRefused;
import unimotus.devices.ethercat.master.StationLink;
import unimotus.devices.ethercat.master.StationStart;
import unimotus.devices.ethercat.wire.UdpWire;
import unimotus.formats.sheet.SheetLibrary;
import unimotus.workbench.Demo;

/** Faults of simulated stations on demand, each seen from the controller's side. */
@Timeout(60)
class StationFaultTest {
  private static final SheetCatalogue SHEETS = SheetLibrary.catalogue();

  /** What is looked at over the wire. */
  private interface Look {
    void at(StationStandIns stations, Exchange exchange) throws Exception;
  }

  private static void with(String fault, Look look) throws Exception {
    try (StationStandIns stations =
            StationStandIns.start(
                Demo.project(),
                SHEETS,
                StationStandIns.udp(0),
                System::nanoTime,
                List.of(StationFault.of(fault)));
        Exchange exchange =
            new Exchange(
                UdpWire.to("127.0.0.1", stations.server().port()), 150, 3, Exchange.Tap.NONE)) {
      look.at(stations, exchange);
    }
  }

  private static StationStart start(Exchange exchange, int position) throws IOException {
    StationLink link = BusScan.addressed(exchange, BusScan.count(exchange)).get(position);
    return new StationStart(link, link.eeprom(), Gate.OPEN);
  }

  @Test
  void anOpenCableLeavesOnlyThoseBeforeIt() throws Exception {
    with("open-after=1", (stations, exchange) -> assertThat(BusScan.count(exchange)).isEqualTo(1));
  }

  @Test
  void lostTelegramsAreSentAgain() throws Exception {
    with(
        "lose-every=3",
        (stations, exchange) -> {
          assertThat(BusScan.scan(exchange)).hasSize(2);
          assertThat(exchange.repeated()).isGreaterThan(5);
        });
  }

  @Test
  void lateTelegramsAreLate() throws Exception {
    with(
        "late=40",
        (stations, exchange) -> {
          long begun = System.nanoTime();
          BusScan.count(exchange);
          assertThat((System.nanoTime() - begun) / 1e6).isGreaterThan(39);
        });
  }

  @Test
  void anotherRevisionIsSaid() throws Exception {
    with(
        "revision@1=0x20007",
        (stations, exchange) ->
            assertThat(BusScan.scan(exchange).get(1).eeprom().orElseThrow().revision())
                .isEqualTo(0x20007));
  }

  @Test
  void anObjectIsRefusedWithTheCodeAskedFor() throws Exception {
    with(
        "refuse@1=0x6060:0,0x06090030",
        (stations, exchange) -> {
          StationStart start = start(exchange, 1);
          start.mailbox();
          assertThatThrownBy(() -> start.objects().write(0x6060, 0, new byte[] {8}))
              .isInstanceOfSatisfying(
                  Aborted.class, a -> assertThat(a.code()).isEqualTo(0x06090030));
        });
  }

  /** 0x0025: invalid output mapping (ETG.1000.6, from memory). */
  @Test
  void theImageIsRefusedWithTheCodeAskedFor() throws Exception {
    with(
        "refuse-image@1=0x0025",
        (stations, exchange) -> {
          StationStart start = start(exchange, 1);
          start.mailbox();
          StationStart.ImageSize size = start.imageSize();
          assertThatThrownBy(() -> start.processData(0x10000, size))
              .isInstanceOf(StateRefused.class)
              .hasMessageContaining(StateCode.told(0x0025));
        });
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "wet                    | fault 'wet' is not one of open-after=N",
        "open-after=0           | open-after=0 is outside 1 to 64",
        "open-after@1=1         | is of the cable, not of a station",
        "revision=5             | needs a station: revision@POSITION",
        "lose-every             | needs a value",
        "no-outputs@1=3         | takes no value",
        "late=99999             | 99999 is outside 0 to 10000",
        "refuse@1=0x6060        | expected INDEX:SUBINDEX,ABORT",
        "refuse@1=0x6060:0,0x1  | no abort code of the standard",
        "refuse-image@1=0x7777  | no status code of the standard",
        "revision@1=x           | 'x' is no whole number"
      })
  void whatIsNoFaultIsNamed(String written, String named) {
    assertThatThrownBy(() -> StationFault.of(written))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining(named);
  }

  @Test
  void aStationThatIsNotThereIsNamed() {
    assertThatThrownBy(() -> with("no-outputs@9", (stations, exchange) -> {}))
        .hasMessageContaining("no-outputs@9: 2 stations, from 0");
  }
}
