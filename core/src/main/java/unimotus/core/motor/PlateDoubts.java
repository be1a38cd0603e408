package unimotus.core.motor;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.sheet.InductionPlate;

/** A plate against published tables: possible, yet unusual. */
final class PlateDoubts {
  /** Rounding of four plate values, and motors older or better than the classes. */
  private static final double EFFICIENCY_MARGIN = 0.06;

  /** The table is made for sizing; real plates lie below it, seldom this far. */
  private static final double LEAST_SHARE = 0.6;

  private static final double MOST_SHARE = 1.4;

  private static final double MAINS_MARGIN = 1.1;

  private PlateDoubts() {}

  static void check(AxisAssembly axis, InductionPlate plate, List<Finding> found) {
    double efficiency = MotorFormulas.efficiency(plate);
    boolean impossible =
        efficiency > 1
            || plate.speedRpm() >= MotorFormulas.synchronousRpm(plate.frequencyHertz(), 2);
    if (impossible) {
      return;
    }
    checkEfficiency(axis, plate, efficiency, found);
    Optional<FullLoadCurrent> table = FullLoadCurrent.of(plate.powerWatts(), plate.voltageVolts());
    if (table.isPresent()) {
      double share = plate.currentAmperes() / table.get().amperes();
      if (share < LEAST_SHARE || share > MOST_SHARE) {
        found.add(
            doubt(
                axis,
                Rule.PLATE_CURRENT,
                "plate current is %s; motors of this power and voltage take about %s"
                    .formatted(
                        text(plate.currentAmperes(), MeasureUnit.AMPERE_UNIT),
                        text(
                            Math.round(10 * table.get().amperes()) / 10.0,
                            MeasureUnit.AMPERE_UNIT))));
      }
    }
  }

  /** A drive gives its mains voltage and no more. */
  static void checkVoltage(AxisAssembly axis, InductionPlate plate, List<Finding> found) {
    double mains = axis.feed().mainsVolts();
    if (plate.voltageVolts() > MAINS_MARGIN * mains) {
      found.add(
          new Finding(
              Severity.WARNING,
              Rule.MOTOR_VOLTAGE,
              "axis/%s/motor".formatted(axis.axis().id()),
              "the plate's column is for %s, the mains gives %s"
                  .formatted(
                      text(plate.voltageVolts(), MeasureUnit.VOLT_UNIT),
                      text(mains, MeasureUnit.VOLT_UNIT)),
              "The field weakens before the rated speed: the torque is not reached.",
              "Connect the windings in delta and take that column, or choose another motor."));
    }
  }

  private static void checkEfficiency(
      AxisAssembly axis, InductionPlate plate, double efficiency, List<Finding> found) {
    int poles = MotorFormulas.poles(plate);
    OptionalDouble low = EfficiencyClass.IE1.limit(plate.powerWatts(), poles);
    OptionalDouble high = EfficiencyClass.IE4.limit(plate.powerWatts(), poles);
    if (low.isPresent()
        && (efficiency < low.getAsDouble() - EFFICIENCY_MARGIN
            || efficiency > high.orElse(1) + EFFICIENCY_MARGIN)) {
      found.add(
          doubt(
              axis,
              Rule.EFFICIENCY_CLASS,
              "efficiency from the plate is %s; classes IE1 to IE4 of this size have %s to %s"
                  .formatted(
                      percent(efficiency), percent(low.getAsDouble()), percent(high.orElse(1)))));
    }
  }

  private static Finding doubt(AxisAssembly axis, Rule rule, String seen) {
    return new Finding(
        Severity.WARNING,
        rule,
        "axis/%s/motor".formatted(axis.axis().id()),
        seen,
        "Often the column of another connection or frequency was copied, or one number mistyped.",
        "Read the plate again, in the column of the connection in use.");
  }

  private static String percent(double ratio) {
    return text(Math.round(1000 * ratio) / 10.0, MeasureUnit.PERCENT);
  }

  private static String text(double value, MeasureUnit unit) {
    return QuantityFormat.PLAIN.text(value, unit);
  }
}
