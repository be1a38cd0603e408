package unimotus.core.discrete;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import unimotus.core.finding.Rule;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Nets;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.machine.WireMake;
import unimotus.core.sheet.ControllerSheet;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.Figure;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.Selector;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.SettingValue;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;

/** The changes worth trying for a reading that is not as meant, the likeliest first. */
final class Mends {
  private static final double NEGLIGIBLE = 1e-6;
  private static final double UNLIMITED_AMPERES = 10;

  private final AxisAssembly axis;
  private final AxisTerminals terminals;
  private final Nets nets;

  Mends(AxisAssembly axis) {
    this.axis = axis;
    this.terminals = new AxisTerminals(axis);
    this.nets = new Nets(axis.wires());
  }

  /** All changes, for an input that reads wrong; possibly empty. */
  List<Mend> forInput(TerminalRef input, List<TerminalRef> alsoWrong) {
    List<Mend> mends = new ArrayList<>();
    selector().ifPresent(mends::add);
    joinedCommons().ifPresent(mends::add);
    mends.addAll(fedContacts(input));
    level().ifPresent(mends::add);
    mends.addAll(swapped(input, alsoWrong));
    mends.add(shortWires());
    mends.add(noLeakage());
    mends.add(strongSupply());
    return mends;
  }

  private Optional<Mend> selector() {
    Optional<Selector> selector = axis.driveSheet().selector(SelectorRole.INPUT_LOGIC);
    return selector.map(
        s -> {
          boolean source =
              terminals.settings().is(SelectorRole.INPUT_LOGIC, Option.SOURCE, Option.SOURCE);
          String now = (source ? Option.SOURCE : Option.SINK).word();
          String other = (source ? Option.SINK : Option.SOURCE).word();
          return new Mend(
              Rule.SOURCE_SINK,
              "the drive's inputs are set to " + now,
              "A sourcing output needs an input that wants +24 V, a sinking one an input fed from the drive.",
              "Put the input selector to %s, with the drive switched off, and check the common."
                  .formatted(other),
              a -> a.with(a.drive().withSelector(s.id(), other)));
        });
  }

  private Optional<Mend> joinedCommons() {
    Optional<TerminalRef> common = terminals.inputCommon();
    Optional<TerminalRef> zero = terminals.controllerZero();
    if (common.isEmpty() || zero.isEmpty() || nets.joined(common.get(), zero.get())) {
      return Optional.empty();
    }
    return Optional.of(
        new Mend(
            Rule.NO_COMMON,
            "%s of the drive and %s of the controller are not connected"
                .formatted(common.get().terminal(), zero.get().terminal()),
            "The current has no way back: the input floats and reads off or at random.",
            "Connect %s to %s.".formatted(common.get().terminal(), zero.get().terminal()),
            joined(zero.get(), common.get())));
  }

  /** Contacts on the input's net whose fed side hangs in the air. */
  private List<Mend> fedContacts(TerminalRef input) {
    boolean source =
        terminals.settings().is(SelectorRole.INPUT_LOGIC, Option.SOURCE, Option.SOURCE);
    Optional<TerminalRef> feed = source ? terminals.driveSupply() : terminals.inputCommon();
    List<Mend> mends = new ArrayList<>();
    for (TerminalRef output : nets.joinedWith(input, terminals.binaryOutputs())) {
      Terminal contact = terminals.controllerTerminal(output);
      if (contact.role() == TerminalRole.RELAY_CONTACT && contact.common() != null) {
        TerminalRef fed = terminals.onController(contact.common());
        feed.filter(f -> !nets.joined(f, fed))
            .map(f -> feedMend(contact, fed, f))
            .ifPresent(mends::add);
      }
    }
    return mends;
  }

  private Mend feedMend(Terminal contact, TerminalRef fed, TerminalRef feed) {
    return new Mend(
        Rule.NO_COMMON,
        "the contact %s is not fed: %s is not connected to %s"
            .formatted(contact.id(), fed.terminal(), feed.terminal()),
        "A dry contact passes on only what it is given; the input never sees a voltage.",
        "Connect %s to %s of the drive.".formatted(fed.terminal(), feed.terminal()),
        joined(feed, fed));
  }

