package unimotus.core.way.analog.local;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Nets;
import unimotus.core.machine.PlacedPart;
import unimotus.core.machine.TerminalRef;
import unimotus.core.sheet.Figure;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.wiring.CommandState;
import unimotus.core.wiring.Installation;
import unimotus.core.wiring.LineSolver;
import unimotus.core.wiring.PlacedDevice;

/**
 * The potentiometer whose wiper is joined to an analog input, in the solved circuit.
 *
 * @param wiper its wiper
 * @param trackOhms resistance of its whole track
 * @param input the drive's input
 * @param common what the input measures against
 * @param solver the circuit of the axis
 */
record PotentiometerWires(
    TerminalRef wiper, double trackOhms, TerminalRef input, TerminalRef common, LineSolver solver) {

  /** The potentiometer on an input of the drive; empty where none is there. */
  static Optional<PotentiometerWires> at(AxisAssembly axis, String input) {
    TerminalRef at = new TerminalRef(axis.drive().id(), input);
    PlacedDevice drive = new PlacedDevice(axis.drive(), axis.driveSheet());
    Optional<TerminalRef> common = axis.driveSheet().terminal(input).flatMap(drive::commonOf);
    Nets nets = new Nets(axis.wires());
    return common.flatMap(
        c ->
            axis.parts().stream()
                .flatMap(p -> wiper(p).stream())
                .filter(w -> nets.joined(w, at))
                .findFirst()
                .map(
                    w ->
                        new PotentiometerWires(
                            w,
                            ohms(axis, w.device()),
                            at,
                            c,
                            new LineSolver(Installation.of(axis)))));
  }

  /** The analog inputs of the drive with a potentiometer on them. */
  static List<String> inputs(AxisAssembly axis) {
    Nets nets = new Nets(axis.wires());
    List<TerminalRef> wipers = axis.parts().stream().flatMap(p -> wiper(p).stream()).toList();
    return axis.driveSheet().terminals().stream()
        .filter(t -> t.role() == TerminalRole.ANALOG_INPUT)
        .map(Terminal::id)
        .filter(
            t ->
                wipers.stream()
                    .anyMatch(w -> nets.joined(w, new TerminalRef(axis.drive().id(), t))))
        .toList();
  }

  private static Optional<TerminalRef> wiper(PlacedPart part) {
    return part.sheet()
        .first(TerminalRole.WIPER)
        .map(t -> new TerminalRef(part.part().id(), t.id()));
  }

  private static double ohms(AxisAssembly axis, String part) {
    return axis.parts().stream()
        .filter(p -> p.part().id().equals(part))
        .flatMap(p -> p.sheet().first(TerminalRole.TRACK).stream())
        .mapToDouble(t -> t.figure(Figure.OHMS))
        .findFirst()
        .orElseGet(() -> TerminalRole.TRACK.typical(Figure.OHMS));
  }

  /** Volts at the input with the knob at a position; empty where they cannot be told. */
  OptionalDouble volts(double percent) {
    return solver.solve(CommandState.REST.withSignal(wiper, percent)).volts(input, common);
  }
}
