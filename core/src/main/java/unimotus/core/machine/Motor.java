package unimotus.core.machine;

import java.util.List;
import java.util.Optional;
import unimotus.core.sheet.InductionPlate;
import unimotus.core.sheet.MotorPlate;

/**
 * A motor of the line.
 *
 * @param id stable id
 * @param name what people call it
 * @param plate the plate as read on the motor
 */
public record Motor(String id, String name, MotorPlate plate) {

  /** Marks of the terminals of every three-phase motor (IEC 60445, from memory). */
  public static final List<String> TERMINALS = List.of("U", "V", "W");

  /** Checks the id. */
  public Motor {
    Ids.check("motor", id);
  }

  /** The plate of an induction motor; empty for every other kind. */
  public Optional<InductionPlate> induction() {
    return plate instanceof InductionPlate induction ? Optional.of(induction) : Optional.empty();
  }

  /** This motor with another plate. */
  public Motor withPlate(MotorPlate next) {
    return new Motor(id, name, next);
  }
}
