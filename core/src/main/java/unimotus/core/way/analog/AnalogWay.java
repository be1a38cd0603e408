package unimotus.core.way.analog;

import java.util.List;
import java.util.Optional;
import unimotus.core.link.LinkIntent;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Reference;
import unimotus.core.path.Channels;
import unimotus.core.path.PathFindings;
import unimotus.core.settings.LinkChecks;
import unimotus.core.way.CommandLink;
import unimotus.core.way.WayOfCommand;

/** A voltage or a current from the controller's output to the drive's input. */
public final class AnalogWay implements WayOfCommand {

  @Override
  public String name() {
    return "over a voltage or a current";
  }

  @Override
  public boolean isChosen(AxisAssembly axis) {
    Reference reference = axis.axis().reference();
    return reference.local() == null && (reference.output() != null || reference.input() != null);
  }

  /** An analog channel is what most axes get (common practice). */
  @Override
  public boolean isUsual() {
    return true;
  }

  /** A drive that is commanded over its link takes the reference from there. */
  @Override
  public void checkWires(AxisAssembly axis, PathFindings findings) {
    if (!LinkChecks.isCommandedByLink(axis)) {
      new ReferenceWires(axis, findings).check();
    }
  }

  /** Its terminals and settings are looked over with the path's. */
  @Override
  public Optional<String> fault(AxisAssembly axis) {
    return Optional.empty();
  }

  @Override
  public List<LinkIntent> intents() {
    return List.of(AnalogIntent.values());
  }

  @Override
  public CommandLink link(AxisAssembly axis) {
    Reference reference = axis.axis().reference();
    OutputModule module = module(axis, reference);
    double least = module.range().leastPercent();
    return new AnalogLink(
        new ProgramCounts(reference.programFullScaleCounts(), least),
        module,
        DriveEnds.input(axis, reference.input(), module.range()),
        DriveEnds.reference(axis, reference.input(), least));
  }

  private static OutputModule module(AxisAssembly axis, Reference reference) {
    String point = reference.output() == null ? OutputModule.NONE : reference.output();
    return new OutputModule(
        point,
        Channels.range(axis, point),
        Channels.fullScale(axis, point, reference.programFullScaleCounts()),
        axis.controllerSheet().converterBits());
  }
}
