package unimotus.core.way;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import unimotus.core.Fixtures;
import unimotus.core.bench.Bench;
import unimotus.core.bench.BenchSetup;
import unimotus.core.bench.Scenario;
import unimotus.core.detective.Detective;
import unimotus.core.detective.Diagnosis;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.link.LinkIntent;
import unimotus.core.link.LinkPlan;
import unimotus.core.link.LinkPlanner;
import unimotus.core.link.LinkRequest;
import unimotus.core.machine.Axis;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Project;
import unimotus.core.machine.Reading;
import unimotus.core.path.PathState;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Station;
import unimotus.core.proof.Expectation;
import unimotus.core.proof.Part;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.Predictor;
import unimotus.core.review.AxisReview;
import unimotus.core.review.LineReview;

/**
 * A way of command that is only one package and one line of registration ({@link DialWay}) is
 * carried by every engine.
 */
class NewWayTest {
  private final Project project = project();
  private final AxisAssembly axis = Fixtures.assembly(project);
  private final SignalPath path = PathFactory.of(axis);

  private static Project project() {
    Project analog = Fixtures.project();
    Axis dialled = DialWay.dialled(Fixtures.axis(analog));
    return Fixtures.without(Fixtures.without(analog.with(dialled), "w3"), "w4");
  }

  @Test
  void thePathGoesOverItsStations() {
    assertThat(path.link().label()).isEqualTo("dial");
    PathState half = path.at(Station.PERCENT, 50);
    assertThat(half.value(Station.COUNTS)).isEqualTo(5);
    assertThat(half.value(Station.FREQUENCY)).isEqualTo(25);
    assertThat(half.value(Station.SHAFT)).isCloseTo(750, within(40.0));
    assertThat(path.has(Station.SIGNAL)).isFalse();
    assertThat(half.derivation(Station.FREQUENCY).steps())
        .extracting(s -> s.quantity())
        .containsSequence("toy", "toy");
  }

  @Test
  void itsChecksAreAmongTheFindings() {
    AxisReview review = LineReview.of(project, Fixtures.sheets()).axes().get(0);
    assertThat(review.signalPath()).isPresent();
    assertThat(review.findings())
        .extracting(Finding::rule)
        .contains(Rule.RESOLUTION)
        .doesNotContain(Rule.SIGNAL_KIND, Rule.REFERENCE_UNWIRED, Rule.LIVE_ZERO);
  }

  @Test
  void itsReadingsArePredicted() {
    List<Prediction> predictions = Predictor.predict(axis, path);
    Prediction click =
        predictions.stream().filter(p -> p.key().equals("ref50.counts")).findFirst().orElseThrow();
    assertThat(click.title()).isEqualTo("click of the dial");
    assertThat(((Expectation.Amount) click.expectation()).value()).isEqualTo(5);
    assertThat(click.how()).startsWith("Command 50 %. Click and display");
    assertThat(predictions).noneMatch(p -> p.key().endsWith(".signal"));
  }

  @Test
  void itsCausesAreFound() {
    List<Prediction> predictions = Predictor.references(axis, path);
    List<Reading> readings =
        Stream.of("ref25.frequency", "ref50.frequency", "ref75.frequency")
            .map(key -> predictions.stream().filter(p -> p.key().equals(key)).findFirst().get())
            .map(p -> reading(p.key(), 1.2 * ((Expectation.Amount) p.expectation()).value()))
            .toList();
    Diagnosis diagnosis = Detective.diagnose(path, predictions, readings);
    assertThat(diagnosis.suspicions().get(0).cause()).isEqualTo(DialWay.DialCause.OTHER_DIAL);
    assertThat(diagnosis.suspicions().get(0).variant())
        .extracting(v -> v.text())
        .asString()
        .contains("six hertz a click");
  }

  private static Reading reading(String key, double hertz) {
    return new Reading("belt", key, hertz, null, "", "2026-01-31T14:05:00Z", "", Map.of());
  }

  @Test
  void itIsDryRun() {
    BenchSetup setup = BenchSetup.of(axis, path);
    assertThat(
            Bench.secondsUntil(
                setup, Scenario.runAndStop(path.scale().atFull(), 30, 60), 0.1, rpm -> rpm > 1400))
        .isPresent();
  }

  @Test
  void itIsWiredByItsIntent() {
    LinkIntent intent = LinkIntents.named("DIAL").orElseThrow();
    assertThat(LinkIntents.all()).contains(intent);
    Project analog = Fixtures.project();
    LinkPlan plan =
        LinkPlanner.plan(
            analog, Fixtures.sheets(), LinkRequest.of(Fixtures.axis(analog).id(), intent));
    assertThat(plan.done()).containsExactly("the speed is dialled");
    assertThat(Fixtures.assembly(plan.project()).axis().reference().output()).isNull();
  }

  /** Evidence of an axis that becomes dialled is stale in its program, and in nothing else. */
  @Test
  void itsDesignIsInTheDigest() {
    Axis before = Fixtures.axis(Fixtures.project());
    Project undialled =
        project.with(before.withReference(before.reference().withTerminals(null, null)));
    Map<Part, String> was = Designs.digest(Fixtures.assembly(undialled)).byPart();
    Map<Part, String> after = Designs.digest(axis).byPart();
    assertThat(after.entrySet().stream().filter(e -> !e.getValue().equals(was.get(e.getKey()))))
        .extracting(Map.Entry::getKey)
        .containsExactly(Part.PROGRAM);
  }

  /** With the analog terminals left in place two ways claim the axis: nothing is told of it. */
  @Test
  void twoWaysAtOnceAreNamed() {
    Axis dialled = Fixtures.axis(project);
    Project both =
        project.with(dialled.withReference(dialled.reference().withTerminals("AO0", "AI1")));
    AxisReview review = LineReview.of(both, Fixtures.sheets()).axes().get(0);
    assertThat(review.signalPath()).isEmpty();
    assertThat(review.whyNoPath()).contains("more than one way", "by a dial", "a voltage or");
  }
}
