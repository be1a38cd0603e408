package unimotus.core.stepper;

import unimotus.core.derivation.Derivation;
import unimotus.core.derivation.Step;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.sheet.AmpereKind;
import unimotus.core.sheet.SwitchTable;

/**
 * Current of a phase as it is set at a driver. A driver states peak or r.m.s. amperes, a motor
 * mostly r.m.s.: √2 lies between the two.
 *
 * @param chosen the row of the driver's switches, the highest that is not above the rating
 * @param limit what the coils allow, in the amperes the driver states
 * @param sum how the limit was found
 */
public record PhaseCurrent(SwitchTable.Row chosen, double limit, Derivation sum) {

  /**
   * The setting for coils.
   *
   * @param ofMotor what the amperes of the motor's plate are
   * @param ofDriver what the amperes on the driver's lid are
   * @throws IllegalArgumentException where the lowest setting is above the rating
   */
  public static PhaseCurrent of(
      Coils coils, AmpereKind ofMotor, SwitchTable currents, AmpereKind ofDriver) {
    double factor = factor(ofMotor, ofDriver);
    double limit = coils.amperes() * factor;
    Step step =
        new Step(
            "highest setting",
            "I · %s".formatted(factor == 1 ? "1" : factor > 1 ? "√2" : "1/√2"),
            "%s · %s"
                .formatted(
                    QuantityFormat.PLAIN.number(coils.amperes()),
                    QuantityFormat.PLAIN.number(factor)),
            limit,
            MeasureUnit.AMPERE_UNIT,
            "motor plate in %s, driver in %s amperes".formatted(ofMotor.label(), ofDriver.label()));
    SwitchTable.Row row =
        currents
            .highestNotAbove(limit)
            .orElseThrow(
                () ->
                    new IllegalArgumentException(
                        "the lowest setting of the driver is %s A, the coils %s take %s A"
                            .formatted(
                                QuantityFormat.PLAIN.number(currents.values().get(0)),
                                coils.connection().label(),
                                QuantityFormat.PLAIN.number(limit))));
    return new PhaseCurrent(row, limit, Derivation.of(step));
  }

  private static double factor(AmpereKind ofMotor, AmpereKind ofDriver) {
    if (ofMotor == ofDriver) {
      return 1;
    }
    return ofDriver == AmpereKind.PEAK ? Math.sqrt(2) : Math.sqrt(0.5);
  }

  /**
   * Checks a setting that stands at a driver.
   *
   * @throws IllegalArgumentException where it is above the rating, naming the next lower one
   */
  public void check(SwitchTable currents, SwitchTable.Row set) {
    if (set.value() > limit * (1 + 1e-9)) {
      throw new IllegalArgumentException(
          "%s A is over the rating of %s A: the next lower setting is %s A (%s)"
              .formatted(
                  QuantityFormat.PLAIN.number(set.value()),
                  QuantityFormat.PLAIN.number(limit),
                  QuantityFormat.PLAIN.number(chosen.value()),
                  currents.words(chosen)));
    }
  }
}
