package unimotus.core.way.processdata;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.BusStation;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.machine.Reference;
import unimotus.core.motor.SpeedScale;
import unimotus.core.path.FrequencyLimits;
import unimotus.core.path.PathFindings;
import unimotus.core.processdata.DriveImage;
import unimotus.core.processdata.ImageEntry;
import unimotus.core.processdata.StationDesign;
import unimotus.core.proof.Part;
import unimotus.core.sheet.SettingRole;
import unimotus.core.value.ValueRole;
import unimotus.core.way.CommandLink;
import unimotus.core.way.CommandSource;
import unimotus.core.way.WayOfCommand;
import unimotus.core.way.number.DriveNumber;
import unimotus.core.way.number.ProgramNumber;

/** A number in the process image of the station that leads to the drive. */
public final class ProcessDataWay implements WayOfCommand {

  @Override
  public String name() {
    return "over process data";
  }

  /**
   * Chosen by a station that leads to the drive of a speed, where no channel and no operator is.
   */
  @Override
  public boolean isChosen(AxisAssembly axis) {
    Reference reference = axis.axis().reference();
    return !axis.isPositioned()
        && !axis.stations().isEmpty()
        && reference.output() == null
        && reference.input() == null
        && reference.local() == null;
  }

  @Override
  public Optional<String> fault(AxisAssembly axis) {
    if (axis.stations().size() > 1) {
      return Optional.of(
          "more than one station leads to its drive: "
              + axis.stations().stream().map(BusStation::name).collect(Collectors.joining(", ")));
    }
    StationDesign design = design(axis.stations().get(0), axis);
    return DriveImage.of(design)
        .map(DriveImage::fault)
        .orElseGet(
            () -> Optional.of("%s: %s".formatted(design.station().name(), design.obstacle())));
  }

  private static StationDesign design(BusStation station, AxisAssembly axis) {
    return StationDesign.of(station, axis.descriptions());
  }

  /** A drive that takes its commands from its terminals takes the reference from there too. */
  @Override
  public void checkWires(AxisAssembly axis, PathFindings findings) {
    CommandSource.check(
        axis,
        findings,
        "its reference is to come over process data",
        "What the image says does not count; the speed stays at its minimum, or follows an open input.",
        "Set its command source to the fieldbus, or choose an output and an input for the reference.");
  }

  /** Identity, modules, image and start-up list of its stations; nothing where it has none. */
  @Override
  public Map<Part, String> design(AxisAssembly axis) {
    List<BusStation> stations = axis.stations();
    return stations.isEmpty()
        ? Map.of()
        : Map.of(
            Part.CONTROLLER,
            stations.stream().map(ProcessDataWay::digest).collect(Collectors.joining("|")));
  }

  /** Its name, its place in the cable and its alias decide nothing that is read. */
  private static String digest(BusStation s) {
    return "%d/%d/%d %s %s %s"
        .formatted(s.vendor(), s.product(), s.revision(), s.modules(), s.image(), s.startUp());
  }

  @Override
  public CommandLink link(AxisAssembly axis) {
    DriveImage image = DriveImage.of(design(axis.stations().get(0), axis)).orElseThrow();
    ImageEntry entry = image.entry(ValueRole.REFERENCE).orElseThrow();
    EffectiveSettings settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
    Reference reference = axis.axis().reference();
    SpeedScale speeds = SpeedScale.of(axis);
    return new ProcessDataLink(
        image,
        new ProgramNumber(
            entry,
            "process image",
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
