package unimotus.core.motion;

import static unimotus.core.quantity.MeasureUnit.NEWTON_METRE;
import static unimotus.core.quantity.MeasureUnit.SECOND_UNIT;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.motor.MotorFormulas;
import unimotus.core.motor.MotorTorque;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.sheet.InductionPlate;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.SettingRole;

/** Whether motor and drive can move what hangs on the shaft, in the time that was set. */
public final class MotionChecks {
  private MotionChecks() {}

  /**
   * Findings of one axis; possibly empty, and empty where the plate gives no speed to reckon with,
   * or is not that of an induction motor.
   */
  public static List<Finding> check(AxisAssembly axis) {
    List<Finding> found = new ArrayList<>();
    boolean turns =
        axis.motor()
            .induction()
            .filter(p -> p.speedRpm() < MotorFormulas.synchronousRpm(p.frequencyHertz(), 2))
            .isPresent();
    if (!turns) {
      return found;
    }
    RampBudget budget = RampBudget.of(axis);
    checkRamp(
            axis,
            budget,
            budget.accelerationSeconds(),
            budget.motoringNetTorque(),
            "acceleration",
            SettingRole.ACCELERATION_TIME)
        .ifPresent(found::add);
    if (budget.stopsByRamp()) {
      checkRamp(
              axis,
              budget,
              budget.decelerationSeconds(),
              budget.brakingNetTorque(),
              "deceleration",
              SettingRole.DECELERATION_TIME)
          .ifPresent(found::add);
    }
    checkContinuous(axis, budget).ifPresent(found::add);
    return found;
  }

  private static Optional<Finding> checkRamp(
      AxisAssembly axis,
      RampBudget budget,
      double seconds,
      double net,
      String which,
      SettingRole role) {
    double needed =
        RampFormulas.acceleratingTorqueNewtonMetres(
            budget.inertiaKgM2(), budget.topRpm(), Math.max(seconds, 1e-3));
    if (needed <= net) {
      return Optional.empty();
    }
    String shortest =
        net > 0
            ? text(
                RampFormulas.rampSeconds(budget.inertiaKgM2(), budget.topRpm(), net), SECOND_UNIT)
            : "no time at all";
    return Optional.of(
        new Finding(
            Severity.ERROR,
            Rule.RAMP_TORQUE,
            place(axis, role),
            "%s in %s takes %s for the inertia; %s is left at the current limit"
                .formatted(
                    which,
                    text(seconds, SECOND_UNIT),
                    text(needed, NEWTON_METRE),
                    text(Math.max(0, net), NEWTON_METRE)),
            "The drive limits its current, the shaft falls behind the ramp, or the drive trips.",
            net > 0
                ? "Allow at least %s, or a larger motor and drive.".formatted(shortest)
                : "The load alone takes all the torque: choose a larger motor and drive, or a higher gear ratio."));
  }

  private static Optional<Finding> checkContinuous(AxisAssembly axis, RampBudget budget) {
    double load = budget.loadTorqueAtTop();
    double rated =
        MotorFormulas.ratedTorqueNewtonMetres(axis.inductionPlate())
            * axis.inductionPlate().serviceFactor();
    if (load <= rated) {
      return Optional.empty();
    }
    return Optional.of(
        new Finding(
            Severity.WARNING,
            Rule.CONTINUOUS_TORQUE,
            "axis/%s/load".formatted(axis.axis().id()),
            "load asks for %s at the motor shaft, plate and service factor allow %s"
                .formatted(text(load, NEWTON_METRE), text(rated, NEWTON_METRE)),
            "The motor runs above its rating and the overload will trip it once warm.",
            "Choose a larger motor or a higher gear ratio, or correct the load."));
  }

  private static String place(AxisAssembly axis, SettingRole role) {
    String code = axis.driveSheet().setting(role).map(s -> s.code()).orElse(role.name());
    return "axis/%s/drive/%s".formatted(axis.axis().id(), code);
  }

  private static String text(double value, MeasureUnit unit) {
    return QuantityFormat.PLAIN.text(value, unit);
  }

  /** The torque there is and the torque that is asked for, at the motor shaft. */
  record RampBudget(
      double inertiaKgM2,
      double topRpm,
      double accelerationSeconds,
      double decelerationSeconds,
      boolean stopsByRamp,
      MotorTorque motor,
      ShaftLoad load) {

    static RampBudget of(AxisAssembly axis) {
      InductionPlate plate = axis.inductionPlate();
      EffectiveSettings settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
      double top = settings.number(SettingRole.MAXIMUM_FREQUENCY, plate.frequencyHertz());
      double overBase = top / settings.rampBaseHertz(top);
      ShaftLoad load = ShaftLoad.of(axis);
      return new RampBudget(
          load.inertiaKgM2(),
          MotorFormulas.synchronousRpm(top, MotorFormulas.poles(plate)),
          settings.number(SettingRole.ACCELERATION_TIME, 10) * overBase,
          settings.number(SettingRole.DECELERATION_TIME, 10) * overBase,
          settings.is(SettingRole.STOP_MODE, Option.RAMP, Option.RAMP),
          MotorTorque.of(axis),
          load);
    }

    double loadTorqueAtTop() {
      return load.torqueNewtonMetres(topRpm);
    }

    /** Worst over the ramp: at the top the load is greatest and the flux least. */
    double motoringNetTorque() {
      return motor.mostAtRpm(topRpm) - loadTorqueAtTop();
    }

    /** Worst over the ramp: friction helps least near standstill, the flux at the top. */
    double brakingNetTorque() {
      return Math.min(
          motor.most() + load.constantNewtonMetres(), motor.mostAtRpm(topRpm) + loadTorqueAtTop());
    }
  }
}
