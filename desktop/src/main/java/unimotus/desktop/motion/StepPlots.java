package unimotus.desktop.motion;

import java.util.List;
import java.util.Optional;
import java.util.function.DoubleUnaryOperator;
import javafx.scene.control.Label;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import unimotus.core.motion.StepAxis;
import unimotus.core.move.MotionPlan;
import unimotus.core.move.MotionState;
import unimotus.core.move.Phase;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.sheet.PullOutCurve;
import unimotus.core.stepper.StepLoad;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Fitted;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.Plot;
import unimotus.desktop.kit.Series;

/** Position and rate of the pulses over time, and the torque the moves need under the curve. */
final class StepPlots extends VBox {
  private static final int SAMPLES = 1200;
  private static final int CURVE = 160;

  /** Looks at a phase: more than the curve has places, so that a ramp leaves none out. */
  private static final int LOOKS = 400;

  private final Desk desk;
  private final Plot position = new Plot("Position", "s", "");
  private final Plot rate = new Plot("Rate of the pulses", "s", "Hz");
  private final Plot torque =
      new Plot("Torque needed, under the pull-out curve, over full steps a second", "", "N·m");
  private final Label refusal = Parts.passing("ink-attention");

  StepPlots(Desk desk) {
    super(4);
    this.desk = desk;
    rate.xLow().bindBidirectional(position.xLow());
    rate.xHigh().bindBidirectional(position.xHigh());
    rate.cursor().bindBidirectional(position.cursor());
    rate.secondCursor().bindBidirectional(position.secondCursor());
    position.setId("step-position");
    rate.setId("step-rate");
    torque.setId("step-torque");
    refusal.setId("move-refusal");
    getChildren().add(refusal);
    for (Plot plot : List.of(position, rate, torque)) {
      VBox.setVgrow(plot, Priority.ALWAYS);
      plot.setPrefHeight(110);
      getChildren().add(plot);
    }
  }

  /** Says why there is nothing to draw. */
  void refuse(String why) {
    refusal.setText(why);
    List.of(position, rate, torque).forEach(p -> p.show(List.of(), 0, 1, 0, 1));
  }

  /**
   * Draws the moves of an axis.
   *
   * @throws IllegalArgumentException where one leads outside its travel
   */
  void show(StepAxis axis) {
    MotionPlan plan = axis.plan();
    refusal.setText("");
    for (Plot plot : List.of(position, rate, torque)) {
      plot.setFormat(desk.units().format());
    }
    MeasureUnit shown = desk.units().shown(axis.unit());
    position.setYUnit(shown.symbol());
    double end = Math.max(1e-3, plan.seconds());
    double step = end / (SAMPLES - 1);
    double perUnit = axis.scale().pulsesPerUnit().doubleValue();
    Fitted.show(
        position,
        List.of(time("position", step, t -> axis.unit().convert(plan.at(t).position(), shown))),
        end);
    Fitted.show(
        rate,
        List.of(time("pulses a second", step, t -> Math.abs(plan.at(t).velocity()) * perUnit)),
        end);
    torque(axis, plan);
  }

  private static Series time(String name, double step, DoubleUnaryOperator value) {
    return new Series(
        name, "plot-live", SAMPLES, i -> i * step, i -> value.applyAsDouble(i * step));
  }

  private void torque(StepAxis axis, MotionPlan plan) {
    Optional<PullOutCurve> curve = axis.curve();
    if (curve.isEmpty()) {
      torque.show(List.of(), 0, 1, 0, 1);
      return;
    }
    double turns = axis.scale().pulsesPerUnit().doubleValue() / axis.pulsesPerTurn();
    StepLoad load = axis.load();
    double most = Math.max(1, Math.abs(plan.peakVelocity()) * turns * axis.plate().stepsPerTurn());
    double end = Math.min(curve.get().most(), 2 * most);
    double width = end / (CURVE - 1);
    double[] envelope = new double[CURVE];
    for (Phase phase : plan.phases()) {
      for (int i = 0; i <= LOOKS; i++) {
        MotionState state = phase.start().after(phase.seconds() * i / LOOKS);
        boolean stands = state.velocity() == 0 && state.acceleration() == 0;
        double way = state.velocity() == 0 ? state.acceleration() : state.velocity();
        double full = Math.abs(state.velocity()) * turns * axis.plate().stepsPerTurn();
        double needs =
            stands
                ? 0
                : Math.abs(
                    load.torque(
                        state.acceleration() * turns * 2 * Math.PI,
                        way,
                        state.velocity() * turns * 60));
        int at = (int) Math.min(CURVE - 1, Math.rint(full / width));
        envelope[at] = Math.max(envelope[at], needs);
      }
    }
    Fitted.show(
        torque,
        List.of(
            new Series(
                curve.get().isEstimated() ? "worked out of coils and supply" : "pull-out curve",
                "plot-predicted",
                CURVE,
                i -> i * width,
                i -> curve.get().at(i * width)),
            new Series("needed", "plot-live", CURVE, i -> i * width, i -> envelope[i])),
        end);
  }
}
