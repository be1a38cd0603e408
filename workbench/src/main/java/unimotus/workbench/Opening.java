package unimotus.workbench;

import java.util.concurrent.CompletableFuture;
import java.util.concurrent.Executor;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.Project;
import unimotus.core.review.AxisReview;
import unimotus.core.review.LineReview;
import unimotus.core.sheet.SheetCatalogue;

/**
 * What a window begins with. The line is there at once; its review and its evidence may still be
 * worked out in the background, so that the window need not wait for them.
 *
 * @param session the session
 * @param evidence the evidence of every axis, once it is reckoned
 */
public record Opening(Session session, CompletableFuture<EvidenceBook> evidence) {

  /** Opens a project that is not in a file yet, checked; null for an empty line. */
  public static Opening of(SheetCatalogue sheets, @Nullable Project project) {
    Session session = new Session(sheets);
    if (project != null) {
      session.start(project);
    }
    return of(session, Runnable::run);
  }

  /** Opens the line of a session and reckons its evidence where is said. */
  public static Opening of(Session session, Executor reckoner) {
    Project project = session.project();
    return new Opening(
        session, session.reviewing().thenApplyAsync(r -> reckoned(project, r), reckoner));
  }

  private static EvidenceBook reckoned(Project project, LineReview line) {
    EvidenceBook evidence = new EvidenceBook();
    for (AxisReview review : line.axes()) {
      evidence.of(project, review);
    }
    return evidence;
  }
}
