package unimotus.core.stops;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.function.UnaryOperator;
import unimotus.core.machine.Device;
import unimotus.core.machine.Drive;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.machine.Nets;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.sheet.ChoiceSetting;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.PartSheet;
import unimotus.core.sheet.Selector;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.SettingValue;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.wiring.PlacedDevice;

/**
 * Repairs of a stop circuit to try in thought: where one puts it right, its absence was to blame.
 */
final class Repairs {
  /** More than so many conductors to add are not tried: an unfinished circuit has no one cause. */
  private static final int MOST_ADDITIONS = 48;

  private static final Set<SelectorRole> DECISIVE =
      Set.of(
          SelectorRole.SAFETY_INPUT_KIND,
          SelectorRole.CROSS_FAULT_DETECTION,
          SelectorRole.RESET_MODE);

  private final StopCircuit circuit;

  Repairs(StopCircuit circuit) {
    this.circuit = circuit;
  }

  /**
   * A repair.
   *
   * @param fault what is wrong where the repair helps, in words
   * @param change makes it
   */
  record Repair(String fault, UnaryOperator<StopCircuit> change) {}

  /** Works jumpers taken out, then wires taken off one by one. */
  List<Repair> removals() {
    List<Repair> repairs = new ArrayList<>();
    for (PlacedDevice drive : circuit.drives()) {
      if (StopTraits.isJumpered(drive)) {
        repairs.add(
            new Repair(
                "the factory-fitted jumper over safe torque off of %s is fitted"
                    .formatted(drive.device().name()),
                c ->
                    c.with(
                        selected(
                            c.device(drive.id()),
                            SelectorRole.STO_JUMPER,
                            Option.REMOVED.word()))));
      }
    }
    circuit.allWires().forEach(w -> repairs.add(new Repair(bridge(w), c -> without(c, w))));
    return repairs;
  }

  private static StopCircuit without(StopCircuit circuit, Wire wire) {
    return circuit.withWires(circuit.allWires().stream().filter(w -> !w.equals(wire)).toList());
  }

  private String bridge(Wire wire) {
    return "wire %s connects %s and %s"
        .formatted(wire.id(), circuit.name(wire.from()), circuit.name(wire.to()));
  }

  /** Jumpers and switches put otherwise, outputs of drives set otherwise. */
  List<Repair> changes() {
    List<Repair> repairs = new ArrayList<>();
    for (PlacedDevice device : circuit.installation().devices()) {
      for (Selector selector : device.sheet().selectors()) {
        if (DECISIVE.contains(selector.role())) {
          addSelector(device, selector, repairs);
        }
      }
      if (device.device() instanceof Drive drive && device.sheet() instanceof DriveSheet sheet) {
        sheet.settings().stream()
            .filter(s -> s.role() == SettingRole.OUTPUT_FUNCTION && s.terminal() != null)
            .filter(s -> circuit.isWired(device.ref(String.valueOf(s.terminal()))))
            .forEach(s -> addFunctions(device, drive, sheet, s, repairs));
      }
    }
    return repairs;
  }

  private void addSelector(PlacedDevice device, Selector selector, List<Repair> repairs) {
    String now = device.selector(selector.role(), selector.initial());
    for (String option : selector.options()) {
      if (!option.equals(now)) {
        Device set = device.device().withSelector(selector.id(), option);
        repairs.add(
            new Repair(
                "%s of %s is set to %s, not to %s"
                    .formatted(selector.label(), device.device().name(), now, option),
                c -> c.with(new PlacedDevice(set, device.sheet()))));
      }
    }
  }

