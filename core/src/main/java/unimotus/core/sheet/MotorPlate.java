package unimotus.core.sheet;

/** What is printed on a motor, or stands in its catalogue; each kind says other things. */
public sealed interface MotorPlate permits InductionPlate, ServoPlate, StepperPlate {

  /** What makes it turn. */
  MotorKind kind();

  /** Moment of inertia of the rotor, over 0. */
  double inertiaKgM2();
}
