package unimotus.core.machine;

import unimotus.core.sheet.Plate;

/**
 * A motor of the line.
 *
 * @param id stable id
 * @param name what people call it
 * @param plate the plate as read on the motor
 */
public record Motor(String id, String name, Plate plate) {

  /** Checks the id. */
  public Motor {
    Ids.check("motor", id);
  }

  /** This motor with another plate. */
  public Motor withPlate(Plate next) {
    return new Motor(id, name, next);
  }
}
