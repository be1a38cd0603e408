package unimotus.core.motor;

import java.util.Optional;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.sheet.InductionPlate;
import unimotus.core.sheet.MotorPlate;
import unimotus.core.sheet.ServoPlate;
import unimotus.core.sheet.StepperPlate;

/**
 * What a plate says of the turning field of a motor.
 *
 * @param poles pole count
 * @param ratedHertz frequency at which the motor is rated
 */
public record FieldFigures(int poles, double ratedHertz) {

  /**
   * The figures of a plate; empty for a motor that is stepped.
   *
   * @throws IllegalArgumentException where no pole count turns at the plate's speed
   */
  public static Optional<FieldFigures> of(MotorPlate plate) {
    if (plate instanceof InductionPlate induction) {
      return Optional.of(
          new FieldFigures(MotorFormulas.poles(induction), induction.frequencyHertz()));
    }
    if (plate instanceof ServoPlate servo) {
      return Optional.of(new FieldFigures(servo.poles(), servo.ratedHertz()));
    }
    if (plate instanceof StepperPlate) {
      return Optional.empty();
    }
    throw new AssertionError(plate);
  }

  /**
   * The figures of an axis whose motor has a turning field.
   *
   * @throws IllegalArgumentException where it is stepped, or no pole count turns at its speed
   */
  public static FieldFigures of(AxisAssembly axis) {
    return of(axis.motor().plate())
        .orElseThrow(
            () ->
                new IllegalArgumentException(
                    "%s is a step motor: it has no frequency".formatted(axis.motor().name())));
  }
}
