package unimotus.core.way.pulse;

import static unimotus.core.path.Numbers.text;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import unimotus.core.detective.Cause;
import unimotus.core.detective.Clues;
import unimotus.core.detective.Variant;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.motion.PulseOutput;
import unimotus.core.motion.StepAxis;
import unimotus.core.path.Carrier;
import unimotus.core.path.Commanded;
import unimotus.core.path.PathFindings;
import unimotus.core.path.ProgramScale;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Stage;
import unimotus.core.path.Station;
import unimotus.core.proof.LinkReading;
import unimotus.core.proof.Part;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.SetPoint;
import unimotus.core.way.CommandLink;
import unimotus.core.way.position.CountsStage;
import unimotus.core.way.position.ProvedMoves;
import unimotus.core.way.position.TurnsStage;

/**
 * Positions as pulses on the way to a driver. Immutable; the {@code with} methods exchange one
 * stage.
 *
 * @param axis the axis
 * @param output where its pulses come from
 * @param program a position to pulses
 * @param drive pulses to turns of the shaft
 */
record PulseLink(StepAxis axis, PulseOutput output, CountsStage program, TurnsStage drive)
    implements CommandLink {

  PulseLink with(CountsStage next) {
    return new PulseLink(axis, output, next, drive);
  }

  PulseLink with(TurnsStage next) {
    return new PulseLink(axis, output, program, next);
  }

  ProvedMoves moves() {
    return new ProvedMoves(axis, program.copy());
  }

  @Override
  public Commanded commands() {
    return Commanded.POSITION;
  }

  @Override
  public List<Stage> stages() {
    return List.of(program, drive);
  }

  @Override
  public PulseLink still() {
    return with(drive.still());
  }

  @Override
  public ProgramScale scale(AxisAssembly assembly) {
    double[] ends = moves().ends();
    return new ProgramScale(ends[0], ends[1], program.copy().unit(), leastPercent(), commander());
  }

  @Override
  public String commander() {
    return "program";
  }

  @Override
  public String label() {
    return "pulses";
  }

  @Override
  public String label(Station station) {
    return switch (station) {
      case NUMBER -> "Position";
      case COUNTS -> "Pulses";
      default -> station.label();
    };
  }

  @Override
  public String where(Station station) {
    return station == Station.SHAFT ? "turns of the motor" : station.where();
  }

  @Override
  public Carrier carrier(Station from) {
    return from == Station.COUNTS ? Carrier.CONTACTS : Carrier.WITHIN;
  }

  /** What is wrong with switches and moves stands with the rules of the axis. */
  @Override
  public void check(AxisAssembly assembly, PathFindings findings) {
    // Nothing of the path beyond them.
  }

  @Override
  public List<Cause> causes() {
    return List.of(PulseCause.values());
  }

  @Override
  public List<Variant> variants(Cause cause, Clues clues) {
    return cause instanceof PulseCause own ? new PulseCauses(this, clues).variants(own) : List.of();
  }

  /** Nothing runs it but its pulses. */
  @Override
  public boolean isRunByWire() {
    return false;
  }

  @Override
  public Map<String, String> standing() {
    return Map.of(PulseRows.RUNNING, PulseRows.STANDS);
  }

  @Override
  public boolean showsStatus() {
    return false;
  }

  @Override
  public String readWord() {
    return "Pulses";
  }

  @Override
  public Set<Part> parts() {
    return EnumSet.of(Part.PROGRAM, Part.CONTROLLER, Part.WIRES, Part.DRIVE, Part.MOTOR);
  }

  @Override
  public LinkReadings readings(AxisAssembly assembly, SignalPath path, boolean asWired) {
    return number ->
        List.of(
            new LinkReading(
                Station.COUNTS,
                path.value(Station.COUNTS, number),
                1,
                "pulses given",
                output.output().terminal(),
                "controller's pulse counter",
                EnumSet.of(Part.PROGRAM, Part.CONTROLLER)));
  }

  @Override
  public List<SetPoint> setPoints(SignalPath path) {
    List<SetPoint> points = new ArrayList<>();
    ProvedMoves moves = moves();
    List<Double> places = moves.places();
    if (moves.mayTurn() && !places.contains(moves.oneTurn())) {
      points.add(
          new SetPoint(
              "turn",
              "One turn",
              moves.oneTurn(),
              "A mark on the shaft. Home, then move to %s, one turn of the motor, slowly. Measure from where it stood at 0."
                  .formatted(text(moves.oneTurn(), program.copy().unit()))));
    }
    int move = 0;
    for (double place : places) {
      move++;
      String where = text(place, program.copy().unit());
      points.add(
          new SetPoint(
              "place" + move,
              "Position " + where,
              place,
              "Home, then move to %s, slowly.".formatted(where)));
    }
    return points;
  }

  @Override
  public List<Prediction> states(AxisAssembly assembly) {
    return PulseRows.atRest(assembly);
  }

  @Override
  public List<Prediction> inMotion(AxisAssembly assembly) {
    return PulseRows.inMotion(this);
  }
}
