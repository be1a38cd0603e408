package unimotus.workbench;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.List;
import org.junit.jupiter.api.Test;
import unimotus.core.bench.Bench;
import unimotus.core.bench.BenchSetup;
import unimotus.core.bench.Scenario;
import unimotus.core.detective.AxisCause;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.Axis;
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

  @Test
  void theAxesToComeSayWhatTheyMiss() {
    assertThat(review.axis("bale-tie").orElseThrow().findings().get(0).seen()).contains("a drive");
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
