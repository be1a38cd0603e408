package unimotus.core.way.analog.local;

import org.jspecify.annotations.Nullable;
import unimotus.core.analog.SignalRange;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.sheet.Figure;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.way.analog.DriveEnds;
import unimotus.core.way.analog.DriveInput;

/** The link of a potentiometer at an input, from sheets, switches and settings. */
final class Knobs {
  private Knobs() {}

  /**
   * The link at an input of the drive.
   *
   * @param input its terminal; null where none is chosen yet
   */
  static KnobLink link(AxisAssembly axis, @Nullable String input, Mode mode) {
    DriveInput end = DriveEnds.input(axis, input, SignalRange.V_0_10);
    double inputOhms = end.range().isCurrent() ? end.burdenOhms() : ohms(axis, end.terminal());
    double track =
        input == null
            ? typicalTrack()
            : PotentiometerWires.at(axis, input)
                .map(PotentiometerWires::trackOhms)
                .orElseGet(Knobs::typicalTrack);
    return new KnobLink(
        mode,
        new Knob(feedVolts(axis), track, inputOhms, Knob.Ends.RIGHT),
        end,
        DriveEnds.reference(axis, input, 0));
  }

  private static double typicalTrack() {
    return TerminalRole.TRACK.typical(Figure.OHMS);
  }

  private static double ohms(AxisAssembly axis, String terminal) {
    return axis.driveSheet()
        .terminal(terminal)
        .map(t -> t.figure(Figure.INPUT_OHMS))
        .orElseGet(() -> TerminalRole.ANALOG_INPUT.typical(Figure.INPUT_OHMS));
  }

  private static double feedVolts(AxisAssembly axis) {
    return axis.driveSheet()
        .first(TerminalRole.REFERENCE_10V)
        .map(t -> t.figure(Figure.VOLTS))
        .orElseGet(() -> TerminalRole.REFERENCE_10V.typical(Figure.VOLTS));
  }
}
