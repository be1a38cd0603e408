package unimotus.core.link;

import unimotus.core.machine.Project;
import unimotus.core.sheet.SheetCatalogue;

/** Wires links. */
public final class LinkPlanner {
  private LinkPlanner() {}

  /**
   * Wires one link.
   *
   * @throws IllegalArgumentException naming the point that is missing, where the devices cannot
   *     carry the link
   */
  public static LinkPlan plan(Project project, SheetCatalogue sheets, LinkRequest request) {
    Draft draft = new Draft(project, sheets, request.axis());
    request.intent().wire(draft, request.choice());
    return new LinkPlan(draft.project(), draft.done());
  }
}
