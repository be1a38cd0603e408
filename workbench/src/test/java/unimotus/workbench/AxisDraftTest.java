package unimotus.workbench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import unimotus.core.analog.SignalRange;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Severity;
import unimotus.core.machine.Mechanics;
import unimotus.core.path.Station;
import unimotus.core.proof.AxisProof;
import unimotus.core.proof.Expectation;
import unimotus.core.proof.Prediction;
import unimotus.core.review.AxisReview;
import unimotus.core.sheet.SettingValue;
import unimotus.core.way.analog.AnalogCause;
import unimotus.formats.sheet.SheetLibrary;

/** From an empty project to a proven axis, without the window. */
class AxisDraftTest {
  private static final Clock CLOCK =
      Clock.fixed(Instant.parse("2026-01-02T03:04:05.678Z"), ZoneOffset.UTC);
  private final Session session = new Session(SheetLibrary.catalogue());

  private static AxisDraft draft(String name, String drive, String motor, SignalRange range) {
    // 1456 rpm through 91.5 and a 0.5 m drum are 25.0 m/min (circumference of a circle).
    return new AxisDraft(
        name,
        "controller-modular",
        drive,
        motor,
        Mains.NOT_KNOWN,
        range,
        new Mechanics.Drum(91.5, 0.5),
        25);
  }

  private AxisReview add(AxisDraft draft) {
    String id = draft.axisId(session.project());
    session.apply(draft.edit(session.sheets()));
    return session.review().axis(id).orElseThrow();
  }

  @ParameterizedTest
  @CsvSource({
    "terminal-drive-4kw, motor-4kw-4pole, 4-20 mA",
    "terminal-drive-4kw, motor-4kw-4pole, 0-20 mA",
    "terminal-drive-4kw, motor-4kw-4pole, 0-10 V",
    "terminal-drive-4kw, motor-4kw-4pole, ±10 V",
    "compact-drive-2kw, motor-1k5-4pole, 4-20 mA",
    "compact-drive-2kw, motor-1k5-4pole, 0-10 V",
    "fieldbus-drive-1k5, motor-0k75-6pole, 0-10 V",
    "pump-drive-5k5, motor-4kw-4pole, 4-20 mA"
  })
  void aDraftedAndWiredAxisHasNothingToMend(String drive, String motor, String range) {
    AxisReview drafted = add(draft("Belt", drive, motor, SignalRange.ofLabel(range).orElseThrow()));
    assertThat(drafted.count(Severity.ERROR)).as("unwired").isPositive();
    session.apply(WiringEdits.wireFirstAxis(session.sheets(), drafted.axis().id()));
    AxisReview wired = session.review().axis("belt").orElseThrow();
    assertThat(wired.findings())
        .filteredOn(f -> f.severity() == Severity.ERROR)
        .extracting(Finding::line)
        .isEmpty();
    assertThat(wired.signalPath().orElseThrow().value(Station.FREQUENCY, 12.5))
        .isCloseTo(25, within(0.2));
  }

  @Test
  void aServoMotorIsRefusedForADriveOfInductionMotors() {
    assertThatThrownBy(
            () -> add(draft("Saw", "terminal-drive-4kw", "servo-motor-0k75", SignalRange.MA_4_20)))
        .hasMessageContaining("Servo motor 0.75 kW")
        .hasMessageContaining("induction motors");
    assertThat(session.project().axes()).isEmpty();
  }

  @Test
  void aSecondAxisSharesTheControllerAndTakesTheNextChannel() {
    add(draft("Belt", "terminal-drive-4kw", "motor-4kw-4pole", SignalRange.MA_4_20));
    AxisReview second =
        add(draft("Belt", "terminal-drive-4kw", "motor-4kw-4pole", SignalRange.V_0_10));
    assertThat(session.project().controllers()).hasSize(1);
    assertThat(second.axis().id()).isEqualTo("belt-2");
    assertThat(second.axis().reference().output()).isEqualTo("AO1");
    session.apply(WiringEdits.wireFirstAxis(session.sheets(), "belt"));
    session.apply(WiringEdits.wireFirstAxis(session.sheets(), "belt-2"));
    assertThat(session.review().findings())
        .filteredOn(f -> f.severity() == Severity.ERROR)
        .isEmpty();
  }

  @Test
  void addingAnAxisIsOneStepToTakeBack() {
    add(draft("Belt", "terminal-drive-4kw", "motor-4kw-4pole", SignalRange.MA_4_20));
    session.undo();
    assertThat(session.project().axes()).isEmpty();
    assertThat(session.project().drives()).isEmpty();
  }

