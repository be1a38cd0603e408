package unimotus.core.servo;

import io.soabase.recordbuilder.core.RecordBuilder;

/**
 * What a servo motor turns, seen from its shaft.
 *
 * @param motorKgM2 inertia of the rotor, with its brake
 * @param loadKgM2 inertia of the load behind gear and screw
 * @param frictionNewtonMetres dry friction, against the motion
 * @param dragNewtonMetreSeconds torque that grows with speed, for one radian a second
 * @param weightNewtonMetres torque of a suspended load, positive where it pulls towards lower
 *     positions; 0 for a level axis
 * @param efficiency of gear and screw, over 0 to 1
 * @param stiffnessNewtonMetres torque for one radian of twist between motor and load; 0 where they
 *     are taken as one piece
 * @param backlashRadians play between motor and load, at the motor shaft
 */
@RecordBuilder
public record ServoLoad(
    double motorKgM2,
    double loadKgM2,
    double frictionNewtonMetres,
    double dragNewtonMetreSeconds,
    double weightNewtonMetres,
    double efficiency,
    double stiffnessNewtonMetres,
    double backlashRadians)
    implements ServoLoadBuilder.With {

  /** Checks the numbers. */
  public ServoLoad {
    if (!(motorKgM2 > 0 && motorKgM2 < Double.POSITIVE_INFINITY)) {
      throw new IllegalArgumentException(
          "servo: inertia of the motor must be over 0, not " + motorKgM2);
    }
    notNegative("inertia of the load", loadKgM2);
    notNegative("friction", frictionNewtonMetres);
    notNegative("drag", dragNewtonMetreSeconds);
    notNegative("stiffness", stiffnessNewtonMetres);
    notNegative("backlash", backlashRadians);
    if (!Double.isFinite(weightNewtonMetres)) {
      throw new IllegalArgumentException("servo: torque of the suspended load must be a number");
    }
    if (!(efficiency > 0 && efficiency <= 1)) {
      throw new IllegalArgumentException(
          "servo: efficiency must be over 0 to 1, not " + efficiency);
    }
    if (backlashRadians > 0 && stiffnessNewtonMetres == 0) {
      throw new IllegalArgumentException(
          "servo: with backlash the stiffness between motor and load has to be known");
    }
  }

  /** A rigid, level load without friction. */
  public static ServoLoad rigid(double motorKgM2, double loadKgM2) {
    return new ServoLoad(motorKgM2, loadKgM2, 0, 0, 0, 1, 0, 0);
  }

  /** Motor and load together. */
  public double inertiaKgM2() {
    return motorKgM2 + loadKgM2;
  }

  /** Inertia of the load for one of the motor. */
  public double inertiaRatio() {
    return loadKgM2 / motorKgM2;
  }

  /** Whether motor and load move as one piece. */
  public boolean isRigid() {
    return stiffnessNewtonMetres == 0 || loadKgM2 == 0;
  }

  /**
   * ω = √(c·(1/J_M + 1/J_L)) in radians a second: motor against load on their coupling; infinite
   * where they are one piece.
   */
  public double resonance() {
    return isRigid()
        ? Double.POSITIVE_INFINITY
        : Math.sqrt(stiffnessNewtonMetres * (1 / motorKgM2 + 1 / loadKgM2));
  }

  /** ω = √(c/J_L) in radians a second: the load on a motor that is held. */
  public double antiResonance() {
    return isRigid() ? Double.POSITIVE_INFINITY : Math.sqrt(stiffnessNewtonMetres / loadKgM2);
  }

  /**
   * Torque the motor has to give, in newton metres. What the load needs beyond the rotor's own
   * inertia passes gear and screw: divided by the efficiency where the motor drives, multiplied
   * where the load drives it.
   *
   * @param velocity of the motor in radians a second
   * @param acceleration of the motor in radians a second squared
   */
  public double torque(double velocity, double acceleration) {
    double load =
        loadKgM2 * acceleration
            + frictionNewtonMetres * Math.signum(velocity)
            + dragNewtonMetreSeconds * velocity
            + weightNewtonMetres;
    boolean drives = load * velocity >= 0;
    return motorKgM2 * acceleration + (drives ? load / efficiency : load * efficiency);
  }

  private static void notNegative(String what, double value) {
    if (!(value >= 0 && value < Double.POSITIVE_INFINITY)) {
      throw new IllegalArgumentException(
          "servo: %s must not be negative, but is %s".formatted(what, value));
    }
  }
}
