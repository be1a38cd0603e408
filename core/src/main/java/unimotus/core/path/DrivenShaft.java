package unimotus.core.path;

import java.util.List;
import java.util.Map;

/**
 * A motor whose drive closes the loop over its shaft: nothing stands between what the drive wants
 * and the shaft, and no speed is told.
 */
public record DrivenShaft() implements MotorLink {

  @Override
  public List<Stage> stages() {
    return List.of();
  }

  @Override
  public double topRpm() {
    return 0;
  }

  @Override
  public double lagRpm(double hertz) {
    return 0;
  }

  /** With two phases exchanged its loop runs away: that is no other way to the same shaft. */
  @Override
  public MotorLink turned() {
    return this;
  }

  @Override
  public Map<String, MotorLink> misread() {
    return Map.of();
  }

  @Override
  public Map<String, MotorLink> sagging() {
    return Map.of();
  }
}