  @Test
  void anUnknownSheetIsRefused() {
    assertThatThrownBy(
            () -> add(draft("Belt", "no-such-drive", "motor-4kw-4pole", SignalRange.V_0_10)))
        .hasMessageContaining("'no-such-drive'");
  }

  private Evidence evidence() {
    AxisReview review = session.review().axis("belt").orElseThrow();
    return new EvidenceBook().of(session.project(), review).orElseThrow();
  }

  private void measure(String key, String text) {
    Evidence evidence = evidence();
    Prediction prediction =
        evidence.predictions().stream().filter(p -> p.key().equals(key)).findFirst().orElseThrow();
    session.apply(
        Edits.reading(
            evidence.reading(prediction, text, DisplayUnits.METRIC, "meter", "me", CLOCK)));
  }

  private void wiredBelt() {
    add(draft("Belt", "terminal-drive-4kw", "motor-4kw-4pole", SignalRange.MA_4_20));
    session.apply(WiringEdits.wireFirstAxis(session.sheets(), "belt"));
  }

  @Test
  void measuringWhatWasPredictedProvesTheAxis() {
    wiredBelt();
    for (Prediction prediction : evidence().predictions()) {
      String text =
          prediction.expectation() instanceof Expectation.Amount a
              ? a.value() + " " + a.unit().symbol()
              : ((Expectation.Word) prediction.expectation()).expected();
      measure(prediction.key(), text);
    }
    assertThat(evidence().proof().state()).isEqualTo(AxisProof.State.PROVEN);
    Progress progress =
        Progress.of(
            session.review().axis("belt").orElseThrow(),
            java.util.Optional.of(evidence().proof()),
            false);
    assertThat(progress.states().get(WorkStep.PROVE)).isEqualTo(Progress.State.DONE);
    session.apply(Edits.setting("belt-drive", "R30", new SettingValue.Number(9)));
    assertThat(evidence().proof().state()).isEqualTo(AxisProof.State.STALE);
  }

  @Test
  void aLiveZeroFaultIsFoundFromTwoReadings() {
    wiredBelt();
    measure("ref0.frequency", "10 Hz");
    measure("ref50.frequency", "30 Hz");
    assertThat(evidence().proof().state()).isEqualTo(AxisProof.State.DIFFERS);
    assertThat(evidence().diagnosis().suspicions().get(0).cause())
        .isEqualTo(AnalogCause.DRIVE_DEAD_ZERO);
    Progress progress =
        Progress.of(
            session.review().axis("belt").orElseThrow(),
            java.util.Optional.of(evidence().proof()),
            false);
    assertThat(progress.nextStep()).isEqualTo(WorkStep.PROVE);
  }

  @Test
  void aStaleReadingDoesNotConfuseTheDetective() {
    wiredBelt();
    measure("ref50.frequency", "30 Hz");
    session.apply(Edits.setting("belt-drive", "R30", new SettingValue.Number(9)));
    assertThat(evidence().diagnosis().suspicions()).isEmpty();
  }

  @Test
  void readingsKeepTimeInstrumentAndWho() {
    wiredBelt();
    measure("ref50.signal", "12,01 mA");
    assertThat(session.project().readings())
        .singleElement()
        .satisfies(
            r -> {
              assertThat(r.amount()).isEqualTo(12.01);
              assertThat(r.takenAt()).isEqualTo("2026-01-02T03:04:05Z");
              assertThat(r.instrument()).isEqualTo("meter");
              assertThat(r.by()).isEqualTo("me");
            });
    session.apply(Edits.forgetReading("belt", "ref50.signal"));
    assertThat(session.project().readings()).isEmpty();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "ref50.signal | 12 V | measures voltage",
        "ref50.signal | twelve | is not a number",
        "direction.jog | sideways | 'sideways' is not one of"
      })
  void readingsThatCannotBeAreRefused(String key, String text, String message) {
    wiredBelt();
    assertThatThrownBy(() -> measure(key, text))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining(message);
    assertThat(session.project().readings()).isEmpty();
  }

  @Test
  void predictionsAreKeptWhileTheAxisStaysTheSame() {
    wiredBelt();
    EvidenceBook book = new EvidenceBook();
    List<Prediction> first =
        book.of(session.project(), session.review().axis("belt").orElseThrow())
            .orElseThrow()
            .predictions();
    session.apply(Edits.renameLine("Other"));
    assertThat(
            book.of(session.project(), session.review().axis("belt").orElseThrow())
                .orElseThrow()
                .predictions())
        .isSameAs(first);
    session.apply(Edits.setting("belt-drive", "R30", new SettingValue.Number(9)));
    assertThat(
            book.of(session.project(), session.review().axis("belt").orElseThrow())
                .orElseThrow()
                .predictions())
        .isNotSameAs(first);
  }
}
