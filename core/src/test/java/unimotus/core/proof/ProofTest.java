package unimotus.core.proof;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import unimotus.core.Fixtures;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Load;
import unimotus.core.machine.Project;
import unimotus.core.machine.Reading;
import unimotus.core.path.Station;
import unimotus.core.proof.Verdict.Outcome;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.value.ValueType;
import unimotus.core.way.Designs;
import unimotus.core.way.PathFactory;

class ProofTest {

  private static List<Prediction> predictions(Project project) {
    AxisAssembly axis = Fixtures.assembly(project);
    return Predictor.predict(axis, PathFactory.of(axis));
  }

  private static Prediction prediction(Project project, String key) {
    return predictions(project).stream().filter(p -> p.key().equals(key)).findFirst().orElseThrow();
  }

  private static Reading reading(Project project, String key, double amount) {
    return new Reading(
        "belt",
        key,
        amount,
        null,
        "meter",
        "2026-01-01T00:00:00Z",
        "me",
        Designs.digest(Fixtures.assembly(project)).asBasis());
  }

  private static AxisProof judge(Project project, List<Reading> readings) {
    return Prover.judge(predictions(project), readings, Designs.digest(Fixtures.assembly(project)));
  }

  private static Verdict verdict(AxisProof proof, String key) {
    return proof.verdicts().stream()
        .filter(v -> v.prediction().key().equals(key))
        .findFirst()
        .orElseThrow();
  }

  /** Quarter points of a 4–20 mA, 50 Hz link (by arithmetic). */
  @ParameterizedTest
  @CsvSource({
    "0, 0, 4, 0",
    "25, 6912, 8, 12.5",
    "50, 13824, 12, 25",
    "75, 20736, 16, 37.5",
    "100, 27648, 20, 50"
  })
  void quarterPointsAreThoseOfTheRange(int percent, double counts, double milliamps, double hertz) {
    Project project = Fixtures.project();
    assertThat(amount(project, percent, Station.COUNTS).value()).isEqualTo(counts);
    assertThat(amount(project, percent, Station.SIGNAL).value())
        .isCloseTo(milliamps, within(0.001));
    assertThat(amount(project, percent, Station.FREQUENCY).value()).isCloseTo(hertz, within(0.02));
  }

  private static Expectation.Amount amount(Project project, int percent, Station station) {
    return (Expectation.Amount) prediction(project, Predictor.key(percent, station)).expectation();
  }

  @Test
  void thereIsAPredictionForEverythingTheProofAsksFor() {
    List<Prediction> all = predictions(Fixtures.project());
    assertThat(all)
        .extracting(Prediction::key)
        .contains(
            "permission.open",
            "permission.closed",
            "permission.run",
            "permission.run.volts",
            "direction.jog",
            "ramp.up",
            "stop.time",
            "stop.coast");
    // The answer at rest and with the motor at its plate are the last two.
    assertThat(all).hasSize(5 + 5 * 5 + 3 + 2);
    assertThat(new HashSet<>(all.stream().map(Prediction::key).toList())).hasSameSizeAs(all);
    assertThat(all)
        .allSatisfy(
            p -> {
              assertThat(p.where()).isNotBlank();
              assertThat(p.instrument()).isNotBlank();
              assertThat(p.how()).isNotBlank();
              assertThat(p.dependsOn()).isNotEmpty();
            });
  }

  @Test
  void aNumberUnfoldsIntoItsSum() {
    assertThat(
            prediction(Fixtures.project(), "ref50.shaft")
                .sum(PathFactory.of(Fixtures.assembly()))
                .text())
        .contains("synchronous speed")
        .contains("IEC 60034-1");
  }

  /** 5 s to 50 Hz and 5 s back, as set; the shaft follows within its slip (by arithmetic). */
  @Test
  void rampTimesAreThoseThatWereSet() {
    Project project = Fixtures.project();
    double up = ((Expectation.Amount) prediction(project, "ramp.up").expectation()).value();
    double down = ((Expectation.Amount) prediction(project, "stop.time").expectation()).value();
    assertThat(up).isCloseTo(4.9, within(0.2));
    assertThat(down).isCloseTo(5, within(0.2));
  }

