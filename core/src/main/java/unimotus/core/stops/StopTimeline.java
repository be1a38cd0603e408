package unimotus.core.stops;

import java.util.ArrayList;
import java.util.List;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.machine.StopEffect;
import unimotus.core.motion.RampFormulas;
import unimotus.core.motion.ShaftLoad;
import unimotus.core.motor.MotorFormulas;
import unimotus.core.sheet.Plate;
import unimotus.core.sheet.SettingRole;

/**
 * A stop from the hand to the standing shaft: every element passes the demand on, the drive ramps
 * down where it may, then the torque is gone and the load coasts under its own friction.
 *
 * @param category what the stop amounts to
 * @param chain the elements a demand passes, in order
 * @param phases what the shaft does, in order, without gaps from the demand on
 * @param timing what was set and what the ramp takes
 * @param load the load as the shaft feels it
 * @param torqueOffSeconds from the demand until no torque is possible; infinity where that never
 *     comes
 * @param torqueOffRpm speed of the shaft at that moment
 */
public record StopTimeline(
    StopCategory category,
    List<Reaction> chain,
    List<StopPhase> phases,
    Timing timing,
    ShaftLoad load,
    double torqueOffSeconds,
    double torqueOffRpm) {
  /** Slower than this a shaft that nothing brakes at standstill counts as standing. */
  private static final double STANDSTILL_RPM = 1;

  /** The ramp has to fit in the delay with this share of itself to spare (common practice). */
  private static final double LEAST_MARGIN = 0.1;

  /**
   * What decides whether the ramp is over before the torque goes.
   *
   * @param topRpm the fastest the shaft can be commanded
   * @param rampSeconds set from there to standstill; 0 where the stop has no ramp
   * @param neededSeconds the ramp from there that the current limit allows, at least as long
   * @param delaySeconds from the drive's notice to safe torque off; 0 where there is none
   */
  public record Timing(
      double topRpm, double rampSeconds, double neededSeconds, double delaySeconds) {
    /** What is left of the delay when the ramp from maximum speed is over, in seconds. */
    public double marginSeconds() {
      return delaySeconds - neededSeconds;
    }

    /** Whether the ramp fits with the usual tenth to spare. */
    public boolean hasMargin() {
      return marginSeconds() >= LEAST_MARGIN * neededSeconds;
    }
  }

  /** Takes copies. */
  public StopTimeline {
    chain = List.copyOf(chain);
    phases = List.copyOf(phases);
  }

  /** The stop from the fastest speed the drive can be commanded to. */
  public static StopTimeline fromMaximum(StopCircuit circuit) {
    return of(circuit, topRpm(circuit.axis()));
  }

  /**
   * The stop from a speed of the motor shaft.
   *
   * @param fromRpm over 0
   */
  public static StopTimeline of(StopCircuit circuit, double fromRpm) {
    if (!(fromRpm > 0 && fromRpm < Double.POSITIVE_INFINITY)) {
      throw new IllegalArgumentException(
          "stop %s: the speed it starts from must be over 0 rpm, not %s"
              .formatted(circuit.stop().name(), fromRpm));
    }
    List<Reaction> chain = Reaction.chain(circuit);
    ShaftLoad load = ShaftLoad.of(circuit.axis());
    Timing timing = timing(circuit, load);
    double noticed = chain.stream().mapToDouble(Reaction::seconds).sum();
    Course course = new Course(load, timing, fromRpm);
    course.steady(noticed);
    boolean safe = circuit.stop().effect().isSafetyStop();
    if (timing.rampSeconds() > 0) {
      course.ramp(safe ? timing.delaySeconds() : Double.POSITIVE_INFINITY);
    }
    double left = course.rpm();
    double off = noticed + timing.delaySeconds();
    if (safe) {
      course.holdUntil(off);
    }
    if (safe && circuit.stop().verticalLoad() && !circuit.stop().holdingBrake()) {
      course.sink();
    } else {
      course.coast();
    }
    return new StopTimeline(
        category(circuit.stop().effect(), left),
        chain,
        course.phases(),
        timing,
        load,
        safe ? off : Double.POSITIVE_INFINITY,
        left);
  }

  private static StopCategory category(StopEffect effect, double leftRpm) {
    return switch (effect) {
      case STO, CONTACTORS -> StopCategory.ZERO;
      case SS1_T -> leftRpm > STANDSTILL_RPM ? StopCategory.ONE_CUT : StopCategory.ONE;
      case ENABLE, RUN_INPUTS -> StopCategory.NONE;
    };
  }

  /** The fastest the motor shaft can be commanded, without slip, in revolutions per minute. */
  public static double topRpm(AxisAssembly axis) {
    Plate plate = axis.motor().plate();
    double hertz =
        new EffectiveSettings(axis.drive(), axis.driveSheet())
            .number(SettingRole.MAXIMUM_FREQUENCY, plate.frequencyHertz());
    return MotorFormulas.synchronousRpm(hertz, MotorFormulas.poles(plate));
  }

  private static Timing timing(StopCircuit circuit, ShaftLoad load) {
    AxisAssembly axis = circuit.axis();
    EffectiveSettings settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
    double top = topRpm(axis);
    boolean byRun =
        circuit.stop().effect() == StopEffect.RUN_INPUTS
            && settings.choice(SettingRole.STOP_MODE, "ramp").equals("ramp");
    boolean safe = circuit.stop().effect() == StopEffect.SS1_T;
    double ramp =
        safe
            ? settings.number(SettingRole.SAFE_STOP_RAMP, 0)
            : byRun ? settings.number(SettingRole.DECELERATION_TIME, 0) : 0;
    double delay = safe ? settings.number(SettingRole.SAFE_STOP_DELAY, 0) : 0;
    double most = brakingNewtonMetres(axis, settings) + load.constantNewtonMetres();
    double fastest = RampFormulas.rampSeconds(load.inertiaKgM2(), top, most);
    return new Timing(top, ramp, ramp > 0 ? Math.max(ramp, fastest) : 0, delay);
  }

  private static double brakingNewtonMetres(AxisAssembly axis, EffectiveSettings settings) {
    Plate plate = axis.motor().plate();
    double limit =
        settings.number(SettingRole.CURRENT_LIMIT, axis.driveSheet().ratings().currentAmperes());
    return MotorFormulas.ratedTorqueNewtonMetres(plate) * MotorFormulas.torqueRatioAt(plate, limit);
  }

  /** Time until the last element has taken notice, in seconds. */
  public double reactionSeconds() {
    return chain.stream().mapToDouble(Reaction::seconds).sum();
  }

  /** From the demand to standstill, in seconds; infinity where nothing brakes the load. */
  public double standstillSeconds() {
    return phases.stream()
        .filter(p -> p.kind() != StopPhase.Kind.HOLD)
        .mapToDouble(StopPhase::toSeconds)
        .max()
        .orElse(0);
  }

  /** Whether the shaft comes to rest at all. */
  public boolean comesToRest() {
    return Double.isFinite(standstillSeconds());
  }

  /** Turns of the motor shaft from the demand to standstill; infinity where it never comes. */
  public double turns() {
    return phases.stream().mapToDouble(StopPhase::turns).sum();
  }

  /** ½·J·ω² when the torque goes, in joules: what friction alone has to take. */
  public double energyLeftJoules() {
    return RampFormulas.kineticJoules(load.inertiaKgM2(), torqueOffRpm);
  }

  /** Speed of the shaft at a time after the demand, in revolutions per minute. */
  public double rpmAt(double seconds) {
    return phases.stream()
        .filter(p -> seconds < p.toSeconds())
        .findFirst()
        .map(p -> p.rpmAt(seconds, load))
        .orElse(0.0);
  }

  /** Lays the phases one after the other. */
  private static final class Course {
    private final ShaftLoad load;
    private final Timing timing;
    private final List<StopPhase> phases = new ArrayList<>();
    private double seconds;
    private double rpm;

    Course(ShaftLoad load, Timing timing, double fromRpm) {
      this.load = load;
      this.timing = timing;
      this.rpm = fromRpm;
    }

    double rpm() {
      return rpm;
    }

    void steady(double forSeconds) {
      add(StopPhase.Kind.REACTION, forSeconds, rpm, rpm / 60 * forSeconds);
    }

    /** Along the slope from maximum speed, until standstill or until the torque goes. */
    void ramp(double atMostSeconds) {
      double whole = timing.neededSeconds() * rpm / timing.topRpm();
      double length = Math.min(whole, atMostSeconds);
      double end = whole <= atMostSeconds ? 0 : rpm * (1 - length / whole);
      add(StopPhase.Kind.RAMP, length, end, (rpm + end) / 2 / 60 * length);
    }

    void coast() {
      if (rpm == 0) {
        return;
      }
      double end = load.constantNewtonMetres() > 0 ? 0 : Math.min(rpm, STANDSTILL_RPM);
      add(
          StopPhase.Kind.COAST,
          RampFormulas.coastSeconds(load, rpm, end),
          0,
          RampFormulas.coastTurns(load, rpm, end));
    }

    /** The drive holds the shaft until the torque goes. */
    void holdUntil(double until) {
      if (rpm == 0 && until > seconds) {
        add(StopPhase.Kind.HOLD, until - seconds, 0, 0);
      }
    }

    void sink() {
      add(StopPhase.Kind.SINK, Double.POSITIVE_INFINITY, rpm, Double.POSITIVE_INFINITY);
    }

    private void add(StopPhase.Kind kind, double length, double toRpm, double turns) {
      phases.add(new StopPhase(kind, seconds, seconds + length, rpm, toRpm, turns));
      seconds += length;
      rpm = toRpm;
    }

    List<StopPhase> phases() {
      return phases;
    }
  }
}
