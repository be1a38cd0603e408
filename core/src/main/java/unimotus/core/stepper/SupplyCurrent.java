package unimotus.core.stepper;

import unimotus.core.derivation.Derivation;
import unimotus.core.derivation.Step;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;

/**
 * What a step driver takes from its supply at most: the heat of its coils and the power of the
 * shaft, which is far less than the current of the phases where the supply is high.
 *
 * @param phaseAmperes r.m.s. of a phase
 * @param ohms of a phase as it is connected
 * @param newtonMetres largest torque of its moves
 * @param rpm highest speed of the shaft
 * @param volts of the supply, over 0
 */
public record SupplyCurrent(
    double phaseAmperes, double ohms, double newtonMetres, double rpm, double volts) {
  /** What arrives at the motor of what a driver takes (common practice). */
  public static final double EFFICIENCY = 0.9;

  private static final double RADIANS_PER_RPM = 2 * Math.PI / 60;

  /** Checks the voltage. */
  public SupplyCurrent {
    if (!(volts > 0)) {
      throw new IllegalArgumentException(
          "supply current: the supply must be over 0 V, not " + volts);
    }
  }

  /** Heat of both phases: 2·I²·R. */
  public double copperWatts() {
    return 2 * phaseAmperes * phaseAmperes * ohms;
  }

  /** Power at the shaft: M·ω. */
  public double shaftWatts() {
    return newtonMetres * rpm * RADIANS_PER_RPM;
  }

  /** Current out of the supply. */
  public double amperes() {
    return (copperWatts() + shaftWatts()) / (EFFICIENCY * volts);
  }

  /** How it was found. */
  public Derivation sum() {
    return Derivation.of(
            new Step(
                "heat of both phases",
                "P = 2·I²·R",
                "2·%s²·%s".formatted(number(phaseAmperes), number(ohms)),
                copperWatts(),
                MeasureUnit.WATT_UNIT,
                "Joule's law"))
        .then(
            new Step(
                "power of the shaft",
                "P = M·2π·n/60",
                "%s·2π·%s/60".formatted(number(newtonMetres), number(rpm)),
                shaftWatts(),
                MeasureUnit.WATT_UNIT,
                "mechanics"))
        .then(
            new Step(
                "out of the supply, at most",
                "I = P/(η·U)",
                "%s/(%s·%s)"
                    .formatted(number(copperWatts() + shaftWatts()), EFFICIENCY, number(volts)),
                amperes(),
                MeasureUnit.AMPERE_UNIT,
                "η of a driver: common practice"));
  }

  private static String number(double value) {
    return QuantityFormat.PLAIN.number(value);
  }
}
