package unimotus.core.wiring;

import static unimotus.core.sheet.Figure.BURDEN_OHMS;
import static unimotus.core.sheet.Figure.DROP_VOLTS;
import static unimotus.core.sheet.Figure.FORWARD_VOLTS;
import static unimotus.core.sheet.Figure.INPUT_OHMS;
import static unimotus.core.sheet.Figure.LEAKAGE_AMPERES;
import static unimotus.core.sheet.Figure.LEAST_OHMS;
import static unimotus.core.sheet.Figure.LIMIT_AMPERES;
import static unimotus.core.sheet.Figure.MOST_OHMS;
import static unimotus.core.sheet.Figure.OHMS;
import static unimotus.core.sheet.Figure.VOLTS;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import unimotus.core.analog.SignalRange;
import unimotus.core.circuit.Characteristic;
import unimotus.core.circuit.Law;
import unimotus.core.machine.TerminalRef;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.PartSheet;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;

/** The electrical models of one device's terminals in one state, as branches. */
final class DeviceLaws {
  /** Resistance of a clean closed contact (common practice). */
  private static final double CONTACT_OHMS = 0.05;

  private static final double JUMPER_OHMS = 0.01;
  private static final double BODY_DIODE_VOLTS = 0.7;
  private static final double BODY_DIODE_OHMS = 1;
  private static final double RATED_VOLTS = 24;
  private static final double OUTPUT_OHMS = 1;
  private static final double TOP_AMPERES = 0.020;

  private static final List<String> MOVING_STATES = List.of(CommandState.RUNNING, "at-speed");
  private static final List<String> READY_STATES =
      List.of(CommandState.READY, CommandState.RUNNING, "at-speed");

  /** Share of the least load's current at which a voltage output gives up. */
  private static final double VOLTAGE_OUTPUT_MARGIN = 2;

  /**
   * One branch of a terminal.
   *
   * @param suffix empty for the branch that stands for the terminal, a word for others
   */
  record Element(String suffix, TerminalRef from, TerminalRef to, Law law) {}

  private final PlacedDevice device;
  private final CommandState state;
  private final boolean energised;
  private final boolean powered;
  private final boolean pulsesLow;
  private @Nullable String known;

  DeviceLaws(PlacedDevice device, CommandState state, boolean energised, Power power) {
    this.device = device;
    this.state = state;
    this.energised = energised;
    this.powered = power != Power.OFF && !position().equals(CommandState.NO_POWER);
    this.pulsesLow = power == Power.PULSES_LOW;
  }

  /** Whether a terminal is joined inside the device although no wire ends on it. */
  boolean isTied(Terminal terminal) {
    return terminal.role() == TerminalRole.SAFE_TORQUE_OFF && jumperFitted();
  }

  private boolean jumperFitted() {
    return device.is(SelectorRole.STO_JUMPER, Option.FITTED, Option.REMOVED);
  }

  /**
   * The branches of a terminal; empty for a plain conductor.
   *
   * @param held whether a fault holds a contact closed or open; empty for a sound one
   */
  List<Element> branches(Terminal terminal, Optional<Boolean> held) {
    List<Element> found = new ArrayList<>();
    TerminalRef ref = device.ref(terminal.id());
    Optional<TerminalRef> common = device.commonOf(terminal);
    if (common.isEmpty()) {
      return found;
    }
    TerminalRef back = common.get();
    switch (terminal.role()) {
      case SUPPLY_24V -> found.add(new Element("", ref, back, supply(terminal, mainsShare())));
      case REFERENCE_10V -> found.add(new Element("", ref, back, supply(terminal, 1)));
      case TEST_PULSE_OUTPUT ->
          found.add(new Element("", ref, back, supply(terminal, pulsesLow ? 0 : 1)));
      case DIGITAL_INPUT -> found.add(input(terminal, ref, back));
      case EITHER_WAY_INPUT ->
          found.add(
              new Element(
                  "",
                  ref,
                  back,
                  Characteristic.eitherWay(
                      terminal.figure(FORWARD_VOLTS),
                      terminal.figure(INPUT_OHMS),
                      terminal.figure(LIMIT_AMPERES))));
      case SAFETY_INPUT, RESET_INPUT, POWER_INPUT ->
          found.add(
              isFedFromPlus(terminal)
                  ? resistor(back, ref, terminal.figure(INPUT_OHMS))
                  : resistor(ref, back, terminal.figure(INPUT_OHMS)));
      case SAFETY_OUTPUT ->
          found.add(
              safetyOutput(
                  terminal, ref, back, held.orElse(isClosed(terminal) && isFed() && !pulsesLow)));
      case SAFE_TORQUE_OFF -> safeTorqueOff(terminal, ref, back, found);
      case SOURCING_OUTPUT -> transistor(terminal, back, ref, ref, found);
      case SINKING_OUTPUT -> transistor(terminal, ref, back, ref, found);
      case PULSE_OUTPUT -> pulses(terminal, ref, back, found);
      case LINE_DRIVER -> found.add(lineDriver(terminal, ref, back));
      case OPTO_INPUT ->
          found.add(
              new Element(
                  "",
                  ref,
                  back,
                  Characteristic.diode(
                      terminal.figure(FORWARD_VOLTS), terminal.figure(INPUT_OHMS))));
      case RELAY_CONTACT ->
          found.add(
              new Element(
                  "",
                  ref,
                  back,
                  held.orElse(isClosed(terminal))
                      ? Characteristic.resistor(CONTACT_OHMS)
                      : Law.OPEN));
      case COIL, FUSE, RESISTOR -> found.add(resistor(ref, back, terminal.figure(OHMS)));
      case TRACK -> track(terminal, ref, back, found);
      case ANALOG_INPUT -> found.add(resistor(ref, back, inputOhms(terminal)));
      case ANALOG_OUTPUT -> found.add(new Element("", ref, back, analogOutput(terminal, ref)));
      default -> {}
    }
    return found;
  }

