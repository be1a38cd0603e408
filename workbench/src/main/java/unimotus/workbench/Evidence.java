package unimotus.workbench;

import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import unimotus.core.detective.Detective;
import unimotus.core.detective.Diagnosis;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Project;
import unimotus.core.machine.Reading;
import unimotus.core.path.Chain;
import unimotus.core.path.SignalPath;
import unimotus.core.proof.AxisProof;
import unimotus.core.proof.Expectation;
import unimotus.core.proof.Obstacles;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.Prover;
import unimotus.core.proof.ReadyList;
import unimotus.core.review.AxisReview;
import unimotus.core.way.Designs;

/**
 * The proof of one axis: its predictions, the readings taken so far and what they say.
 *
 * @param axis the axis with its devices
 * @param path its signal path
 * @param predictions what should be seen
 * @param readings what was seen, in the order taken
 * @param proof prediction beside reading
 * @param obstacles what cannot be predicted, and why
 */
public record Evidence(
    AxisAssembly axis,
    SignalPath path,
    List<Prediction> predictions,
    List<Reading> readings,
    AxisProof proof,
    Obstacles obstacles) {

  /**
   * The evidence of an axis as the project has it.
   *
   * @param review the axis looked over
   * @throws IllegalArgumentException where it has no signal path, saying why
   */
  public static Evidence of(Project project, AxisReview review) {
    return new EvidenceBook()
        .of(project, review)
        .orElseThrow(() -> new IllegalArgumentException(review.whyNoPath()));
  }

  /** What has to be seen to before the axis is ready, beside what was ticked. */
  public AxisProof ready() {
    return Prover.judge(ReadyList.of(axis), readings, Designs.digest(axis));
  }

  /** The chains beside the main one that something is predicted of; possibly empty. */
  public List<Chain> beside() {
    return predictions.stream()
        .flatMap(p -> Optional.ofNullable(p.chain()).stream())
        .distinct()
        .toList();
  }

  /** What the detective makes of the readings taken on the design as it is now. */
  public Diagnosis diagnosis() {
    return Detective.diagnose(path, predictions, fresh());
  }

  /** What it makes of those taken on a chain beside the main one. */
  public Diagnosis diagnosis(Chain chain) {
    return Detective.diagnose(chain, predictions, fresh());
  }

  private List<Reading> fresh() {
    return proof.verdicts().stream()
        .filter(v -> v.reading() != null && v.changed().isEmpty())
        .map(v -> Objects.requireNonNull(v.reading()))
        .toList();
  }

  /**
   * A reading from what was typed.
   *
   * @param prediction the prediction it answers
   * @param text a number with or without unit, or one of the words
   * @param units the reader's units
   * @param instrument what it was measured with
   * @param by who measured
   * @param clock tells when
   * @throws IllegalArgumentException naming what is wrong with the text
   */
  public Reading reading(
      Prediction prediction,
      String text,
      DisplayUnits units,
      String instrument,
      String by,
      Clock clock) {
    Double amount = null;
    String word = null;
    if (prediction.expectation() instanceof Expectation.Amount a) {
      amount = units.parse(prediction.title(), text, a.unit());
    } else {
      word = word((Expectation.Word) prediction.expectation(), prediction, text);
    }
    return new Reading(
        axis.axis().id(),
        prediction.key(),
        amount,
        word,
        instrument,
        clock.instant().truncatedTo(ChronoUnit.SECONDS).toString(),
        by,
        Designs.digest(axis).asBasis());
  }

  private static String word(Expectation.Word expectation, Prediction prediction, String text) {
    String typed = text.strip().toLowerCase(Locale.ROOT);
    return expectation.choices().stream()
        .filter(c -> c.equals(typed))
        .findFirst()
        .orElseThrow(
            () ->
                new IllegalArgumentException(
                    "%s: '%s' is not one of %s"
                        .formatted(
                            prediction.title(),
                            text.strip(),
                            String.join(", ", expectation.choices()))));
  }
}
