package unimotus.desktop.motion;

import javafx.scene.Node;
import unimotus.core.motion.PositionedAxis;
import unimotus.core.review.AxisReview;

/** One of the sides of the motion pane. */
interface MotionSide {
  /** What is shown. */
  Node node();

  /** Shows an axis of a kind the side is there for. */
  void show(PositionedAxis axis, AxisReview review);
}
