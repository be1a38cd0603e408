package unimotus.core.bench;

import unimotus.core.motion.RampFormulas;
import unimotus.core.motor.MotorFormulas;
import unimotus.core.motor.MotorTorque;
import unimotus.core.sheet.InductionPlate;

/**
 * The virtual drive with its shaft, advanced tick by tick.
 *
 * <p>The drive takes a run command only with permission, and after a lost permission only a new
 * one. Its ramp waits while the shaft cannot follow at the current limit, as stall prevention does.
 */
final class VirtualAxis {
  private final BenchSetup setup;
  private final VirtualShaft shaft;
  private final double risePerTick;
  private final double fallPerTick;
  private final double fieldPerHertz;
  private final double activeAmperesPerTorque;
  private final double magnetisingAmperes;

  private boolean permitted;
  private int command;
  private double wantedHertz;
  private double outputHertz;
  private DriveStatus status = DriveStatus.INHIBITED;

  VirtualAxis(BenchSetup setup, double dt) {
    this.setup = setup;
    InductionPlate plate = setup.plate();
    int poles = MotorFormulas.poles(plate);
    double ratedTorque = MotorFormulas.ratedTorqueNewtonMetres(plate);
    this.shaft =
        new VirtualShaft(
            setup.load(),
            MotorTorque.atTorque(plate, setup.limitTorqueNewtonMetres()),
            setup.slipCompensated(),
            dt);
    this.risePerTick = setup.rampBaseHertz() / setup.accelerationSeconds() * dt;
    this.fallPerTick = setup.rampBaseHertz() / setup.decelerationSeconds() * dt;
    this.fieldPerHertz = RampFormulas.radiansPerSecond(MotorFormulas.synchronousRpm(1, poles));
    this.activeAmperesPerTorque = plate.currentAmperes() * plate.powerFactor() / ratedTorque;
    this.magnetisingAmperes = MotorFormulas.currentEstimateAmperes(plate, 0);
  }

  void apply(Scenario.Event event) {
    switch (event.action()) {
      case PERMIT -> permit();
      case REVOKE -> revoke();
      case FORWARD -> command = permitted ? 1 : 0;
      case REVERSE -> command = permitted ? -1 : 0;
      case STOP -> command = 0;
      case REFERENCE -> wantedHertz = setup.referenceHertz().applyAsDouble(event.value());
    }
  }

  private void permit() {
    permitted = true;
    if (status == DriveStatus.INHIBITED) {
      status = DriveStatus.READY;
    }
  }

  private void revoke() {
    permitted = false;
    command = 0;
    outputHertz = 0;
    status = DriveStatus.INHIBITED;
  }

  void spinAt(double shaftRpm) {
    shaft.spinAt(RampFormulas.radiansPerSecond(shaftRpm));
  }

  void tick() {
    if (status == DriveStatus.INHIBITED) {
      shaft.coast();
      return;
    }
    advanceStatus();
    if (isEnergised()) {
      outputHertz = ramped(outputHertz, targetHertz());
      shaft.drive(outputHertz * fieldPerHertz);
    } else {
      outputHertz = 0;
      shaft.coast();
    }
  }

  private void advanceStatus() {
    if (command != 0) {
      status = DriveStatus.RUNNING;
    } else if (status == DriveStatus.RUNNING) {
      status = setup.rampStop() ? DriveStatus.STOPPING : DriveStatus.READY;
    } else if (status == DriveStatus.STOPPING && outputHertz == 0) {
      status = DriveStatus.READY;
    }
  }

  private boolean isEnergised() {
    return status == DriveStatus.RUNNING || status == DriveStatus.STOPPING;
  }

  private double targetHertz() {
    return status == DriveStatus.RUNNING ? command * wantedHertz : 0;
  }

  /**
   * One tick along the ramp: the rising time applies away from zero, the falling one towards it.
   */
  private double ramped(double from, double target) {
    boolean away =
        from == 0
            || (Math.signum(from) == Math.signum(target) && Math.abs(target) > Math.abs(from));
    if (away && isAtLimit()) {
      return from;
    }
    double step = away ? risePerTick : fallPerTick;
    double change = target - from;
    if (Math.abs(change) <= step * RampFormulas.LAST_STEP) {
      return target;
    }
    double next = from + Math.copySign(step, change);
    return next * from < 0 ? 0 : next;
  }

  private boolean isAtLimit() {
    return shaft.isAtLimit();
  }

  double referenceHertz() {
    return command == 0 ? 0 : command * wantedHertz;
  }

  double outputHertz() {
    return outputHertz;
  }

  double shaftRpm() {
    return RampFormulas.rpm(shaft.omega());
  }

  double torqueNewtonMetres() {
    return shaft.torque();
  }

  /**
   * The estimate of {@link MotorFormulas#currentEstimateAmperes}, with its constants taken once.
   */
  double currentAmperes() {
    if (!isEnergised()) {
      return 0;
    }
    double active = activeAmperesPerTorque * shaft.torque();
    return Math.sqrt(magnetisingAmperes * magnetisingAmperes + active * active);
  }

  DriveStatus status() {
    return status;
  }
}
