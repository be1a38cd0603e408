package unimotus.core.way.motion;

import java.util.List;
import java.util.Optional;
import unimotus.core.detective.Cause;
import unimotus.core.detective.Variant;
import unimotus.core.path.SignalPath;
import unimotus.core.proof.Prediction;

/** Where the positions of an axis stand on the way to its drive: in an image, or in registers. */
interface PositionPlace {

  /** Where the target position is read. */
  String target();

  /** Where the actual position is read; empty where nothing shows it. */
  Optional<String> actual();

  /** Where the following error is read; empty where nothing shows it. */
  Optional<String> following();

  /** What of the link itself is to be seen. */
  List<Prediction> states();

  /** Causes of the axis that cannot be on this way. */
  List<MotionCause> impossible();

  /** Causes of the link itself. */
  List<? extends Cause> causes();

  /** The path as it would be under one of them. */
  List<Variant> variants(Cause cause, MotionLink link, SignalPath path);
}
