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
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;

/**
 * What belongs to a drive's control circuit: its own wires, and the panel parts they lead to with
 * theirs. The search goes on through relays and switches as a whole, through a terminal strip only
 * along the terminal it came to, at a controller to the other wires on the same point, and ends at
 * supplies and at other drives.
 */
record Neighbourhood(List<PlacedPart> parts, List<Wire> wires) {

  static Neighbourhood of(
      Drive drive, Axis axis, Project project, SheetCatalogue sheets, WireIndex index) {
    return new Search(project, sheets, index).from(drive, axis);
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

    Neighbourhood from(Drive drive, Axis axis) {
      open.addAll(index.of(drive.id()));
      project.intents().stream().filter(i -> i.axis().equals(axis.id())).forEach(this::open);
      while (!open.isEmpty()) {
        Wire wire = open.poll();
        if (wires.add(wire)) {
          reach(wire.from());
          reach(wire.to());
        }
      }
      return new Neighbourhood(new ArrayList<>(parts.values()), new ArrayList<>(wires));
    }

    /** What is meant for the axis belongs to it, even where no wire leads there from the drive. */
    private void open(Intent intent) {
      open.addAll(index.on(intent.input()));
      intent.when().stream()
          .filter(c -> project.part(c.device()).isPresent())
          .forEach(c -> open.addAll(index.of(c.device())));
    }

    private void reach(TerminalRef end) {
      Optional<Part> part = project.part(end.device());
      Optional<PartSheet> sheet = part.flatMap(p -> sheets.find(PartSheet.class, p.sheet()));
      if (sheet.isPresent()) {
        reachPart(end, new PlacedPart(part.get(), sheet.get()));
      } else {
        project
            .controller(end.device())
            .flatMap(c -> sheets.find(c.sheet()))
            .flatMap(s -> s.terminal(end.terminal()))
            .ifPresent(t -> reachPoint(end, t));
      }
    }

    /**
     * A supply or a common is everybody's: following it would take in the whole line. A contact
     * brings its fed side with it.
     */
    private void reachPoint(TerminalRef end, Terminal terminal) {
      if (terminal.role() != TerminalRole.SUPPLY_24V && terminal.role() != TerminalRole.COMMON_0V) {
        addOn(end);
      }
      if (terminal.role() == TerminalRole.RELAY_CONTACT && terminal.common() != null) {
        addOn(new TerminalRef(end.device(), terminal.common()));
      }
    }

    private void reachPart(TerminalRef end, PlacedPart placed) {
      boolean isNew = parts.put(end.device(), placed) == null;
      boolean supply = placed.sheet().first(TerminalRole.SUPPLY_24V).isPresent();
      boolean strip =
          placed.sheet().terminals().stream().allMatch(t -> t.role() == TerminalRole.JUNCTION);
      if (strip) {
        addOn(end);
      } else if (isNew && !supply) {
        open.addAll(index.of(end.device()));
      }
    }

    private void addOn(TerminalRef end) {
      if (junctions.add(end)) {
        open.addAll(index.on(end));
      }
    }
  }
}
