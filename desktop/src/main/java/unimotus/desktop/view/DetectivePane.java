package unimotus.desktop.view;

import java.util.List;
import java.util.Locale;
import javafx.scene.Node;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import unimotus.core.detective.AxisCause;
import unimotus.core.detective.Diagnosis;
import unimotus.core.detective.NextMeasurement;
import unimotus.core.detective.Suspicion;
import unimotus.core.proof.AxisProof;
import unimotus.core.proof.Verdict;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;
import unimotus.workbench.Evidence;

/** What explains the readings, most likely first, and the one measurement that tells them apart. */
final class DetectivePane extends VBox {
  private static final double SHOWN = 0.02;
  private static final double BAR = 262;

  private final Desk desk;
  private final ChainTabs chains = new ChainTabs("detective-chain-", this::showAgain);
  private @Nullable Evidence shown;

  DetectivePane(Desk desk) {
    super(12);
    this.desk = desk;
    setId("detective");
  }

  void clear() {
    getChildren().clear();
  }

  private void showAgain() {
    Evidence evidence = shown;
    if (evidence != null) {
      show(evidence);
    }
  }

  void show(Evidence evidence) {
    clear();
    shown = evidence;
    AxisProof proof = evidence.proof();
    chains.show(evidence.path(), evidence.beside());
    getChildren().addAll(Parts.label("Diagnosis", "ink-strong"), chains);
    Diagnosis diagnosis = chains.chain().map(evidence::diagnosis).orElseGet(evidence::diagnosis);
    if (diagnosis.suspicions().isEmpty()) {
      getChildren()
          .add(
              Parts.prose(
                  "Enter a reading of a reference or the direction; it then ranks what explains them all.",
                  "ink-label"));
      return;
    }
    if (proof.count(Verdict.Outcome.DIFFERS) == 0) {
      getChildren().add(Parts.prose("All readings so far agree with the design.", "ink-label"));
    }
    List<Suspicion> likely =
        diagnosis.suspicions().stream().filter(s -> s.probability() >= SHOWN).limit(5).toList();
    for (int i = 0; i < likely.size(); i++) {
      getChildren().add(suspicion(likely.get(i), i == 0));
    }
    NextMeasurement next = diagnosis.next();
    if (next != null) {
      getChildren().add(next(next));
    }
    getChildren()
        .add(
            Parts.prose(
                "Likelihood: each reading counts by its distance from what a cause would give, in tolerances; one reading"
                    + " in fifty may be a slip of the pen. See F1.",
                "ink-caption"));
  }

  private Node suspicion(Suspicion suspicion, boolean leading) {
    Region filled = new Region();
    filled.getStyleClass().add("filled");
    filled.setPrefSize(Math.max(2, BAR * suspicion.probability()), 5);
    HBox bar = new HBox(filled);
    bar.getStyleClass().add("probability");
    bar.setMaxSize(BAR, 5);
    VBox box =
        Parts.column(
            3,
            Parts.prose(
                String.format(
                    Locale.ROOT, "%.0f %%  %s", 100 * suspicion.probability(), suspicion.title()),
                leading ? "ink-strong" : "ink-label"),
            bar);
    if (leading) {
      box.getChildren().add(Parts.prose(suspicion.signature(), "ink-label"));
      if (suspicion.cause() != AxisCause.NOT_EXPLAINED) {
        box.getChildren()
            .add(
                Parts.label(
                    "explains %d of %d readings"
                        .formatted(suspicion.explained(), suspicion.clues()),
                    "ink-caption"));
      }
      suspicion.evidence().stream()
          .limit(4)
          .forEach(e -> box.getChildren().add(Parts.prose(e, "ink-caption")));
      box.getChildren().add(Parts.prose("→ " + suspicion.remedy()));
    }
    return box;
  }

  private Node next(NextMeasurement next) {
    VBox box =
        Parts.column(
            3,
            Parts.prose(
                "Measure next: %s, %s"
                    .formatted(
                        next.prediction().group().toLowerCase(Locale.ROOT),
                        next.prediction().title()),
                "ink-strong"),
            Parts.prose(
                next.prediction().where() + ", " + next.prediction().instrument(), "ink-label"));
    next.outlook().forEach(o -> box.getChildren().add(Parts.prose(o, "ink-caption")));
    box.getChildren().add(Parts.quiet("go-next", "go to it", () -> goTo(next.prediction().key())));
    return box;
  }

  private void goTo(String key) {
    Node field = getScene().lookup("#reading-" + key.replace('.', '-'));
    if (field != null) {
      field.requestFocus();
    } else {
      desk.say("the field for it is not on this page");
    }
  }
}
