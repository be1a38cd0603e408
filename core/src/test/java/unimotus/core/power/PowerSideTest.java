package unimotus.core.power;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import unimotus.core.derivation.Step;
import unimotus.core.machine.CableLaying;
import unimotus.core.machine.Feed;
import unimotus.core.sheet.PowerData;

/** The power side against IEC 60204-1 and hand-worked voltage drops. */
class PowerSideTest {
  private static final PowerData DRIVE =
      new PowerData(380, 480, 3, 11.2, 20, "gG", 0.004, 25, 6, 1.2, 0.5, 5, 100);

  private static PowerItem item(PowerData power, Feed feed, String key) {
    return PowerSide.of(power, feed).stream()
        .filter(i -> i.key().equals(key))
        .findFirst()
        .orElseThrow();
  }

  /** IEC 60204-1:2016 table 6, from memory. */
  @ParameterizedTest
  @CsvSource({
    "DUCT, 1.5, 13.5",
    "CABLE_IN_DUCT, 2.5, 17.4",
    "WALL, 4, 28",
    "TRAY, 6, 37",
    "DUCT, 16, 59"
  })
  void whatAConductorCarries(CableLaying laying, double size, double amperes) {
    assertThat(ConductorTable.amperes(laying, size).orElseThrow()).isEqualTo(amperes);
  }

  @Test
  void theSmallestConductorIsTheFirstThatCarries() {
    assertThat(ConductorTable.smallest(CableLaying.DUCT, 16).orElseThrow()).isEqualTo(2.5);
    assertThat(ConductorTable.smallest(CableLaying.TRAY, 16).orElseThrow()).isEqualTo(1.5);
    assertThat(ConductorTable.smallest(CableLaying.DUCT, 300)).isEmpty();
    assertThat(ConductorTable.amperes(CableLaying.DUCT, 3)).isEmpty();
  }

  /** IEC 60204-1 table 1, from memory. */
  @ParameterizedTest
  @CsvSource({"2.5, 2.5", "16, 16", "25, 16", "35, 16", "50, 25"})
  void protectiveConductor(double phase, double earth) {
    assertThat(ConductorTable.protectiveSquareMillimetres(phase)).isEqualTo(earth);
  }

  /** 1.25 · 11.2 A = 14 A: the next fuse is 16 A; in ducts 2.5 mm² carry it. */
  @Test
  void fuseAndConductorByCurrent() {
    assertThat(item(DRIVE, Feed.USUAL, "fuse").wanted()).startsWith("16 A gG");
    assertThat(item(DRIVE, Feed.USUAL, "supply-conductor").wanted()).startsWith("2.5 mm²");
  }

  /** By hand: √3 · 11.2 A · 100 m · 7.98 Ω/km · 1.1965 / 400 V = 4.63 %. */
  @Test
  void voltageDropByLength() {
    Feed far = Feed.USUAL.withLengths(100, 10);
    List<Step> steps = item(DRIVE, far, "supply-conductor").sum().steps();
    assertThat(steps.get(1).value()).isCloseTo(4.63, within(0.01));
    assertThat(item(DRIVE, Feed.USUAL.withLengths(150, 10), "supply-conductor").wanted())
        .startsWith("4 mm²");
  }

  /** Over 3.5 mA to earth: 10 mm² or a second conductor (IEC 60204-1, from memory). */
  @Test
  void muchLeakageAsksForAStrongEarth() {
    assertThat(item(DRIVE, Feed.USUAL, "earth").wanted()).contains("10 mm²").contains("second");
    PowerData tight = new PowerData(380, 480, 3, 11.2, 20, "gG", 0.003, 25, 6, 1.2, 0.5, 5, 100);
    assertThat(item(tight, Feed.USUAL, "earth").wanted()).isEqualTo("2.5 mm² copper");
  }

  @Test
  void whatDoesNotFitIsDoubted() {
    assertThat(item(DRIVE, Feed.USUAL.withMains(230, 3), "mains").doubt()).contains("230 V");
    assertThat(item(DRIVE, Feed.USUAL.withLengths(10, 60), "motor-cable").doubt()).contains("60 m");
    assertThat(PowerSide.of(DRIVE, Feed.USUAL)).allSatisfy(i -> assertThat(i.doubt()).isEmpty());
    assertThat(PowerSide.of(null, Feed.USUAL)).isEmpty();
  }

  @Test
  void earthComesBeforeTheMotorCable() {
    List<String> keys = PowerSide.of(DRIVE, Feed.USUAL).stream().map(PowerItem::key).toList();
    assertThat(keys.indexOf("earth")).isLessThan(keys.indexOf("motor-cable"));
  }

  @Test
  void impossibleFeedsAreRefusedByValue() {
    assertThatThrownBy(() -> Feed.USUAL.withMains(0, 3)).hasMessageContaining("not 0");
    assertThatThrownBy(() -> Feed.USUAL.withMains(400, 2)).hasMessageContaining("1 or 3, not 2");
    assertThatThrownBy(() -> Feed.USUAL.withLengths(-3, 10)).hasMessageContaining("-3");
  }
}
