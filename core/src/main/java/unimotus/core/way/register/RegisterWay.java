package unimotus.core.way.register;

import java.util.Optional;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.machine.Reference;
import unimotus.core.motor.SpeedScale;
import unimotus.core.path.FrequencyLimits;
import unimotus.core.path.PathFindings;
import unimotus.core.settings.LinkChecks;
import unimotus.core.sheet.SettingRole;
import unimotus.core.value.ValueRole;
import unimotus.core.way.CommandLink;
import unimotus.core.way.WayOfCommand;
import unimotus.core.way.number.DriveNumber;
import unimotus.core.way.number.ProgramNumber;

/** A number in the register of the drive that has the role of the reference. */
public final class RegisterWay implements WayOfCommand {

  @Override
  public String name() {
    return "over a register";
  }

  @Override
  public boolean isChosen(AxisAssembly axis) {
    return !axis.isPositioned() && entry(axis).isPresent();
  }

  @Override
  public Optional<String> fault(AxisAssembly axis) {
    return entry(axis)
        .filter(e -> !SpeedScale.measures(e.unit()))
        .map(e -> "%s is counted in '%s', which tells no speed".formatted(e.name(), e.unit()));
  }

  /** A drive that takes its commands from its terminals takes the reference from there too. */
  @Override
  public void checkWires(AxisAssembly axis, PathFindings findings) {
    if (!LinkChecks.isCommandedByLink(axis)) {
      findings.addUnwired("no output point is chosen for the reference");
    }
  }

  /** Empty where an analog channel is chosen, or the drive has no such register. */
  private static Optional<RegisterEntry> entry(AxisAssembly axis) {
    Reference reference = axis.axis().reference();
    return reference.output() != null || reference.input() != null || reference.local() != null
        ? Optional.empty()
        : axis.record()
            .fieldbus()
            .map()
            .entry(ValueRole.REFERENCE)
            .filter(e -> e.access().isWritable())
            .filter(e -> !e.type().isText() && !e.table().isBits());
  }

  @Override
  public CommandLink link(AxisAssembly axis) {
    RegisterEntry entry = entry(axis).orElseThrow();
    EffectiveSettings settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
    Reference reference = axis.axis().reference();
    SpeedScale speeds = SpeedScale.of(axis);
    return new RegisterLink(
        entry,
        new ProgramNumber(
            entry,
            "register",
            speeds,
            reference.frequencyAtZeroHertz(),
            reference.frequencyAtFullHertz()),
        DriveNumber.asMeant(
            entry,
            speeds,
            new FrequencyLimits(
                settings.number(SettingRole.MINIMUM_FREQUENCY, 0), speeds.maximumHertz())));
  }
}
