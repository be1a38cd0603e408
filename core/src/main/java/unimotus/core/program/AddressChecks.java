package unimotus.core.program;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Controller;
import unimotus.core.machine.IoAddress;
import unimotus.core.machine.IoAddress.Location;
import unimotus.core.machine.IoAddress.Width;
import unimotus.core.sheet.AddressCounting;
import unimotus.core.sheet.ControllerSheet;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;

/** Addresses of a controller's channels against what the channels are, and against each other. */
public final class AddressChecks {
  private AddressChecks() {}

  /** Findings about the channels an axis uses; possibly empty. */
  public static List<Finding> check(AxisAssembly axis) {
    List<Finding> found = new ArrayList<>();
    for (String terminal : used(axis)) {
      doubt(axis.controller(), axis.controllerSheet(), terminal)
          .ifPresent(doubt -> found.add(finding(axis, terminal, doubt)));
    }
    return found;
  }

  /** The channels of the controller that the wires of an axis end on, and its analog points. */
  private static Set<String> used(AxisAssembly axis) {
    Set<String> used = new TreeSet<>();
    String controller = axis.controller().id();
    axis.wires().stream()
        .flatMap(w -> java.util.stream.Stream.of(w.from(), w.to()))
        .filter(end -> end.device().equals(controller))
        .forEach(end -> used.add(end.terminal()));
    Optional.ofNullable(axis.axis().reference().output()).ifPresent(used::add);
    Optional.ofNullable(axis.axis().answer().input()).ifPresent(used::add);
    used.retainAll(axis.controller().addresses().keySet());
    return used;
  }

  private static Finding finding(AxisAssembly axis, String terminal, String doubt) {
    return new Finding(
        Severity.ERROR,
        Rule.IO_ADDRESS,
        "axis/%s/controller/%s".formatted(axis.axis().id(), terminal),
        doubt,
        "The program writes or reads another channel than the wires end on.",
        "Read the addresses in the controller's own configuration.");
  }

  /** What is wrong with the address of a channel, in words; empty where nothing is, or none is. */
  static Optional<String> doubt(Controller controller, ControllerSheet sheet, String terminal) {
    IoAddress address = controller.addresses().get(terminal);
    if (address == null) {
      return Optional.empty();
    }
    Optional<Terminal> channel = sheet.terminal(terminal);
    if (channel.isEmpty()) {
      return Optional.of("%s has no channel '%s'".formatted(controller.name(), terminal));
    }
    return kind(terminal, address, channel.get().role())
        .or(() -> bit(terminal, address, sheet))
        .or(() -> shared(controller, sheet, terminal, address));
  }

  private static Optional<String> kind(String terminal, IoAddress address, TerminalRole role) {
    boolean analog = role == TerminalRole.ANALOG_OUTPUT || role == TerminalRole.ANALOG_INPUT;
    boolean output = role == TerminalRole.ANALOG_OUTPUT || role.isBinaryOutput();
    if (!analog && !output && !role.isBinaryInput()) {
      return Optional.of("%s at %s is no channel".formatted(terminal, address));
    }
    Location location = output ? Location.OUTPUT : Location.INPUT;
    Width width = analog ? Width.WORD : Width.BIT;
    return address.location() == location && address.width() == width
        ? Optional.empty()
        : Optional.of(
            "%s at %s: %s takes %s"
                .formatted(
                    terminal,
                    address,
                    role.label(),
                    "%"
                        + (output ? "Q" : "I")
                        + (analog ? "W and a number" : "X, a number and a bit")));
  }

  private static Optional<String> bit(String terminal, IoAddress address, ControllerSheet sheet) {
    AddressCounting counting = sheet.addresses();
    return counting == null || address.isWithin(counting)
        ? Optional.empty()
        : Optional.of(
            "%s at %s: the addresses of this controller count %s, of %d bits each"
                .formatted(terminal, address, counting.label(), counting.unitBits()));
  }

  private static Optional<String> shared(
      Controller controller, ControllerSheet sheet, String terminal, IoAddress address) {
    for (Map.Entry<String, IoAddress> other : controller.addresses().entrySet()) {
      if (other.getKey().equals(terminal)) {
        continue;
      }
      boolean bytes = address.overlaps(other.getValue(), AddressCounting.BYTES);
      boolean words = address.overlaps(other.getValue(), AddressCounting.WORDS);
      AddressCounting counting = sheet.addresses();
      if (counting == null && bytes != words) {
        return Optional.of(
            "%s at %s and %s at %s share a bit if addresses count %s; the sheet does not say"
                .formatted(
                    terminal,
                    address,
                    other.getKey(),
                    other.getValue(),
                    bytes ? AddressCounting.BYTES.label() : AddressCounting.WORDS.label()));
      }
      if (counting == AddressCounting.WORDS ? words : bytes) {
        return Optional.of(
            "%s at %s shares a bit with %s at %s"
                .formatted(terminal, address, other.getKey(), other.getValue()));
      }
    }
    return Optional.empty();
  }
}
