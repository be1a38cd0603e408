package unimotus.core.sheet;

import java.util.List;

/**
 * A class of motor with the figures of its plate.
 *
 * @param id stable id
 * @param name class of the motor in words
 * @param plate the plate
 */
public record MotorSheet(String id, String name, MotorPlate plate) implements DeviceSheet {

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
    return new MotorSheet(nextId, nextName, plate);
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
