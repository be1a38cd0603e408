package unimotus.core.machine;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import unimotus.core.sheet.PartSheet;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.sheet.TerminalRole;

/**
 * What belongs to a drive's control circuit: its own wires, and the panel parts they lead to with
 * theirs. The search goes on through relays and switches as a whole, through a terminal strip only
 * along the terminal it came to, and ends at supplies and at other drives and controllers.
 */
record Neighbourhood(List<PlacedPart> parts, List<Wire> wires) {

  static Neighbourhood of(String driveId, Project project, SheetCatalogue sheets, WireIndex index) {
    return project.parts().isEmpty()
        ? new Neighbourhood(List.of(), index.of(driveId))
        : new Search(project, sheets, index).from(driveId);
  }

  private static final class Search {
    private final Project project;
    private final SheetCatalogue sheets;
    private final WireIndex index;
    private final Map<String, PlacedPart> parts = new LinkedHashMap<>();
    private final Set<Wire> wires = new LinkedHashSet<>();
    private final Set<TerminalRef> junctions = new HashSet<>();
    private final Deque<Wire> open = new ArrayDeque<>();

    Search(Project project, SheetCatalogue sheets, WireIndex index) {
      this.project = project;
      this.sheets = sheets;
      this.index = index;
    }

    Neighbourhood from(String driveId) {
      open.addAll(index.of(driveId));
      while (!open.isEmpty()) {
        Wire wire = open.poll();
        if (wires.add(wire)) {
          reach(wire.from());
          reach(wire.to());
        }
      }
      return new Neighbourhood(new ArrayList<>(parts.values()), new ArrayList<>(wires));
    }

    private void reach(TerminalRef end) {
      Optional<Part> part = project.part(end.device());
      Optional<PartSheet> sheet = part.flatMap(p -> sheets.find(PartSheet.class, p.sheet()));
      if (sheet.isEmpty()) {
        return;
      }
      boolean isNew = parts.put(end.device(), new PlacedPart(part.get(), sheet.get())) == null;
      boolean supply = sheet.get().first(TerminalRole.SUPPLY_24V).isPresent();
      boolean strip =
          sheet.get().terminals().stream().allMatch(t -> t.role() == TerminalRole.JUNCTION);
      if (strip && junctions.add(end)) {
        index.of(end.device()).stream().filter(w -> w.touches(end)).forEach(open::add);
      } else if (isNew && !supply && !strip) {
        open.addAll(index.of(end.device()));
      }
    }
  }
}
