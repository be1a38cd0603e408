package unimotus.desktop.motion;

import unimotus.core.motion.PositionedAxis;
import unimotus.core.motion.ServoAxis;
import unimotus.core.review.AxisReview;

/** A side that servo axes have. */
interface ServoSide extends MotionSide {
  /** Shows a servo axis. */
  void show(ServoAxis axis, AxisReview review);

  @Override
  default void show(PositionedAxis axis, AxisReview review) {
    show((ServoAxis) axis, review);
  }
}
