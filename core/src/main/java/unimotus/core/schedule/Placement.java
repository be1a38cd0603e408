package unimotus.core.schedule;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import unimotus.core.machine.ConductorSize;
import unimotus.core.machine.Device;
import unimotus.core.machine.Project;
import unimotus.core.machine.Shield;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.machine.WireMake;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityText;
import unimotus.core.sheet.DeviceSheet;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.sheet.Terminal;

/**
 * The lines of a schedule turned into wires of a project.
 *
 * @param wires the wires that could be placed, in the order of the lines
 * @param problems the lines that could not, with the reason
 */
public record Placement(List<Wire> wires, List<Problem> problems) {

  /**
   * A line that became no wire.
   *
   * @param line number of the line in its file, from 1
   * @param reason what is wrong, naming the thing and the limit
   */
  public record Problem(int line, String reason) {
    @Override
    public String toString() {
      return "line %d: %s".formatted(line, reason);
    }
  }

  /** Takes copies. */
  public Placement {
    wires = List.copyOf(wires);
    problems = List.copyOf(problems);
  }

  /** Places the lines on the devices of a project. */
  public static Placement of(List<ScheduleLine> lines, Project project, SheetCatalogue sheets) {
    List<Wire> wires = new ArrayList<>();
    List<Problem> problems = new ArrayList<>();
    Set<String> numbers = new HashSet<>();
    for (ScheduleLine line : lines) {
      try {
        Wire wire = wire(line, project, sheets);
        if (!numbers.add(wire.id())) {
          throw new IllegalArgumentException("wire number '%s' is used twice".formatted(wire.id()));
        }
        wires.add(wire);
      } catch (IllegalArgumentException e) {
        problems.add(new Problem(line.line(), String.valueOf(e.getMessage())));
      }
    }
    return new Placement(wires, problems);
  }

  /**
   * The wires of a project after the schedule: a wire of the same number is replaced, a new one
   * added, the others stay.
   */
  public List<Wire> mergedInto(Project project) {
    List<Wire> merged = new ArrayList<>();
    for (Wire wire : project.wires()) {
      merged.add(placed(wire.id()).orElse(wire));
    }
    Set<String> known = new HashSet<>(project.wires().stream().map(Wire::id).toList());
    wires.stream().filter(w -> !known.contains(w.id())).forEach(merged::add);
    return merged;
  }

  private Optional<Wire> placed(String id) {
    return wires.stream().filter(w -> w.id().equals(id)).findFirst();
  }

  private static Wire wire(ScheduleLine line, Project project, SheetCatalogue sheets) {
    TerminalRef from = terminal(line.fromDevice(), line.fromTerminal(), project, sheets);
    TerminalRef to = terminal(line.toDevice(), line.toTerminal(), project, sheets);
    ConductorSize size =
        line.size().isBlank() ? ConductorSize.USUAL : ConductorSize.parse(line.size());
    return new Wire(
        line.number().strip(),
        from,
        to,
        new WireMake(
            size,
            length(line.length()),
            line.colour(),
            line.cable(),
            line.core(),
            shield(line.shield()),
            line.signal()));
  }

  private static TerminalRef terminal(
      String device, String terminal, Project project, SheetCatalogue sheets) {
    String wanted = device.strip();
    Device found =
        project.devices().stream()
            .filter(d -> d.id().equalsIgnoreCase(wanted) || d.name().equalsIgnoreCase(wanted))
            .findFirst()
            .orElseThrow(
                () ->
                    new IllegalArgumentException(
                        "device '%s' is not in the line".formatted(wanted)));
    String marking = terminal.strip();
    Optional<DeviceSheet> sheet = sheets.find(found.sheet());
    if (sheet.flatMap(s -> s.terminal(marking)).isEmpty()) {
      throw new IllegalArgumentException(
          "%s has no terminal '%s'; it has %s".formatted(found.name(), marking, some(sheet)));
    }
    return new TerminalRef(found.id(), marking);
  }

  private static String some(Optional<DeviceSheet> sheet) {
    List<String> ids =
        sheet.map(s -> s.terminals().stream().map(Terminal::id).toList()).orElse(List.of());
    return ids.size() > 8
        ? String.join(", ", ids.subList(0, 8)) + " and %d more".formatted(ids.size() - 8)
        : String.join(", ", ids);
  }

  private static double length(String text) {
    return text.isBlank()
        ? 0
        : QuantityText.parseIn("length", text.strip(), MeasureUnit.METRE_UNIT);
  }

  private static Shield shield(String text) {
    String plain = text.strip();
    if (plain.isEmpty()) {
      return Shield.NONE;
    }
    return Arrays.stream(Shield.values())
        .filter(s -> s.label().equalsIgnoreCase(plain))
        .findFirst()
        .orElseThrow(
            () ->
                new IllegalArgumentException(
                    "shield '%s' is not one of %s"
                        .formatted(
                            plain,
                            String.join(
                                ", ",
                                Arrays.stream(Shield.values()).map(Shield::label).toList()))));
  }
}
