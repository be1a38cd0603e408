package unimotus.desktop.motion;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import unimotus.core.motion.GainTrial;
import unimotus.core.motion.ServoAxis;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.review.AxisReview;
import unimotus.core.servo.Dynamics;
import unimotus.core.servo.GainProposal;
import unimotus.core.servo.LoopGains;
import unimotus.desktop.Desk;
import unimotus.desktop.identify.FieldCard;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.Sides;
import unimotus.workbench.Edit;
import unimotus.workbench.MotionEdits;

/** The gains of the loops: three proposals, what each does on the longest move, and its sum. */
final class LoopsSide implements ServoSide {
  private static final double LEAST_MAIN = 560;
  private static final double LEAST_SIDE = 260;
  private static final double SIDE = 320;
  private static final int DIGITS = 3;

  private final Desk desk;
  private final GridPane trials = new GridPane();
  private final VBox sum = new VBox(4);
  private final VBox fields = new VBox(10);
  private final Sides node;

  LoopsSide(Desk desk) {
    this.desk = desk;
    trials.setHgap(14);
    trials.setVgap(5);
    trials.setId("gain-trials");
    VBox table =
        Parts.sheet(
            8,
            Parts.label("Gains on the longest move", "ink-strong"),
            Parts.prose(
                "Position and velocity loop in ticks of 250 µs, current loop with 0.5 ms, as is"
                    + " common; the load as entered, half and twice of it. A simulation is not a"
                    + " proof: begin calm, and watch the axis.",
                "ink-label"),
            trials);
    VBox sums = Parts.sheet(6, Parts.label("How the proposals come about", "ink-strong"), sum);
    VBox main = new VBox(10, table, sums);
    VBox.setVgrow(sums, Priority.ALWAYS);
    node = new Sides(Parts.scrolling(main), Parts.scrolling(fields), LEAST_MAIN, LEAST_SIDE, SIDE);
  }

  @Override
  public Node node() {
    return node;
  }

  @Override
  public void show(ServoAxis axis, AxisReview review) {
    trials.getChildren().clear();
    sum.getChildren().clear();
    fields.getChildren().setAll(gains(axis));
    for (Dynamics dynamics : Dynamics.values()) {
      GainProposal proposal = axis.proposal(dynamics);
      sum.getChildren().add(Parts.label(dynamics.label(), "ink-strong"));
      proposal.sum().steps().forEach(s -> sum.getChildren().add(Parts.prose(s.text(), "ink-sum")));
    }
    try {
      table(axis, GainTrial.all(axis));
    } catch (IllegalArgumentException outside) {
      trials.add(Parts.prose(String.valueOf(outside.getMessage()), "ink-attention"), 0, 0);
    }
  }

  private void table(ServoAxis axis, List<GainTrial> all) {
    if (all.isEmpty()) {
      trials.add(Parts.prose("Nothing moves yet: enter moves first.", "ink-label"), 0, 0);
      return;
    }
    int row = 0;
    int column = 0;
    for (String head :
        List.of("", "load", "Kv, 1/s", "N·m·s", "Ti", "lags by", "overshoots", "settles")) {
      trials.add(Parts.label(head, "ink-label"), column++, row);
    }
    for (GainTrial trial : all) {
      row++;
      List<Label> cells = new ArrayList<>();
      boolean first = trial.loadFactor() == 1;
      cells.add(Parts.label(first ? trial.name() : "", "ink-strong"));
      cells.add(Parts.label("× " + QuantityFormat.PLAIN.number(trial.loadFactor()), "ink-label"));
      cells.add(number(first, trial.gains().position()));
      cells.add(number(first, trial.gains().velocity()));
      cells.add(
          Parts.label(
              first ? text(trial.gains().integralSeconds(), MeasureUnit.SECOND_UNIT) : "",
              "ink-live"));
      cells.add(Parts.label(text(trial.largestError(), axis.unit()), "ink-live"));
      cells.add(Parts.label(text(trial.overshoot(), axis.unit()), "ink-live"));
      boolean settles = Double.isFinite(trial.settlesAfter());
      cells.add(
          Parts.label(
              settles ? text(trial.settlesAfter(), MeasureUnit.SECOND_UNIT) : "does not",
              settles ? "ink-live" : "ink-attention"));
      cells.forEach(c -> c.setMinWidth(Region.USE_PREF_SIZE));
      trials.addRow(row, cells.toArray(Node[]::new));
      if (first && !trial.gains().equals(axis.design().gains())) {
        trials.add(
            Parts.action(
                "take-" + trial.name(),
                "Enter",
                () -> desk.apply(MotionEdits.gains(axis.axis().id(), trial.gains()))),
            cells.size(),
            row);
      }
    }
  }

  private Label number(boolean shown, double value) {
    return Parts.label(shown ? digits().number(value) : "", "ink-live");
  }

  private String text(double value, MeasureUnit unit) {
    MeasureUnit shown = desk.units().shown(unit);
    return digits().text(unit.convert(value, shown), shown);
  }

  /** A simulation is worth no more digits. */
  private QuantityFormat digits() {
    return new QuantityFormat(desk.units().format().decimalMark(), DIGITS);
  }

  private FieldCard gains(ServoAxis axis) {
    boolean entered = axis.design().gains() != null;
    LoopGains gains = axis.gains();
    FieldCard card =
        new FieldCard(
            desk,
            entered ? "as entered" : "none entered: the calm proposal is run",
            "Gains of the axis");
    card.number(
        "Kv, 1/s", gains.position(), MeasureUnit.ONE, v -> set(axis, gains.withPosition(v)));
    card.number(
        "Velocity gain, N·m·s",
        gains.velocity(),
        MeasureUnit.ONE,
        v -> set(axis, gains.withVelocity(v)));
    card.number(
        "Integral time; 0 for none",
        gains.integralSeconds(),
        MeasureUnit.SECOND_UNIT,
        v -> set(axis, gains.withIntegralSeconds(v)));
    card.number(
        "Velocity feed-forward, 0 to 1",
        gains.feedForward(),
        MeasureUnit.ONE,
        v -> set(axis, gains.withFeedForward(v)));
    card.computed(
        "Following error at full speed",
        gains.followingError(axis.design().moves().limits().velocity()),
        axis.unit());
    return card;
  }

  private static Edit set(ServoAxis axis, LoopGains next) {
    return MotionEdits.gains(axis.axis().id(), next);
  }
}
