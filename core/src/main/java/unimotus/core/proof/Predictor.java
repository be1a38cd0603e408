package unimotus.core.proof;

import static unimotus.core.proof.Part.DRIVE;
import static unimotus.core.proof.Part.MOTOR;
import static unimotus.core.proof.Part.PROGRAM;
import static unimotus.core.proof.Part.WIRES;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import unimotus.core.derivation.Derivation;
import unimotus.core.derivation.Step;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.path.Chain;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Station;
import unimotus.core.stops.JudgedStop;

/**
 * Turns the design of an axis into the list of what should be seen, in the order it is proved:
 * permission and safety stops, direction, safety stops in motion, references, ramps, stop.
 */
public final class Predictor {
  /** The references that are tried, in percent of the program's span. */
  public static final List<Integer> REFERENCES = List.of(0, 25, 50, 75, 100);

  /** Key of the direction observed in a short jog. */
  public static final String DIRECTION = "direction.jog";

  /** Key of the status with the permission open. */
  public static final String OPEN_STATUS = "permission.open";

  /** Key of the status with the permission closed and no run command. */
  public static final String CLOSED_STATUS = "permission.closed";

  /** Key of the status while run is commanded. */
  public static final String RUN_STATUS = "permission.run";

  /** Key of the volts at the run input while run is commanded. */
  public static final String RUN_VOLTS = "permission.run.volts";

  /** What the keys of states begin with that the link of an axis shows. */
  public static final String LINK_STATE = "link.";

  /** The keys of the states the drive shows. */
  public static final Set<String> PERMISSION_KEYS = Set.of(OPEN_STATUS, CLOSED_STATUS, RUN_STATUS);

  /** Key of the time from start to full speed. */
  public static final String RAMP_UP = "ramp.up";

  /** Key of the time from stop command to standstill. */
  public static final String STOP_TIME = "stop.time";

  /** Key of the time from lost permission to standstill. */
  public static final String COAST = "stop.coast";

  /** Keys of the times a ramp takes. */
  public static final List<String> RAMP_KEYS = List.of(RAMP_UP, STOP_TIME);

  /** Keys of all times. */
  public static final List<String> TIME_KEYS = List.of(RAMP_UP, STOP_TIME, COAST);

  private static final List<String> STATES = List.of("not permitted", "ready", "running", "fault");

  private final AxisAssembly axis;
  private final SignalPath path;
  private final Obstacles obstacles;
  private final List<Prediction> predictions = new ArrayList<>();

  private final ReadableLink link;
  private final ReadableLink.LinkReadings readings;

  private final @Nullable Chain chain;

  private Predictor(
      AxisAssembly axis,
      SignalPath path,
      Obstacles obstacles,
      boolean asWired,
      @Nullable Chain chain) {
    this.chain = chain;
    this.axis = axis;
    this.path = path;
    this.obstacles = obstacles;
    this.link = ReadableLink.of(path);
    this.readings = link.readings(axis, path, asWired);
  }

  /** All predictions of an axis of which no finding is known, in the order of proving. */
  public static List<Prediction> predict(AxisAssembly axis, SignalPath path) {
    return predict(axis, path, List.of(), JudgedStop.all(axis), Obstacles.NONE);
  }

  /**
   * All predictions of an axis, in the order of proving.
   *
   * @param chains its chains beside the main path; possibly empty
   * @param stops its stops with the verdicts on them, found before
   * @param obstacles what cannot be predicted, and why
   */
  public static List<Prediction> predict(
      AxisAssembly axis,
      SignalPath path,
      List<Chain> chains,
      List<JudgedStop> stops,
      Obstacles obstacles) {
    Predictor predictor = new Predictor(axis, path, obstacles, true, null);
    predictor.permission();
    predictor.predictions.addAll(StopPredictions.beforeMotion(stops));
    if (!obstacles.hinderMotion()) {
      predictor.predictions.addAll(predictor.link.states(axis));
      predictor.direction();
      predictor.predictions.addAll(StopPredictions.inMotion(stops));
    }
    predictor.references();
    if (!obstacles.hinderMotion()) {
      predictor.predictions.addAll(predictor.link.inMotion(axis));
    }
    for (Chain chain : chains) {
      Predictor beside = new Predictor(axis, chain.path(), obstacles, true, chain);
      beside.references();
      predictor.predictions.addAll(beside.predictions);
      if (!obstacles.hinderMotion()) {
        predictor.predictions.addAll(beside.link.observations(axis, chain));
      }
    }
    if (!obstacles.hinderMotion()) {
      if (path.speed().isPresent()) {
        predictor.predictions.addAll(TimePredictions.of(axis, path));
      }
      predictor.predictions.addAll(OutputPredictions.of(axis, path));
    }
    predictor.predictions.addAll(ProbePredictions.of(axis));
    predictor.trip();
    return List.copyOf(predictor.predictions);
  }

