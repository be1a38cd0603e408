package unimotus.core.wiring;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Intent;
import unimotus.core.machine.Part;
import unimotus.core.machine.TerminalRef;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.TerminalRole;

/**
 * What each binary input really sees, for every command that can be given, beside what was meant.
 *
 * @param inputs the inputs, the drive's first
 * @param rows one a commanded state, the rest state first
 */
public record TruthTable(List<TerminalRef> inputs, List<Row> rows) {

  /** Takes copies. */
  public TruthTable {
    inputs = List.copyOf(inputs);
    rows = List.copyOf(rows);
  }

  /**
   * One commanded state.
   *
   * @param label the state in words
   * @param state what is commanded
   * @param solution what comes of it
   * @param cells what each input sees and was meant to
   */
  public record Row(
      String label, CommandState state, LineSolution solution, Map<TerminalRef, Cell> cells) {

    /** Whether anything is not as meant. */
    public boolean deviates() {
      return cells.values().stream().anyMatch(Cell::deviates);
    }

    /** What an input of the table sees; never null. */
    public Cell cell(TerminalRef input) {
      return Objects.requireNonNull(cells.get(input), input::toString);
    }
  }

  /**
   * One input in one state.
   *
   * @param reading volts and milliamps at the input; null without a solution
   * @param level how the device reads it, its active level taken into account
   * @param meant whether it was meant on; null where nothing is meant there
   */
  public record Cell(@Nullable InputReading reading, Level level, @Nullable Boolean meant) {

    /** Whether the input reads otherwise than meant. */
    public boolean deviates() {
      return meant != null && level != (meant ? Level.ON : Level.OFF);
    }
  }

  /** The table of an axis. */
  public static TruthTable of(AxisAssembly axis) {
    return of(axis, List.of());
  }

  /** The rows of the table in which a state holds. */
  public static TruthTable of(AxisAssembly axis, Predicate<CommandState> wanted) {
    Installation installation = Installation.of(axis);
    List<Intent> intents = Meanings.of(axis);
    List<CommandStates.Named> states =
        CommandStates.of(axis, installation, intents).stream()
            .filter(s -> wanted.test(s.state()))
            .toList();
    return of(installation, intents, inputs(axis, installation, intents), states, List.of());
  }

  /** The table of an axis with faults put in. */
  public static TruthTable of(AxisAssembly axis, List<WiringFault> faults) {
    Installation installation = Installation.of(axis);
    List<Intent> intents = Meanings.of(axis);
    List<CommandStates.Named> states = CommandStates.of(axis, installation, intents);
    return of(installation, intents, inputs(axis, installation, intents), states, faults);
  }

  /**
   * The table of a changed axis, with the inputs and meanings of a table made before: what was
   * meant does not change with the wires.
   *
   * @param intents what was meant before the change
   * @param rows the states to look at, rows of the table before
   */
  public static TruthTable again(
      AxisAssembly changed, List<Intent> intents, TruthTable before, List<Row> rows) {
    List<CommandStates.Named> states =
        rows.stream().map(r -> new CommandStates.Named(r.label(), r.state())).toList();
    return of(Installation.of(changed), intents, before.inputs(), states, List.of());
  }

  private static TruthTable of(
      Installation installation,
      List<Intent> intents,
      List<TerminalRef> inputs,
      List<CommandStates.Named> states,
      List<WiringFault> faults) {
    LineSolver solver = new LineSolver(installation);
    List<Row> rows = new ArrayList<>();
    LineSolution near = null;
    for (CommandStates.Named named : states) {
      LineSolution solution =
          solver.solve(named.state(), faults, new LinkedHashSet<>(inputs), near);
      near = solution;
      Map<TerminalRef, Cell> cells = new LinkedHashMap<>();
      for (TerminalRef input : inputs) {
        cells.put(input, cell(installation, solution, named.state(), intents, input));
      }
      rows.add(new Row(named.label(), named.state(), solution, cells));
    }
    return new TruthTable(inputs, rows);
  }

  private static Cell cell(
      Installation installation,
      LineSolution solution,
      CommandState state,
      List<Intent> intents,
      TerminalRef input) {
    Optional<InputReading> reading = solution.input(input);
    Level level = reading.map(InputReading::level).orElse(Level.UNDEFINED);
    boolean inverted = isActiveLow(installation, input);
    return new Cell(
        reading.orElse(null),
        inverted ? level.inverted() : level,
        Meanings.meant(installation, intents, state, input));
  }

  private static boolean isActiveLow(Installation installation, TerminalRef input) {
    boolean level =
        installation
            .device(input.device())
            .filter(d -> d.is(SettingRole.INPUT_LEVEL, Option.ACTIVE_LOW, Option.ACTIVE_HIGH))
            .isPresent();
    return level
        && installation
            .terminal(input)
            .filter(t -> t.role() != TerminalRole.SAFE_TORQUE_OFF)
            .isPresent();
  }

  /** Inputs something is meant for, and inputs that are wired; the drive's before the others. */
  private static List<TerminalRef> inputs(
      AxisAssembly axis, Installation installation, List<Intent> intents) {
    Set<TerminalRef> wanted = new LinkedHashSet<>();
    intents.forEach(i -> wanted.add(i.input()));
    axis.wires().forEach(w -> wanted.add(w.from()));
    axis.wires().forEach(w -> wanted.add(w.to()));
    List<TerminalRef> inputs = new ArrayList<>();
    for (PlacedDevice device : installation.devices()) {
      if (device.device() instanceof Part) {
        continue;
      }
      boolean drive = device.id().equals(axis.drive().id());
      List<TerminalRef> own =
          device.sheet().terminals().stream()
              .filter(t -> t.role().isBinaryInput())
              .map(t -> device.ref(t.id()))
              .filter(wanted::contains)
              .toList();
      inputs.addAll(drive ? 0 : inputs.size(), own);
    }
    return inputs;
  }

  /** The states in which {@code input} reads otherwise than meant. */
  public List<Row> deviations(TerminalRef input) {
    return rows.stream().filter(r -> r.cell(input).deviates()).toList();
  }

  /** The inputs that read otherwise than meant in any state, in the table's order. */
  public List<TerminalRef> deviating() {
    return inputs.stream().filter(i -> !deviations(i).isEmpty()).toList();
  }
}
