package unimotus.core.path;

import java.util.List;
import java.util.Map;

/** How a motor turns the drive's output into the speed of its shaft; each kind in its own way. */
public interface MotorLink {

  /** Its stages, from {@link Station#FREQUENCY} to {@link Station#SHAFT}. */
  List<Stage> stages();

  /** Fastest that it can be commanded, without load, in revolutions per minute. */
  double topRpm();

  /** How far the load keeps the shaft behind the output, in revolutions per minute. */
  double lagRpm(double hertz);

  /** This motor with two of its phases exchanged. */
  MotorLink turned();

  /** What it would be with another plate than was read, by what differs, in words. */
  Map<String, MotorLink> misread();

  /** What it would be under more load than is known, by how much, in words. */
  Map<String, MotorLink> sagging();

  /** Shaft speed at an output frequency. */
  default double shaftRpm(double hertz) {
    double value = hertz;
    for (Stage stage : stages()) {
      value = stage.forward(value);
    }
    return value;
  }

  /** The output frequency at which the shaft turns so fast. */
  default double hertz(double shaftRpm) {
    List<Stage> stages = stages();
    double value = shaftRpm;
    for (int i = stages.size() - 1; i >= 0; i--) {
      value = stages.get(i).inverse(value);
    }
    return value;
  }
}
