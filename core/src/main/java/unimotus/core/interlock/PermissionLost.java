package unimotus.core.interlock;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.machine.TerminalRef;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.sheet.Meaning;
import unimotus.core.sheet.PartSheet;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.wiring.CommandState;
import unimotus.core.wiring.Installation;
import unimotus.core.wiring.LineSolution;
import unimotus.core.wiring.LineSolver;
import unimotus.core.wiring.PlacedDevice;
import unimotus.core.wiring.WiringFault;

/**
 * Why a drive has no permission, followed over the solved wires from its input back to the contact
 * that is open: with that contact closed on trial the input reads on.
 *
 * @param state what is operated, in words
 * @param input the input of the drive that reads off
 * @param volts at it against its own zero; not a number where there is none
 * @param contacts the open contacts from the input back, each with why it is open; empty where no
 *     single contact opens it
 */
public record PermissionLost(
    String state, TerminalRef input, double volts, List<OpenContact> contacts) {
  /** Deeper than that no relay hangs behind another. */
  private static final int DEEPEST = 4;

  /** A hand-held meter shows hundredths of a volt. */
  private static final double METER = 100;

  /**
   * A contact that is open.
   *
   * @param device name of its device
   * @param position what the device stands at
   * @param contact its two terminals, such as {@code 13–14}
   * @param before volts on the fed side, against the zero of its supply
   * @param behind volts on the other side, against the same
   */
  public record OpenContact(
      String device, String position, String contact, double before, double behind) {
    /** In words. */
    public String text() {
      return "%s is %s: contact %s open, %s before it and %s behind it"
          .formatted(device, position, contact, volts(before), volts(behind));
    }
  }

  /** Takes a copy. */
  public PermissionLost {
    contacts = List.copyOf(contacts);
  }

  /** In words, from the input back to what is operated. */
  public String text() {
    String seen = "%s reads %s".formatted(input, volts(volts));
    return contacts.isEmpty()
        ? seen + ": no single open contact is the cause; follow its wires"
        : seen
            + ": "
            + String.join(", because ", contacts.stream().map(OpenContact::text).toList());
  }

  private static String volts(double volts) {
    return Double.isNaN(volts)
        ? "no voltage"
        : QuantityFormat.PLAIN.text(Math.rint(volts * METER) / METER + 0.0, MeasureUnit.VOLT_UNIT);
  }

  /**
   * Every way a single hand operation takes the permission away, and what does so at rest; empty
   * where the drive has no wired permission, or nothing takes it away.
   */
  public static List<PermissionLost> all(AxisAssembly axis) {
    Search search = new Search(axis);
    if (search.inputs.isEmpty()) {
      return List.of();
    }
    List<PermissionLost> all = new ArrayList<>(search.lost("at rest", CommandState.REST));
    if (!all.isEmpty()) {
      return all;
    }
    for (Map.Entry<String, CommandState> each : search.operated().entrySet()) {
      all.addAll(search.lost(each.getKey(), each.getValue()));
    }
    return all;
  }

  /** Follows the wires of one axis. */
  private static final class Search {
    private final Installation installation;
    private final LineSolver solver;
    private final List<TerminalRef> inputs;

    Search(AxisAssembly axis) {
      installation = Installation.of(axis);
      solver = new LineSolver(installation);
      String drive = axis.drive().id();
      Set<TerminalRef> permits = new LinkedHashSet<>();
      axis.driveSheet().terminals().stream()
          .filter(t -> t.role() == TerminalRole.SAFE_TORQUE_OFF)
          .forEach(t -> permits.add(new TerminalRef(drive, t.id())));
      new EffectiveSettings(axis.drive(), axis.driveSheet())
          .inputFor(Meaning.ENABLE.word())
          .ifPresent(t -> permits.add(new TerminalRef(drive, t)));
      inputs =
          permits.stream().filter(i -> axis.wires().stream().anyMatch(w -> w.touches(i))).toList();
    }

    /** Each switch in each other position, by what is operated in words. */
    Map<String, CommandState> operated() {
      Map<String, CommandState> states = new LinkedHashMap<>();
      for (PlacedDevice device : installation.devices()) {
        if (device.sheet() instanceof PartSheet part && part.isOperatedByHand()) {
          for (String position : part.positions().subList(1, part.positions().size())) {
            states.put(
                "%s %s".formatted(device.device().name(), position),
                CommandState.REST.withPosition(device.id(), position));
          }
        }
      }
      return states;
    }

    List<PermissionLost> lost(String words, CommandState state) {
      LineSolution solution = solver.solve(state);
      List<PermissionLost> lost = new ArrayList<>();
      for (TerminalRef input : inputs) {
        if (!solution.isOn(input)) {
          lost.add(
              new PermissionLost(
                  words,
                  input,
                  solution.voltsToOwnZero(input).orElse(Double.NaN),
                  back(s -> s.isOn(input), state, solution, DEEPEST)));
        }
      }
      return lost;
    }

    /** The contact that keeps something off, then what keeps that contact's relay from closing. */
    private List<OpenContact> back(
        Predicate<LineSolution> on, CommandState state, LineSolution solution, int depth) {
      for (PlacedDevice device : installation.devices()) {
        if (!(device.sheet() instanceof PartSheet part)) {
          continue;
        }
        for (Terminal terminal : part.terminals()) {
          TerminalRef contact = device.ref(terminal.id());
          if (isContact(terminal)
              && on.test(solver.solve(state, List.of(new WiringFault.StuckClosed(contact))))) {
            List<OpenContact> way = new ArrayList<>();
            way.add(open(device, part, terminal, state, solution));
            boolean isReleased = terminal.closedIn().contains(PartSheet.ENERGISED);
            if (part.isDriven() && isReleased && depth > 0) {
              way.addAll(driven(device, part, state, solution, depth));
            }
            return way;
          }
        }
      }
      return List.of();
    }

    private static boolean isContact(Terminal terminal) {
      return terminal.common() != null && !terminal.closedIn().isEmpty();
    }

    private List<OpenContact> driven(
        PlacedDevice device, PartSheet part, CommandState state, LineSolution solution, int depth) {
      if (part.hasCoil()) {
        return back(s -> s.isEnergised(device.id()), state, solution, depth - 1);
      }
      return part.terminals().stream()
          .filter(t -> t.role() == TerminalRole.SAFETY_INPUT)
          .map(t -> device.ref(t.id()))
          .filter(t -> installation.wires().stream().anyMatch(w -> w.touches(t)))
          .filter(t -> !solution.isOn(t))
          .findFirst()
          .map(t -> back(s -> s.isOn(t), state, solution, depth - 1))
          .orElse(List.of());
    }

    private OpenContact open(
        PlacedDevice device,
        PartSheet part,
        Terminal terminal,
        CommandState state,
        LineSolution solution) {
      double one = solution.voltsToGround(device.ref(terminal.id()));
      double other = solution.voltsToGround(device.ref(String.valueOf(terminal.common())));
      String position =
          part.isDriven()
              ? solution.isEnergised(device.id()) ? PartSheet.ENERGISED : PartSheet.RELEASED
              : state.position(device.id(), part.positions().get(0));
      return new OpenContact(
          device.device().name(),
          position,
          "%s–%s".formatted(terminal.id(), terminal.common()),
          Math.max(one, other),
          Math.min(one, other));
    }
  }
}
