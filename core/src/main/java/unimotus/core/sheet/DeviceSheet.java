package unimotus.core.sheet;

import java.util.List;
import java.util.Optional;

/** What all sheets tell: a stable id, a class name without any maker, terminals and selectors. */
public sealed interface DeviceSheet permits ControllerSheet, DriveSheet, MotorSheet, PartSheet {

  /** The stable id projects refer to. */
  String id();

  /** The class of the device in words, such as {@code Terminal drive 4 kW}. */
  String name();

  /** The terminals in the order they sit on the device; empty for a motor plate. */
  List<Terminal> terminals();

  /** The switches, jumpers and channel choices of the device; possibly empty. */
  List<Selector> selectors();

  /** This sheet as a class of its own. */
  DeviceSheet withIdentity(String nextId, String nextName);

  /** This sheet with these terminals instead; a motor plate has none and stays as it is. */
  DeviceSheet withTerminals(List<Terminal> next);

  /** This sheet with these selectors instead; a motor plate has none and stays as it is. */
  DeviceSheet withSelectors(List<Selector> next);

  /** The terminal with this id; empty where the device has none such. */
  default Optional<Terminal> terminal(String terminalId) {
    // Plain loops here and below: circuits ask for these a million times a fault run.
    for (Terminal terminal : terminals()) {
      if (terminal.id().equals(terminalId)) {
        return Optional.of(terminal);
      }
    }
    return Optional.empty();
  }

  /** The first terminal with this role; empty where the device has none. */
  default Optional<Terminal> first(TerminalRole role) {
    for (Terminal terminal : terminals()) {
      if (terminal.role() == role) {
        return Optional.of(terminal);
      }
    }
    return Optional.empty();
  }

  /** A figure of the device as a whole, from the first terminal that gives it. */
  default Optional<Double> given(Figure figure) {
    return terminals().stream().flatMap(t -> t.given(figure).stream()).findFirst();
  }

  /** The selector that plays {@code role} for {@code terminalId}; empty where there is none. */
  default Optional<Selector> selector(SelectorRole role, String terminalId) {
    for (Selector selector : selectors()) {
      if (selector.role() == role && terminalId.equals(selector.terminal())) {
        return Optional.of(selector);
      }
    }
    return Optional.empty();
  }

  /** The selector that plays {@code role} for the whole device; empty where there is none. */
  default Optional<Selector> selector(SelectorRole role) {
    for (Selector selector : selectors()) {
      if (selector.role() == role) {
        return Optional.of(selector);
      }
    }
    return Optional.empty();
  }
}
