package unimotus.core.wiring;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import unimotus.core.machine.Condition;
import unimotus.core.machine.TerminalRef;

/**
 * What is commanded at one moment: outputs on, analog outputs set, switches and drives in a
 * position. Immutable.
 *
 * @param on binary outputs commanded on
 * @param signals analog outputs in volts or milliamps of their range, and wipers in percent
 * @param positions positions of switches and states of drives by device id; what is not named is at
 *     rest
 */
public record CommandState(
    Set<TerminalRef> on, Map<TerminalRef, Double> signals, Map<String, String> positions) {
  /** Nothing commanded, everything at rest. */
  public static final CommandState REST = new CommandState(Set.of(), Map.of(), Map.of());

  /** State of a drive with nothing wrong and no run command. */
  public static final String READY = "ready";

  /** State of a drive whose supply is off. */
  public static final String NO_POWER = "no power";

  /** State of a drive whose safe torque off is demanded, or whose enable is open. */
  public static final String NOT_PERMITTED = "not permitted";

  /** State of a drive that turns its motor. */
  public static final String RUNNING = "running";

  /** State of a drive that found a fault. */
  public static final String FAULT = "fault";

  /** States a drive can be in, the rest state first. */
  public static final List<String> DRIVE_STATES =
      List.of(READY, RUNNING, "at-speed", NOT_PERMITTED, FAULT, NO_POWER);

  /** Everything an output of a drive may show of it, which a condition may ask for. */
  public static List<String> shownStates() {
    List<String> states = new ArrayList<>(DRIVE_STATES);
    states.addAll(List.of("healthy", "sto-healthy", "brake-release", "sto-active"));
    return states;
  }

  /** Takes copies. */
  public CommandState {
    on = Set.copyOf(on);
    signals = Map.copyOf(signals);
    positions = Map.copyOf(positions);
  }

  /** Whether an output is commanded on. */
  public boolean isOn(TerminalRef output) {
    return on.contains(output);
  }

  /** What an analog output is set to; empty where nothing was said. */
  public OptionalDouble signal(TerminalRef output) {
    Double value = signals.get(output);
    return value == null ? OptionalDouble.empty() : OptionalDouble.of(value);
  }

  /** The position of a device; {@code rest} where nothing was said. */
  public String position(String device, String rest) {
    return positions.getOrDefault(device, rest);
  }

  /** This state with one output on or off. */
  public CommandState with(TerminalRef output, boolean isOn) {
    Set<TerminalRef> next = new HashSet<>(on);
    if (isOn) {
      next.add(output);
    } else {
      next.remove(output);
    }
    return new CommandState(next, signals, positions);
  }

  /** This state with an analog output or a wiper set. */
  public CommandState withSignal(TerminalRef output, double value) {
    Map<TerminalRef, Double> next = new HashMap<>(signals);
    next.put(output, value);
    return new CommandState(on, next, positions);
  }

  /** This state with a device in a position. */
  public CommandState withPosition(String device, String position) {
    Map<String, String> next = new HashMap<>(positions);
    next.put(device, position);
    return new CommandState(on, signals, next);
  }

  /** This state with a condition brought about: an output on, or a position taken. */
  public CommandState with(Condition condition, boolean isOutput) {
    return isOutput
        ? with(new TerminalRef(condition.device(), condition.state()), true)
        : withPosition(condition.device(), condition.state());
  }
}
