package unimotus.core.processdata;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import unimotus.core.FixtureStations;
import unimotus.core.esi.DescriptionCatalogue;
import unimotus.core.esi.Direction;
import unimotus.core.esi.StartUpCommand;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.machine.BusStation;
import unimotus.core.machine.BusTiming;
import unimotus.core.machine.Project;

/** The cycle of a whole line: frames of all stations, what drives were told, what is unknown. */
class LineCycleTest {
  private static final DescriptionCatalogue CATALOGUE =
      FixtureStations.sheets(
              FixtureStations.device(null, FixtureStations.CONTROL, FixtureStations.VELOCITY))
          .descriptions();

  private static Project line(BusTiming timing, BusStation... stations) {
    return Project.empty("Line").withStations(List.of(stations)).timed(timing);
  }

  private static BusStation station(String id, StartUpCommand... startUp) {
    return FixtureStations.station(id, startUp).with().drive("").build();
  }

  private static StartUpCommand[] interpolation(int mantissa, int exponent) {
    return new StartUpCommand[] {
      StartUpCommand.number("PS", 0x60C2, 1, mantissa, 1, ""),
      StartUpCommand.number("PS", 0x60C2, 2, exponent & 0xFF, 1, "")
    };
  }

  private static List<String> seen(Project project) {
    return LineCycle.of(project, CATALOGUE).orElseThrow().doubts().stream()
        .map(CycleReview.Doubt::seen)
        .toList();
  }

  @Test
  void withoutACycleOrStationsNothingIsSaid() {
    assertThat(LineCycle.of(line(null, station("a")), CATALOGUE)).isEmpty();
    assertThat(LineCycle.of(line(BusTiming.of(1_000_000)), CATALOGUE)).isEmpty();
  }

  /** By hand: bytes of both images, 80 ns each with what stands around them. */
  @Test
  void theFramesCarryTheImagesOfAllStations() {
    Project project = line(BusTiming.of(1_000_000), station("a"), station("b"), station("c"));
    StationSetup setup =
        StationDesign.of(project.stations().get(0), CATALOGUE).known().orElseThrow();
    ProcessImage image = ProcessImage.of(setup);
    int bytes = 3 * (image.bytes(Direction.OUTPUTS) + image.bytes(Direction.INPUTS));
    LineCycle cycle = LineCycle.of(project, CATALOGUE).orElseThrow();
    // Preamble 8, addresses and type 14, header 2, around the data 12, checksum 4, gap 12.
    int wire = 8 + 14 + Math.max(46, 2 + 12 + bytes) + 4 + 12;
    assertThat(cycle.review().frameNs()).isEqualTo(80L * wire);
    assertThat(cycle.review().ringNs()).isEqualTo(80.0 * wire + 3 * 1000);
    assertThat(cycle.doubts()).isEmpty();
  }

  /** IEC 61800-7-201, from memory: 0x60C2 is mantissa times ten to the exponent, in seconds. */
  @Test
  void whatADriveIsToldIsHeldAgainstTheCycle() {
    assertThat(seen(line(BusTiming.of(2_000_000), station("a", interpolation(2, -3))))).isEmpty();
    assertThat(seen(line(BusTiming.of(2_000_000), station("a", interpolation(20, -4))))).isEmpty();
    assertThat(seen(line(BusTiming.of(2_000_000), station("a", interpolation(1, -3)))))
        .singleElement()
        .asString()
        .startsWith("a, 0x60C2: the drive interpolates over 1 ms, the cycle is 2 ms");
  }

  /** A station that is not described is named, and never counts as one without data. */
  @Test
  void whatIsNotDescribedIsNamed() {
    BusStation other = station("b").with().revision(0x77).build();
    LineCycle cycle =
        LineCycle.of(line(BusTiming.of(1_000_000), station("a"), other), CATALOGUE).orElseThrow();
    assertThat(cycle.undescribed()).containsExactly("b");
  }

  @Test
  void itIsAFindingOfTheLine() {
    Project project = line(BusTiming.of(2_000_000), station("a", interpolation(1, -3)));
    assertThat(StationChecks.check(project, CATALOGUE))
        .extracting(StationChecks.Found::finding)
        .filteredOn(f -> f.rule() == Rule.BUS_CYCLE)
        .extracting(Finding::place)
        .containsExactly(StationChecks.CYCLE);
  }

  @Test
  void whatIsNoTimeIsNamed() {
    assertThatThrownBy(() -> BusTiming.of(0)).hasMessageContaining("cycle of 0 ns");
    assertThatThrownBy(() -> BusTiming.of(1000).withCableMetres(-1))
        .hasMessageContaining("cables of -1");
    assertThatThrownBy(() -> BusTiming.of(1000).withWatchdogNs(0L))
        .hasMessageContaining("watchdog of 0 ns");
  }
}
