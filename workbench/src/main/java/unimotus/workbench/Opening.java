package unimotus.workbench;

import org.jspecify.annotations.Nullable;
import unimotus.core.machine.Project;
import unimotus.core.review.AxisReview;
import unimotus.core.sheet.SheetCatalogue;

/**
 * What a session begins with, worked out beforehand so that the window need not wait for it.
 *
 * @param session the session, reviewed
 * @param evidence the evidence of every axis, reckoned
 */
public record Opening(Session session, EvidenceBook evidence) {

  /** Opens a project that is not in a file yet; null for an empty line. */
  public static Opening of(SheetCatalogue sheets, @Nullable Project project) {
    Session session = new Session(sheets);
    if (project != null) {
      session.start(project);
    }
    EvidenceBook evidence = new EvidenceBook();
    for (AxisReview review : session.review().axes()) {
      evidence.of(session.project(), review);
    }
    return new Opening(session, evidence);
  }
}
