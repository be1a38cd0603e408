package unimotus.core.way.register;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import unimotus.core.Fixtures;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Project;
import unimotus.core.path.PathPoint;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Station;
import unimotus.core.proof.Expectation;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.Predictor;
import unimotus.core.value.ValueType;
import unimotus.core.way.PathFactory;
import unimotus.core.way.analog.AnalogLink;

/**
 * A reference that is written into a register. The scales are those manuals give (common practice):
 * hertz in hundredths, percent in tenths, 0x4000 for 100 %, rpm.
 */
class RegisterWayTest {
  private static RegisterEntry register(ValueType type, double scale, String unit, double most) {
    return Fixtures.reference(type, scale, unit, most);
  }

  private static AxisAssembly axis(RegisterEntry entry) {
    return Fixtures.assembly(Fixtures.overRegister(entry));
  }

  private static SignalPath path(RegisterEntry entry) {
    return PathFactory.of(axis(entry));
  }

  /** Each scale's number for half the speed, 12.5 m/min, which is 25 Hz. */
  @ParameterizedTest
  @CsvSource({
    "SIGNED_16, 0.01, Hz, 400, 2500",
    "UNSIGNED_16, 0.1, %, 100, 500",
    // 0x4000 is 100 %, so 0x2000 is half.
    "SIGNED_16, 0.006103515625, %, 199, 8192",
    // Four poles: 25 Hz turn the field at 750 rpm.
    "SIGNED_16, 1, rpm, 3000, 750",
    "FLOAT_32, 1, Hz, 400, 25",
    "UNSIGNED_32, 0.001, Hz, 400, 25000",
  })
  void theProgramWritesTheNumberTheManualAsksFor(
      ValueType type, double scale, String unit, double most, double raw) {
    SignalPath path = path(register(type, scale, unit, most));
    assertThat(path.value(Station.COUNTS, 12.5)).isEqualTo(raw);
    assertThat(path.value(Station.FREQUENCY, 12.5)).isCloseTo(25, within(1e-6));
    assertThat(path.numberFor(Station.COUNTS, raw)).isCloseTo(12.5, within(1e-6));
    assertThat(path.numberFor(Station.FREQUENCY, 25)).isCloseTo(12.5, within(1e-6));
  }

  @Test
  void whatLiesBehindTheDriveIsAsWithAnAnalogReference() {
    SignalPath bus = path(register(ValueType.SIGNED_16, 0.01, "Hz", 400));
    SignalPath wires = PathFactory.of(Fixtures.assembly(Fixtures.project()));
    for (Station station : List.of(Station.SYNCHRONOUS, Station.SHAFT, Station.MACHINE)) {
      assertThat(bus.value(station, 25)).isCloseTo(wires.value(station, 25), within(1e-9));
    }
  }

  @Test
  void thereIsNoSignalOnWires() {
    SignalPath path = path(register(ValueType.SIGNED_16, 0.01, "Hz", 400));
    assertThat(path.has(Station.SIGNAL)).isFalse();
    assertThat(path.has(Station.COUNTS)).isTrue();
    assertThat(path.state(12.5).points())
        .extracting(PathPoint::station)
        .startsWith(Station.NUMBER, Station.PERCENT, Station.COUNTS, Station.FREQUENCY);
    assertThatThrownBy(() -> path.value(Station.SIGNAL, 12.5))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("signal");
  }

  @Test
  void theSumNamesTheRegister() {
    SignalPath path = path(register(ValueType.UNSIGNED_16, 0.1, "%", 100));
    assertThat(path.state(12.5).derivation(Station.FREQUENCY).steps())
        .extracting(s -> s.text())
        .anySatisfy(
            text ->
                assertThat(text)
                    .contains("holding register 1 = 40002")
                    .contains("25 Hz, that is 50 %")
                    .contains("500"));
  }

