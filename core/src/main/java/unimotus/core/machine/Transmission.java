package unimotus.core.machine;

import io.soabase.recordbuilder.core.RecordBuilder;
import unimotus.core.quantity.MeasureUnit;

/**
 * What hangs between a servo motor and its load beyond gear, inertia and friction.
 *
 * @param suspendedKilograms mass that hangs on the axis, positive where it pulls towards lower
 *     positions; 0 for a level axis
 * @param stiffnessNewtonMetres torque at the motor shaft for one radian of twist there; 0 where it
 *     is taken as rigid
 * @param backlashRadians play at the motor shaft; 0 for none
 */
@RecordBuilder
public record Transmission(
    double suspendedKilograms, double stiffnessNewtonMetres, double backlashRadians)
    implements TransmissionBuilder.With {

  private static final double MILLIMETRES = 1000;

  /** Level, rigid, without play. */
  public static final Transmission RIGID = new Transmission(0, 0, 0);

  /** Checks the numbers. */
  public Transmission {
    if (!Double.isFinite(suspendedKilograms)) {
      throw new IllegalArgumentException("transmission: the suspended mass must be a number");
    }
    if (!(stiffnessNewtonMetres >= 0 && stiffnessNewtonMetres < Double.POSITIVE_INFINITY)) {
      throw new IllegalArgumentException(
          "transmission: stiffness must be over 0, or 0 for rigid, not " + stiffnessNewtonMetres);
    }
    if (!(backlashRadians >= 0 && backlashRadians < 1)) {
      throw new IllegalArgumentException(
          "transmission: backlash must be 0 to 1 rad, not " + backlashRadians);
    }
    if (backlashRadians > 0 && stiffnessNewtonMetres == 0) {
      throw new IllegalArgumentException(
          "transmission: with backlash the stiffness must be known; it is 0");
    }
  }

  /** Inertia of the suspended mass at the motor shaft, m·(s/2π)² with s the travel a motor turn. */
  public double hangingKgM2(Mechanics mechanics) {
    return Math.abs(suspendedKilograms)
        * Math.pow(metresPerMotorTurn(mechanics) / (2 * Math.PI), 2);
  }

  /** Travel for one turn of the motor in metres; 0 where the travel is no length. */
  public static double metresPerMotorTurn(Mechanics mechanics) {
    return mechanics.travelUnit() == MeasureUnit.MILLIMETRE
        ? mechanics.travelPerTurn() / MILLIMETRES / mechanics.gearRatio()
        : 0;
  }
}