  private static UnaryOperator<AxisAssembly> joined(TerminalRef from, TerminalRef to) {
    return a -> {
      List<Wire> wires = new ArrayList<>(a.wires());
      wires.add(new Wire("in-thought", from, to));
      return a.withWires(wires);
    };
  }

  private Optional<Mend> level() {
    boolean low =
        terminals.settings().is(SettingRole.INPUT_LEVEL, Option.ACTIVE_LOW, Option.ACTIVE_HIGH);
    return axis.driveSheet()
        .setting(SettingRole.INPUT_LEVEL)
        .filter(s -> low)
        .map(
            s ->
                new Mend(
                    Rule.INPUT_LEVEL,
                    "the drive's inputs are set active low",
                    "An open contact or a wire break then means run.",
                    "Set the level to active high; agree the level with the selector before power.",
                    a ->
                        a.with(
                            a.drive()
                                .withSetting(s.code(), new SettingValue.Choice("active-high")))));
  }

  /** Two wires of the drive with their ends exchanged. */
  private List<Mend> swapped(TerminalRef input, List<TerminalRef> alsoWrong) {
    List<Mend> mends = new ArrayList<>();
    for (TerminalRef other : alsoWrong) {
      if (!other.equals(input) && other.device().equals(input.device())) {
        mends.add(
            new Mend(
                Rule.SWAPPED,
                "the wires on %s and %s are exchanged"
                    .formatted(input.terminal(), other.terminal()),
                "Each command does what the other should do.",
                "Swap the two wires at the drive.",
                a ->
                    a.withWires(a.wires().stream().map(w -> exchanged(w, input, other)).toList())));
      }
    }
    return mends;
  }

  private static Wire exchanged(Wire wire, TerminalRef one, TerminalRef other) {
    TerminalRef from = swap(wire.from(), one, other);
    TerminalRef to = swap(wire.to(), one, other);
    return from.equals(to) ? wire : wire.withEnds(from, to);
  }

  private static TerminalRef swap(TerminalRef end, TerminalRef one, TerminalRef other) {
    return end.equals(one) ? other : end.equals(other) ? one : end;
  }

  private Mend shortWires() {
    return new Mend(
        Rule.VOLTAGE_DROP,
        "the wires lose too much voltage over their length",
        "The input sees less than it needs to read on.",
        "Take a larger conductor, a shorter way, or an interposing relay at the drive.",
        a -> a.withWires(a.wires().stream().map(w -> w.withMake(WireMake.PLAIN)).toList()));
  }

  private Mend noLeakage() {
    return new Mend(
        Rule.LEAKAGE,
        "what the output lets through when it is off keeps the input from reading off",
        "The input may read on, or either way, with the output off.",
        "Put a resistor across the input that takes the leakage, or use a contact.",
        a -> a.withControllerSheet(tight(a.controllerSheet())));
  }

  private static ControllerSheet tight(ControllerSheet sheet) {
    return sheet.withTerminals(
        sheet.terminals().stream().map(t -> with(t, Figure.LEAKAGE_AMPERES, NEGLIGIBLE)).toList());
  }

  private Mend strongSupply() {
    return new Mend(
        Rule.SUPPLY_OVERLOAD,
        "the drive's 24 V gives all it can and its voltage breaks down",
        "Every input fed from it sees too little.",
        "Feed the inputs and everything else connected to it from a separate supply.",
        a -> a.withDriveSheet(strong(a.driveSheet())));
  }

  private static DriveSheet strong(DriveSheet sheet) {
    return sheet.withTerminals(
        sheet.terminals().stream()
            .map(
                t ->
                    t.role() == TerminalRole.SUPPLY_24V
                        ? with(t, Figure.LIMIT_AMPERES, UNLIMITED_AMPERES)
                        : t)
            .toList());
  }

  private static Terminal with(Terminal terminal, Figure figure, double value) {
    if (!terminal.role().typical().containsKey(figure)) {
      return terminal;
    }
    var figures = new TreeMap<>(terminal.electrical());
    figures.put(figure.key(), value);
    return new Terminal(
        terminal.id(),
        terminal.label(),
        terminal.role(),
        terminal.common(),
        figures,
        terminal.closedIn());
  }
}
