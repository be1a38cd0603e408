package unimotus.cli;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Reading;
import unimotus.core.path.SignalPath;
import unimotus.core.proof.Expectation;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.Verdict;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.review.AxisReview;
import unimotus.workbench.Evidence;

/** {@code predict FILE [--axis A]}: what should be measured. */
@Command(
    name = "predict",
    mixinStandardHelpOptions = true,
    description = "What should be measured, where, with what, and how far it may be off.",
    footer = {"", "Example: unimotus predict demo --axis rinse-drum"})
final class PredictCommand implements Callable<Integer> {
  /** The column of what is expected. */
  private static final int EXPECTED = 2;

  @Mixin private ProjectInput input;
  @Mixin private Output output;

  @Option(
      names = "--axis",
      paramLabel = "A",
      description = "Id or name of the axis; else all that are complete.")
  private String axis;

  @Override
  public Integer call() throws IOException {
    ProjectInput.Line line = input.read();
    List<Object> documents = new ArrayList<>();
    for (ProjectInput.Complete complete : wanted(line)) {
      Evidence evidence = Evidence.of(line.project(), complete.review());
      if (output.isJson()) {
        documents.add(
            Output.map(
                "axis",
                complete.assembly().axis().id(),
                "state",
                evidence.proof().state().label(),
                "notPredicted",
                evidence.obstacles().all(),
                "unasked",
                evidence.proof().unasked().stream().map(Reading::prediction).toList(),
                "predictions",
                evidence.proof().verdicts().stream().map(v -> map(v, complete.path())).toList()));
      } else {
        print(evidence);
      }
    }
    if (axis == null) {
      line.review().axes().stream().filter(r -> r.path() == null).forEach(r -> none(r, documents));
    }
    if (output.isJson()) {
      output.document(documents);
    }
    return 0;
  }

  private List<ProjectInput.Complete> wanted(ProjectInput.Line line) {
    if (axis != null) {
      return List.of(line.complete(axis));
    }
    List<ProjectInput.Complete> all = new ArrayList<>();
    for (AxisReview review : line.review().axes()) {
      AxisAssembly assembly = review.assembly();
      SignalPath path = review.path();
      if (assembly != null && path != null) {
        all.add(new ProjectInput.Complete(review, assembly, path));
      }
    }
    return all;
  }

  /** An axis of which nothing can be predicted says why. */
  private void none(AxisReview review, List<Object> documents) {
    if (output.isJson()) {
      documents.add(
          Output.map(
              "axis", review.axis().id(),
              "state", "no prediction",
              "because", review.whyNoPath(),
              "predictions", List.of()));
    } else {
      output.text().printf("%s: no prediction: %s%n", review.axis().name(), review.whyNoPath());
    }
  }

  private void print(Evidence evidence) {
    output
        .text()
        .printf("%s: %s%n", evidence.axis().axis().name(), evidence.proof().state().label());
    Columns columns = new Columns("  ", Set.of(EXPECTED));
    for (Verdict verdict : evidence.proof().verdicts()) {
      Prediction prediction = verdict.prediction();
      columns.row(
          prediction.key(),
          prediction.title(),
          prediction.expectation().text(QuantityFormat.PLAIN),
          "%s; %s [%s]"
              .formatted(prediction.where(), prediction.instrument(), verdict.outcome().label()));
    }
    columns.print(output.text());
    evidence
        .obstacles()
        .all()
        .forEach(o -> output.text().printf("  motion is not predicted: %s%n", o));
    evidence
        .proof()
        .unasked()
        .forEach(
            r -> output.text().printf("  a reading of %s answers none of these%n", r.prediction()));
  }

  private static Map<String, @Nullable Object> map(Verdict verdict, SignalPath path) {
    Prediction prediction = verdict.prediction();
    Expectation expectation = prediction.expectation();
    boolean amount = expectation instanceof Expectation.Amount;
    return Output.map(
        "key", prediction.key(),
        "title", prediction.title(),
        "value",
            amount
                ? ((Expectation.Amount) expectation).value()
                : ((Expectation.Word) expectation).expected(),
        "tolerance", amount ? ((Expectation.Amount) expectation).tolerance() : null,
        "unit", amount ? ((Expectation.Amount) expectation).unit().symbol() : null,
        "where", prediction.where(),
        "instrument", prediction.instrument(),
        "how", prediction.how(),
        "derivation", prediction.sum(path).steps().stream().map(s -> s.text()).toList(),
        "outcome", verdict.outcome().label());
  }
}
