package unimotus.core.motor;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import unimotus.core.sheet.ServoPlate;

/** Published tables of motors and overload relays, all from memory. */
class MotorTablesTest {

  /** IEC 60034-30-1, 50 Hz, from memory. */
  @ParameterizedTest
  @CsvSource({
    "IE1, 1100, 4, 75.0",
    "IE2, 1500, 4, 82.8",
    "IE2, 7500, 2, 88.1",
    "IE3, 4000, 4, 88.6",
    "IE3, 5500, 6, 88.0",
    "IE3, 11000, 4, 91.4",
    "IE4, 15000, 4, 93.9"
  })
  void efficiencyClasses(EfficiencyClass kind, double watts, int poles, double percent) {
    assertThat(kind.limit(watts, poles).orElseThrow()).isCloseTo(percent / 100, within(1e-9));
  }

  @Test
  void betweenTwoPowersTheClassLiesBetweenTheirLimits() {
    double between = EfficiencyClass.IE3.limit(5000, 4).orElseThrow();
    assertThat(between).isBetween(0.886, 0.896);
    assertThat(EfficiencyClass.IE3.limit(500, 4)).isEmpty();
    assertThat(EfficiencyClass.IE3.limit(4000, 10)).isEmpty();
  }

  /** The higher class is the better one at every size and pole count. */
  @Test
  void classesRise() {
    for (double watts : new double[] {750, 2200, 4000, 9000, 22_000}) {
      for (int poles : new int[] {2, 4, 6}) {
        double before = 0;
        for (EfficiencyClass kind : EfficiencyClass.values()) {
          double limit = kind.limit(watts, poles).orElseThrow();
          assertThat(limit).isGreaterThan(before);
          before = limit;
        }
      }
    }
  }

  /** NEC table 430.250, from memory: rows, columns, and the system voltages a column stands for. */
  @ParameterizedTest
  @CsvSource({
    "0.5, 115, 4.4", "0.5, 460, 1.1", "1, 460, 2.1", "2, 120, 13.6", "5, 460, 7.6", "10, 460, 14",
    "10, 440, 14", "10, 480, 14", "10, 230, 28", "10, 220, 28", "10, 240, 28", "25, 230, 68",
    "50, 200, 150", "50, 208, 143", "75, 575, 77", "75, 600, 77", "200, 230, 480", "500, 460, 590",
    "500, 550, 472"
  })
  void fullLoadCurrents(double horsepower, double volts, double amperes) {
    FullLoadCurrent found = FullLoadCurrent.of(horsepower * 745.69987, volts).orElseThrow();
    assertThat(found.amperes()).isCloseTo(amperes, within(1e-9));
    assertThat(found.carried()).isFalse();
    assertThat(found.between()).isFalse();
  }

  @Test
  void betweenRowsAndColumnsIsSaid() {
    FullLoadCurrent found = FullLoadCurrent.of(4000, 400).orElseThrow();
    assertThat(found.carried()).isTrue();
    assertThat(found.between()).isTrue();
    // 5.364 hp: 7.6 A and 0.1456 of the way to 11 A, at 460 V; the same power at 400 V.
    assertThat(found.amperes()).isCloseTo((7.6 + 0.1456 * 3.4) * 460 / 400, within(0.01));
    assertThat(found.columnVolts()).isEqualTo(460);
  }

  @ParameterizedTest
  @CsvSource({"0.4, 460", "501, 460", "201, 230", "3, 115", "10, 0"})
  void outsideTheTableIsNothing(double horsepower, double volts) {
    assertThat(FullLoadCurrent.of(horsepower * 745.69987, volts)).isEmpty();
  }

  /** IEC 60947-4-1, from memory: cold at 7.2 times within the class, warm at 1.5 times in time. */
  @ParameterizedTest
  @EnumSource(Overload.class)
  void tripClasses(Overload kind) {
    double cold = kind.tripSeconds(7.2, 0);
    assertThat(cold).isGreaterThan(kind.leastSeconds()).isLessThanOrEqualTo(kind.mostSeconds());
    assertThat(kind.tripSeconds(1.5, 1)).isLessThan(60 * kind.warmMinutes());
    assertThat(kind.tripSeconds(1.2, 1)).isLessThan(2 * 3600.0);
    assertThat(kind.tripSeconds(1.05, 1)).isInfinite();
  }

  /** Slip of the overload: half the current of a load twice as high trips sooner than half. */
  @Test
  void warmTripsSoonerThanCold() {
    assertThat(Overload.CLASS_10.tripSeconds(2, 1)).isLessThan(Overload.CLASS_10.tripSeconds(2, 0));
  }

  /** k_T = √3·k_E: 1.2 N·m/A go with 72.55 V at 1000 rpm, by energy. */
  @Test
  void aServoPlateAgreesWithItself() {
    ServoPlate good = new ServoPlate(6, 5, 3000, 4.8, 1.2, 72.55, 8, 4096, 9, 230, 0.0004);
    assertThat(good.torqueConstantFromBackVolts()).isCloseTo(1.2, within(0.001));
    assertThat(good.constantsAgree()).isTrue();
    assertThat(good.stallAgrees()).isTrue();
    assertThat(good.ratedHertz()).isEqualTo(200);
    assertThat(good.ratedWatts()).isCloseTo(1508, within(0.5));
    ServoPlate mistyped = new ServoPlate(6, 5, 3000, 4.8, 1.2, 42, 8, 4096, 0, 230, 0.0004);
    assertThat(mistyped.constantsAgree()).isFalse();
    assertThatThrownBy(() -> new ServoPlate(6, 5, 3000, 4.8, 1.2, 0, 7, 4096, 0, 230, 0.0004))
        .hasMessageContaining("poles must be even");
  }

  /** Handbook: 400 V give 600 V regulated and 566 V rectified, 230 V give 345 V regulated. */
  @Test
  void directVoltageOfTheLink() {
    assertThat(LinkVoltage.regulatedVolts(400)).isCloseTo(600, within(1e-9));
    assertThat(LinkVoltage.regulatedVolts(230)).isCloseTo(345, within(1e-9));
    assertThat(LinkVoltage.rectifiedVolts(400)).isCloseTo(565.7, within(0.05));
  }
}
