package unimotus.core.way;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import unimotus.core.Fixtures;
import unimotus.core.bench.BenchSetup;
import unimotus.core.derivation.Step;
import unimotus.core.detective.AxisCause;
import unimotus.core.detective.Detective;
import unimotus.core.detective.Diagnosis;
import unimotus.core.detective.Suspicion;
import unimotus.core.dryrun.DryRunner;
import unimotus.core.dryrun.DrySchedules;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.machine.Axis;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Project;
import unimotus.core.machine.Reading;
import unimotus.core.path.Commanded;
import unimotus.core.path.PathPoint;
import unimotus.core.path.PathState;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Station;
import unimotus.core.proof.Expectation;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.Predictor;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.review.AxisReview;
import unimotus.core.review.LineReview;

/** An axis that is told a position or a process value is carried as one that is told a speed. */
class OtherQuantityTest {
  private static Project told(String note, double full) {
    Project analog = Fixtures.project();
    Axis axis = Fixtures.axis(analog);
    Project told =
        analog.with(
            LoopWay.looped(
                axis.withReference(axis.reference().withSpeedAtFull(full).withWantedStep(full)),
                note));
    for (String wire : List.of("w3", "w4", "w5", "w6")) {
      told = Fixtures.without(told, wire);
    }
    return told;
  }

  private static AxisReview review(Project project) {
    return LineReview.of(project, Fixtures.sheets()).axes().get(0);
  }

  private final AxisAssembly positioned = Fixtures.assembly(told(LoopWay.Positioner.NOTE, 1000));
  private final SignalPath position = PathFactory.of(positioned);
  private final AxisAssembly held = Fixtures.assembly(told(LoopWay.PressureLoop.NOTE, 10));
  private final SignalPath pressure = PathFactory.of(held);

  /** Facts of the trade: 1000 mm on a drum of 0.5 m behind 91.5 : 1 are 58.251 turns. */
  @Test
  void aPositionRunsOverTheTurnsOfTheShaft() {
    PathState end = position.state(1000);
    assertThat(end.points().stream().map(PathPoint::station))
        .containsExactly(
            Station.NUMBER, Station.COUNTS, Station.SHAFT, Station.GEAR, Station.MACHINE);
    assertThat(end.value(Station.COUNTS)).isEqualTo(58251);
    assertThat(end.value(Station.SHAFT)).isCloseTo(58.251, within(1e-9));
    assertThat(end.value(Station.MACHINE)).isCloseTo(1000, within(0.01));
    assertThat(position.unit(Station.NUMBER)).isEqualTo(MeasureUnit.MILLIMETRE);
    assertThat(position.unit(Station.SHAFT)).isEqualTo(MeasureUnit.REVOLUTION);
    assertThat(position.unit(Station.MACHINE)).isEqualTo(MeasureUnit.MILLIMETRE);
    assertThat(end.derivation(Station.MACHINE).steps())
        .extracting(Step::quantity)
        .containsExactly("toy", "toy", "gear output", "machine position");
    assertThat(position.commands()).isEqualTo(Commanded.POSITION);
    assertThat(position.hasMotor()).isFalse();
    assertThat(position.numberFor(Station.MACHINE, 250)).isCloseTo(250, within(1e-9));
  }

  /** One increment of 1000 a turn moves π·500/91.5/1000 mm at the rim. */
  @Test
  void aStepIsCarriedToWhatMoves() {
    assertThat(position.step(Station.COUNTS)).isEqualTo(1);
    assertThat(position.step(Station.MACHINE)).isCloseTo(Math.PI * 500 / 91.5 / 1000, within(1e-9));
    assertThatThrownBy(() -> position.step(Station.SIGNAL)).hasMessageContaining("signal");
  }

  @Test
  void aProcessValueHasNoMechanics() {
    PathState some = pressure.state(6.2);
    assertThat(some.points().stream().map(PathPoint::station))
        .containsExactly(Station.NUMBER, Station.PERCENT, Station.COUNTS, Station.MACHINE);
    assertThat(some.value(Station.COUNTS)).isEqualTo(620);
    assertThat(some.value(Station.MACHINE)).isCloseTo(6.2, within(1e-9));
    assertThat(pressure.unit(Station.NUMBER)).isEqualTo(MeasureUnit.BAR);
  }

  @Test
  void whatIsSeenOfThemIsPredicted() {
    assertThat(atHalf(positioned, position))
        .containsExactly("increments", "turns of the motor shaft", "position of the machine");
    assertThat(atHalf(held, pressure)).containsExactly("increments", "process value");
    Prediction half = find(Predictor.predict(positioned, position), "ref50.machine");
    Expectation.Amount amount = (Expectation.Amount) half.expectation();
    assertThat(amount.value()).isCloseTo(500, within(0.01));
    assertThat(amount.unit()).isEqualTo(MeasureUnit.MILLIMETRE);
    // Half a percent of 500, a thousandth of 1000, one increment.
    assertThat(amount.tolerance()).isBetween(3.5, 3.6);
    Expectation.Amount bar =
        (Expectation.Amount) find(Predictor.predict(held, pressure), "ref50.machine").expectation();
    assertThat(bar.tolerance()).isCloseTo(0.16 + 0.01, within(1e-9));
  }

