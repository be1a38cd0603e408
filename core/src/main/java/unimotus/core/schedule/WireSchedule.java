package unimotus.core.schedule;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.Axis;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Neighbourhoods;
import unimotus.core.machine.Project;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.wiring.CommandState;
import unimotus.core.wiring.Installation;
import unimotus.core.wiring.LineSolution;
import unimotus.core.wiring.LineSolver;
import unimotus.core.wiring.PlacedDevice;
import unimotus.core.wiring.TruthTable;

/**
 * Every wire of a line with what should be measured on it.
 *
 * @param rows one a wire, in the project's order
 */
public record WireSchedule(List<Row> rows) {
  /** Changes smaller than this are no action, in volts. */
  private static final double STILL_VOLTS = 0.2;

  /** Takes a copy. */
  public WireSchedule {
    rows = List.copyOf(rows);
  }

  /**
   * One wire.
   *
   * @param wire the wire
   * @param expectation what should be measured; null where no axis uses the wire
   */
  public record Row(Wire wire, @Nullable Expected expectation) {}

  /**
   * What should be measured on a wire.
   *
   * @param against the terminal the voltage counts from
   * @param restVolts volts with nothing commanded; empty where it floats
   * @param actionVolts volts in the state that changes it most; empty where it floats
   * @param action that state in words; {@code at rest} where nothing changes it
   */
  public record Expected(
      TerminalRef against, OptionalDouble restVolts, OptionalDouble actionVolts, String action) {}

  /** The schedule of a line. */
  public static WireSchedule of(Project project, SheetCatalogue sheets) {
    Map<String, Expected> expected = new HashMap<>();
    Neighbourhoods around = new Neighbourhoods(project, sheets);
    for (Axis axis : project.axes()) {
      AxisAssembly.of(project, sheets, axis, around).ifPresent(a -> expect(a, expected));
    }
    List<Row> rows = new ArrayList<>();
    for (Wire wire : project.wires()) {
      rows.add(new Row(wire, expected.get(wire.id())));
    }
    return new WireSchedule(rows);
  }

  private static void expect(AxisAssembly axis, Map<String, Expected> expected) {
    Installation installation = Installation.of(axis);
    Map<String, LineSolution> states = states(axis, installation);
    for (Wire wire : axis.wires()) {
      against(installation, wire)
          .ifPresent(against -> expected.putIfAbsent(wire.id(), expected(wire, against, states)));
    }
  }

  private static Map<String, LineSolution> states(AxisAssembly axis, Installation installation) {
    Map<String, LineSolution> states = new LinkedHashMap<>();
    for (TruthTable.Row row : TruthTable.of(axis).rows()) {
      states.put(row.label(), row.solution());
    }
    CommandState full = CommandState.REST;
    for (PlacedDevice device : installation.devices()) {
      for (Terminal terminal : device.sheet().terminals()) {
        if (terminal.role() == TerminalRole.ANALOG_OUTPUT) {
          TerminalRef output = device.ref(terminal.id());
          full = full.withSignal(output, device.rangeOf(output.terminal()).high());
        } else if (terminal.role() == TerminalRole.WIPER) {
          full = full.withSignal(device.ref(terminal.id()), 100);
        }
      }
    }
    states.put("analog at 100 %", new LineSolver(installation).solve(full));
    return states;
  }

  private static Expected expected(
      Wire wire, TerminalRef against, Map<String, LineSolution> states) {
    Map.Entry<String, LineSolution> first = states.entrySet().iterator().next();
    String action = first.getKey();
    OptionalDouble rest = first.getValue().volts(wire.from(), against);
    OptionalDouble most = rest;
    for (Map.Entry<String, LineSolution> state : states.entrySet()) {
      OptionalDouble volts = state.getValue().volts(wire.from(), against);
      if (change(rest, volts) > change(rest, most) + STILL_VOLTS) {
        most = volts;
        action = state.getKey();
      }
    }
    return new Expected(against, rest, most, action);
  }

  private static double change(OptionalDouble rest, OptionalDouble volts) {
    return volts.isEmpty() ? 0 : Math.abs(volts.getAsDouble() - rest.orElse(0));
  }

  /** Where the black probe goes: the return of an analog pair, the zero of a device else. */
  private static Optional<TerminalRef> against(Installation installation, Wire wire) {
    return reference(installation, wire.to())
        .or(() -> reference(installation, wire.from()))
        .or(
            () ->
                installation.devices().stream()
                    .map(PlacedDevice::zero)
                    .flatMap(Optional::stream)
                    .findFirst());
  }

  private static Optional<TerminalRef> reference(Installation installation, TerminalRef end) {
    Optional<PlacedDevice> device = installation.device(end.device());
    Optional<Terminal> terminal = installation.terminal(end);
    if (device.isEmpty() || terminal.isEmpty()) {
      return Optional.empty();
    }
    if (terminal.get().role() == TerminalRole.ANALOG_COMMON) {
      return Optional.of(end);
    }
    boolean analog =
        terminal.get().role() == TerminalRole.ANALOG_INPUT
            || terminal.get().role() == TerminalRole.ANALOG_OUTPUT;
    return analog ? device.get().commonOf(terminal.get()) : device.get().zero();
  }
}
