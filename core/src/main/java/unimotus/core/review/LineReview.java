package unimotus.core.review;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import unimotus.core.discrete.LineSupplies;
import unimotus.core.discrete.SupplyChecks;
import unimotus.core.finding.Finding;
import unimotus.core.integrity.Integrity;
import unimotus.core.machine.Axis;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Neighbourhoods;
import unimotus.core.machine.Project;
import unimotus.core.motion.StepSupplies;
import unimotus.core.plant.SequenceFindings;
import unimotus.core.processdata.StationChecks;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.stops.SharedLink;

/** All axes of a line looked over. Immutable. */
public final class LineReview {
  private final List<AxisReview> axes;
  private final Map<String, AxisReview> own;
  private final Neighbourhoods around;
  private final LineSupplies supplies;
  private final List<Finding> line;

  private LineReview(
      List<AxisReview> axes,
      Map<String, AxisReview> own,
      Neighbourhoods around,
      LineSupplies supplies,
      List<Finding> line) {
    this.around = around;
    this.supplies = supplies;
    this.axes = List.copyOf(axes);
    this.own = own;
    this.line = List.copyOf(line);
  }

  /** Looks over the whole line. */
  public static LineReview of(Project project, SheetCatalogue sheets) {
    return of(project, sheets, null);
  }

  /**
   * Looks over the line again after an edit.
   *
   * @param previous the review before the edit; axes whose parts are the very same objects are
   *     taken over from it; null for a first review
   */
  public static LineReview of(
      Project project, SheetCatalogue sheets, @Nullable LineReview previous) {
    Map<String, AxisReview> own = new HashMap<>();
    Neighbourhoods around =
        previous != null && previous.around.holdFor(project, sheets)
            ? previous.around
            : new Neighbourhoods(project, sheets);
    for (Axis axis : project.axes()) {
      own.put(axis.id(), review(project, sheets, axis, around, previous));
    }
    Map<String, Set<String>> owners = owners(own.values());
    Map<String, List<Finding>> shared = LineChecks.check(project, sheets);
    List<Finding> line = new ArrayList<>();
    for (Integrity.Flaw flaw : Integrity.check(project, sheets, owners)) {
      flaw.axes()
          .forEach(a -> shared.computeIfAbsent(a, k -> new ArrayList<>()).add(flaw.finding()));
      if (flaw.axes().isEmpty()) {
        line.add(flaw.finding());
      }
    }
    stations(project, sheets, shared, line);
    links(project, own, shared);
    sequences(project, sheets, own, shared);
    LineSupplies supplies =
        LineSupplies.of(
            project, sheets, around.groups(), previous == null ? null : previous.supplies);
    tell(supplies, own, owners, shared, line);
    List<AxisReview> all = new ArrayList<>();
    for (Axis axis : project.axes()) {
      AxisReview review = Objects.requireNonNull(own.get(axis.id()), axis::id);
      List<Finding> more = shared.getOrDefault(axis.id(), List.of());
      all.add(more.isEmpty() ? review : review.with(more));
    }
    return new LineReview(all, own, around, supplies, line);
  }

  /** What axes of one drive do to its d.c. link together, told by each of them. */
  private static void links(
      Project project, Map<String, AxisReview> own, Map<String, List<Finding>> shared) {
    List<SharedLink.Stopped> stopped = new ArrayList<>();
    for (Axis axis : project.axes()) {
      AxisReview review = own.get(axis.id());
      AxisAssembly assembly = review == null ? null : review.assembly();
      if (review != null && assembly != null) {
        stopped.add(new SharedLink.Stopped(assembly, review.stops()));
      }
    }
    for (SharedLink.Found found : SharedLink.check(stopped)) {
      found
          .axes()
          .forEach(a -> shared.computeIfAbsent(a, k -> new ArrayList<>()).add(found.finding()));
    }
  }

  /** Sequences with the switches they rely on, and what step drivers take from one supply. */
  private static void sequences(
      Project project,
      SheetCatalogue sheets,
      Map<String, AxisReview> own,
      Map<String, List<Finding>> shared) {
    List<AxisAssembly> assemblies =
        project.axes().stream()
            .map(a -> own.get(a.id()))
            .filter(Objects::nonNull)
            .map(AxisReview::assembly)
            .filter(Objects::nonNull)
            .toList();
    for (Map<String, List<Finding>> found :
        List.of(SequenceFindings.of(project, sheets, assemblies), StepSupplies.check(assemblies))) {
      found.forEach(
          (axis, all) -> shared.computeIfAbsent(axis, k -> new ArrayList<>()).addAll(all));
    }
  }

