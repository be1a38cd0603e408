package unimotus.core.way.number;

import java.util.EnumSet;
import java.util.List;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Station;
import unimotus.core.proof.LinkReading;
import unimotus.core.proof.Part;
import unimotus.core.proof.ReadableLink.LinkReadings;
import unimotus.core.proof.Tolerances;

/**
 * The number that was written, read back on the bus.
 *
 * @param path the path of the axis
 * @param program what writes it
 * @param instrument with what it is read
 */
public record NumberReadings(SignalPath path, ProgramNumber program, String instrument)
    implements LinkReadings {

  @Override
  public List<LinkReading> at(double number) {
    return List.of(
        new LinkReading(
            Station.COUNTS,
            path.value(Station.COUNTS, number),
            Tolerances.register(program.step(), program.high()),
            "number in the " + program.place(),
            program.entry().where(),
            instrument,
            EnumSet.of(Part.PROGRAM, Part.CONTROLLER, Part.WIRES)));
  }
}
