package unimotus.core.motion;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import org.hipparchus.fraction.BigFraction;
import unimotus.core.derivation.Derivation;
import unimotus.core.derivation.Step;
import unimotus.core.machine.Axis;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Mechanics;
import unimotus.core.machine.MotionDesign;
import unimotus.core.machine.Transmission;
import unimotus.core.machine.Unusable;
import unimotus.core.move.MotionPlan;
import unimotus.core.move.MoveSequence;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.scaling.AxisScaling;
import unimotus.core.scaling.Holder;
import unimotus.core.scaling.ScalingCopies;
import unimotus.core.scaling.ScalingDifference;
import unimotus.core.servo.BrakeTimes;
import unimotus.core.sheet.CoilConnection;
import unimotus.core.sheet.DriveKind;
import unimotus.core.sheet.PullOutCurve;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.StepDriver;
import unimotus.core.sheet.StepperPlate;
import unimotus.core.stepper.Coils;
import unimotus.core.stepper.PulseScale;
import unimotus.core.stepper.StepDemand;
import unimotus.core.stepper.StepLoad;

/**
 * A positioning axis with a step motor on pulses: its design put into the terms of coils, pulses
 * and moves.
 *
 * @param axis the axis
 * @param design what it is to do
 * @param plate of its motor
 * @param driver what its driver says of itself
 * @param pulsesPerTurn pulses for a turn of this motor, as the driver's switches stand
 * @param phaseAmperes current of a phase as they stand, in the amperes the driver states
 */