  /** Faults of stations, told by the axis of the drive they lead to, else by the line. */
  private static void stations(
      Project project,
      SheetCatalogue sheets,
      Map<String, List<Finding>> shared,
      List<Finding> line) {
    if (project.stations().isEmpty()) {
      return;
    }
    for (StationChecks.Found found : StationChecks.check(project, sheets.descriptions())) {
      List<Axis> axes =
          project.axes().stream().filter(a -> found.drive().equals(a.drive())).toList();
      axes.forEach(
          a -> shared.computeIfAbsent(a.id(), k -> new ArrayList<>()).add(found.finding()));
      if (axes.isEmpty()) {
        line.add(found.finding());
      }
    }
  }

  /** Faults of supplies, told by the axes that use them, else by the line; none twice. */
  private static void tell(
      LineSupplies supplies,
      Map<String, AxisReview> own,
      Map<String, Set<String>> owners,
      Map<String, List<Finding>> shared,
      List<Finding> line) {
    for (SupplyChecks.Fault fault : supplies.faults()) {
      Set<String> axes = new TreeSet<>();
      fault.devices().forEach(d -> axes.addAll(owners.getOrDefault(d, Set.of())));
      if (axes.isEmpty()) {
        line.add(fault.at("devices"));
      }
      for (String axis : axes) {
        Finding finding = fault.at("axis/" + axis);
        boolean told =
            Objects.requireNonNull(own.get(axis), axis).findings().stream()
                .anyMatch(f -> f.rule() == finding.rule() && f.place().equals(finding.place()));
        if (!told) {
          shared.computeIfAbsent(axis, k -> new ArrayList<>()).add(finding);
        }
      }
    }
  }

  private static AxisReview review(
      Project project,
      SheetCatalogue sheets,
      Axis axis,
      Neighbourhoods around,
      @Nullable LineReview previous) {
    Optional<AxisAssembly> assembly = AxisAssembly.of(project, sheets, axis, around);
    if (assembly.isEmpty()) {
      return AxisReview.incomplete(axis, AxisAssembly.missing(project, sheets, axis));
    }
    AxisReview before = previous == null ? null : previous.own.get(axis.id());
    return before != null && before.assembly() != null && same(before.assembly(), assembly.get())
        ? before
        : AxisReview.of(assembly.get());
  }

  /** Whether nothing of the axis was exchanged; by identity, since every edit makes new objects. */
  @SuppressWarnings("ReferenceEquality")
  private static boolean same(AxisAssembly a, AxisAssembly b) {
    return a.axis() == b.axis()
        && a.controller() == b.controller()
        && a.drive() == b.drive()
        && a.motor() == b.motor()
        && a.controllerSheet() == b.controllerSheet()
        && a.driveSheet() == b.driveSheet()
        && a.parts().equals(b.parts())
        && a.wires().equals(b.wires())
        && a.intents().equals(b.intents())
        && a.probes().equals(b.probes())
        && a.stops().equals(b.stops())
        && a.record().equals(b.record())
        && a.reach().equals(b.reach())
        && a.stations().equals(b.stations())
        && a.descriptions() == b.descriptions();
  }

  /** One review an axis, in the line's order. */
  public List<AxisReview> axes() {
    return axes;
  }

  /** The review of one axis; empty where there is no such axis. */
  public Optional<AxisReview> axis(String id) {
    return axes.stream().filter(r -> r.axis().id().equals(id)).findFirst();
  }

  /** The axes each device belongs to: its controller's, its drive's and those its wires serve. */
  private static Map<String, Set<String>> owners(Collection<AxisReview> axes) {
    Map<String, Set<String>> owners = new HashMap<>();
    for (AxisReview review : axes) {
      Axis axis = review.axis();
      Set<String> devices = new HashSet<>();
      Stream.of(axis.controller(), axis.drive(), axis.motor())
          .filter(Objects::nonNull)
          .forEach(devices::add);
      review.stops().forEach(s -> devices.addAll(s.stop().parts()));
      AxisAssembly assembly = review.assembly();
      if (assembly != null) {
        assembly.parts().forEach(p -> devices.add(p.part().id()));
      }
      devices.forEach(d -> owners.computeIfAbsent(d, k -> new TreeSet<>()).add(axis.id()));
    }
    return owners;
  }

  /** What belongs to no axis: names and devices that lead nowhere; possibly empty. */
  public List<Finding> line() {
    return line;
  }

  /** All findings: those of no axis, then axis by axis, one that several axes share once. */
  public List<Finding> findings() {
    return Stream.concat(line.stream(), axes.stream().flatMap(r -> r.findings().stream()))
        .distinct()
        .toList();
  }
}
