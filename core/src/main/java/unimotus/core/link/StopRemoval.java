package unimotus.core.link;

import java.util.List;
import unimotus.core.machine.Intent;
import unimotus.core.machine.Part;
import unimotus.core.machine.Project;
import unimotus.core.machine.StopFunction;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.sheet.PartSheet;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;

/** Takes a stop away again. */
public final class StopRemoval {
  private StopRemoval() {}

  /** A project without a stop; run commands that its relay's contacts were cut into are joined. */
  public static Project removed(Project project, SheetCatalogue sheets, StopFunction stop) {
    Project next = project;
    Part relay =
        project.parts().stream().filter(p -> p.id().equals(stop.relay())).findFirst().orElse(null);
    PartSheet sheet =
        relay == null ? null : sheets.find(PartSheet.class, relay.sheet()).orElse(null);
    if (relay != null && sheet != null) {
      for (Terminal contact : sheet.terminals()) {
        if (contact.role() == TerminalRole.RELAY_CONTACT && contact.common() != null) {
          next = closedUp(next, relay.id(), contact, stop);
        }
      }
    }
    return next.withoutStop(stop);
  }

  /** Where a contact lies in the way to an input that runs the drive, the way goes past it. */
  private static Project closedUp(
      Project project, String relay, Terminal contact, StopFunction stop) {
    TerminalRef switched = new TerminalRef(relay, contact.id());
    TerminalRef fed = new TerminalRef(relay, String.valueOf(contact.common()));
    List<TerminalRef> inputs =
        project.wires().stream()
            .filter(w -> w.touches(switched))
            .map(w -> w.otherEnd(switched))
            .filter(
                e ->
                    project.intents().stream()
                        .anyMatch(i -> i.input().equals(e) && i.meaning().isRun()))
            .toList();
    if (inputs.size() != 1) {
      return project;
    }
    TerminalRef input = inputs.get(0);
    List<Wire> wires =
        project.wires().stream()
            .map(w -> w.touches(fed) ? w.withEnds(w.otherEnd(fed), input) : w)
            .toList();
    List<Intent> intents =
        project.intents().stream()
            .map(
                i ->
                    i.input().equals(input)
                        ? new Intent(
                            i.axis(),
                            i.input(),
                            i.meaning(),
                            i.when().stream()
                                .filter(c -> !stop.parts().contains(c.device()))
                                .toList())
                        : i)
            .toList();
    return project.withWires(wires).withIntents(intents);
  }
}