  private void addFunctions(
      PlacedDevice device,
      Drive drive,
      DriveSheet sheet,
      SettingDefinition definition,
      List<Repair> repairs) {
    EffectiveSettings settings = new EffectiveSettings(drive, sheet);
    SettingValue now = settings.value(definition);
    if (!(definition instanceof ChoiceSetting choices)) {
      return;
    }
    for (ChoiceSetting.Option option : choices.options()) {
      String other = option.value();
      SettingValue next = new SettingValue.Choice(other);
      if (!next.equals(now) && now instanceof SettingValue.Choice choice) {
        repairs.add(
            new Repair(
                "%s of %s shows '%s', not '%s'"
                    .formatted(definition.terminal(), drive.name(), choice.value(), other),
                c -> c.with(new PlacedDevice(drive.withSetting(definition.code(), next), sheet))));
      }
    }
  }

  private static PlacedDevice selected(PlacedDevice device, SelectorRole role, String position) {
    return device
        .sheet()
        .selector(role)
        .map(s -> device.device().withSelector(s.id(), position))
        .map(d -> new PlacedDevice(d, device.sheet()))
        .orElse(device);
  }

  /** Conductors that may be missing: from what hangs in the air to where it could lead. */
  List<Repair> additions() {
    Nets nets = new Nets(circuit.wires());
    List<TerminalRef> loose = new ArrayList<>();
    List<TerminalRef> ends = new ArrayList<>();
    for (PlacedDevice device : circuit.installation().devices()) {
      for (Terminal terminal : device.sheet().terminals()) {
        TerminalRef ref = device.ref(terminal.id());
        if (mayLack(device, terminal) && !circuit.isWired(ref)) {
          loose.add(ref);
        }
        if (isPole(device, terminal)) {
          ends.add(ref);
        }
      }
    }
    Set<Repair> repairs = new LinkedHashSet<>();
    for (TerminalRef one : loose) {
      // A conductor has no direction: between two loose ends it is tried once.
      List<TerminalRef> others =
          new ArrayList<>(loose.subList(loose.indexOf(one) + 1, loose.size()));
      others.addAll(ends);
      others.stream().filter(o -> isSensible(one, o)).forEach(o -> repairs.add(joined(one, o)));
    }
    for (TerminalRef one : ends) {
      ends.stream()
          .filter(o -> one.compareTo(o) < 0 && isZero(one) && isZero(o) && !nets.joined(one, o))
          .forEach(o -> repairs.add(joined(one, o)));
    }
    return repairs.stream().limit(MOST_ADDITIONS).toList();
  }

  private static boolean mayLack(PlacedDevice device, Terminal terminal) {
    boolean part = device.sheet() instanceof PartSheet;
    return switch (terminal.role()) {
      case SAFE_TORQUE_OFF, SAFETY_INPUT, RESET_INPUT, POWER_INPUT, COIL, SAFETY_OUTPUT -> true;
      case RELAY_CONTACT, RELAY_COMMON, JUNCTION, TEST_PULSE_OUTPUT, FUSE ->
          part
              && device.sheet().terminals().stream()
                  .anyMatch(t -> t.role() != TerminalRole.JUNCTION);
      default -> false;
    };
  }

  private static boolean isPole(PlacedDevice device, Terminal terminal) {
    return terminal.role() == TerminalRole.SUPPLY_24V
        || device.zero().filter(z -> z.terminal().equals(terminal.id())).isPresent();
  }

  private boolean isZero(TerminalRef ref) {
    return circuit.terminal(ref).filter(t -> t.role() != TerminalRole.SUPPLY_24V).isPresent();
  }

  /** Two different points, not the two sides of one contact. */
  private boolean isSensible(TerminalRef one, TerminalRef other) {
    boolean sides =
        one.device().equals(other.device())
            && (other.terminal().equals(circuit.terminal(one).map(Terminal::common).orElse(null))
                || one.terminal()
                    .equals(circuit.terminal(other).map(Terminal::common).orElse(null)));
    return !one.equals(other) && !sides;
  }

  private Repair joined(TerminalRef one, TerminalRef other) {
    return new Repair(
        "no conductor connects %s and %s".formatted(circuit.name(one), circuit.name(other)),
        c -> {
          List<Wire> wires = new ArrayList<>(c.allWires());
          wires.add(new Wire("in-thought", one, other));
          return c.withWires(wires);
        });
  }
}
