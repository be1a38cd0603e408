package unimotus.core.stepper;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import unimotus.core.sheet.AmpereKind;
import unimotus.core.sheet.CoilConnection;
import unimotus.core.sheet.StepperPlate;
import unimotus.core.sheet.SwitchTable;

/** Coils in every connection; relations of turns and heat (common practice). */
class CoilsTest {
  private static StepperPlate plate(int leads) {
    return new StepperPlate(200, 1.9, 2, 1, 0.0025, leads, 4.8e-5);
  }

  /** Against a half coil of 2 A, 1 Ω, 2.5 mH: 0.707, 2 and 4 times; 1.414, a half and once. */
  @ParameterizedTest
  @CsvSource({
    "8, HALF, 2, 1, 2.5",
    "8, SERIES, 1.4142, 2, 10",
    "8, PARALLEL, 2.8284, 0.5, 2.5",
    "6, UNIPOLAR, 2, 1, 2.5",
    "4, WHOLE, 2, 1, 2.5"
  })
  void figuresFollowTheConnection(
      int leads, CoilConnection connection, double amperes, double ohms, double millihenries) {
    Coils coils = Coils.of(plate(leads), connection);
    assertThat(coils.amperes()).isCloseTo(amperes, within(1e-4));
    assertThat(coils.ohms()).isEqualTo(ohms);
    assertThat(coils.henries() * 1000).isCloseTo(millihenries, within(1e-9));
    assertThat(coils.volts()).isCloseTo(amperes * ohms, within(1e-3));
    assertThat(coils.timeConstant()).isCloseTo(millihenries / 1000 / ohms, within(1e-9));
  }

  /** Twice the current against series, a quarter of the inductance, the same heat. */
  @Test
  void parallelAgainstSeries() {
    Coils series = Coils.of(plate(8), CoilConnection.SERIES);
    Coils parallel = Coils.of(plate(8), CoilConnection.PARALLEL);
    assertThat(parallel.amperes() / series.amperes()).isCloseTo(2, within(1e-9));
    assertThat(parallel.henries() / series.henries()).isEqualTo(0.25);
    assertThat(parallel.restWatts(1)).isCloseTo(series.restWatts(1), within(1e-9));
    // Half the current at rest leaves a quarter of the heat (Joule).
    assertThat(series.restWatts(0.5)).isCloseTo(0.25 * series.restWatts(1), within(1e-9));
    // U/(2·L·I): twice as fast in parallel at one supply voltage.
    assertThat(parallel.cornerRpm(36) / series.cornerRpm(36)).isCloseTo(2, within(1e-9));
  }

  /** 36 V, 2.5 mH, 2.8 A: 2571 full steps a second, 771 rpm (from memory). */
  @Test
  void theTorqueFallsWhereTheSupplyIsSpent() {
    Coils coils = new Coils(CoilConnection.WHOLE, 2.8, 0.9, 0.0025, 200);
    assertThat(coils.cornerStepsPerSecond(36)).isCloseTo(2571.4, within(0.1));
    assertThat(coils.cornerRpm(36)).isCloseTo(771.4, within(0.1));
    assertThat(coils.cornerSum(36).steps()).hasSize(2);
    // Ramp of a current in an inductance, di = U/L·dt, in a quarter of an electrical turn and back.
    double time = 2.8 * 0.0025 / 36;
    assertThat(1 / (2 * time)).isCloseTo(coils.cornerStepsPerSecond(36), within(1e-6));
  }

  @Test
  void leadsSayWhatCanBeConnected() {
    assertThat(CoilConnection.of(4)).containsExactly(CoilConnection.WHOLE);
    assertThat(CoilConnection.of(6))
        .containsExactly(CoilConnection.HALF, CoilConnection.SERIES, CoilConnection.UNIPOLAR);
    assertThat(CoilConnection.of(8)).hasSize(4).contains(CoilConnection.PARALLEL);
    assertThat(CoilConnection.of(5)).isEmpty();
    assertThat(CoilConnection.UNIPOLAR.isUnipolar()).isTrue();
    assertThatThrownBy(() -> Coils.of(plate(6), CoilConnection.PARALLEL))
        .hasMessage("a motor with 6 leads is not connected as halves in parallel");
  }

  /** Lowest 0.9 A, three switches of 0.3, 0.6 and 1.2 A. */
  private static final SwitchTable CURRENTS = SwitchTable.weighted(1, 0.9, List.of(0.3, 0.6, 1.2));

  /** A motor of 2.8 A on a driver that has 2.7 and 3.0 A: 2.7 A (handbook example). */
  @Test
  void theHighestSettingNotAboveTheRatingIsChosen() {
    Coils coils = new Coils(CoilConnection.WHOLE, 2.8, 0.9, 0.0025, 200);
    PhaseCurrent current = PhaseCurrent.of(coils, AmpereKind.RMS, CURRENTS, AmpereKind.RMS);
    assertThat(current.chosen().value()).isCloseTo(2.7, within(1e-9));
    assertThat(CURRENTS.words(current.chosen())).isEqualTo("SW1 off, SW2 on, SW3 on");
    assertThatThrownBy(() -> current.check(CURRENTS, CURRENTS.of(3.0).orElseThrow()))
        .hasMessage(
            "3 A is over the rating of 2.8 A: the next lower setting is 2.7 A (SW1 off, SW2 on, SW3 on)");
    current.check(CURRENTS, current.chosen());
  }

  /** √2 between peak and r.m.s. amperes: 1.98 A r.m.s. are 2.8 A of peak. */
  @Test
  void peakAndRmsAreToldApart() {
    Coils coils = new Coils(CoilConnection.WHOLE, 1.98, 0.9, 0.0025, 200);
    PhaseCurrent peak = PhaseCurrent.of(coils, AmpereKind.RMS, CURRENTS, AmpereKind.PEAK);
    assertThat(peak.limit()).isCloseTo(2.8, within(0.001));
    assertThat(peak.chosen().value()).isCloseTo(2.7, within(1e-9));
    PhaseCurrent rms = PhaseCurrent.of(coils, AmpereKind.PEAK, CURRENTS, AmpereKind.RMS);
    assertThat(rms.limit()).isCloseTo(1.4, within(0.001));
    assertThat(rms.chosen().value()).isCloseTo(1.2, within(1e-9));
    Coils small = new Coils(CoilConnection.HALF, 0.5, 5, 0.01, 200);
    assertThatThrownBy(() -> PhaseCurrent.of(small, AmpereKind.RMS, CURRENTS, AmpereKind.RMS))
        .hasMessage(
            "the lowest setting of the driver is 0.9 A, the coils half of each coil take 0.5 A");
  }
}
