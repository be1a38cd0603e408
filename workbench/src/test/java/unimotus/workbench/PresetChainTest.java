package unimotus.workbench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import unimotus.core.bench.Bench;
import unimotus.core.bench.BenchSetup;
import unimotus.core.bench.Scenario;
import unimotus.core.bench.Trace;
import unimotus.core.detective.Diagnosis;
import unimotus.core.machine.Project;
import unimotus.core.machine.Reading;
import unimotus.core.path.Chain;
import unimotus.core.path.Station;
import unimotus.core.proof.Prediction;
import unimotus.core.review.AxisReview;
import unimotus.core.review.LineReview;
import unimotus.formats.sheet.SheetLibrary;

/** The demo's drying fan: soak, dry and purge as presets over its analog reference. */
class PresetChainTest {
  private final Project project = Demo.project();
  private final AxisReview fan = review(project);
  private final Chain presets = fan.beside().get(0);

  private static AxisReview review(Project project) {
    return LineReview.of(project, SheetLibrary.catalogue()).axis("drying-fan").orElseThrow();
  }

  @Test
  void theFanHasAnAnalogChainAndOneOfPresets() {
    assertThat(fan.signalPath().orElseThrow().has(Station.SIGNAL)).isTrue();
    assertThat(presets.title()).isEqualTo("preset speeds");
    assertThat(presets.path().value(Station.FREQUENCY, 583)).isEqualTo(20);
    assertThat(presets.path().value(Station.FREQUENCY, 1021)).isEqualTo(35);
    assertThat(presets.path().value(Station.FREQUENCY, 1458)).isEqualTo(50);
    assertThat(fan.findings()).noneMatch(f -> f.rule().code().startsWith("PRE"));
  }

  /** Each in turn: 20, 35 and 50 Hz at the end of its time, then nothing. */
  @Test
  void soakDryPurgeAreDryRunInTurn() {
    BenchSetup setup = BenchSetup.of(fan.assembly(), presets.path());
    Scenario turn = Scenarios.find("each-in-turn", setup, presets.path());
    Trace trace = Bench.run(setup, turn);
    double each = turn.lengthSeconds() / 5;
    List<Double> hertz = List.of(20.0, 35.0, 50.0);
    for (int i = 0; i < hertz.size(); i++) {
      int at = trace.indexAt((i + 1) * each - 0.1);
      assertThat(trace.value(Trace.Channel.OUTPUT, at)).isCloseTo(hertz.get(i), within(0.01));
    }
    assertThat(trace.value(Trace.Channel.OUTPUT, trace.size() - 1)).isCloseTo(0, within(0.01));
  }

  /** A reading of a preset is diagnosed on its own chain and leaves the analog one alone. */
  @Test
  void anExchangedPairOfPresetsIsFoundOnItsOwnChain() {
    Evidence before = Evidence.of(project, fan);
    Diagnosis analog = before.diagnosis();
    Project read = project;
    for (List<String> told :
        List.of(
            List.of("preset1.frequency", "35.0"),
            List.of("preset2.frequency", "20.0"),
            List.of("preset3.frequency", "50.0"))) {
      read = read.with(reading(before, told.get(0), Double.parseDouble(told.get(1))));
    }
    Evidence after = Evidence.of(read, review(read));
    Diagnosis diagnosis = after.diagnosis(after.beside().get(0));
    assertThat(diagnosis.suspicions().get(0).cause().name()).isEqualTo("PRESET_EXCHANGED");
    assertThat(after.diagnosis().suspicions()).hasSameSizeAs(analog.suspicions());
    assertThat(after.diagnosis().suspicions().get(0).cause())
        .isEqualTo(analog.suspicions().get(0).cause());
  }

  private static Reading reading(Evidence evidence, String key, double hertz) {
    Prediction prediction =
        evidence.predictions().stream().filter(p -> p.key().equals(key)).findFirst().orElseThrow();
    return evidence.reading(
        prediction,
        Double.toString(hertz),
        DisplayUnits.METRIC,
        "drive's display",
        "the tester",
        java.time.Clock.systemUTC());
  }
}
