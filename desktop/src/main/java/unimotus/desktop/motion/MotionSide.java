package unimotus.desktop.motion;

import javafx.scene.Node;
import unimotus.core.motion.ServoAxis;
import unimotus.core.review.AxisReview;

/** One of the sides of the motion pane. */
interface MotionSide {
  /** What is shown. */
  Node node();

  /** Shows an axis. */
  void show(ServoAxis axis, AxisReview review);
}
