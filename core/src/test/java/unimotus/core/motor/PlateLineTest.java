package unimotus.core.motor;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import unimotus.core.Fixtures;
import unimotus.core.sheet.InductionPlate;

/** Plates as they are printed; numbers of invented motors. */
class PlateLineTest {
  private static final String DUAL =
      "4 kW  230/400 V  14/8.05 A  50 Hz  1456 rpm  cos φ 0.81  SF 1.15";

  private static PlateLine read(String line) {
    return PlateLine.read(line, Fixtures.PLATE);
  }

  @Test
  void twoVoltagesAreDeltaAndStar() {
    PlateLine line = read(DUAL);
    assertThat(line.columns()).hasSize(2);
    assertThat(line.columns().get(0).connection()).isEqualTo(Connection.DELTA);
    assertThat(line.columns().get(1).connection()).isEqualTo(Connection.STAR);
    InductionPlate star = line.columns().get(1).plate();
    assertThat(star.voltageVolts()).isEqualTo(400);
    assertThat(star.currentAmperes()).isEqualTo(8.05);
    assertThat(star.powerWatts()).isEqualTo(4000);
    assertThat(star.serviceFactor()).isEqualTo(1.15);
    assertThat(line.columns().get(1).label()).isEqualTo("400 V Y, 50 Hz, 8.05 A");
    assertThat(line.notes()).isEmpty();
  }

  /** Common practice: 230 V delta on a 400 V drive gives 87 Hz and √3 times the power. */
  @Test
  void eightySevenHertz() {
    InductionPlate raised = read(DUAL).columns().get(0).raised();
    assertThat(raised.frequencyHertz()).isCloseTo(86.6, within(0.01));
    assertThat(raised.voltageVolts()).isCloseTo(398.4, within(0.05));
    assertThat(raised.currentAmperes()).isEqualTo(14);
    assertThat(MotorFormulas.ratedTorqueNewtonMetres(raised))
        .isCloseTo(
            MotorFormulas.ratedTorqueNewtonMetres(read(DUAL).columns().get(0).plate()),
            within(1e-9));
    assertThat(raised.powerWatts()).isBetween(1.73 * 4000, 1.78 * 4000);
    assertThatThrownBy(() -> read(DUAL).columns().get(1).raised()).hasMessageContaining("delta");
  }

  @Test
  void columnsOfTwoFrequencies() {
    PlateLine line = read("4/4.6 kW 400/460 V 8.05/8.0 A 50/60 Hz 1456/1756 min-1 cosφ 0,81/0,82");
    assertThat(line.columns()).hasSize(2);
    assertThat(line.columns().get(1).connection()).isNull();
    assertThat(line.columns().get(1).plate().frequencyHertz()).isEqualTo(60);
    assertThat(line.columns().get(1).plate().powerFactor()).isEqualTo(0.82);
  }

  @Test
  void horsepowerIsPower() {
    InductionPlate plate = read("5 hp 460 V 6.8 A 60 Hz 1745 rpm pf 0.82").columns().get(0).plate();
    assertThat(plate.powerWatts()).isCloseTo(3728.5, within(0.1));
    assertThat(MotorFormulas.poles(plate)).isEqualTo(4);
  }

  /** cos φ = P/(√3·U·I·η): 4000/(√3·400·8.05·0.886) = 0.8095. */
  @Test
  void whatFollowsIsFilledAndSaid() {
    PlateLine line = read("4 kW 400 V 8.05 A 50 Hz 1456 rpm IE3-88.6%");
    assertThat(line.columns().get(0).plate().powerFactor()).isCloseTo(0.8095, within(1e-4));
    assertThat(line.notes())
        .containsExactly("cos φ follows from power, voltage, current and efficiency");
    PlateLine current = read("4 kW 400 V 50 Hz 1456 rpm cos 0.81");
    assertThat(current.columns().get(0).plate().currentAmperes()).isBetween(7.5, 9.0);
    assertThat(current.notes()).hasSize(2);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "",
        "four kilowatts",
        "400 V 8.05 A 50 Hz 1456 rpm cos 0.81",
        "4 kW 400 V 50 Hz 1456 rpm"
      })
  void whatCannotFollowIsAskedFor(String text) {
    PlateLine line = read(text);
    assertThat(line.columns()).isEmpty();
    assertThat(line.notes()).isNotEmpty();
  }

  @Test
  void contradictionsAreRefusedByName() {
    assertThatThrownBy(() -> read("4 kW 400 V 8 A 50 Hz 1456 rpm cos 1.3"))
        .hasMessageContaining("power factor");
    assertThatThrownBy(() -> read("4/5/6 kW 230/400 V 8 A 50 Hz 1456 rpm cos 0.8"))
        .hasMessageContaining("voltage has 2 values");
  }

  /** As plates of both continents print it: fractions, a factor without its zero, two columns. */
  @Test
  void platesOfBothContinents() {
    InductionPlate fraction =
        read("1 1/2 HP 230/460 V 4.4/2.2 A 60 Hz 1745 RPM PF .85 SF 1.15").columns().get(1).plate();
    assertThat(fraction.powerWatts()).isCloseTo(1.5 * 745.7, within(0.01));
    assertThat(fraction.powerFactor()).isEqualTo(0.85);
    assertThat(fraction.serviceFactor()).isEqualTo(1.15);
    assertThat(fraction.currentAmperes()).isEqualTo(2.2);
    assertThat(
            read("3/4 hp 460 V 1.6 A 60 Hz 1725 rpm pf .72").columns().get(0).plate().powerWatts())
        .isCloseTo(0.75 * 745.7, within(0.01));
    PlateLine two = read("7.5/10 hp 400/460 V 11.5/12.5 A 50/60 Hz 1455/1755 rpm pf .84/.85");
    assertThat(two.columns()).hasSize(2);
    assertThat(two.columns().get(1).plate().powerWatts()).isCloseTo(7457, within(0.1));
    PlateLine full =
        read("Mot. 3~ IE3 112M IP55 S1 4 kW 400 V Y 8.05 A 50 Hz 1456 1/min cos φ 0,81 cl. F");
    assertThat(full.columns()).hasSize(1);
    assertThat(full.notes()).isEmpty();
  }

  @Test
  void aThousandOrOneAndAHalfIsNotGuessed() {
    assertThatThrownBy(() -> read("4 kW 400 V 8.05 A 50 Hz 1,456 rpm cos 0.81"))
        .hasMessageContaining("speed")
        .hasMessageContaining("1456 or 1.456");
  }

  @Test
  void whatIsNotUnderstoodIsSaid() {
    PlateLine line = read("4 kW 400 V 8.05 A 50 Hz 1456 rpm cos 0.81 no. 778-12");
    assertThat(line.columns()).hasSize(1);
    assertThat(line.notes()).singleElement().asString().contains("not understood", "778");
  }
}
