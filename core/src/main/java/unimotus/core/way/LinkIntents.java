package unimotus.core.way;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import unimotus.core.link.CommonLink;
import unimotus.core.link.Draft;
import unimotus.core.link.LinkIntent;
import unimotus.core.link.LinkPlan;
import unimotus.core.link.LinkPlanner;
import unimotus.core.link.LinkRequest;
import unimotus.core.machine.Project;
import unimotus.core.sheet.Meaning;
import unimotus.core.sheet.SheetCatalogue;

/** The links that can be wired by what they are for. */
public final class LinkIntents {
  private static final List<LinkIntent> ALL =
      Stream.concat(
              Stream.of(CommonLink.values()),
              Ways.all().stream().flatMap(w -> w.intents().stream()))
          .sorted(Comparator.comparing(LinkIntent::group))
          .toList();

  private LinkIntents() {}

  /** All of them, those of one group together. */
  public static List<LinkIntent> all() {
    return ALL;
  }

  /** The one of a name; empty where there is none. */
  public static Optional<LinkIntent> named(String name) {
    return ALL.stream().filter(i -> i.name().equals(name)).findFirst();
  }

  /** A step driver is run by its pulses; every other drive by run command and reference. */
  private static List<LinkIntent> ofFirst(Draft draft) {
    boolean enabled = draft.inputSetTo(Meaning.ENABLE.word()).isPresent();
    if (draft.axis().isStepped()) {
      List<LinkIntent> pulses = Ways.of(draft.axis()).intents();
      return enabled ? pulses : pulses.subList(0, 1);
    }
    List<LinkIntent> intents = new ArrayList<>(List.of(CommonLink.TWO_WIRE));
    if (enabled) {
      intents.add(CommonLink.ENABLE);
    }
    Ways.usual().forEach(w -> intents.addAll(w.intents()));
    return intents;
  }

  /**
   * Wires what a first axis needs: run, control release, the usual reference, and the actual value
   * where its two ends are chosen.
   *
   * @throws IllegalArgumentException naming the point that is missing
   */
  public static LinkPlan planFirstAxis(Project project, SheetCatalogue sheets, String axis) {
    Draft draft = new Draft(project, sheets, axis);
    List<LinkIntent> intents = new ArrayList<>(ofFirst(draft));
    if (draft.axis().axis().answer().isWired()) {
      intents.add(CommonLink.ANALOG_ACTUAL);
    }
    Project next = project;
    List<String> done = new ArrayList<>();
    for (LinkIntent intent : intents) {
      LinkPlan plan = LinkPlanner.plan(next, sheets, LinkRequest.of(axis, intent));
      next = plan.project();
      done.addAll(plan.done());
    }
    return new LinkPlan(next, done);
  }
}
