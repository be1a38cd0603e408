package unimotus.core.way.register;

import java.util.EnumSet;
import java.util.List;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Station;
import unimotus.core.proof.LinkReading;
import unimotus.core.proof.Part;
import unimotus.core.proof.ReadableLink.LinkReadings;
import unimotus.core.proof.Tolerances;

/** The number in the register, read back on the bus. */
record RegisterReadings(SignalPath path, ProgramRegister program) implements LinkReadings {

  @Override
  public List<LinkReading> at(double number) {
    return List.of(
        new LinkReading(
            Station.COUNTS,
            path.value(Station.COUNTS, number),
            Tolerances.register(program.step(), program.high()),
            "number in the register",
            program.entry().where(),
            "register read on the bus",
            EnumSet.of(Part.PROGRAM, Part.CONTROLLER, Part.WIRES)));
  }
}
