package unimotus.core.sheet;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A class of three-phase motor with the figures of its plate.
 *
 * @param id stable id
 * @param name class of the motor in words
 * @param plate the plate
 * @param servo what a servo plate says besides; null for an induction motor
 */
public record MotorSheet(String id, String name, Plate plate, @Nullable ServoPlate servo)
    implements DeviceSheet {

  @Override
  public List<Terminal> terminals() {
    return List.of();
  }

  @Override
  public List<Selector> selectors() {
    return List.of();
  }

  @Override
  public MotorSheet withIdentity(String nextId, String nextName) {
    return new MotorSheet(nextId, nextName, plate, servo);
  }

  @Override
  public MotorSheet withTerminals(List<Terminal> next) {
    return this;
  }

  @Override
  public MotorSheet withSelectors(List<Selector> next) {
    return this;
  }
}