  @Test
  void rampsLongerThanAnyWatchGetNoTime() {
    assertThat(predictions(Fixtures.withSetting(Fixtures.project(), "P7", 3600.0)))
        .extracting(Prediction::key)
        .doesNotContain("ramp.up");
  }

  @Test
  void aReadingInsideTheBandAgreesAndOutsideDiffers() {
    Project project = Fixtures.project();
    assertThat(
            verdict(
                    judge(project, List.of(reading(project, "ref50.frequency", 25.2))),
                    "ref50.frequency")
                .outcome())
        .isEqualTo(Outcome.AGREES);
    Verdict off =
        verdict(
            judge(project, List.of(reading(project, "ref50.frequency", 26))), "ref50.frequency");
    assertThat(off.outcome()).isEqualTo(Outcome.DIFFERS);
    assertThat(off.deviation()).isCloseTo(1, within(0.01));
  }

  @Test
  void theLatestReadingCounts() {
    Project project = Fixtures.project();
    AxisProof proof =
        judge(
            project,
            List.of(
                reading(project, "ref50.frequency", 30), reading(project, "ref50.frequency", 25)));
    assertThat(verdict(proof, "ref50.frequency").outcome()).isEqualTo(Outcome.AGREES);
  }

  @Test
  void aChangeUpstreamMakesAReadingStaleAndNamesIt() {
    Project project = Fixtures.project();
    List<Reading> readings =
        List.of(reading(project, "ref50.frequency", 25), reading(project, "ref50.signal", 12));
    AxisProof proof = judge(Fixtures.withSetting(project, "P7", 9.0), readings);
    assertThat(verdict(proof, "ref50.frequency").outcome()).isEqualTo(Outcome.STALE);
    assertThat(verdict(proof, "ref50.frequency").changed()).containsExactly(Part.DRIVE);
    assertThat(verdict(proof, "ref50.signal").outcome())
        .as("the signal does not pass the drive")
        .isEqualTo(Outcome.AGREES);
  }

  @Test
  void movingAWireMakesTheSignalStale() {
    Project project = Fixtures.project();
    AxisProof proof =
        judge(Fixtures.without(project, "w4"), List.of(reading(project, "ref50.signal", 12)));
    assertThat(verdict(proof, "ref50.signal").changed()).containsExactly(Part.WIRES);
  }

  @Test
  void renamingMakesNothingStale() {
    Project project = Fixtures.project();
    Project renamed = project.with(Fixtures.axis(project).withName("Long belt"));
    AxisProof proof = judge(renamed, List.of(reading(project, "ref100.machine", 25)));
    assertThat(proof.count(Outcome.STALE)).isZero();
  }

  @Test
  void anAxisIsProvenWhenAllAgree() {
    Project project = Fixtures.project();
    List<Reading> readings = new ArrayList<>();
    assertThat(judge(project, readings).state()).isEqualTo(AxisProof.State.UNPROVEN);
    for (Prediction p : predictions(project)) {
      readings.add(asPredicted(project, p));
      AxisProof.State state = judge(project, readings).state();
      assertThat(state).isIn(AxisProof.State.PARTLY, AxisProof.State.PROVEN);
    }
    assertThat(judge(project, readings).state()).isEqualTo(AxisProof.State.PROVEN);
    readings.add(reading(project, "ref100.frequency", 45));
    assertThat(judge(project, readings).state()).isEqualTo(AxisProof.State.DIFFERS);
    assertThat(judge(Fixtures.withSetting(project, "P7", 6.0), readings).state())
        .isEqualTo(AxisProof.State.STALE);
  }

  private static Reading asPredicted(Project project, Prediction p) {
    Map<String, String> basis = Designs.digest(Fixtures.assembly(project)).asBasis();
    return p.expectation() instanceof Expectation.Amount a
        ? new Reading("belt", p.key(), a.value(), null, "", "2026-01-01T00:00:00Z", "", basis)
        : new Reading(
            "belt",
            p.key(),
            null,
            ((Expectation.Word) p.expectation()).expected(),
            "",
            "2026-01-01T00:00:00Z",
            "",
            basis);
  }

