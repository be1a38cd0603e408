package unimotus.core.sheet;

import io.soabase.recordbuilder.core.RecordBuilder;
import org.jspecify.annotations.Nullable;

/**
 * What a step motor's label and catalogue say.
 *
 * @param stepsPerTurn full steps a turn, such as 200
 * @param holdingNewtonMetres holding torque at rated current in both windings
 * @param ratedAmperes rated current of a winding
 * @param windingOhms resistance of a winding
 * @param windingHenries inductance of a winding
 * @param leads wires that come out, 4, 6 or 8
 * @param inertiaKgM2 moment of inertia of the rotor
 * @param amperes what the rated current is of; r.m.s. where the label is silent
 * @param pullInStepsPerSecond full steps a second at which the bare motor starts at once; 0 where
 *     the catalogue is silent
 * @param pullOut torque over speed for a driver and a supply; null where the catalogue is silent
 */
@RecordBuilder
public record StepperPlate(
    int stepsPerTurn,
    double holdingNewtonMetres,
    double ratedAmperes,
    double windingOhms,
    double windingHenries,
    int leads,
    double inertiaKgM2,
    AmpereKind amperes,
    double pullInStepsPerSecond,
    @Nullable PullOutCurve pullOut)
    implements MotorPlate, StepperPlateBuilder.With {

  /** Checks the numbers. */
  public StepperPlate {
    if (stepsPerTurn < 4 || stepsPerTurn > 1000) {
      throw new IllegalArgumentException(
          "step motor: full steps a turn must be 4 to 1000, not " + stepsPerTurn);
    }
    if (leads != 4 && leads != 6 && leads != 8) {
      throw new IllegalArgumentException("step motor: leads must be 4, 6 or 8, not " + leads);
    }
    positive("holding torque", holdingNewtonMetres);
    positive("rated current", ratedAmperes);
    positive("resistance of a winding", windingOhms);
    positive("inductance of a winding", windingHenries);
    positive("inertia", inertiaKgM2);
    amperes = amperes == null ? AmpereKind.RMS : amperes;
    if (!(pullInStepsPerSecond >= 0 && pullInStepsPerSecond < Double.POSITIVE_INFINITY)) {
      throw new IllegalArgumentException(
          "step motor: pull-in rate must be 0 or more, not " + pullInStepsPerSecond);
    }
  }

  /** A motor whose catalogue says nothing of speed. */
  public StepperPlate(
      int stepsPerTurn,
      double holdingNewtonMetres,
      double ratedAmperes,
      double windingOhms,
      double windingHenries,
      int leads,
      double inertiaKgM2) {
    this(
        stepsPerTurn,
        holdingNewtonMetres,
        ratedAmperes,
        windingOhms,
        windingHenries,
        leads,
        inertiaKgM2,
        AmpereKind.RMS,
        0,
        null);
  }

  @Override
  public MotorKind kind() {
    return MotorKind.STEPPER;
  }

  /** Angle of a full step in degrees. */
  public double stepDegrees() {
    return 360.0 / stepsPerTurn;
  }

  private static void positive(String name, double value) {
    if (!(value > 0 && value < Double.POSITIVE_INFINITY)) {
      throw new IllegalArgumentException(
          "step motor: %s must be positive, not %s".formatted(name, value));
    }
  }

  /** This plate with another curve; null where its catalogue is silent. */
  public StepperPlate withCurve(@Nullable PullOutCurve curve) {
    return with().pullOut(curve).build();
  }
}
