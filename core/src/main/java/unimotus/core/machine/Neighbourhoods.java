package unimotus.core.machine;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import unimotus.core.sheet.DeviceSheet;
import unimotus.core.sheet.PartSheet;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;

/**
 * What belongs to each drive's control circuit: its own wires, and the panel parts they lead to
 * with theirs. The search goes on through relays and switches as a whole, through a terminal strip
 * only along the terminal it came to, at a controller to the other wires on the same point, and
 * ends at supplies and at other drives.
 *
 * <p>Found once for an axis and kept for as long as the wiring of the line stays the same. One line
 * is looked at from several threads, where fixes are tried beside the window, so that a search is
 * made under a lock.
 */
public final class Neighbourhoods {

  /** The parts and wires of one axis. */
  record Neighbourhood(List<PlacedPart> parts, List<Wire> wires) {}

  private final Project project;
  private final SheetCatalogue sheets;
  private final WireIndex index;
  private final Map<String, PlacedPart> parts = new HashMap<>();
  private final Map<String, DeviceSheet> controllers = new HashMap<>();
  private final Map<String, Neighbourhood> found = new HashMap<>();
  private final Map<String, Fitted> fitted = new LinkedHashMap<>();
  private final Map<Stopped, StopReach> reaches = new HashMap<>();
  private List<DeviceGroups.Group> groups = List.of();

  /** The neighbourhoods of a line, none of them searched yet. */
  public Neighbourhoods(Project project, SheetCatalogue sheets) {
    this.project = project;
    this.sheets = sheets;
    this.index = new WireIndex(project.wires());
    for (Part part : project.parts()) {
      sheets
          .find(PartSheet.class, part.sheet())
          .ifPresent(s -> parts.put(part.id(), new PlacedPart(part, s)));
    }
    for (Controller controller : project.controllers()) {
      sheets.find(controller.sheet()).ifPresent(s -> controllers.put(controller.id(), s));
    }
  }

  /**
   * Whether these are the neighbourhoods of {@code next} as well: nothing of its wiring changed.
   */
  @SuppressWarnings("ReferenceEquality") // Lists are handed on unchanged from project to project.
  public boolean holdFor(Project next, SheetCatalogue nextSheets) {
    return next.wires() == project.wires()
        && next.parts() == project.parts()
        && next.controllers() == project.controllers()
        && next.intents() == project.intents()
        && next.stops() == project.stops()
        && sameDrives(next)
        && nextSheets == sheets;
  }

  /** Settings may change; which drives there are may not. */
  private boolean sameDrives(Project next) {
    boolean same = next.drives().size() == project.drives().size();
    for (int i = 0; same && i < next.drives().size(); i++) {
      Drive before = project.drives().get(i);
      Drive after = next.drives().get(i);
      same = before.id().equals(after.id()) && before.sheet().equals(after.sheet());
    }
    return same;
  }

  /** Where a search for what influences stops began; settings decide that too. */
  private record Stopped(String drive, Object settings, String motor, StopFunction stop) {}

  /** What can influence each stop, by its id, with the devices as they stand in {@code now}. */
  synchronized Map<String, StopReach> reach(
      Project now, Drive drive, Motor motor, List<StopFunction> stops) {
    Map<String, StopReach> found = new LinkedHashMap<>();
    for (StopFunction stop : stops) {
      Stopped key = new Stopped(drive.id(), drive.settings(), motor.id(), stop);
      StopReach reach =
          reaches.computeIfAbsent(key, k -> StopReach.of(fitted(), index, drive, motor.id(), stop));
      found.put(stop.id(), reach.asIn(now));
    }
    return found;
  }

  /** Every device of the line in one group of those that wires join. */
  public synchronized List<DeviceGroups.Group> groups() {
    if (groups.isEmpty()) {
      groups = DeviceGroups.of(project);
    }
    return groups;
  }

  private Map<String, Fitted> fitted() {
    if (fitted.isEmpty()) {
      for (Device device : project.devices()) {
        sheets.find(device.sheet()).ifPresent(s -> fitted.put(device.id(), new Fitted(device, s)));
      }
    }
    return fitted;
  }

  synchronized Neighbourhood of(Drive drive, Axis axis) {
    return found.computeIfAbsent(drive.id() + "/" + axis.id(), k -> new Search().from(drive, axis));
  }

  private final class Search {
    private final Map<String, PlacedPart> reached = new LinkedHashMap<>();
    private final Set<Wire> wires = new LinkedHashSet<>();
    private final Set<TerminalRef> junctions = new HashSet<>();
    private final Deque<Wire> open = new ArrayDeque<>();

    Neighbourhood from(Drive drive, Axis axis) {
      open.addAll(index.of(drive.id()));
      project.intents().stream().filter(i -> i.axis().equals(axis.id())).forEach(this::open);
      // Contactors cut the drive's mains: no control wire leads from the drive to that stop.
      project.stopsOf(axis.id()).stream()
          .flatMap(s -> s.parts().stream())
          .forEach(p -> open.addAll(index.of(p)));
      while (!open.isEmpty()) {
        Wire wire = open.poll();
        if (wires.add(wire)) {
          reach(wire.from());
          reach(wire.to());
        }
      }
      return new Neighbourhood(List.copyOf(reached.values()), List.copyOf(wires));
    }

    /** What is meant for the axis belongs to it, even where no wire leads there from the drive. */
    private void open(Intent intent) {
      open.addAll(index.on(intent.input()));
      intent.when().stream()
          .filter(c -> parts.containsKey(c.device()))
          .forEach(c -> open.addAll(index.of(c.device())));
    }

    private void reach(TerminalRef end) {
      PlacedPart part = parts.get(end.device());
      DeviceSheet controller = controllers.get(end.device());
      if (part != null) {
        reachPart(end, part);
      } else if (controller != null) {
        controller.terminal(end.terminal()).ifPresent(t -> reachPoint(end, t));
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
      boolean isNew = reached.put(end.device(), placed) == null;
      boolean supply =
          placed.sheet().first(TerminalRole.SUPPLY_24V).isPresent()
              || placed.sheet().first(TerminalRole.MAINS).isPresent();
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
