package unimotus.workbench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import unimotus.core.bench.Bench;
import unimotus.core.bench.BenchSetup;
import unimotus.core.bench.Scenario;
import unimotus.core.detective.AxisCause;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.Axis;
import unimotus.core.machine.Part;
import unimotus.core.machine.Project;
import unimotus.core.machine.TerminalRef;
import unimotus.core.proof.Expectation;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.Predictor;
import unimotus.core.proof.Verdict;
import unimotus.core.review.AxisReview;
import unimotus.core.review.LineReview;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.formats.project.ProjectFile;
import unimotus.formats.sheet.SheetLibrary;

class DemoTest {
  private static final SheetCatalogue SHEETS = SheetLibrary.catalogue();
  private final LineReview review = LineReview.of(Demo.project(), SHEETS);

  @Test
  void theDemoIsWrittenAsTheProgramWritesIt() throws IOException {
    assertThat(ProjectFile.write(Demo.project())).isEqualTo(Demo.bytes());
  }

  @Test
  void theDemoHoldsItsSchema() throws IOException {
    assertThat(ProjectFile.read("demo", Demo.bytes()).project()).isEqualTo(Demo.project());
  }

  @Test
  void theLineHasItsSevenAxes() {
    assertThat(Demo.project().axes())
        .extracting(Axis::name)
        .containsExactly(
            "Rinse drum",
            "Header tank pump",
            "Infeed belt",
            "Drying fan",
            "Slicer X",
            "Slicer Z",
            "Bale-tie feeder");
  }

  @Test
  void thereIsOneDeliberateMistakeToFind() {
    List<Finding> errors =
        review.findings().stream().filter(f -> f.severity() == Severity.ERROR).toList();
    assertThat(errors)
        .singleElement()
        .satisfies(
            f -> {
              assertThat(f.rule()).isEqualTo(Rule.LIVE_ZERO);
              assertThat(f.place()).startsWith("axis/rinse-drum");
            });
  }

  @Test
  void theFansReadingsAreOfThisDesignAndNameTheClamp() {
    Evidence evidence = evidence("drying-fan");
    assertThat(evidence.proof().count(Verdict.Outcome.STALE)).isZero();
    assertThat(evidence.proof().count(Verdict.Outcome.DIFFERS)).isEqualTo(1);
    assertThat(evidence.diagnosis().suspicions().get(0).cause()).isEqualTo(AxisCause.MAXIMUM_CLAMP);
  }

  @Test
  void everyCompleteAxisCanBeDryRun() {
    for (String id : List.of("rinse-drum", "header-pump", "drying-fan")) {
      AxisReview axis = review.axis(id).orElseThrow();
      BenchSetup setup = BenchSetup.of(axis.assembly(), axis.path());
      for (Scenario scenario : Scenarios.of(setup, axis.path().scale().atFull())) {
        assertThat(Bench.run(setup, scenario).size()).as("%s %s", id, scenario.name()).isPositive();
      }
    }
  }

  /**
   * 1600 pulses on 40 mm of tie: 1200 mm are 48 000, 200 mm/s are 8 kHz; 6.25 s and 23.75 s are
   * twice a minute.
   */
  @Test
  void theBaleTieFeederFeedsTwiceAMinute() {
    AxisReview axis = review.axis("bale-tie").orElseThrow();
    assertThat(axis.findings()).isEmpty();
    Map<String, Double> amounts = new TreeMap<>();
    for (Prediction p : Predictor.predict(axis.assembly(), axis.path())) {
      if (p.expectation() instanceof Expectation.Amount amount) {
        amounts.put(p.key(), amount.value());
      }
    }
    assertThat(amounts.get("place1.counts")).isEqualTo(48_000);
    assertThat(amounts.get("link.rate")).isCloseTo(8000, within(1e-6));
    assertThat(amounts.get("link.round")).isCloseTo(30, within(1e-9));
    assertThat(amounts.get("link.amperes.ST+"))
        .as("(24 − 1.2) V on 1800 + 270 Ω")
        .isCloseTo(11.0, within(0.05));
  }

  /** The supply of the driver as it is wired: none, set for 115 V and fed with 230, another. */
  @Test
  void theSupplyOfTheDriverIsLookedAt() {
    assertThat(supply(p -> p)).isEmpty();
    assertThat(supply(p -> withoutWires(p, "bale-tie-driver", "V+")))
        .containsExactly(Severity.WARNING);
    assertThat(supply(p -> p.with(part(p).withSelector("mains", "115 V"))))
        .as("fed with 230 V, set for 115: it is gone")
        .containsExactly(Severity.ERROR);
    assertThat(
            supply(
                p ->
                    MotionEdits.pulses("bale-tie", "24 V", s -> s.withSupplyVolts(24))
                        .change()
                        .apply(p)))
        .containsExactly(Severity.WARNING);
  }

  /** Handbook, section 10: it turns the motor without step pulses. */
  @Test
  void aSelfTestThatIsOnIsAnErrorAndNothingIsPredicted() {
    AxisReview axis =
        LineReview.of(
                Edits.driveSelector("bale-tie-driver", "self-test", "on")
                    .change()
                    .apply(Demo.project()),
                SheetLibrary.catalogue())
            .axis("bale-tie")
            .orElseThrow();
    assertThat(axis.findings()).extracting(Finding::rule).containsExactly(Rule.COMMAND_AT_REST);
    assertThat(axis.obstacles().hinderMotion()).isTrue();
  }

  private static Part part(Project project) {
    return project.parts().stream()
        .filter(p -> p.id().equals("bale-tie-supply"))
        .findFirst()
        .orElseThrow();
  }

  private static Project withoutWires(Project project, String device, String terminal) {
    TerminalRef end = new TerminalRef(device, terminal);
    return project.withWires(project.wires().stream().filter(w -> !w.touches(end)).toList());
  }

  private static List<Severity> supply(UnaryOperator<Project> change) {
    return LineReview.of(change.apply(Demo.project()), SheetLibrary.catalogue())
        .axis("bale-tie")
        .orElseThrow()
        .findings()
        .stream()
        .filter(f -> f.rule() == Rule.STEP_SUPPLY)
        .map(Finding::severity)
        .toList();
  }

  @Test
  void anAxisWithoutDevicesSaysWhatItMisses() {
    AxisReview bare =
        LineReview.of(Unfinished.project(), SheetLibrary.catalogue())
            .axis(Unfinished.AXIS)
            .orElseThrow();
    assertThat(bare.findings().get(0).seen()).contains("a drive");
  }

  private Evidence evidence(String id) {
    AxisReview axis = review.axis(id).orElseThrow();
    return Evidence.of(Demo.project(), axis);
  }

  /** What the start reads is what stands in the file. */
  @Test
  void thePackedDemoIsTheFile() {
    assertThat(Demo.class.getResource("/unimotus/demo/kelp-line.packed")).isNotNull();
    assertThat(Demo.project()).isEqualTo(Demo.bound());
  }
}
