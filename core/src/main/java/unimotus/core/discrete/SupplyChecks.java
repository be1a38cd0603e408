package unimotus.core.discrete;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.Nets;
import unimotus.core.machine.TerminalRef;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityText;
import unimotus.core.sheet.Figure;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.wiring.CommandState;
import unimotus.core.wiring.Installation;
import unimotus.core.wiring.LineSolution;
import unimotus.core.wiring.LineSolver;
import unimotus.core.wiring.PlacedDevice;

/**
 * Supplies, wherever their load hangs: shorted or overloaded, two on one conductor, set for another
 * mains.
 */
public final class SupplyChecks {
  /** Share of a limit from which it counts as reached. */
  static final double REACHED = 0.999;

  private SupplyChecks() {}

  /**
   * What is wrong with one supply.
   *
   * @param at the supply's terminal
   * @param other a supply it meets; null where it is alone
   */
  public record Fault(
      Severity severity,
      Rule rule,
      TerminalRef at,
      @Nullable TerminalRef other,
      String seen,
      String why,
      String remedy) {

    /** Ids of the devices it is about. */
    public Set<String> devices() {
      return Set.copyOf(List.of(at.device(), other == null ? at.device() : other.device()));
    }

    /** As a finding of an axis or of the line. */
    public Finding at(String owner) {
      String place = "%s/%s/%s".formatted(owner, at.device(), at.terminal());
      return new Finding(severity, rule, place, seen, why, remedy);
    }
  }

  /** Every fault of an installation's supplies with all outputs off; possibly empty. */
  static List<Fault> of(Installation installation) {
    List<TerminalRef> supplies = supplies(installation);
    List<Fault> found = new ArrayList<>();
    installation.devices().forEach(d -> mains(d).ifPresent(found::add));
    if (!supplies.isEmpty()) {
      LineSolution rest = new LineSolver(installation).solve(CommandState.REST);
      supplies.forEach(s -> overload(installation, rest, s).ifPresent(found::add));
    }
    parallel(new Nets(installation.wires()), supplies, found);
    return found;
  }

  private static List<TerminalRef> supplies(Installation installation) {
    List<TerminalRef> supplies = new ArrayList<>();
    for (PlacedDevice device : installation.devices()) {
      for (Terminal terminal : device.sheet().terminals()) {
        if (terminal.role() == TerminalRole.SUPPLY_24V) {
          supplies.add(device.ref(terminal.id()));
        }
      }
    }
    return supplies;
  }

  private static Optional<Fault> overload(
      Installation installation, LineSolution rest, TerminalRef supply) {
    OptionalDouble amperes = rest.delivered(supply);
    return amperes.isEmpty()
        ? Optional.empty()
        : installation
            .terminal(supply)
            .flatMap(t -> overload(supply, t, amperes.getAsDouble(), "all outputs off"));
  }

  /** Whether a supply gives all it can. */
  static Optional<Fault> overload(
      TerminalRef ref, Terminal terminal, double amperes, String state) {
    double limit = terminal.figure(Figure.LIMIT_AMPERES);
    return amperes < REACHED * limit
        ? Optional.empty()
        : Optional.of(
            new Fault(
                Severity.ERROR,
                Rule.SUPPLY_OVERLOAD,
                ref,
                null,
                "%s gives its limit of %s with %s"
                    .formatted(ref, String.format(Locale.ROOT, "%.3g mA", limit * 1000), state),
                "Its voltage breaks down, and every input it feeds sees too little.",
                "Add up its loads; feed the rest from a separate supply."));
  }

  /** Whether a supply's mains selector fits the mains it is fed with. */
  static Optional<Fault> mains(PlacedDevice device) {
    String set = device.selector(SelectorRole.MAINS_VOLTAGE, "");
    String fed = device.selector(SelectorRole.MAINS_FEED, set);
    if (set.equals(fed)) {
      return Optional.empty();
    }
    String terminal = device.sheet().first(TerminalRole.SUPPLY_24V).map(Terminal::id).orElse("+");
    return Optional.of(
        new Fault(
            Severity.ERROR,
            Rule.MAINS_SELECTOR,
            device.ref(terminal),
            null,
            "%s is set for %s and fed with %s".formatted(device.device().name(), set, fed),
            volts(fed) > volts(set)
                ? "Set too low, the supply is destroyed the moment it is switched on."
                : "Set too high, it gives half its voltage or nothing.",
            "Set the mains selector before power. Mains work is for licensed people."));
  }

  private static double volts(String position) {
    return QuantityText.parseIn("mains selector", position, MeasureUnit.VOLT_UNIT);
  }

  private static void parallel(Nets nets, List<TerminalRef> supplies, List<Fault> found) {
    Map<TerminalRef, List<TerminalRef>> before = new HashMap<>();
    for (TerminalRef supply : supplies) {
      List<TerminalRef> same =
          before.computeIfAbsent(nets.conductor(supply), c -> new ArrayList<>());
      same.forEach(one -> found.add(joined(one, supply)));
      same.add(supply);
    }
  }

  private static Fault joined(TerminalRef one, TerminalRef other) {
    return new Fault(
        Severity.WARNING,
        Rule.SUPPLIES_JOINED,
        other,
        one,
        "%s feeds the same conductor as %s".formatted(other, one),
        "The higher one carries all the load and drives current into the other; a short on one takes both.",
        "Feed from one, or connect them over a decoupling module.");
  }
}
