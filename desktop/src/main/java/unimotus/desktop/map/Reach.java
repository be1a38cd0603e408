package unimotus.desktop.map;

import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.profile.WordProfile;
import unimotus.core.value.PlacedValue;
import unimotus.devices.connection.DriveConnection;
import unimotus.workbench.capture.FrameRecorder;

/** Over what a drive is reached: where it is, what it has there, and in which words it speaks. */
interface Reach {

  /** The fields that say where it is, and what simulates it. */
  Node node();

  /** Takes what is known of the axis that is shown; not while a drive is joined. */
  void show(Optional<AxisAssembly> axis);

  /** The values that are read and written. */
  List<PlacedValue> values();

  /** Whether a value can be written by this program. */
  boolean isWritable(PlacedValue value);

  /** What is read, in a sentence. */
  String said();

  /** What is read while it is joined, in a sentence. */
  String saidJoined();

  /**
   * The drive's words.
   *
   * @throws IllegalArgumentException where they cannot be used, saying why
   */
  WordProfile profile();

  /**
   * A connection, which joins with the first request.
   *
   * @throws IllegalArgumentException where a field does not say where
   */
  DriveConnection connect(FrameRecorder recorder);

  /** What the drive does when this program falls silent. */
  String loss(Optional<AxisAssembly> axis);
}
