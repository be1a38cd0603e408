package unimotus.desktop.motion;

import javafx.scene.Node;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import unimotus.core.motion.StepAxis;
import unimotus.core.review.AxisReview;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.Sides;

/** The moves of an axis on pulses: its travel, the rate of the pulses and the torque they need. */
final class StepMovesSide implements StepSide {
  private static final double LEAST_MAIN = 470;
  private static final double LEAST_SIDE = 300;
  private static final double SIDE = 350;

  private final Desk desk;
  private final VBox fields = new VBox(10);
  private final TravelScale travel;
  private final StepPlots plots;
  private final StepDemandCard demand;
  private final Sides node;

  StepMovesSide(Desk desk) {
    this.desk = desk;
    this.travel = new TravelScale(desk);
    this.plots = new StepPlots(desk);
    this.demand = new StepDemandCard(desk);
    VBox main = new VBox(10, travel, plots, demand);
    VBox.setVgrow(plots, Priority.ALWAYS);
    node = new Sides(main, Parts.scrolling(fields), LEAST_MAIN, LEAST_SIDE, SIDE);
  }

  @Override
  public Node node() {
    return node;
  }

  @Override
  public void show(StepAxis axis, AxisReview review) {
    MoveCards cards = new MoveCards(desk, axis);
    fields
        .getChildren()
        .setAll(
            new StepsCard(desk, axis),
            cards.limits(),
            cards.travel(),
            new TravelSwitchesCard(desk, axis),
            cards.load());
    travel.show(axis);
    try {
      plots.show(axis);
      demand.show(axis);
    } catch (IllegalArgumentException outside) {
      plots.refuse(String.valueOf(outside.getMessage()));
      demand.clear();
    }
  }
}
