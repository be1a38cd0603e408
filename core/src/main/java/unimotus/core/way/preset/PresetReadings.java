package unimotus.core.way.preset;

import java.util.EnumSet;
import java.util.List;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Station;
import unimotus.core.proof.LinkReading;
import unimotus.core.proof.Part;
import unimotus.core.proof.ReadableLink.LinkReadings;

/** The combination of preset inputs, read at the drive. */
record PresetReadings(SignalPath path) implements LinkReadings {

  @Override
  public List<LinkReading> at(double number) {
    return List.of(
        new LinkReading(
            Station.COUNTS,
            path.value(Station.COUNTS, number),
            0.1,
            "combination of the preset inputs",
            "inputs of the drive",
            "drive's display of its inputs, or a meter",
            EnumSet.of(Part.PROGRAM, Part.PRESETS, Part.CONTROLLER, Part.WIRES, Part.DRIVE)));
  }
}
