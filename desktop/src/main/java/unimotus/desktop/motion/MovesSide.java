package unimotus.desktop.motion;

import javafx.scene.Node;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import unimotus.core.motion.ServoAxis;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.review.AxisReview;
import unimotus.core.servo.ServoTrace;
import unimotus.desktop.Desk;
import unimotus.desktop.identify.FieldCard;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.Sides;

/** The moves of an axis: what they keep to, one after the other, and what is to be seen. */
final class MovesSide implements ServoSide {
  private static final double LEAST_MAIN = 470;
  private static final double LEAST_SIDE = 300;
  private static final double SIDE = 350;
  private static final double AFTERWARDS = 0.3;

  private final Desk desk;
  private final VBox fields = new VBox(10);
  private final MovePlots plots;
  private final DemandCard demand;
  private final Sides node;

  MovesSide(Desk desk) {
    this.desk = desk;
    this.plots = new MovePlots(desk);
    this.demand = new DemandCard(desk);
    VBox main = new VBox(10, plots, demand);
    VBox.setVgrow(plots, Priority.ALWAYS);
    node = new Sides(main, Parts.scrolling(fields), LEAST_MAIN, LEAST_SIDE, SIDE);
  }

  @Override
  public Node node() {
    return node;
  }

  @Override
  public void show(ServoAxis axis, AxisReview review) {
    MoveCards cards = new MoveCards(desk, axis);
    FieldCard load = cards.load();
    load.computed("Inertia ratio, load to motor", axis.load().inertiaRatio(), MeasureUnit.ONE);
    fields.getChildren().setAll(new StepsCard(desk, axis), cards.limits(), cards.ofDrive(), load);
    try {
      ServoTrace trace = axis.run(axis.gains(), AFTERWARDS);
      plots.show(axis, trace);
      demand.show(axis);
    } catch (IllegalArgumentException outside) {
      plots.refuse(String.valueOf(outside.getMessage()));
      demand.show(null);
    }
  }
}
