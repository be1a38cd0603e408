package unimotus.core.machine;

import java.util.List;
import org.jspecify.annotations.Nullable;
import unimotus.core.sheet.Plate;
import unimotus.core.sheet.ServoPlate;

/**
 * A motor of the line.
 *
 * @param id stable id
 * @param name what people call it
 * @param plate the plate as read on the motor
 * @param servo what a servo plate says besides; null for an induction motor
 */
public record Motor(String id, String name, Plate plate, @Nullable ServoPlate servo) {

  /** Marks of the terminals of every motor (IEC 60445, from memory). */
  public static final List<String> TERMINALS = List.of("U", "V", "W");

  /** An induction motor. */
  public Motor(String id, String name, Plate plate) {
    this(id, name, plate, null);
  }

  /** Checks the id. */
  public Motor {
    Ids.check("motor", id);
  }

  /** This motor with another plate. */
  public Motor withPlate(Plate next) {
    return new Motor(id, name, next, servo);
  }

  /** This motor with another servo plate. */
  public Motor withServo(ServoPlate next) {
    return new Motor(id, name, plate, next);
  }
}
