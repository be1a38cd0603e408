package unimotus.core.sheet;

/**
 * What a step driver says of its switches, its supply and its rates.
 *
 * @param microsteps positions of its switches for pulses a turn of a motor of {@code fullSteps}
 * @param currents positions of its switches for the current of a phase
 * @param amperes what those amperes are of
 * @param fullSteps full steps a turn of the motor the table of microsteps is made for, such as 200
 * @param leastVolts lowest d.c. supply, over 0
 * @param mostVolts highest d.c. supply, not under the lowest
 * @param mostHertz highest rate of pulses it takes
 * @param restShare share of the current at standstill while that is reduced, over 0 to 1
 */
public record StepDriver(
    SwitchTable microsteps,
    SwitchTable currents,
    AmpereKind amperes,
    int fullSteps,
    double leastVolts,
    double mostVolts,
    double mostHertz,
    double restShare) {

  /** Checks the numbers. */
  public StepDriver {
    if (fullSteps < 4 || fullSteps > 1000) {
      throw new IllegalArgumentException(
          "step driver: full steps a turn of its table must be 4 to 1000, not " + fullSteps);
    }
    if (!(leastVolts > 0 && mostVolts >= leastVolts && mostVolts < Double.POSITIVE_INFINITY)) {
      throw new IllegalArgumentException(
          "step driver: supply must be from over 0 V up, not %s to %s V"
              .formatted(leastVolts, mostVolts));
    }
    if (!(mostHertz > 0 && mostHertz < Double.POSITIVE_INFINITY)) {
      throw new IllegalArgumentException(
          "step driver: highest rate must be over 0 Hz, not " + mostHertz);
    }
    if (!(restShare > 0 && restShare <= 1)) {
      throw new IllegalArgumentException(
          "step driver: current at standstill must be over 0 to 1 of the set one, not "
              + restShare);
    }
  }
}
