package unimotus.core.discrete;

import java.util.List;
import java.util.Optional;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.machine.TerminalRef;
import unimotus.core.sheet.DeviceSheet;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;

/** The terminals of an axis by what they do, named with their device. */
record AxisTerminals(AxisAssembly axis) {

  EffectiveSettings settings() {
    return new EffectiveSettings(axis.drive(), axis.driveSheet());
  }

  TerminalRef onDrive(String terminal) {
    return new TerminalRef(axis.drive().id(), terminal);
  }

  TerminalRef onController(String terminal) {
    return new TerminalRef(axis.controller().id(), terminal);
  }

  /** The drive's input for a function; empty where none is set to it. */
  Optional<TerminalRef> input(String function) {
    return settings().inputFor(function).map(this::onDrive);
  }

  /** The shared return of the drive's binary inputs. */
  Optional<TerminalRef> inputCommon() {
    return first(axis.driveSheet(), TerminalRole.INPUT_COMMON).map(this::onDrive);
  }

  Optional<TerminalRef> driveSupply() {
    return first(axis.driveSheet(), TerminalRole.SUPPLY_24V).map(this::onDrive);
  }

  Optional<TerminalRef> controllerZero() {
    return first(axis.controllerSheet(), TerminalRole.COMMON_0V).map(this::onController);
  }

  Optional<TerminalRef> controllerSupply() {
    return first(axis.controllerSheet(), TerminalRole.SUPPLY_24V).map(this::onController);
  }

  /** Every binary output of the controller. */
  List<TerminalRef> binaryOutputs() {
    return axis.controllerSheet().terminals().stream()
        .filter(t -> t.role().isBinaryOutput())
        .map(t -> onController(t.id()))
        .toList();
  }

  /** The sheet's terminal behind a point of the controller. */
  Terminal controllerTerminal(TerminalRef ref) {
    return axis.controllerSheet().terminal(ref.terminal()).orElseThrow();
  }

  List<TerminalRef> safeTorqueOff() {
    return axis.driveSheet().terminals().stream()
        .filter(t -> t.role() == TerminalRole.SAFE_TORQUE_OFF)
        .map(t -> onDrive(t.id()))
        .toList();
  }

  private static Optional<String> first(DeviceSheet sheet, TerminalRole role) {
    return sheet.first(role).map(Terminal::id);
  }
}