  /** No ramp is timed and no hertz read where the drive makes its own. */
  @Test
  void nothingOfASpeedIsPredicted() {
    for (List<Prediction> all :
        List.of(Predictor.predict(positioned, position), Predictor.predict(held, pressure))) {
      assertThat(all).noneMatch(p -> Predictor.TIME_KEYS.contains(p.key()));
      assertThat(all).noneMatch(p -> p.station() == Station.FREQUENCY);
    }
  }

  private static List<String> atHalf(AxisAssembly axis, SignalPath path) {
    return Predictor.predict(axis, path).stream()
        .filter(p -> p.key().startsWith("ref50."))
        .map(Prediction::title)
        .toList();
  }

  private static Prediction find(List<Prediction> among, String key) {
    return among.stream().filter(p -> p.key().equals(key)).findFirst().orElseThrow();
  }

  @Test
  void theDetectiveNamesTheirOwnCause() {
    Diagnosis diagnosis = diagnosis(positioned, position, 0.4);
    assertThat(diagnosis.suspicions().get(0).cause()).isEqualTo(LoopWay.LoopCause.OTHER_INCREMENTS);
    assertThat(diagnosis.suspicions())
        .filteredOn(s -> s.probability() > 0.001)
        .extracting(Suspicion::cause)
        .doesNotContain(AxisCause.POLES, AxisCause.SLIP, AxisCause.MAXIMUM_CLAMP);
  }

  /** The machine alone is off: the gear, which a way knows nothing of. */
  @Test
  void theDetectiveNamesACauseThatAllShare() {
    List<Prediction> predictions = Predictor.references(positioned, position);
    List<Reading> readings =
        Stream.of(25, 50, 75)
            .flatMap(
                p ->
                    Stream.of(
                        read(predictions, "ref%d.shaft".formatted(p), 1),
                        read(predictions, "ref%d.machine".formatted(p), 0.5)))
            .toList();
    assertThat(Detective.diagnose(position, predictions, readings).suspicions().get(0).cause())
        .isEqualTo(AxisCause.GEAR);
  }

  @Test
  void aSoundOneIsAsDesigned() {
    assertThat(diagnosis(positioned, position, 1).suspicions().get(0).cause())
        .isEqualTo(AxisCause.AS_DESIGNED);
    assertThat(diagnosis(held, pressure, 1).suspicions().get(0).cause())
        .isEqualTo(AxisCause.AS_DESIGNED);
    assertThat(diagnosis(held, pressure, 0.7).suspicions().get(0).cause())
        .isNotEqualTo(AxisCause.AS_DESIGNED);
  }

  private static Diagnosis diagnosis(AxisAssembly axis, SignalPath path, double factor) {
    List<Prediction> predictions = Predictor.references(axis, path);
    return Detective.diagnose(
        path,
        predictions,
        predictions.stream()
            .filter(p -> p.station() == Station.SHAFT || p.station() == Station.MACHINE)
            .map(Prediction::key)
            .map(key -> read(predictions, key, factor))
            .toList());
  }

  private static Reading read(List<Prediction> predictions, String key, double factor) {
    double expected = ((Expectation.Amount) find(predictions, key).expectation()).value();
    return new Reading(
        "belt", key, factor * expected, null, "", "2026-01-31T14:05:00Z", "", Map.of());
  }

  @Test
  void theChecksSpeakInTheirUnit() {
    AxisReview review = review(fine(told(LoopWay.Positioner.NOTE, 1000)));
    assertThat(review.signalPath()).isPresent();
    assertThat(review.numberUnit()).isEqualTo(MeasureUnit.MILLIMETRE);
    assertThat(review.commands()).isEqualTo(Commanded.POSITION);
    Optional<Finding> coarse =
        review.findings().stream().filter(f -> f.rule() == Rule.RESOLUTION).findFirst();
    assertThat(coarse)
        .get()
        .extracting(Finding::seen)
        .isEqualTo("one step is 1 mm, 0.5 mm is wanted");
    assertThat(review.findings()).extracting(Finding::rule).doesNotContain(Rule.MACHINE_SPEED);
  }

  private static Project fine(Project project) {
    Axis axis = Fixtures.axis(project);
    return project.with(axis.withReference(axis.reference().withWantedStep(0.5)));
  }

  @Test
  void whatNeedsASpeedSaysSo() {
    assertThatThrownBy(() -> BenchSetup.of(positioned, position))
        .hasMessage("the dry-run is for axes that command a speed; this one commands a position");
    assertThatThrownBy(() -> BenchSetup.of(held, pressure)).hasMessageContaining("process value");
    assertThatThrownBy(
            () ->
                DryRunner.run(
                    positioned,
                    position,
                    List.of(),
                    DrySchedules.of(positioned, position).get(0),
                    () -> false))
        .hasMessageContaining("commands a position");
  }

  /** An answer over the wires tells a speed: on an axis that is told a position it is refused. */
  @Test
  void anAnswerOfTheWrongKindIsNamed() {
    Project analog = Fixtures.project();
    Axis axis = DialWay.noted(Fixtures.axis(analog), LoopWay.Positioner.NOTE);
    AxisReview review = review(analog.with(axis));
    assertThat(review.signalPath()).isEmpty();
    assertThat(review.whyNoPath())
        .isEqualTo("its answer at AO1 is a speed, but it commands a position");
  }
}
