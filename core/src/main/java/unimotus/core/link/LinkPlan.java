package unimotus.core.link;

import java.util.List;
import unimotus.core.machine.Project;

/**
 * A link as it was wired.
 *
 * @param project the project with the link
 * @param done what was added and set, in words; empty where all was there already
 */
public record LinkPlan(Project project, List<String> done) {

  /** Takes a copy. */
  public LinkPlan {
    done = List.copyOf(done);
  }
}
