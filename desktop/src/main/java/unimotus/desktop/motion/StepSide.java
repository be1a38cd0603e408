package unimotus.desktop.motion;

import unimotus.core.motion.PositionedAxis;
import unimotus.core.motion.StepAxis;
import unimotus.core.review.AxisReview;

/** A side that axes on pulses have. */
interface StepSide extends MotionSide {
  /** Shows an axis on pulses. */
  void show(StepAxis axis, AxisReview review);

  @Override
  default void show(PositionedAxis axis, AxisReview review) {
    show((StepAxis) axis, review);
  }
}
