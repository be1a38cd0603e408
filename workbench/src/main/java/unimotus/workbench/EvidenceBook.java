package unimotus.workbench;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Project;
import unimotus.core.path.SignalPath;
import unimotus.core.proof.AxisProof;
import unimotus.core.proof.Obstacles;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.Predictor;
import unimotus.core.proof.Prover;
import unimotus.core.review.AxisReview;
import unimotus.core.way.Designs;

/**
 * The evidence of every axis, with the predictions kept for as long as the axis stays the same:
 * they need a dry-run, which is too much for every keystroke. Not thread-safe.
 */
public final class EvidenceBook {
  private record Page(AxisReview review, Obstacles obstacles, List<Prediction> predictions) {}

  private final Map<String, Page> pages = new HashMap<>();

  /** The evidence of an axis; empty where it has no path yet. */
  @SuppressWarnings("ReferenceEquality") // A review is the same object as long as the axis is.
  public Optional<Evidence> of(Project project, AxisReview review) {
    AxisAssembly axis = review.assembly();
    SignalPath path = review.path();
    if (axis == null || path == null) {
      return Optional.empty();
    }
    Page page = pages.get(review.axis().id());
    Obstacles obstacles = review.obstacles();
    if (page == null || page.review().assembly() != axis || !page.obstacles().equals(obstacles)) {
      page =
          new Page(
              review,
              obstacles,
              Predictor.predict(axis, path, review.beside(), review.stops(), obstacles));
      pages.put(review.axis().id(), page);
    }
    var readings =
        project.readings().stream().filter(r -> r.axis().equals(review.axis().id())).toList();
    AxisProof proof =
        Prover.judge(page.predictions(), readings, Designs.digest(axis))
            .barredBy(review.stops())
            .barredBy(obstacles);
    return Optional.of(new Evidence(axis, path, page.predictions(), readings, proof, obstacles));
  }
}
