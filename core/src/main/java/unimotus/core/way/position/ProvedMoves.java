package unimotus.core.way.position;

import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.DoubleStream;
import unimotus.core.machine.MotionDesign;
import unimotus.core.motion.PositionedAxis;
import unimotus.core.move.MotionPlan;
import unimotus.core.move.MotionState;
import unimotus.core.move.MoveLimits;
import unimotus.core.move.MoveSequence;
import unimotus.core.move.Phase;
import unimotus.core.move.TravelRange;
import unimotus.core.scaling.AxisScaling;

/**
 * The moves an axis is proved with, in the unit of the program.
 *
 * @param axis the axis
 * @param program the copy of the motion axis
 */
public record ProvedMoves(PositionedAxis axis, AxisScaling program) {
  /** As many places as somebody goes to with a rule. */
  private static final int MOST_PLACES = 4;

  /** At constant speed for so many times 1/Kv the following error stands (e⁻⁵ is under 1 %). */
  private static final double SETTLED = 5;

  /** A length of the mechanics in the unit of the program. */
  private double inProgram(double travel) {
    return axis.unit().convert(travel, program.unit());
  }

  /** What one turn of the motor moves. */
  public double oneTurn() {
    return program.feedPerTurn().divide(program.gear()).doubleValue();
  }

  /** Whether it may go there from its zero. */
  public boolean mayTurn() {
    return axis.design().travel().holds(0) && isStraight(travelOfTurn());
  }

  /**
   * Whether a move from zero to a place goes just as far: an axis that turns may go the other way.
   */
  private boolean isStraight(double place) {
    TravelRange travel = axis.design().travel();
    return travel.modulo() > 0
        ? place >= 0 && place < travel.modulo() && travel.destination(0, place) == place
        : travel.holds(place);
  }

  private double travelOfTurn() {
    return axis.machine().feedPerTurn().divide(axis.machine().gear()).doubleValue();
  }

  /**
   * The places its moves lead to, each once, in order; on an axis that turns, those it goes to
   * straight from zero. Empty where they cannot be made.
   */
  public List<Double> places() {
    double modulo = axis.design().travel().modulo();
    return moves()
        .map(to -> modulo > 0 ? to - Math.floor(to / modulo) * modulo : to)
        .filter(this::isStraight)
        .mapToObj(this::inProgram)
        .distinct()
        .limit(MOST_PLACES)
        .toList();
  }

  private DoubleStream moves() {
    try {
      MoveSequence once = axis.design().moves().with().times(1).build();
      return once.timed(axis.design().travel()).stream().mapToDouble(t -> t.plan().to());
    } catch (IllegalArgumentException outside) {
      // The checks of the axis name the move; its places are not predicted.
      return DoubleStream.empty();
    }
  }

  /** The lowest and the highest position that are looked at; never the same. */
  public double[] ends() {
    TravelRange travel = axis.design().travel();
    DoubleStream all =
        travel.isLimited()
            ? DoubleStream.of(travel.least(), travel.most())
            : DoubleStream.concat(
                DoubleStream.of(0, travel.modulo() > 0 ? travel.modulo() : travelOfTurn()),
                moves());
    double[] sorted = all.map(this::inProgram).sorted().toArray();
    return new double[] {sorted[0], sorted[sorted.length - 1]};
  }

  /** Seconds for all moves once; empty where there are none, or they cannot be made. */
  public OptionalDouble round() {
    return plan().stream().mapToDouble(MotionPlan::seconds).filter(s -> s > 0).findFirst();
  }

  private List<MotionPlan> plan() {
    try {
      return List.of(axis.design().moves().with().times(1).build().plan(axis.design().travel()));
    } catch (IllegalArgumentException outside) {
      // As for the places.
      return List.of();
    }
  }

  /** The same moves at so many times their speed. */
  public ProvedMoves faster(double factor) {
    MotionDesign design = axis.design();
    MoveLimits limits = design.moves().limits();
    MoveLimits other =
        new MoveLimits(
            limits.velocity() * factor,
            limits.acceleration(),
            limits.deceleration(),
            limits.jerk());
    return new ProvedMoves(
        axis.with(design.with().moves(design.moves().with().limits(other).build()).build()),
        program);
  }

  /**
   * The fastest speed that is kept long enough for the following error to stand, in travel a
   * second; empty where none is.
   *
   * @param gain Kv in 1/s
   */
  public OptionalDouble steadySpeed(double gain) {
    return plan().stream()
        .flatMap(p -> p.phases().stream())
        .filter(p -> isSteady(p, gain))
        .mapToDouble(p -> Math.abs(p.start().velocity()))
        .filter(v -> v > 0)
        .max();
  }

  private static boolean isSteady(Phase phase, double gain) {
    MotionState start = phase.start();
    return start.jerk() == 0 && start.acceleration() == 0 && phase.seconds() * gain > SETTLED;
  }
}
