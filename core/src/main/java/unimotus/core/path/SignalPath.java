package unimotus.core.path;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import unimotus.core.quantity.MeasureUnit;

/**
 * The chain of stages of one axis. Immutable; the {@code with…} methods give a path with one stage
 * exchanged, which is how faults are tried out.
 *
 * @param scale the program's number to percent
 * @param counts percent to counts
 * @param module counts to signal
 * @param input signal to the drive's percent
 * @param reference percent to output frequency
 * @param poles frequency to synchronous speed
 * @param slip synchronous to shaft speed
 * @param gear shaft to gear output
 * @param product gear output to machine speed
 * @param answer the way back, null where the axis has none
 */
public record SignalPath(
    ProgramScale scale,
    ProgramCounts counts,
    OutputModule module,
    DriveInput input,
    DriveReference reference,
    MotorPoles poles,
    SlipStage slip,
    GearStage gear,
    ProductStage product,
    @Nullable AnswerPath answer) {

  /** The stages of the way forth, in order. */
  public List<Stage> forth() {
    return List.of(scale, counts, module, input, reference, poles, slip, gear, product);
  }

  /** The stages of the way back, in order; empty where the axis has no answer. */
  public List<Stage> back() {
    return answer == null ? List.of() : List.of(answer.drive(), answer.module(), answer.program());
  }

  /** The unit of the value at {@code station}. */
  public MeasureUnit unit(Station station) {
    if (station == Station.NUMBER) {
      return scale.speedUnit();
    }
    return allStages().stream()
        .filter(s -> s.to() == station)
        .findFirst()
        .map(Stage::unit)
        .orElseThrow(
            () -> new IllegalArgumentException("this path has no station " + station.key()));
  }

  /** Whether the path has this station; the answer's are optional. */
  public boolean has(Station station) {
    return !station.isAnswer() || answer != null;
  }

  /**
   * The value at {@code station} when the program holds {@code number}; no sums are made.
   *
   * <p>A live zero that is lost stops the drive where its input is told to act on it.
   */
  public double value(Station station, double number) {
    double value = number;
    boolean lost = false;
    for (Stage stage : forth()) {
      if (stage.from() == station) {
        return value;
      }
      lost |= stage == input && input.isLost(value);
      value = stage == reference && lost ? 0 : stage.forward(value);
      if (station.isAnswer() && stage.to() == Station.FREQUENCY) {
        return answerValue(station, value);
      }
    }
    return value;
  }

  private double answerValue(Station station, double frequencyHertz) {
    double value = frequencyHertz;
    for (Stage stage : back()) {
      value = stage.forward(value);
      if (stage.to() == station) {
        return value;
      }
    }
    throw new IllegalArgumentException("this path has no station " + station.key());
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
            scale.speedUnit(),
            Math.min(scale.inverse(scale.low()), scale.speedAtFull()),
            Math.max(scale.inverse(scale.low()), scale.speedAtFull()),
            0,
            scale.origin(),
            scale.condition(number).orElse(null),
            null));
    double value = number;
    double frequency = 0;
    boolean lost = false;
    for (Stage stage : allStages()) {
      double in = stage.to() == Station.ANSWER_SIGNAL ? frequency : value;
      lost |= stage == input && input.isLost(in);
      double out = stage == reference && lost ? 0 : stage.forward(in);
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
    return new SignalPath(
        next, counts, module, input, reference, poles, slip, gear, product, answer);
  }

  /** This path with another counting program. */
  public SignalPath with(ProgramCounts next) {
    return new SignalPath(
        scale, next, module, input, reference, poles, slip, gear, product, answer);
  }

  /** This path with another output channel. */
  public SignalPath with(OutputModule next) {
    return new SignalPath(
        scale, counts, next, input, reference, poles, slip, gear, product, answer);
  }

  /** This path with another drive input. */
  public SignalPath with(DriveInput next) {
    return new SignalPath(
        scale, counts, module, next, reference, poles, slip, gear, product, answer);
  }

  /** This path with another reference scaling. */
  public SignalPath with(DriveReference next) {
    return new SignalPath(scale, counts, module, input, next, poles, slip, gear, product, answer);
  }

  /** This path with other poles or phase order. */
  public SignalPath with(MotorPoles next) {
    return new SignalPath(
        scale, counts, module, input, reference, next, slip, gear, product, answer);
  }

  /** This path with another slip. */
  public SignalPath with(SlipStage next) {
    return new SignalPath(
        scale, counts, module, input, reference, poles, next, gear, product, answer);
  }

  /** This path with another gear. */
  public SignalPath with(GearStage next) {
    return new SignalPath(
        scale, counts, module, input, reference, poles, slip, next, product, answer);
  }
}
