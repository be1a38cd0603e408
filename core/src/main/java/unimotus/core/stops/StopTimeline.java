package unimotus.core.stops;

import java.util.List;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.motion.RampFormulas;
import unimotus.core.motion.ServoAxis;
import unimotus.core.motion.ShaftLoad;
import unimotus.core.motor.FieldFigures;
import unimotus.core.motor.MotorFormulas;
import unimotus.core.sheet.ServoPlate;
import unimotus.core.sheet.SettingRole;

/**
 * A stop from the hand to the standing shaft: every element passes the demand on, the drive ramps
 * down where it may, then the torque is gone and the load coasts under its own friction.
 *
 * <p>The ramp is played with the shaft of the dry-run, so that slip, current limit and pull-out
 * count the same in both; the coast is reckoned in closed form.
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
   * @param topRpm the fastest the field can be commanded
   * @param rampSeconds set from there to standstill; 0 where the stop has no ramp
   * @param neededSeconds what the shaft really takes from there, by slip and current limit
   * @param delaySeconds from the notice to safe torque off; 0 where there is none
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
   * The stop from a speed.
   *
   * @param fromRpm speed of the field, that of the shaft without slip; over 0
   */
  public static StopTimeline of(StopCircuit circuit, double fromRpm) {
    return of(circuit, fromRpm, true);
  }

  /**
   * The stop from maximum speed where the drive fails while it should ramp down: a stop that
   * watches time only lets it run on until the delay ends, then the load coasts.
   */
  public static StopTimeline withoutBraking(StopCircuit circuit) {
    return of(circuit, topRpm(circuit.axis()), false);
  }

  private static StopTimeline of(StopCircuit circuit, double fromRpm, boolean brakes) {
    if (!(fromRpm > 0 && fromRpm < Double.POSITIVE_INFINITY)) {
      throw new IllegalArgumentException(
          "stop %s: the speed it starts from must be over 0 rpm, not %s"
              .formatted(circuit.stop().name(), fromRpm));
    }
    StopRamp ramp = StopRamp.of(circuit);
    List<Reaction> chain = Reaction.chain(circuit);
    ShaftCourse course = new ShaftCourse(circuit.axis(), fromRpm);
    double top = topRpm(circuit.axis());
    double base = rampBaseRpm(circuit.axis());
    double needed = ramp.isDriven() ? new ShaftCourse(circuit.axis(), top).ramped(ramp, base) : 0;
    double rampSeconds = ramp.rampSeconds() * top / base;
    Timing timing = new Timing(top, rampSeconds, needed, ramp.delaySeconds());
    boolean safe = circuit.stop().effect().isSafetyStop();
    double noticed = chain.stream().mapToDouble(Reaction::seconds).sum();
    course.steady(noticed);
    if (ramp.isDriven() && brakes) {
      course.ramp(ramp, base, safe ? ramp.delaySeconds() : Double.POSITIVE_INFINITY);
    } else {
      course.steady(ramp.delaySeconds());
    }
    double cut = course.rpm();
    double off = noticed + ramp.delaySeconds();
    boolean hangs = safe && circuit.stop().verticalLoad() && !circuit.stop().holdingBrake();
    Optional<ServoAxis> held = heldByBrake(circuit, safe);
    if (!hangs && held.isEmpty() && course.standsAfterCoastBy(off)) {
      // A drive that lets go at the end of its ramp has left the shaft to its friction.
      course.coast();
    }
    double left = course.standsBy(off) ? 0 : cut;
    if (safe) {
      course.holdUntil(off);
    }
    if (hangs) {
      course.sink();
    } else if (held.isPresent()) {
      course.braked(held.get(), held.get().brake().orElseThrow());
    } else {
      course.coast();
    }
    return new StopTimeline(
        category(circuit, ramp, left),
        chain,
        course.phases(),
        timing,
        course.load(),
        safe ? off : Double.POSITIVE_INFINITY,
        left);
  }

  /** The servo axis whose hanging load the brake of its motor catches; empty for every other. */
  private static Optional<ServoAxis> heldByBrake(StopCircuit circuit, boolean safe) {
    boolean caught = safe && circuit.stop().verticalLoad() && circuit.stop().holdingBrake();
    return caught
        ? ServoAxis.of(circuit.axis()).filter(a -> a.brake().isPresent())
        : Optional.empty();
  }

  private static StopCategory category(StopCircuit circuit, StopRamp ramp, double leftRpm) {
    return switch (circuit.stop().effect()) {
      case STO, CONTACTORS -> StopCategory.ZERO;
      case SS1_T -> leftRpm > STANDSTILL_RPM ? StopCategory.ONE_CUT : StopCategory.ONE;
      case ENABLE -> StopCategory.NONE;
      case RUN_INPUTS -> ramp.isDriven() ? StopCategory.TWO : StopCategory.NONE;
    };
  }

  /** The fastest the motor shaft can be commanded, without slip, in revolutions per minute. */
  public static double topRpm(AxisAssembly axis) {
    if (axis.motor().plate() instanceof ServoPlate servo) {
      // What the program limits it to is no safe limit.
      return Math.max(servo.ratedRpm(), servo.mostRpm());
    }
    return fieldRpm(axis, s -> s.number(SettingRole.MAXIMUM_FREQUENCY, plateHertz(axis)));
  }

  /** The speed of the field ramp times count to, in revolutions per minute. */
  private static double rampBaseRpm(AxisAssembly axis) {
    return fieldRpm(axis, s -> s.rampBaseHertz(plateHertz(axis)));
  }

  private static double plateHertz(AxisAssembly axis) {
    return FieldFigures.of(axis).ratedHertz();
  }

  private static double fieldRpm(AxisAssembly axis, ToDoubleFunction<EffectiveSettings> hertz) {
    EffectiveSettings settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
    return MotorFormulas.synchronousRpm(
        hertz.applyAsDouble(settings), FieldFigures.of(axis).poles());
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
}
