package unimotus.core.way.analog.local;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import unimotus.core.link.LinkIntent;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.LocalReference;
import unimotus.core.machine.Reference;
import unimotus.core.path.PathFindings;
import unimotus.core.proof.Part;
import unimotus.core.way.CommandLink;
import unimotus.core.way.WayOfCommand;

/** A value entered at the drive's keypad. */
public final class KeypadWay implements WayOfCommand {

  @Override
  public String name() {
    return "by the keypad";
  }

  @Override
  public boolean isChosen(AxisAssembly axis) {
    return axis.axis().reference().local() == LocalReference.KEYPAD;
  }

  @Override
  public Optional<String> fault(AxisAssembly axis) {
    Reference reference = axis.axis().reference();
    String terminal = reference.output() == null ? reference.input() : reference.output();
    return terminal == null
        ? Optional.empty()
        : Optional.of("it is set by the keypad, and %s is chosen as well".formatted(terminal));
  }

  @Override
  public void checkWires(AxisAssembly axis, PathFindings findings) {
    // A keypad has none.
  }

  @Override
  public List<LinkIntent> intents() {
    return List.of(LocalIntent.KEYPAD);
  }

  @Override
  public Map<Part, String> design(AxisAssembly axis) {
    return isChosen(axis) ? Map.of(Part.PROGRAM, LocalReference.KEYPAD.name()) : Map.of();
  }

  @Override
  public CommandLink link(AxisAssembly axis) {
    return KeypadLink.of(axis, Mode.ALWAYS);
  }
}
