package unimotus.core.motor;

import static unimotus.core.quantity.MeasureUnit.AMPERE_UNIT;

import java.util.List;
import java.util.OptionalDouble;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.sheet.DriveRatings;
import unimotus.core.sheet.InductionPlate;
import unimotus.core.sheet.NumberSetting;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingRole;

/**
 * A current limit against what the motor takes without load, what drive gives for a short time, and
 * the torque at which the motor pulls out. Between these the two schools – plate current, or what
 * the load needs – are both right (common practice).
 */
final class CurrentLimitChecks {
  /** With this much more than the no-load current there is a third of the rated torque or less. */
  private static final double NEAR_NO_LOAD = 1.15;

  private static final double MOST_OF_PULL_OUT = 0.7;

  private CurrentLimitChecks() {}

  static void check(AxisAssembly axis, InductionPlate plate, List<Finding> found) {
    OptionalDouble limit = limit(axis);
    if (limit.isEmpty()) {
      return;
    }
    double amperes = limit.getAsDouble();
    double noLoad = MotorFormulas.currentEstimateAmperes(plate, 0);
    DriveRatings ratings = axis.driveSheet().ratings();
    double shortTime = ratings.currentAmperes() * ratings.overloadRatio();
    MotorTorque torque = MotorTorque.atCurrent(plate, amperes);
    if (amperes < NEAR_NO_LOAD * noLoad) {
      found.add(
          finding(
              axis,
              Severity.ERROR,
              "current limit is %s, without load the motor takes about %s, I·sin φ"
                  .formatted(text(amperes), text(noLoad)),
              "Hardly anything is left for torque: the motor stalls or never reaches its speed.",
              "Set it to the plate current at least."));
    } else if (amperes > shortTime) {
      found.add(
          finding(
              axis,
              Severity.WARNING,
              "current limit is %s, the drive gives %s for %s"
                  .formatted(
                      text(amperes),
                      text(shortTime),
                      QuantityFormat.PLAIN.text(
                          ratings.overloadSeconds(), MeasureUnit.SECOND_UNIT)),
              "The drive trips on its own limit before this one is reached.",
              "Set it within the drive's short-time rating."));
    } else if (torque.limitNewtonMetres() > MOST_OF_PULL_OUT * torque.pullOutNewtonMetres()) {
      found.add(
          finding(
              axis,
              Severity.WARNING,
              "current limit %s allows %s, over %s of the pull-out torque of about %s"
                  .formatted(
                      text(amperes),
                      newtonMetres(torque.limitNewtonMetres()),
                      QuantityFormat.PLAIN.text(100 * MOST_OF_PULL_OUT, MeasureUnit.PERCENT),
                      newtonMetres(torque.pullOutNewtonMetres())),
              "A low mains voltage or a fast field lets the motor pull out before the limit acts.",
              "Choose what the load needs to break away, and no more."));
    }
  }

  private static OptionalDouble limit(AxisAssembly axis) {
    EffectiveSettings settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
    double value = settings.number(SettingRole.CURRENT_LIMIT, Double.NaN);
    if (Double.isNaN(value)
        || !(axis.driveSheet().setting(SettingRole.CURRENT_LIMIT).orElse(null)
            instanceof NumberSetting number)) {
      return OptionalDouble.empty();
    }
    return OptionalDouble.of(number.unit().convert(value, AMPERE_UNIT));
  }

  private static Finding finding(
      AxisAssembly axis, Severity severity, String seen, String why, String action) {
    String code =
        axis.driveSheet()
            .setting(SettingRole.CURRENT_LIMIT)
            .map(SettingDefinition::code)
            .orElse("");
    return new Finding(
        severity,
        Rule.CURRENT_LIMIT,
        "axis/%s/drive/%s".formatted(axis.axis().id(), code),
        seen,
        why,
        action);
  }

  private static String text(double amperes) {
    return QuantityFormat.PLAIN.text(Math.round(100 * amperes) / 100.0, AMPERE_UNIT);
  }

  private static String newtonMetres(double torque) {
    return QuantityFormat.PLAIN.text(Math.round(10 * torque) / 10.0, MeasureUnit.NEWTON_METRE);
  }
}
