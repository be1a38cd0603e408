package unimotus.core.path;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import unimotus.core.quantity.MeasureUnit;

/**
 * The chain of stages of one axis, from what is commanded to what moves. Each part goes on where
 * the one before it ends: where the drive closes the loop over the shaft there is no stage of a
 * motor, where it closes it over the process none of the mechanics. Immutable; the {@code with…}
 * methods give a path with one part exchanged, which is how faults are tried out.
 *
 * @param scale the number that is commanded to percent
 * @param link percent, or the number itself, to what the drive makes of it, by the way of command
 * @param motor output frequency to shaft speed
 * @param mechanics shaft to what moves
 * @param answer the way back from the output frequency, null where the axis has none
 */
public record SignalPath(
    ProgramScale scale,
    ReferenceLink link,
    MotorLink motor,
    GearTrain mechanics,
    @Nullable AnswerPath answer) {

  /** The stages of the way forth, in order. */
  public List<Stage> forth() {
    List<Stage> stages = new ArrayList<>();
    if (link.stages().get(0).from() == Station.PERCENT) {
      stages.add(scale);
    }
    stages.addAll(link.stages());
    goOn(stages, motor.stages());
    goOn(stages, mechanics.stages());
    return stages;
  }

  /** The stages of a part that begin where the others end, or after. */
  private static void goOn(List<Stage> stages, List<Stage> part) {
    for (Stage stage : part) {
      if (stage.from() == stages.get(stages.size() - 1).to()) {
        stages.add(stage);
      }
    }
  }

  /** The last station of the link: what the drive brings about by itself. */
  private Station brought() {
    List<Stage> stages = link.stages();
    return stages.get(stages.size() - 1).to();
  }

  /** What the axis is told to do. */
  public Commanded commands() {
    return link.commands();
  }

  /** The link of an axis that is told a speed; empty where it is told something else. */
  public Optional<SpeedLink> speed() {
    return link.speed();
  }

  /**
   * The link of an axis that is told a speed.
   *
   * @param what needs it, such as {@code the dry-run}
   * @throws IllegalArgumentException where the axis is told something else
   */
  public SpeedLink speedFor(String what) {
    return speed()
        .orElseThrow(
            () ->
                new IllegalArgumentException(
                    "%s is for axes that command a speed; this one commands a %s"
                        .formatted(what, commands().word())));
  }

  /** Smallest change of the value at {@code station} by the steps of the stages before it. */
  public double step(Station station) {
    double step = 0;
    for (Stage stage : forth()) {
      double rise = 1 / (stage.inverse(1) - stage.inverse(0));
      step = Math.max(stage.step(), Math.abs(step * rise));
      if (stage.to() == station) {
        return step;
      }
    }
    throw none(station);
  }

  /** Whether the speed follows from the motor: the drive closes no loop over it. */
  public boolean hasMotor() {
    return !motor.stages().isEmpty() && forth().containsAll(motor.stages());
  }

  /** The stages of the way back, in order; empty where the axis has no answer. */
  public List<Stage> back() {
    return answer == null ? List.of() : List.of(answer.drive(), answer.module(), answer.program());
  }

  /** The unit of the value at {@code station}. */
  public MeasureUnit unit(Station station) {
    if (station == Station.NUMBER) {
      return scale.numberUnit();
    }
    return allStages().stream()
        .filter(s -> s.to() == station)
        .findFirst()
        .map(Stage::unit)
        .orElseThrow(() -> none(station));
  }

  /** Whether the path has this station; those of the link and the answer are optional. */
  public boolean has(Station station) {
    return station == Station.NUMBER || allStages().stream().anyMatch(s -> s.to() == station);
  }

  /**
   * The value at {@code station} when the program holds {@code number}; no sums are made.
   *
   * <p>A signal that is lost stops the drive where its input is told to act on it.
   *
   * @throws IllegalArgumentException where the path has no such station
   */
  public double value(Station station, double number) {
    double value = number;
    boolean lost = false;
    for (Stage stage : forth()) {
      if (stage.from() == station) {
        return value;
      }
      lost |= link.isLost(stage, value);
      value = lost && stage.to() == brought() ? 0 : stage.forward(value);
      if (station.isAnswer() && stage.to() == Station.FREQUENCY) {
        return answerValue(station, value);
      }
    }
    if (station != Station.MACHINE) {
      throw none(station);
    }
    return value;
  }

  private static IllegalArgumentException none(Station station) {
    return new IllegalArgumentException("this path has no station " + station.key());
  }

  private double answerValue(Station station, double frequencyHertz) {
    double value = frequencyHertz;
    for (Stage stage : back()) {
      value = stage.forward(value);
      if (stage.to() == station) {
        return value;
      }
    }
    throw none(station);
  }

  /** The program's number that would give {@code value} at {@code station}, limits left aside. */
  public double numberFor(Station station, double value) {
    return station.isAnswer()
        ? undo(forth(), Station.FREQUENCY, undo(back(), station, value))
        : undo(forth(), station, value);
  }

  private static double undo(List<Stage> stages, Station station, double value) {
    double at = value;
    for (int i = stages.size() - 1; i >= 0; i--) {
      if (stages.get(i).to().compareTo(station) <= 0) {
        at = stages.get(i).inverse(at);
      }
    }
    return at;
  }

  /** The whole path when {@code station} is asked to have {@code value}. */
  public PathState at(Station station, double value) {
    return state(numberFor(station, value));
  }

  /** The whole path when the program holds {@code number}. */
  public PathState state(double number) {
    List<PathPoint> points = new ArrayList<>();
    points.add(
        new PathPoint(
            Station.NUMBER,
            number,
            scale.numberUnit(),
            scale.least(),
            scale.most(),
            0,
            scale.origin(),
            scale.condition(number).orElse(null),
            null));
    double value = number;
    double frequency = 0;
    boolean lost = false;
    for (Stage stage : allStages()) {
      double in = stage.to() == Station.ANSWER_SIGNAL ? frequency : value;
      lost |= link.isLost(stage, in);
      double out = lost && stage.to() == brought() ? 0 : stage.forward(in);
      points.add(point(stage, in, out));
      value = out;
      if (stage.to() == Station.FREQUENCY) {
        frequency = out;
      }
    }
    return new PathState(points);
  }

  private static PathPoint point(Stage stage, double in, double out) {
    return new PathPoint(
        stage.to(),
        out,
        stage.unit(),
        stage.low(),
        stage.high(),
        stage.step(),
        stage.origin(),
        stage.condition(in).orElse(null),
        stage.sum(in, out));
  }

  private List<Stage> allStages() {
    List<Stage> all = new ArrayList<>(forth());
    all.addAll(back());
    return all;
  }

  /** This path with another program scale. */
  public SignalPath with(ProgramScale next) {
    return new SignalPath(next, link, motor, mechanics, answer);
  }

  /** This path with another link. */
  public SignalPath with(ReferenceLink next) {
    return new SignalPath(scale, next, motor, mechanics, answer);
  }

  /** This path with another motor. */
  public SignalPath with(MotorLink next) {
    return new SignalPath(scale, link, next, mechanics, answer);
  }

  /** This path with other mechanics. */
  public SignalPath with(GearTrain next) {
    return new SignalPath(scale, link, motor, next, answer);
  }
}
