package unimotus.core.integrity;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.Project;
import unimotus.core.sheet.SheetCatalogue;

/** What of a project cannot be used, and whom it concerns. */
public final class Integrity {
  private static final String LOST =
      "What cannot be found takes no part in any sum, drawing or proof.";

  private final Project project;
  private final Map<String, Set<String>> owners;
  private final List<Flaw> flaws = new ArrayList<>();

  private Integrity(Project project, Map<String, Set<String>> owners) {
    this.project = project;
    this.owners = owners;
  }

  /**
   * Something that cannot be used.
   *
   * @param axes ids of the axes it concerns; empty where it belongs to the line as a whole
   * @param finding what it is
   */
  public record Flaw(Set<String> axes, Finding finding) {
    /** Takes a copy. */
    public Flaw {
      axes = Set.copyOf(axes);
    }
  }

  /**
   * Everything that cannot be used.
   *
   * @param owners ids of the axes each device belongs to, by the device's id; devices of no axis
   *     are left out
   */
  public static List<Flaw> check(
      Project project, SheetCatalogue sheets, Map<String, Set<String>> owners) {
    Integrity integrity = new Integrity(project, owners);
    new DeviceIntegrity(project, sheets, integrity).check();
    new NameIntegrity(project, sheets, integrity).check();
    new WordIntegrity(project, integrity).check();
    return List.copyOf(integrity.flaws);
  }

  /** A name that leads nowhere, said by an axis. */
  void lost(String axis, String place, String seen, String remedy) {
    addTo(axesOf(axis), Severity.ERROR, Rule.NAME_LEADS_NOWHERE, place, seen, LOST, remedy);
  }

  /** Something about a device. */
  void add(String device, Rule rule, String place, String seen, String why, String remedy) {
    addTo(owners.getOrDefault(device, Set.of()), Severity.ERROR, rule, place, seen, why, remedy);
  }

  /** The axes a device belongs to. */
  Set<String> owners(String device) {
    return owners.getOrDefault(device, Set.of());
  }

  /** Something about these axes; about the line where there are none. */
  void addFor(Set<String> axes, Rule rule, String place, String seen, String why, String remedy) {
    addTo(axes, Severity.ERROR, rule, place, seen, why, remedy);
  }

  /** Something about what several devices share. */
  void add(List<String> devices, Rule rule, String place, String seen, String why, String remedy) {
    Set<String> axes = new LinkedHashSet<>();
    devices.forEach(d -> axes.addAll(owners.getOrDefault(d, Set.of())));
    addTo(axes, Severity.ERROR, rule, place, seen, why, remedy);
  }

  /** Something about an axis; about the line where there is no such axis. */
  void addToAxis(
      String axis,
      Severity severity,
      Rule rule,
      String place,
      String seen,
      String why,
      String remedy) {
    addTo(axesOf(axis), severity, rule, place, seen, why, remedy);
  }

  private Set<String> axesOf(String axis) {
    return project.axis(axis).isPresent() ? Set.of(axis) : Set.of();
  }

  private void addTo(
      Set<String> axes,
      Severity severity,
      Rule rule,
      String place,
      String seen,
      String why,
      String remedy) {
    boolean prefixed = place.startsWith("axis/") || axes.size() != 1;
    String full = prefixed ? place : "axis/%s/%s".formatted(axes.iterator().next(), place);
    flaws.add(new Flaw(axes, new Finding(severity, rule, full, seen, why, remedy)));
  }
}