  /** A live zero that never arrives: the drive shows a fault whatever it is permitted. */
  private void trip() {
    if (!readings.trips()) {
      return;
    }
    predictions.removeIf(
        p -> p.expectation() instanceof Expectation.Word w && STATES.contains(w.expected()));
    predictions.add(
        word(
            CLOSED_STATUS,
            "Permission",
            "status with permission closed",
            "fault",
            STATES,
            "The reference is a live zero that does not arrive, and the drive trips on its loss.",
            EnumSet.of(WIRES, DRIVE)));
  }

  /**
   * The predictions of the link and the references of the main path; what the detective works on.
   */
  public static List<Prediction> references(AxisAssembly axis, SignalPath path) {
    Predictor predictor = new Predictor(axis, path, Obstacles.NONE, false, null);
    predictor.predictions.addAll(predictor.link.states(axis));
    predictor.direction();
    predictor.references();
    predictor.predictions.addAll(predictor.link.inMotion(axis));
    return List.copyOf(predictor.predictions);
  }

  private void permission() {
    if (!link.showsStatus()) {
      return;
    }
    predictions.add(
        word(
            OPEN_STATUS,
            "Permission",
            "status with permission open",
            "not permitted",
            STATES,
            "Open safe torque off and enable, then command run.",
            EnumSet.of(WIRES, DRIVE)));
    if (obstacles.hinderMotion()) {
      return;
    }
    predictions.add(
        word(
            CLOSED_STATUS,
            "Permission",
            "status with permission closed",
            "ready",
            STATES,
            "Close safe torque off and enable, no run command.",
            EnumSet.of(WIRES, DRIVE)));
    predictions.add(
        word(
            RUN_STATUS,
            "Permission",
            "status while run is commanded",
            "running",
            STATES,
            "Reference at 0 %, command run. Uncoupled the first time.",
            EnumSet.of(WIRES, DRIVE, PROGRAM)));
    predictions.addAll(RunPredictions.of(axis));
  }

  private void direction() {
    predictions.add(
        word(
            DIRECTION,
            "Direction",
            "shaft in a short jog forward",
            "forward",
            List.of("forward", "reverse", "no motion"),
            "Jog forward for a second at low speed, watch the shaft. Uncoupled the first time.",
            EnumSet.of(WIRES, DRIVE, MOTOR, PROGRAM)));
  }

  private Prediction word(
      String key,
      String group,
      String title,
      String expected,
      List<String> choices,
      String how,
      Set<Part> parts) {
    return new Prediction(
        key,
        group,
        title,
        new Expectation.Word(expected, choices),
        null,
        Double.NaN,
        key.equals(DIRECTION) ? "motor shaft" : "drive's display",
        "eyes",
        how,
        parts,
        Derivation.NONE);
  }

  private void references() {
    link.setPoints(path).forEach(this::reference);
  }

  private void reference(SetPoint point) {
    if (!obstacles.hinderSignal()) {
      readings.at(point.number()).forEach(r -> add(point, r));
    }
    if (!obstacles.hinderMotion()) {
      Outcomes.of(path, readings.received(point.number())).forEach(r -> add(point, r));
    }
  }

  private void add(SetPoint point, LinkReading read) {
    Station station = read.station();
    predictions.add(
        new Prediction(
            "%s.%s".formatted(point.key(), station.key()),
            point.group(),
            read.title(),
            new Expectation.Amount(read.value(), read.tolerance(), path.unit(station)),
            station,
            point.number(),
            read.where(),
            read.instrument(),
            point.how(),
            read.parts(),
            read.value() == path.value(station, point.number())
                ? Derivation.NONE
                : bySolvedWires(station, read.value()),
            chain));
  }

  private Derivation bySolvedWires(Station station, double value) {
    return Derivation.of(
        new Step(
            "on the solved wires",
            "what the output drives into its load",
            "",
            value,
            path.unit(station),
            "d.c. circuit of the axis, Kirchhoff's laws"));
  }

  /** The key of the prediction at a reference and a station, such as {@code ref50.frequency}. */
  public static String key(int percent, Station station) {
    return "ref%d.%s".formatted(percent, station.key());
  }
}