  /**
   * Whether the input hangs on the device's plus: the channel of opposite polarity, which is on
   * while its terminal is at 0 V.
   */
  private boolean isFedFromPlus(Terminal input) {
    return Optional.ofNullable(input.common())
        .flatMap(c -> device.sheet().terminal(c))
        .filter(
            c ->
                c.role() == TerminalRole.POWER_INPUT
                    || c.role() == TerminalRole.SUPPLY_24V
                    || c.role() == TerminalRole.TEST_PULSE_OUTPUT)
        .isPresent();
  }

  private static Element resistor(TerminalRef from, TerminalRef to, double ohms) {
    return new Element("", from, to, Characteristic.resistor(ohms));
  }

  private Law supply(Terminal terminal, double share) {
    double volts = terminal.figure(VOLTS) * share;
    return powered && volts > 0
        ? Characteristic.supply(volts, terminal.figure(OHMS), terminal.figure(LIMIT_AMPERES))
        : Law.OPEN;
  }

  /**
   * A supply set for 230 V and fed with 115 gives half; one set for 115 V and fed with 230 gives
   * nothing ever again (common practice).
   */
  private double mainsShare() {
    double set = mains(SelectorRole.MAINS_VOLTAGE);
    double fed = mains(SelectorRole.MAINS_FEED);
    return fed > 1.2 * set ? 0 : Math.min(1, fed / set);
  }

  private double mains(SelectorRole role) {
    return Double.parseDouble(device.selector(role, "230 V").replace(" V", ""));
  }

  private Element input(Terminal terminal, TerminalRef ref, TerminalRef common) {
    Law law =
        Characteristic.limitedDiode(
            terminal.figure(FORWARD_VOLTS),
            terminal.figure(INPUT_OHMS),
            terminal.figure(LIMIT_AMPERES));
    if (device.inputsAreSource()) {
      return new Element("", ref, common, law);
    }
    return new Element("", device.supply().orElse(common), ref, law);
  }

  /** On it conducts from its feed; off, and in its own test pulse, it only leaks. */
  private Element safetyOutput(
      Terminal terminal, TerminalRef ref, TerminalRef feed, boolean closed) {
    double limit = terminal.figure(LIMIT_AMPERES);
    Law law =
        closed
            ? Characteristic.limitedDiode(0, terminal.figure(DROP_VOLTS) / limit, limit)
            : Characteristic.resistor(RATED_VOLTS / terminal.figure(LEAKAGE_AMPERES));
    return new Element("", feed, ref, law);
  }

  private void safeTorqueOff(
      Terminal terminal, TerminalRef ref, TerminalRef zero, List<Element> found) {
    found.add(resistor(ref, zero, terminal.figure(INPUT_OHMS)));
    if (jumperFitted()) {
      device
          .supply()
          .ifPresent(
              s -> found.add(new Element(" jumper", s, ref, Characteristic.resistor(JUMPER_OHMS))));
    }
  }

  /**
   * A transistor switch conducts from {@code high} to {@code low}; off it leaks like a resistor,
   * and its body diode always conducts the other way round.
   */
  private void transistor(
      Terminal terminal, TerminalRef high, TerminalRef low, TerminalRef ref, List<Element> found) {
    double limit = terminal.figure(LIMIT_AMPERES);
    Law law =
        conducts(ref, terminal)
            ? Characteristic.limitedDiode(0, terminal.figure(DROP_VOLTS) / limit, limit)
            : Characteristic.resistor(RATED_VOLTS / terminal.figure(LEAKAGE_AMPERES));
    found.add(new Element("", high, low, law));
    found.add(
        new Element(
            " body diode", low, high, Characteristic.diode(BODY_DIODE_VOLTS, BODY_DIODE_OHMS)));
  }

  /** That of a switch follows its position, that of a controller or drive its command. */
  private boolean conducts(TerminalRef ref, Terminal terminal) {
    return terminal.closedIn().isEmpty()
        ? powered && isOn(ref, terminal)
        : isFed() && terminal.closedIn().contains(position());
  }

