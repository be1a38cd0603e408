package unimotus.core.way.analog.local;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import unimotus.core.link.LinkIntent;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.LocalReference;
import unimotus.core.path.PathFindings;
import unimotus.core.proof.Part;
import unimotus.core.way.CommandLink;
import unimotus.core.way.WayOfCommand;

/** A potentiometer at the drive, and nothing else. */
public final class PotentiometerWay implements WayOfCommand {

  @Override
  public String name() {
    return "by a potentiometer";
  }

  @Override
  public boolean isChosen(AxisAssembly axis) {
    return axis.axis().reference().local() == LocalReference.POTENTIOMETER;
  }

  /** Its terminals and settings are looked over with the path's. */
  @Override
  public Optional<String> fault(AxisAssembly axis) {
    return axis.axis().reference().output() == null
        ? Optional.empty()
        : Optional.of(
            "it is set by a potentiometer, and %s of the controller is chosen as well"
                .formatted(axis.axis().reference().output()));
  }

  @Override
  public void checkWires(AxisAssembly axis, PathFindings findings) {
    String input = axis.axis().reference().input();
    if (input == null) {
      findings.addUnwired("no input of the drive is chosen for the potentiometer");
    } else if (PotentiometerWires.at(axis, input).isEmpty()) {
      findings.addUnwired("no potentiometer has its wiper on %s of the drive".formatted(input));
    }
  }

  @Override
  public List<LinkIntent> intents() {
    return List.of(LocalIntent.POTENTIOMETER);
  }

  @Override
  public Map<Part, String> design(AxisAssembly axis) {
    return isChosen(axis) ? Map.of(Part.PROGRAM, LocalReference.POTENTIOMETER.name()) : Map.of();
  }

  @Override
  public CommandLink link(AxisAssembly axis) {
    return Knobs.link(axis, axis.axis().reference().input(), Mode.ALWAYS);
  }
}
