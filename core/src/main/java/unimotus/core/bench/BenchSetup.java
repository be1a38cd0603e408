package unimotus.core.bench;

import java.util.function.DoubleUnaryOperator;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.motion.ShaftLoad;
import unimotus.core.motor.MotorTorque;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Station;
import unimotus.core.sheet.InductionPlate;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.SettingRole;

/**
 * What is on the bench: the drive's ramps and limits, the motor and the load.
 *
 * @param referenceHertz the program's number to the wanted output frequency, limits included
 * @param maximumHertz fastest the reference can ask for
 * @param rampBaseHertz frequency the ramp times count to
 * @param accelerationSeconds from standstill to {@code rampBaseHertz}
 * @param decelerationSeconds from {@code rampBaseHertz} to standstill
 * @param rampStop whether a stop ramps down; else the torque is taken away at once
 * @param slipCompensated whether the drive raises its frequency by the slip
 * @param plate the motor's plate
 * @param limitTorqueNewtonMetres torque at the current limit, with the full flux
 * @param load load at the motor shaft, rotor included
 */
public record BenchSetup(
    DoubleUnaryOperator referenceHertz,
    double maximumHertz,
    double rampBaseHertz,
    double accelerationSeconds,
    double decelerationSeconds,
    boolean rampStop,
    boolean slipCompensated,
    InductionPlate plate,
    double limitTorqueNewtonMetres,
    ShaftLoad load) {
  /** A ramp time of zero jumps within one tick. */
  private static final double SHORTEST_RAMP_SECONDS = 0.001;

  /** Keeps ramp times from being zero. */
  public BenchSetup {
    accelerationSeconds = Math.max(SHORTEST_RAMP_SECONDS, accelerationSeconds);
    decelerationSeconds = Math.max(SHORTEST_RAMP_SECONDS, decelerationSeconds);
  }

  /**
   * The bench of an axis as designed.
   *
   * @throws IllegalArgumentException where it is told something else than a speed
   */
  public static BenchSetup of(AxisAssembly axis, SignalPath path) {
    double most = path.speedFor("the dry-run").maximumHertz();
    return of(axis, number -> path.value(Station.FREQUENCY, number), most);
  }

  /** The bench of an axis whose drive is told its frequency in hertz, as over a fieldbus. */
  public static BenchSetup inHertz(AxisAssembly axis) {
    double most = mostHertz(axis);
    return of(axis, hertz -> Math.min(Math.abs(hertz), most), most);
  }

  /** The bench of an axis whose wanted frequency is given, its sign and its limits included. */
  public static BenchSetup following(AxisAssembly axis) {
    return of(axis, hertz -> hertz, mostHertz(axis));
  }

  private static double mostHertz(AxisAssembly axis) {
    return new EffectiveSettings(axis.drive(), axis.driveSheet())
        .number(SettingRole.MAXIMUM_FREQUENCY, axis.inductionPlate().frequencyHertz());
  }

  private static BenchSetup of(
      AxisAssembly axis, DoubleUnaryOperator referenceHertz, double maximumHertz) {
    InductionPlate plate = axis.inductionPlate();
    EffectiveSettings settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
    return new BenchSetup(
        referenceHertz,
        maximumHertz,
        settings.rampBaseHertz(maximumHertz),
        settings.number(SettingRole.ACCELERATION_TIME, 10),
        settings.number(SettingRole.DECELERATION_TIME, 10),
        settings.is(SettingRole.STOP_MODE, Option.RAMP, Option.RAMP),
        settings.is(SettingRole.SLIP_COMPENSATION, Option.ON, Option.OFF),
        plate,
        MotorTorque.of(axis).limitNewtonMetres(),
        ShaftLoad.of(axis));
  }
}
