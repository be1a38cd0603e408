package unimotus.core.way.motion;

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
import unimotus.core.motion.ServoAxis;
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
 * Positions as counts on the way to a drive. Immutable; the {@code with} methods exchange one
 * stage.
 *
 * @param axis the axis
 * @param place where its positions stand
 * @param program a position to counts
 * @param drive counts to turns of the shaft
 */
record MotionLink(ServoAxis axis, PositionPlace place, CountsStage program, TurnsStage drive)
    implements CommandLink {

  MotionLink with(CountsStage next) {
    return new MotionLink(axis, place, next, drive);
  }

  MotionLink with(TurnsStage next) {
    return new MotionLink(axis, place, program, next);
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
  public MotionLink still() {
    return with(drive.still());
  }

  @Override
  public ProgramScale scale(AxisAssembly assembly) {
    double[] ends = moves().ends();
    return new ProgramScale(ends[0], ends[1], program.copy().unit(), leastPercent(), commander());
  }

  @Override
  public String commander() {
    return "motion axis";
  }

  @Override
  public String label() {
    return "positions";
  }

  @Override
  public String label(Station station) {
    return station == Station.NUMBER ? "Position" : station.label();
  }

  @Override
  public String where(Station station) {
    return station == Station.SHAFT ? "turns of the motor" : station.where();
  }

  @Override
  public Carrier carrier(Station from) {
    return from == Station.COUNTS ? Carrier.MESSAGES : Carrier.WITHIN;
  }

  /** What is wrong with scaling and moves stands with the rules of the axis. */
  @Override
  public void check(AxisAssembly assembly, PathFindings findings) {
    // Nothing of the path beyond them.
  }

  @Override
  public List<Cause> causes() {
    List<Cause> causes = new ArrayList<>(List.of(MotionCause.values()));
    causes.removeAll(place.impossible());
    causes.addAll(place.causes());
    return causes;
  }

  @Override
  public List<Variant> variants(Cause cause, Clues clues) {
    return cause instanceof MotionCause own
        ? new MotionCauses(this, clues).variants(own)
        : place.variants(cause, this, clues.path());
  }

  /** The control word enables it. */
  @Override
  public boolean isRunByWire() {
    return false;
  }

  @Override
  public Map<String, String> standing() {
    return axis.brake().isPresent()
        ? Map.of(MotionRows.BRAKE, MotionRows.STAYS_CLOSED, MotionRows.RUNNING, MotionRows.STANDS)
        : Map.of(MotionRows.RUNNING, MotionRows.STANDS);
  }

  @Override
  public String readWord() {
    return "Counts";
  }

  @Override
  public Set<Part> parts() {
    return EnumSet.of(Part.PROGRAM, Part.CONTROLLER, Part.DRIVE, Part.MOTOR);
  }

  @Override
  public LinkReadings readings(AxisAssembly assembly, SignalPath path, boolean asWired) {
    return number ->
        List.of(
            new LinkReading(
                Station.COUNTS,
                path.value(Station.COUNTS, number),
                1,
                "target position",
                place.target(),
                "controller or this program",
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
              "Home, then move to %s, one turn of the motor, slowly. Measure from where it stood at 0."
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
              "Home, then move to %s. Twice: an absolute move ends at the same place."
                  .formatted(where)));
    }
    return points;
  }

  @Override
  public List<Prediction> states(AxisAssembly assembly) {
    List<Prediction> all = new ArrayList<>(place.states());
    all.addAll(MotionRows.atRest(axis, place, moves()));
    return all;
  }

  @Override
  public List<Prediction> inMotion(AxisAssembly assembly) {
    return MotionRows.inMotion(axis, place, moves());
  }
}
