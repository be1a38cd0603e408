package unimotus.workbench;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import unimotus.core.bench.Trace;
import unimotus.core.detective.Detective;
import unimotus.core.detective.Diagnosis;
import unimotus.core.dryrun.DryRun;
import unimotus.core.machine.Reading;
import unimotus.core.path.Chain;
import unimotus.core.proof.AxisProof;
import unimotus.core.proof.Expectation;
import unimotus.core.proof.Obstacles;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.Predictor;
import unimotus.core.proof.Prover;
import unimotus.core.proof.Verdict;
import unimotus.core.review.AxisReview;
import unimotus.core.review.LineReview;
import unimotus.core.way.Designs;
import unimotus.formats.sheet.SheetLibrary;

/** The rinse drum of the demo in Hand: predicted, dry-run, proved and diagnosed. */
class DemoHandTest {
  private final AxisReview drum =
      LineReview.of(Demo.project(), SheetLibrary.catalogue()).axis("rinse-drum").orElseThrow();
  private final Chain hand = drum.beside().get(0);
  private final List<Prediction> predictions =
      Predictor.predict(drum.assembly(), drum.path(), drum.beside(), drum.stops(), Obstacles.NONE)
          .stream()
          .filter(p -> p.key().startsWith("hand"))
          .toList();

  private List<Reading> read(double offset, double factor) {
    List<Reading> readings = new ArrayList<>();
    for (Prediction p : predictions) {
      if (p.expectation() instanceof Expectation.Amount a) {
        readings.add(reading(p.key(), offset + factor * a.value(), null));
      } else {
        readings.add(reading(p.key(), null, ((Expectation.Word) p.expectation()).expected()));
      }
    }
    return readings;
  }

  private Reading reading(String key, Double amount, String word) {
    return new Reading(
        "rinse-drum",
        key,
        amount,
        word,
        "",
        "2026-01-31T14:05:00Z",
        "A. Tester",
        Designs.digest(drum.assembly()).asBasis());
  }

  @Test
  void itIsPredictedInEveryPosition() {
    assertThat(predictions)
        .extracting(Prediction::key)
        .contains("hand0.frequency", "hand50.signal", "hand100.machine")
        .contains("hand.off", "hand.hand", "hand.auto", "hand.owner");
  }

  @Test
  void itIsProvedByReadingsThatAgree() {
    AxisProof proof = Prover.judge(predictions, read(0, 1), Designs.digest(drum.assembly()));
    assertThat(proof.verdicts()).extracting(Verdict::outcome).containsOnly(Verdict.Outcome.AGREES);
  }

  @Test
  void itIsDryRunThroughTheWires() {
    DryRuns.Playable turn =
        DryRuns.find(
                DryRuns.throughTheWires(drum.assembly(), drum.path(), drum.beside()),
                "selector-in-turn")
            .orElseThrow();
    DryRun run = turn.play(() -> false);
    Trace trace = run.trace();
    double most = 0;
    for (int i = 0; i < trace.size(); i++) {
      most = Math.max(most, trace.value(Trace.Channel.OUTPUT, i));
    }
    assertThat(most).isGreaterThan(49);
    assertThat(run.strips()).anyMatch(s -> s.label().contains("selector"));
  }

  /** The ends of the track exchanged: what 0 % should show stands at 100 %, and so on. */
  @Test
  void itIsDiagnosed() {
    List<Reading> turned = new ArrayList<>();
    for (Prediction p : predictions) {
      if (p.expectation() instanceof Expectation.Amount a) {
        String mirrored =
            p.key().startsWith("hand0.")
                ? p.key().replace("hand0.", "hand100.")
                : p.key().replace("hand100.", "hand0.");
        double value =
            predictions.stream()
                .filter(q -> q.key().equals(mirrored))
                .map(q -> ((Expectation.Amount) q.expectation()).value())
                .findFirst()
                .orElse(a.value());
        turned.add(reading(p.key(), value, null));
      }
    }
    Diagnosis told = Detective.diagnose(hand, predictions, turned);
    assertThat(told.suspicions().get(0).cause().name()).isEqualTo("ENDS_EXCHANGED");
  }
}
