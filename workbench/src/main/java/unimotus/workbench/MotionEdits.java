package unimotus.workbench;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import unimotus.core.machine.Axis;
import unimotus.core.machine.MotionDesign;
import unimotus.core.machine.Project;
import unimotus.core.machine.StepDesign;
import unimotus.core.move.MoveLimits;
import unimotus.core.move.MoveSequence;
import unimotus.core.move.MoveStep;
import unimotus.core.positioning.PositioningWords;
import unimotus.core.positioning.TablePosition;
import unimotus.core.scaling.AxisScaling;
import unimotus.core.scaling.Holder;
import unimotus.core.servo.LoopGains;

/** The named changes of what a positioning axis is to do. */
public final class MotionEdits {
  private MotionEdits() {}

  /**
   * Lets an axis be a positioning one: no copy of the scaling is read, and it has no moves. Its
   * limits are a place to begin from: a turn of the gear's output a second, reached in half a
   * second.
   */
  public static Edit begin(Axis axis) {
    double turn = axis.mechanics().travelPerTurn();
    return new Edit(
        "enter moves",
        p -> p.with(axis(p, axis.id()).withMotion(MotionDesign.begin(turn, 2 * turn))));
  }

  /** Changes the design of an axis that has one. */
  public static Edit change(String axisId, String what, UnaryOperator<MotionDesign> change) {
    return new Edit(
        what,
        p -> {
          Axis axis = axis(p, axisId);
          MotionDesign design =
              Optional.ofNullable(axis.motion())
                  .orElseThrow(
                      () ->
                          new IllegalArgumentException(
                              "%s has no moves yet; begin with its scaling"
                                  .formatted(axis.name())));
          return p.with(axis.withMotion(change.apply(design)));
        });
  }

  /** Enters a copy of the scaling as it was read. */
  public static Edit scaling(String axisId, Holder holder, AxisScaling copy) {
    return change(axisId, "scaling of the " + name(holder), d -> d.holding(holder, copy));
  }

  /** Takes a copy of the scaling back: it is not read. */
  public static Edit unread(String axisId, Holder holder) {
    return change(
        axisId, "scaling of the %s not read".formatted(name(holder)), d -> d.holding(holder, null));
  }

  private static String name(Holder holder) {
    return holder.label().toLowerCase(java.util.Locale.ROOT);
  }

  /** Changes what every move keeps to. */
  public static Edit limits(String axisId, String what, UnaryOperator<MoveLimits> change) {
    return moves(axisId, what, m -> m.withLimits(change.apply(m.limits())));
  }

  /** Changes how pulses make an axis move. */
  public static Edit pulses(String axisId, String what, UnaryOperator<StepDesign> change) {
    return change(axisId, what, d -> d.withSteps(change.apply(d.stepping())));
  }

  /** Changes the moves. */
  public static Edit moves(String axisId, String what, UnaryOperator<MoveSequence> change) {
    return change(axisId, what, d -> d.withMoves(change.apply(d.moves())));
  }

  /** Adds a step at the end. */
  public static Edit addStep(String axisId, MoveStep step) {
    return steps(
        axisId,
        "add " + step.label(),
        steps -> {
          steps.add(step);
          return steps;
        });
  }

  /** Puts another step in the place of one. */
  public static Edit setStep(String axisId, int at, MoveStep step) {
    return steps(
        axisId,
        "change step %d".formatted(at + 1),
        steps -> {
          steps.set(at, step);
          return steps;
        });
  }

  /** Removes a step. */
  public static Edit removeStep(String axisId, int at) {
    return steps(
        axisId,
        "remove step %d".formatted(at + 1),
        steps -> {
          steps.remove(at);
          return steps;
        });
  }

  private static Edit steps(String axisId, String what, UnaryOperator<List<MoveStep>> change) {
    return moves(axisId, what, m -> m.withSteps(change.apply(new ArrayList<>(m.steps()))));
  }

  /** Changes the table in the drive; an empty one is made of the moves. */
  public static Edit positions(
      String axisId, String what, UnaryOperator<List<TablePosition>> change) {
    return change(
        axisId,
        what,
        d ->
            d.withByBits(
                d.positioning()
                    .withPositions(change.apply(new ArrayList<>(d.positioning().positions())))));
  }

  /** Says where the bits of positioning stand in the words of the drive. */
  public static Edit words(String axisId, String what, PositioningWords words) {
    return change(axisId, what, d -> d.withByBits(d.positioning().withWords(words)));
  }

  /** Enters gains. */
  public static Edit gains(String axisId, LoopGains gains) {
    return change(axisId, "gains", d -> d.withGains(gains));
  }

  private static Axis axis(Project project, String axisId) {
    return project
        .axis(axisId)
        .orElseThrow(() -> new IllegalArgumentException("there is no axis '%s'".formatted(axisId)));
  }
}