  @Test
  void aChosenChannelGoesBeforeTheRegister() {
    RegisterEntry entry = register(ValueType.SIGNED_16, 0.01, "Hz", 400);
    Project project = Fixtures.overRegister(entry);
    Project wired =
        Fixtures.withReference(
            project, Fixtures.axis(project).reference().withTerminals("AO0", "AI1"));
    assertThat(PathFactory.of(Fixtures.assembly(wired)).link()).isInstanceOf(AnalogLink.class);
    assertThat(PathFactory.of(Fixtures.assembly(project)).link()).isInstanceOf(RegisterLink.class);
  }

  private static List<Finding> findings(RegisterEntry entry) {
    AxisAssembly axis = axis(entry);
    return PathFactory.check(axis, PathFactory.of(axis));
  }

  @Test
  void aRegisterThatEndsBelowTheReferenceIsFound() {
    assertThat(findings(register(ValueType.SIGNED_16, 0.01, "Hz", 400))).isEmpty();
    assertThat(findings(register(ValueType.SIGNED_16, 0.01, "Hz", 45)))
        .singleElement()
        .satisfies(
            f -> {
              assertThat(f.rule()).isEqualTo(Rule.CLAMPED_MAXIMUM);
              assertThat(f.seen()).contains("50 Hz").contains("45 Hz");
            });
    // 50 Hz in thousandths is 50 000; a signed register of 16 bits ends at 32 767.
    assertThat(findings(register(ValueType.SIGNED_16, 0.001, "Hz", 400)))
        .singleElement()
        .satisfies(f -> assertThat(f.seen()).contains("32.767 Hz"));
  }

  @Test
  void aScaleTooCoarseForTheWantedStepIsFound() {
    // 25 m/min over 50 Hz: a step of 1 Hz is 0.5 m/min.
    assertThat(findings(register(ValueType.SIGNED_16, 1, "Hz", 400)))
        .singleElement()
        .satisfies(
            f -> {
              assertThat(f.rule()).isEqualTo(Rule.RESOLUTION);
              assertThat(f.seen()).contains("0.5 m/min");
            });
  }

  @Test
  void driveLimitsAreFoundAsOnWires() {
    RegisterEntry entry = register(ValueType.SIGNED_16, 0.01, "Hz", 400);
    AxisAssembly axis =
        Fixtures.assembly(
            Fixtures.withSetting(
                Fixtures.withSetting(Fixtures.overRegister(entry), "P5", 40), "P4", 5));
    SignalPath path = PathFactory.of(axis);
    assertThat(PathFactory.check(axis, path))
        .extracting(Finding::rule)
        .containsExactly(Rule.CLAMPED_MAXIMUM, Rule.MINIMUM_FLOOR);
    assertThat(path.value(Station.FREQUENCY, 25)).isEqualTo(40);
    assertThat(path.value(Station.FREQUENCY, 0)).isEqualTo(5);
  }

  @Test
  void theNumberInTheRegisterIsPredicted() {
    AxisAssembly axis = axis(register(ValueType.SIGNED_16, 0.01, "Hz", 400));
    List<Prediction> predictions = Predictor.references(axis, PathFactory.of(axis));
    Prediction number =
        predictions.stream().filter(p -> p.key().equals("ref75.counts")).findFirst().orElseThrow();
    assertThat(((Expectation.Amount) number.expectation()).value()).isEqualTo(3750);
    assertThat(number.where()).contains("40002");
    assertThat(predictions).noneMatch(p -> p.station() == Station.SIGNAL);
  }

  @Test
  void aTextIsNoReference() {
    RegisterEntry text = register(ValueType.TEXT_16, 1, "", 0);
    assertThat(new RegisterWay().isChosen(axis(text))).isFalse();
  }

  /** Scales that do not divide evenly must not push the greatest number out of its register. */
  @ParameterizedTest
  @ValueSource(doubles = {0.1, 0.003, 0.007, 0.00610351562, 1.1})
  void theGreatestNumberAlwaysFits(double scale) {
    RegisterEntry entry = register(ValueType.UNSIGNED_16, scale, "Hz", 1e9);
    assertThat(entry.heldWords(1e9)).containsExactly(0xFFFF);
    assertThat(entry.heldWords(entry.held(1e9))).containsExactly(0xFFFF);
  }
}
