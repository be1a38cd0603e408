package unimotus.core.way.analog;

import java.util.Optional;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Nets;
import unimotus.core.machine.TerminalRef;
import unimotus.core.path.PathFindings;
import unimotus.core.sheet.DeviceSheet;
import unimotus.core.sheet.Terminal;

/** Whether signal and return of an analog reference are joined. */
final class ReferenceWires {
  private final AxisAssembly axis;
  private final Nets nets;
  private final PathFindings findings;

  ReferenceWires(AxisAssembly axis, PathFindings findings) {
    this.axis = axis;
    this.nets = new Nets(axis.wires());
    this.findings = findings;
  }

  void check() {
    String output = axis.axis().reference().output();
    String input = axis.axis().reference().input();
    if (output == null || input == null) {
      findings.addUnwired(
          "no %s is chosen for the reference"
              .formatted(output == null ? "output point" : "drive input"));
    } else if (!nets.joined(onController(output), onDrive(input))) {
      findings.addUnwired(
          "%s of the controller and %s of the drive are not connected".formatted(output, input));
    } else if (!returns(output, input)) {
      findings.addUnwired("the returns of %s and %s are not connected".formatted(output, input));
    }
  }

  private boolean returns(String output, String input) {
    Optional<TerminalRef> sent = common(axis.controllerSheet(), output).map(this::onController);
    Optional<TerminalRef> received = common(axis.driveSheet(), input).map(this::onDrive);
    return sent.isPresent() && received.isPresent() && nets.joined(sent.get(), received.get());
  }

  private static Optional<String> common(DeviceSheet sheet, String terminal) {
    return sheet.terminal(terminal).map(Terminal::common);
  }

  private TerminalRef onController(String terminal) {
    return new TerminalRef(axis.controller().id(), terminal);
  }

  private TerminalRef onDrive(String terminal) {
    return new TerminalRef(axis.drive().id(), terminal);
  }
}