  /** Sinking, from its terminal to 0 V; sourcing, from the device's plus, or at a lower voltage. */
  private void pulses(Terminal terminal, TerminalRef ref, TerminalRef zero, List<Element> found) {
    Optional<TerminalRef> plus = device.supply();
    if (device.is(SelectorRole.OUTPUT_LOGIC, Option.SINK, Option.SINK)) {
      transistor(terminal, ref, zero, ref, found);
    } else if (lowVolts() > 0) {
      boolean isOn = powered && isOn(ref, terminal);
      double limit = terminal.figure(LIMIT_AMPERES);
      double ohms = terminal.figure(DROP_VOLTS) / limit;
      found.add(
          new Element(
              "",
              ref,
              zero,
              isOn
                  ? Characteristic.supply(lowVolts(), ohms, limit)
                  : Characteristic.resistor(RATED_VOLTS / terminal.figure(LEAKAGE_AMPERES))));
    } else {
      plus.ifPresent(p -> transistor(terminal, p, ref, ref, found));
    }
  }

  /** The voltage its pulse outputs are switched to, where that is under their supply; else 0. */
  private double lowVolts() {
    String set = device.selector(SelectorRole.OUTPUT_VOLTS, "24 V");
    double volts = Double.parseDouble(set.replace(" V", ""));
    return volts < RATED_VOLTS ? volts : 0;
  }

  /** The voltage between its ends turns round with the state; without power there is none. */
  private Element lineDriver(Terminal terminal, TerminalRef ref, TerminalRef inverted) {
    if (!powered) {
      return new Element("", ref, inverted, Law.OPEN);
    }
    Law law =
        Characteristic.supply(
            terminal.figure(VOLTS), terminal.figure(OHMS), terminal.figure(LIMIT_AMPERES));
    return isOn(ref, terminal)
        ? new Element("", ref, inverted, law)
        : new Element("", inverted, ref, law);
  }

  private boolean isOn(TerminalRef ref, Terminal terminal) {
    String shows = device.choice(SettingRole.OUTPUT_FUNCTION, terminal.id(), "");
    return shows.isEmpty() ? state.isOn(ref) : shows(shows, position());
  }

  private boolean isFed() {
    return energised || !(device.sheet() instanceof PartSheet part && part.needsFeed());
  }

  private boolean isClosed(Terminal contact) {
    if (contact.closedIn().isEmpty()) {
      return powered && isOn(device.ref(contact.id()), contact);
    }
    return contact.closedIn().contains(position());
  }

  private String position() {
    if (known == null) {
      known = positionOf();
    }
    return known;
  }

  private String positionOf() {
    if (device.sheet() instanceof PartSheet part) {
      String rest = part.positions().isEmpty() ? "" : part.positions().get(0);
      return part.isDriven()
          ? energised ? PartSheet.ENERGISED : PartSheet.RELEASED
          : state.position(device.id(), rest);
    }
    return state.position(device.id(), CommandState.READY);
  }

  /** Whether an output set to show {@code function} is on while the drive is in a state. */
  static boolean shows(String function, String driveState) {
    return switch (function) {
      case "healthy", "sto-healthy" ->
          !driveState.equals(CommandState.FAULT) && !driveState.equals(CommandState.NO_POWER);
      case "ready" -> READY_STATES.contains(driveState);
      case "running", "brake-release" -> MOVING_STATES.contains(driveState);
      case "sto-active" -> driveState.equals(CommandState.NOT_PERMITTED);
      default -> function.equals(driveState);
    };
  }

  private void track(Terminal terminal, TerminalRef upper, TerminalRef lower, List<Element> found) {
    double ohms = terminal.figure(OHMS);
    Optional<TerminalRef> wiper =
        device.sheet().first(TerminalRole.WIPER).map(t -> device.ref(t.id()));
    if (wiper.isEmpty()) {
      found.add(resistor(upper, lower, ohms));
      return;
    }
    double share = Math.min(1, Math.max(0, state.signal(wiper.get()).orElse(0) / 100));
    double least = ohms * 1e-4;
    found.add(resistor(upper, wiper.get(), least + ohms * (1 - share)));
    found.add(
        new Element(" lower", wiper.get(), lower, Characteristic.resistor(least + ohms * share)));
  }

  private double inputOhms(Terminal terminal) {
    return device.takesCurrent(terminal.id())
        ? terminal.figure(BURDEN_OHMS)
        : terminal.figure(INPUT_OHMS);
  }

  private Law analogOutput(Terminal terminal, TerminalRef ref) {
    if (!powered) {
      return Law.OPEN;
    }
    SignalRange range = device.rangeOf(terminal.id());
    double value = state.signal(ref).orElse(range.signalAt(0));
    if (range.isCurrent()) {
      double compliance = terminal.figure(MOST_OHMS) * TOP_AMPERES + TOP_AMPERES * OUTPUT_OHMS;
      return Characteristic.currentSource(value / 1000, compliance);
    }
    double limit = VOLTAGE_OUTPUT_MARGIN * range.high() / terminal.figure(LEAST_OHMS);
    return Characteristic.limitedSource(value, OUTPUT_OHMS, limit);
  }
}
