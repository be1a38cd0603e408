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
    return terminals().stream().filter(t -> t.id().equals(terminalId)).findFirst();
  }

  /** The first terminal with this role; empty where the device has none. */
  default Optional<Terminal> first(TerminalRole role) {
    return terminals().stream().filter(t -> t.role() == role).findFirst();
  }

  /** A figure of the device as a whole, from the first terminal that gives it. */
  default Optional<Double> given(Figure figure) {
    return terminals().stream().flatMap(t -> t.given(figure).stream()).findFirst();
  }

  /** The selector that plays {@code role} for {@code terminalId}; empty where there is none. */
  default Optional<Selector> selector(SelectorRole role, String terminalId) {
    return selectors().stream()
        .filter(s -> s.role() == role && terminalId.equals(s.terminal()))
        .findFirst();
  }

  /** The selector that plays {@code role} for the whole device; empty where there is none. */
  default Optional<Selector> selector(SelectorRole role) {
    return selectors().stream().filter(s -> s.role() == role).findFirst();
  }
}