public record StepAxis(
    Axis axis,
    MotionDesign design,
    StepperPlate plate,
    StepDriver driver,
    int pulsesPerTurn,
    double phaseAmperes)
    implements PositionedAxis {

  /** Torque at low speed against holding torque, where no curve is published (common practice). */
  private static final double OF_HOLDING = 0.7;

  private static final int MOST_RATIO = 10_000;

  /** An axis; empty where {@link #fault} says why. */
  public static Optional<StepAxis> of(AxisAssembly assembly) {
    MotionDesign design = assembly.axis().motion();
    if (fault(assembly).isPresent() || design == null) {
      return Optional.empty();
    }
    StepDriver driver = driver(assembly).orElseThrow();
    StepperPlate plate = (StepperPlate) assembly.motor().plate();
    return Optional.of(
        new StepAxis(
            assembly.axis(),
            design,
            plate,
            driver,
            turnPulses(assembly, plate, driver).orElseThrow(),
            amperes(assembly)));
  }

  /** What its driver says of itself; empty where it is no step driver, or its sheet is silent. */
  public static Optional<StepDriver> driver(AxisAssembly assembly) {
    return assembly.driveSheet().driveKind() instanceof DriveKind.Step step
        ? Optional.ofNullable(step.data())
        : Optional.empty();
  }

  /** Why nothing can be worked out of an axis on pulses, in words; empty where it can. */
  public static Optional<String> fault(AxisAssembly assembly) {
    if (!assembly.isStepped()) {
      return Optional.of(
          "%s does not run a step motor on pulses".formatted(assembly.driveSheet().name()));
    }
    if (driver(assembly).isEmpty()) {
      return Optional.of(
          "the sheet %s says nothing of switches, supply and rates"
              .formatted(assembly.driveSheet().name()));
    }
    if (assembly.axis().motion() == null) {
      return Optional.of("pulses, travel and moves of this axis are not entered yet");
    }
    return switches(assembly).or(() -> mechanics(assembly.axis()));
  }

  private static Optional<String> switches(AxisAssembly assembly) {
    Optional<String> unusable =
        Unusable.selectors(
                assembly.drive(),
                assembly.driveSheet(),
                s ->
                    s.role() == SelectorRole.STEPS_PER_TURN
                        || s.role() == SelectorRole.PHASE_CURRENT)
            .stream()
            .filter(Unusable::isKnown)
            .map(Unusable::text)
            .findFirst();
    if (unusable.isPresent()) {
      return unusable;
    }
    for (SelectorRole role : List.of(SelectorRole.STEPS_PER_TURN, SelectorRole.PHASE_CURRENT)) {
      if (assembly.driveSheet().selector(role).isEmpty()) {
        return Optional.of(
            "the sheet %s has no switch for %s"
                .formatted(assembly.driveSheet().name(), role.label()));
      }
    }
    StepperPlate plate = (StepperPlate) assembly.motor().plate();
    StepDriver driver = driver(assembly).orElseThrow();
    return turnPulses(assembly, plate, driver).isEmpty()
        ? Optional.of(
            "%s pulses a turn of a motor of %d full steps are no whole number for one of %d"
                .formatted(
                    position(assembly, SelectorRole.STEPS_PER_TURN),
                    driver.fullSteps(),
                    plate.stepsPerTurn()))
        : Optional.empty();
  }

  private static Optional<String> mechanics(Axis axis) {
    double ratio = axis.mechanics().gearRatio();
    if (ratio < 1.0 / MOST_RATIO || ratio > MOST_RATIO) {
      return Optional.of(
          "a gear ratio of %s is outside 1:%d to %d:1".formatted(ratio, MOST_RATIO, MOST_RATIO));
    }
    return Optional.empty();
  }

  private static String position(AxisAssembly assembly, SelectorRole role) {
    return assembly
        .driveSheet()
        .selector(role)
        .map(s -> s.positionIn(assembly.drive().selectors()))
        .orElseThrow();
  }

  /** The table on the lid is made for one motor; another has more or fewer steps a turn. */
  private static Optional<Integer> turnPulses(
      AxisAssembly assembly, StepperPlate plate, StepDriver driver) {
    long ofTable = Long.parseLong(position(assembly, SelectorRole.STEPS_PER_TURN));
    long scaled = ofTable * plate.stepsPerTurn();
    boolean usable = scaled % driver.fullSteps() == 0 && scaled >= (long) plate.stepsPerTurn();
    return usable ? Optional.of((int) (scaled / driver.fullSteps())) : Optional.empty();
  }

  private static double amperes(AxisAssembly assembly) {
    return Double.parseDouble(position(assembly, SelectorRole.PHASE_CURRENT).replace(" A", ""));
  }

  /** What is really there: switches of the driver, gear and travel of the mechanics. */
  @Override
  public AxisScaling machine() {
    return PositionedAxis.scaling(pulsesPerTurn, axis.mechanics());
  }

  @Override
  public StepAxis with(MotionDesign next) {
    return new StepAxis(axis, next, plate, driver, pulsesPerTurn, phaseAmperes);
  }

  /** Pulses are counted by the program alone; the driver's switches are the machine. */
  @Override
  public ScalingCopies copies() {
    return new ScalingCopies(machine(), null, null, design.programScaling());
  }

  @Override
  public List<Holder> holders() {
    return List.of(Holder.MACHINE, Holder.PROGRAM);
  }

  @Override
  public String counted() {
    return "pulses";
  }

  /** The program's copy against what is really there; empty where it was not read. */
  public Optional<ScalingDifference> program() {
    return copies().againstMachine(Holder.PROGRAM);
  }

  @Override
  public Derivation sum() {
    PulseScale scale = scale();
    String unit = unit().symbol().isEmpty() ? "unit" : unit().symbol();
    int bits = design.stepping().wordBits();
    return Derivation.of(
        new Step(
            "pulses for 1 " + unit,
            "pulses a turn · gear / travel a turn",
            "%d · %s / %s"
                .formatted(
                    pulsesPerTurn,
                    number(axis.mechanics().gearRatio()),
                    QuantityFormat.PLAIN.text(axis.mechanics().travelPerTurn(), unit())),
            scale.pulsesPerUnit().doubleValue(),
            MeasureUnit.ONE,
            "counting"),
        new Step(
            "one pulse",
            "1 / pulses for 1 " + unit,
            "",
            scale.travelPerPulse(),
            unit(),
            "counting"),
        new Step(
            "farthest position in %d bits".formatted(bits),
            "(2^(bits − 1) − 1) · one pulse",
            "",
            (Math.pow(2, bits - 1.0) - 1) * scale.travelPerPulse(),
            unit(),
            "counting"));
  }

  private static String number(double value) {
    return QuantityFormat.PLAIN.number(value);
  }

  /** Its pulses, exactly. */
  public PulseScale scale() {
    AxisScaling machine = machine();
    return new PulseScale(
        plate.stepsPerTurn(),
        pulsesPerTurn,
        new BigFraction(machine.motorTurns(), machine.loadTurns()),
        new BigDecimal(axis.mechanics().travelPerTurn()).round(FEED),
        unit());
  }

  /** Its coils as they are connected; empty where that is not chosen, or its leads do not allow. */
  public Optional<Coils> coils() {
    CoilConnection chosen = design.stepping().coils();
    return chosen == null || !CoilConnection.of(plate.leads()).contains(chosen)
        ? Optional.empty()
        : Optional.of(Coils.of(plate, chosen));
  }

  /**
   * Torque over speed: as published, else worked out of coils and supply; empty where neither is
   * known.
   */
  public Optional<PullOutCurve> curve() {
    double volts = design.stepping().supplyVolts();
    if (plate.pullOut() != null) {
      return Optional.of(plate.pullOut());
    }
    return coils()
        .filter(c -> volts > 0)
        .map(
            c ->
                PullOutCurve.estimated(
                    OF_HOLDING * plate.holdingNewtonMetres(), c.cornerStepsPerSecond(volts)));
  }

  /** What the motor turns, at its shaft. */
  public StepLoad load() {
    Mechanics mechanics = axis.mechanics();
    Transmission transmission = design.transmission();
    // Its own rotor is counted apart: from the ratio of the two follows at what rate it starts.
    ShaftLoad shaft = ShaftLoad.of(axis.load(), mechanics, transmission.hangingKgM2(mechanics));
    double mass = transmission.suspendedKilograms();
    return new StepLoad(
        plate.inertiaKgM2(),
        shaft.inertiaKgM2(),
        shaft.constantNewtonMetres(),
        mass == 0 ? 0 : BrakeTimes.weightTorque(mass, Transmission.metresPerMotorTurn(mechanics)),
        shaft.linearNewtonMetresPerRpm(),
        shaft.quadraticNewtonMetresPerRpm2());
  }

  /**
   * Its moves one by one.
   *
   * @throws IllegalArgumentException where one leads outside its travel, naming it
   */
  public List<MoveSequence.Timed> moves() {
    return design.moves().timed(design.travel());
  }

  /**
   * All its moves as one motion.
   *
   * @throws IllegalArgumentException where one leads outside its travel, naming it
   */
  public MotionPlan plan() {
    return design.moves().plan(design.travel());
  }

  /** Highest rate of pulses in its moves; outside its travel as {@link #plan}. */
  public double peakHertz() {
    return scale().rate(plan().peakVelocity());
  }

  /**
   * What its moves ask of the motor; empty where no curve is known, outside its travel as {@link
   * #plan}.
   */
  public Optional<StepDemand> demand() {
    return curve().map(curve -> StepDemand.of(plan(), scale(), load(), curve));
  }

  /**
   * Rate of pulses at which it starts at once with its load; empty where the catalogue gives no
   * pull-in rate.
   */
  public Optional<Double> pullInHertz() {
    return plate.pullInStepsPerSecond() == 0
        ? Optional.empty()
        : Optional.of(
            load().startRate(plate.pullInStepsPerSecond()) * pulsesPerTurn / plate.stepsPerTurn());
  }
}