  @Test
  void aWordNeverAgreesWithANumber() {
    Reading word =
        new Reading("belt", "x", null, "ready", "", "2026-01-01T00:00:00Z", "", Map.of());
    assertThat(Prover.agrees(new Expectation.Amount(1, 1, MeasureUnit.ONE), word)).isFalse();
    assertThat(Prover.agrees(new Expectation.Word("ready", List.of("ready", "fault")), word))
        .isTrue();
  }

  @Test
  void expectationsRefuseWhatCannotBeJudged() {
    assertThatThrownBy(() -> new Expectation.Amount(1, 0, MeasureUnit.ONE))
        .hasMessageContaining("tolerance");
    assertThatThrownBy(() -> new Expectation.Word("gone", List.of("ready")))
        .hasMessageContaining("'gone'");
    assertThat(new Expectation.Amount(12, 0.09, MeasureUnit.MILLIAMPERE).text(QuantityFormat.PLAIN))
        .isEqualTo("12 ± 0.09 mA");
  }

  /** The rows of a register, and what the detective asks of it: one step of 0.01 Hz may be off. */
  @Test
  void aRegisterIsReadOnTheBus() {
    Project project =
        Fixtures.overRegister(Fixtures.reference(ValueType.UNSIGNED_16, 0.01, "Hz", 400));
    AxisAssembly axis = Fixtures.assembly(project);
    List<Prediction> rows = Predictor.references(axis, PathFactory.of(axis));
    assertThat(rows)
        .extracting(Prediction::key)
        .containsExactlyElementsOf(
            Stream.concat(
                    Stream.of("direction.jog"),
                    Predictor.REFERENCES.stream()
                        .flatMap(
                            r ->
                                Stream.of("counts", "frequency", "shaft", "machine")
                                    .map(s -> "ref%d.%s".formatted(r, s))))
                .toList());
    Prediction half =
        rows.stream().filter(p -> p.key().equals("ref50.counts")).findFirst().orElseThrow();
    assertThat(half.expectation()).isEqualTo(new Expectation.Amount(2500, 1, MeasureUnit.COUNTS));
    assertThat(half.title()).isEqualTo("number in the register");
    assertThat(half.instrument()).isEqualTo("register read on the bus");
    assertThat(half.how()).startsWith("Command 50 %. Register and display");
    assertThat(half.group()).isEqualTo("Reference 50 %");
    assertThat(half.dependsOn())
        .containsExactlyInAnyOrder(Part.PROGRAM, Part.CONTROLLER, Part.WIRES);
  }

  /** What each row of an analog link is read with, where, and how far it may be off (by hand). */
  @Test
  void everyStationHasItsInstrument() {
    Project project = Fixtures.project();
    Prediction counts = prediction(project, "ref75.counts");
    assertThat(counts.expectation())
        .isEqualTo(new Expectation.Amount(20736, 1, MeasureUnit.COUNTS));
    assertThat(counts.title()).isEqualTo("counts to the module");
    assertThat(counts.instrument()).isEqualTo("programming device");
    Prediction signal = prediction(project, "ref75.signal");
    assertThat(signal.instrument()).isEqualTo("loop meter");
    assertThat(signal.where()).contains("AO0").endsWith("against its return");
    // Half a percent of 16 mA and one step of 16 mA in 27648.
    assertThat(tolerance(signal)).isCloseTo(0.08 + 16 / 27648.0, within(1e-4));
    assertThat(tolerance(prediction(project, "ref75.frequency"))).isCloseTo(0.25, within(1e-9));
    Prediction shaft = prediction(project, "ref100.shaft");
    double slip = 1500 - ((Expectation.Amount) shaft.expectation()).value();
    assertThat(tolerance(shaft)).isCloseTo(0.005 * 1500 + slip / 2, within(1e-6));
    // The drum of 0.5 m behind 91.5 turns: π·0.5/91.5 metres a turn of the motor.
    assertThat(tolerance(prediction(project, "ref100.machine")))
        .isCloseTo(1.5 * tolerance(shaft) * Math.PI * 0.5 / 91.5, within(1e-6));
    assertThat(prediction(project, "ref100.machine").title()).isEqualTo("speed of the machine");
    assertThat(shaft.title()).isEqualTo("speed of the motor shaft");
    assertThat(signal.title()).isEqualTo("signal on the wires");
    assertThat(prediction(project, "ref75.frequency").title())
        .isEqualTo("frequency on the display");
    Project volts = Fixtures.withChannel(project, "AO0.range", "0-10 V");
    assertThat(prediction(volts, "ref75.signal").instrument()).isEqualTo("voltmeter");
    assertThat(prediction(project, "direction.jog").where()).isEqualTo("motor shaft");
    assertThat(prediction(project, "permission.run").where()).isEqualTo("drive's display");
  }

