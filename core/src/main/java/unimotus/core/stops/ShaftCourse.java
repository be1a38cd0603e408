package unimotus.core.stops;

import java.util.ArrayList;
import java.util.List;
import unimotus.core.bench.Bench;
import unimotus.core.bench.VirtualShaft;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.motion.RampFormulas;
import unimotus.core.motion.ServoAxis;
import unimotus.core.motion.ShaftLoad;
import unimotus.core.motor.MotorTorque;
import unimotus.core.servo.BrakeTimes;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.SettingRole;

/** Lays the phases of a stop one after the other. Not thread-safe. */
final class ShaftCourse {
  /** Slower than this a shaft that no friction stops counts as standing. */
  private static final double STANDSTILL_RPM = 1;

  /** A load that the motor cannot bring to rest in this time is not brought to rest. */
  private static final double LONGEST_SECONDS = 3600;

  private static final double DT = Bench.TICK_SECONDS;

  private final ShaftLoad load;
  private final VirtualShaft shaft;
  private final double fieldRpm;
  private final List<StopPhase> phases = new ArrayList<>();
  private double seconds;

  /** A shaft that turns steadily with the field at a speed. */
  ShaftCourse(AxisAssembly axis, double fieldRpm) {
    boolean compensated =
        new EffectiveSettings(axis.drive(), axis.driveSheet())
            .is(SettingRole.SLIP_COMPENSATION, Option.ON, Option.OFF);
    this.load = ShaftLoad.of(axis);
    this.shaft = new VirtualShaft(load, MotorTorque.of(axis), compensated, DT);
    this.fieldRpm = fieldRpm;
    shaft.followSteadily(RampFormulas.radiansPerSecond(fieldRpm));
  }

  ShaftLoad load() {
    return load;
  }

  double rpm() {
    return RampFormulas.rpm(shaft.omega());
  }

  List<StopPhase> phases() {
    return List.copyOf(phases);
  }

  /** Runs on as it is. */
  void steady(double forSeconds) {
    if (forSeconds > 0) {
      add(StopPhase.Kind.REACTION, forSeconds, rpm(), rpm() / 60 * forSeconds);
    }
  }

  /** How long the shaft takes to standstill along a ramp, in seconds. */
  double ramped(StopRamp ramp, double baseRpm) {
    ramp(ramp, baseRpm, Double.POSITIVE_INFINITY);
    return phases.stream().mapToDouble(StopPhase::seconds).sum();
  }

  /** Along the slope from the speed ramps count to, until standstill or until the torque goes. */
  void ramp(StopRamp ramp, double baseRpm, double atMostSeconds) {
    double from = rpm();
    double fall = RampFormulas.radiansPerSecond(baseRpm) / ramp.rampSeconds() * DT;
    double field = RampFormulas.radiansPerSecond(fieldRpm);
    double turns = 0;
    double most = Math.min(atMostSeconds, LONGEST_SECONDS);
    int ticks = 0;
    boolean given = true;
    List<Float> samples = new ArrayList<>();
    while (given && !stands() && (ticks + 1) * DT <= most + DT / 2) {
      // The drive lets go of the shaft once its output is at 0, unless it holds it.
      given = field > 0 || ramp.holds();
      if (!given) {
        break;
      }
      field = field <= fall * RampFormulas.LAST_STEP ? 0 : field - fall;
      double before = shaft.omega();
      shaft.drive(field);
      // The middle of the tick: at its end alone a falling shaft would be short of half a step.
      turns += (before + shaft.omega()) / 2 * DT / (2 * Math.PI);
      ticks++;
      if (ticks % StopPhase.TICKS_A_SAMPLE == 0) {
        samples.add((float) rpm());
      }
    }
    phases.add(
        new StopPhase(
            StopPhase.Kind.RAMP, seconds, seconds + ticks * DT, from, rpm(), turns, samples));
    seconds += ticks * DT;
  }

  private boolean stands() {
    return load.constantNewtonMetres() > 0 ? shaft.omega() == 0 : rpm() < STANDSTILL_RPM;
  }

  /** Under its own friction. */
  void coast() {
    double rpm = rpm();
    if (rpm == 0 || stands()) {
      return;
    }
    double end = load.constantNewtonMetres() > 0 ? 0 : Math.min(rpm, STANDSTILL_RPM);
    add(
        StopPhase.Kind.COAST,
        RampFormulas.coastSeconds(load, rpm, end),
        0,
        RampFormulas.coastTurns(load, rpm, end));
  }

  /** Whether it stands, or would by friction alone, before a moment. */
  boolean standsAfterCoastBy(double until) {
    double rpm = rpm();
    return !stands()
        && load.constantNewtonMetres() > 0
        && seconds + RampFormulas.coastSeconds(load, rpm, 0) <= until;
  }

  /** Whether it stands at a moment. */
  boolean standsBy(double until) {
    return stands() && seconds <= until;
  }

  /** The drive holds the shaft until the torque goes. */
  void holdUntil(double until) {
    if (stands() && until > seconds) {
      add(StopPhase.Kind.HOLD, until - seconds, 0, 0);
    }
  }

  /**
   * A hanging load on its way down, the worst of both: it falls until the brake holds, ω = T/J·t,
   * and is then slowed down by what the brake holds beyond its pull. Where the brake holds no more
   * than that, or nobody says how long it takes to close, it is taken to sink.
   */
  void braked(ServoAxis axis, BrakeTimes brake) {
    double most = brake.holdNewtonMetres() - brake.pull(axis.load());
    if (!(most > 0) || brake.closeSeconds() == 0) {
      sink();
      return;
    }
    double inertia = load.inertiaKgM2();
    double from = rpm();
    double falls =
        from + RampFormulas.rpm(brake.pull(axis.load()) / inertia * brake.closeSeconds());
    even(StopPhase.Kind.FALL, brake.closeSeconds(), falls);
    even(StopPhase.Kind.BRAKE, RampFormulas.rampSeconds(inertia, falls, most), 0);
  }

  /** From one speed to another in a straight line. */
  private void even(StopPhase.Kind kind, double length, double toRpm) {
    add(kind, length, toRpm, (rpm() + toRpm) / 2 / 60 * length);
  }

  /** A hanging load that no brake holds. */
  void sink() {
    add(StopPhase.Kind.SINK, Double.POSITIVE_INFINITY, rpm(), Double.POSITIVE_INFINITY);
  }

  private void add(StopPhase.Kind kind, double length, double toRpm, double turns) {
    phases.add(new StopPhase(kind, seconds, seconds + length, rpm(), toRpm, turns, List.of()));
    seconds += length;
    shaft.spinAt(RampFormulas.radiansPerSecond(toRpm));
  }
}
