package unimotus.core.proof;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import unimotus.core.Fixtures;
import unimotus.core.machine.Probe;
import unimotus.core.machine.TerminalRef;
import unimotus.core.quantity.MeasureUnit;

/** What the meter is predicted to show; values worked by hand in {@code LineSolverTest}. */
class ProbePredictionsTest {
  private static final List<TerminalRef> RUN = List.of(Fixtures.ref("plc:DO0"));

  private static Probe probe(
      Probe.Quantity quantity,
      @Nullable String red,
      @Nullable String black,
      @Nullable String wire) {
    return new Probe(
        "m1",
        "belt",
        quantity,
        red == null ? null : Fixtures.ref(red),
        black == null ? null : Fixtures.ref(black),
        wire,
        RUN,
        Map.of("plc:AO0", 12.0),
        Map.of());
  }

  private static Prediction only(Probe probe) {
    List<Prediction> predictions =
        ProbePredictions.of(Fixtures.assembly(Fixtures.project().withProbes(List.of(probe))));
    assertThat(predictions).hasSize(1);
    return predictions.get(0);
  }

  private static Expectation.Amount amount(Prediction prediction) {
    return (Expectation.Amount) prediction.expectation();
  }

  @Test
  void aVoltageIsPredictedWithTheMetersTolerance() {
    Prediction prediction = only(probe(Probe.Quantity.VOLTS, "drive:DI1", "drive:COM", null));
    assertThat(amount(prediction).value()).isEqualTo(24, within(0.05));
    assertThat(amount(prediction).tolerance()).isEqualTo(0.58, within(0.01));
    assertThat(prediction.key()).isEqualTo("meter.m1");
    assertThat(prediction.title())
        .isEqualTo("drive:DI1 against drive:COM, DO0 on, plc:AO0 at 12.0");
  }

  @Test
  void aLoopCurrentIsPredictedInMilliamps() {
    Prediction prediction = only(probe(Probe.Quantity.MILLIAMPS, null, null, "w3"));
    assertThat(amount(prediction).value()).isEqualTo(12, within(0.01));
    assertThat(amount(prediction).unit()).isEqualTo(MeasureUnit.MILLIAMPERE);
    assertThat(prediction.instrument()).isEqualTo("loop meter");
  }

  @Test
  void continuityIsAWordAndItsTestSaysPowerOff() {
    Prediction through = only(probe(Probe.Quantity.CONTINUITY, "plc:DO0", "drive:DI1", null));
    assertThat(((Expectation.Word) through.expectation()).expected()).isEqualTo("continuity");
    assertThat(through.how()).contains("power off", "locked and tagged");
    Prediction open = only(probe(Probe.Quantity.CONTINUITY, "plc:RO", "drive:DI1", null));
    assertThat(((Expectation.Word) open.expectation()).expected()).isEqualTo("open");
  }

  @Test
  void whatFloatsIsPredictedToFloat() {
    Prediction prediction = only(probe(Probe.Quantity.VOLTS, "plc:RO", "plc:0V", null));
    assertThat(((Expectation.Word) prediction.expectation()).expected()).isEqualTo("floating");
  }

  @Test
  void aProbeNeedsWhatItMeasures() {
    assertThatThrownBy(() -> probe(Probe.Quantity.MILLIAMPS, "drive:DI1", "drive:COM", null))
        .hasMessageContaining("a current needs a wire");
    assertThatThrownBy(() -> probe(Probe.Quantity.VOLTS, "drive:DI1", null, null))
        .hasMessageContaining("needs two terminals");
  }
}