  private static double tolerance(Prediction p) {
    return ((Expectation.Amount) p.expectation()).tolerance();
  }

  /** Coasting instead of a ramp: both times are those of the coast. */
  @Test
  void aDriveThatCoastsStopsAsLongAsItCoasts() {
    Project coasting = Fixtures.withSetting(Fixtures.project(), "P9", "coast");
    Prediction stop = prediction(coasting, "stop.time");
    Prediction coast = prediction(coasting, "stop.coast");
    assertThat(stop.expectation()).isEqualTo(coast.expectation());
    assertThat(stop.title()).endsWith("coasting");
    assertThat(stop.simple().text()).contains("∫");
    assertThat(prediction(Fixtures.project(), "stop.time").title()).endsWith("by ramp");
    assertThat(coast.dependsOn()).doesNotContain(Part.STOP).contains(Part.MECHANICS, Part.POWER);
  }

  /** Nothing rubs: it coasts for ever, and no time is foretold. */
  @Test
  void aCoastWithoutEndHasNoTime() {
    Project project = Fixtures.project();
    Project free = project.with(Fixtures.axis(project).withLoad(new Load(20, 0, 0, 0, 1)));
    assertThat(predictions(free)).extracting(Prediction::key).doesNotContain("stop.coast");
  }

  @Test
  void aReadingIsShownInItsUnit() {
    Project project = Fixtures.project();
    AxisProof proof = judge(project, List.of(reading(project, "ref50.frequency", 25.2)));
    assertThat(verdict(proof, "ref50.frequency").readingText(QuantityFormat.PLAIN))
        .isEqualTo("25.2 Hz");
    assertThat(verdict(proof, "ref50.shaft").readingText(QuantityFormat.PLAIN)).isEmpty();
    assertThat(verdict(proof, "ref50.shaft").deviation()).isNaN();
    assertThat(AxisProof.State.DIFFERS.label()).isEqualTo("differs from the prediction");
    assertThat(Outcome.OPEN.label()).isEqualTo("not measured");
    assertThat(Part.WIRES.label()).isNotBlank();
  }

  /** At the edge of its band a reading still agrees, a hair beyond it does not. */
  @Test
  void theEdgeAgrees() {
    Expectation.Amount band = new Expectation.Amount(10, 0.5, MeasureUnit.ONE);
    assertThat(Prover.agrees(band, amount(10.5))).isTrue();
    assertThat(Prover.agrees(band, amount(9.5))).isTrue();
    assertThat(Prover.agrees(band, amount(10.51))).isFalse();
    assertThat(Prover.agrees(band, amount(9.49))).isFalse();
    Reading word =
        new Reading("belt", "x", null, "fault", "", "2026-01-01T00:00:00Z", "", Map.of());
    assertThat(Prover.agrees(new Expectation.Word("ready", List.of("ready", "fault")), word))
        .isFalse();
    assertThat(Prover.agrees(new Expectation.Word("ready", List.of("ready", "fault")), amount(1)))
        .isFalse();
    assertThat(new Expectation.Word("ready", List.of("ready")).text(QuantityFormat.PLAIN))
        .isEqualTo("ready");
  }

  private static Reading amount(double value) {
    return new Reading("belt", "x", value, null, "", "2026-01-01T00:00:00Z", "", Map.of());
  }
}
