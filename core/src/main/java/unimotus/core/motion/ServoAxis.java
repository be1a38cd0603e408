package unimotus.core.motion;

import java.util.List;
import java.util.Optional;
import unimotus.core.machine.Axis;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Load;
import unimotus.core.machine.Mechanics;
import unimotus.core.machine.MotionDesign;
import unimotus.core.machine.Transmission;
import unimotus.core.move.MotionPlan;
import unimotus.core.move.MoveSequence;
import unimotus.core.positioning.PositionTable;
import unimotus.core.quantity.Dimension;
import unimotus.core.scaling.AxisScaling;
import unimotus.core.scaling.Holder;
import unimotus.core.scaling.ScalingCopies;
import unimotus.core.servo.BrakeTimes;
import unimotus.core.servo.Dynamics;
import unimotus.core.servo.GainProposal;
import unimotus.core.servo.LoopGains;
import unimotus.core.servo.MoveDemand;
import unimotus.core.servo.ServoLoad;
import unimotus.core.servo.ServoLoop;
import unimotus.core.servo.ServoSetup;
import unimotus.core.servo.ServoTrace;
import unimotus.core.servo.TorqueCurve;
import unimotus.core.sheet.ServoPlate;

/**
 * A positioning axis with a servo motor: its design put into the terms of the planner and the
 * loops.
 *
 * @param axis the axis
 * @param design what it is to do
 * @param plate of its motor
 */
public record ServoAxis(Axis axis, MotionDesign design, ServoPlate plate)
    implements PositionedAxis {
  /** Beyond it a gear is a typing error, and its whole numbers leave 32 bits. */
  private static final int MOST_RATIO = 10_000;

  /** An axis; empty where {@link #fault} says why. */
  public static Optional<ServoAxis> of(AxisAssembly assembly) {
    MotionDesign design = assembly.axis().motion();
    boolean usable = fault(assembly).isEmpty();
    return usable && design != null && assembly.motor().plate() instanceof ServoPlate plate
        ? Optional.of(new ServoAxis(assembly.axis(), design, plate))
        : Optional.empty();
  }

  /** Why no moves can be worked out for an axis, in words; empty where they can. */
  public static Optional<String> fault(AxisAssembly assembly) {
    if (!(assembly.motor().plate() instanceof ServoPlate)) {
      return Optional.of(
          "%s is a %s: moves are worked out for servo motors"
              .formatted(assembly.motor().name(), assembly.motor().plate().kind().label()));
    }
    Axis axis = assembly.axis();
    MotionDesign design = axis.motion();
    if (design == null) {
      return Optional.of("scaling, travel and moves of this axis are not entered yet");
    }
    int axes = assembly.driveSheet().driveKind().axes();
    if (design.driveAxis() > axes) {
      return Optional.of(
          "it is entered as axis %d of %s, which has %d"
              .formatted(design.driveAxis(), assembly.driveSheet().name(), axes));
    }
    double ratio = axis.mechanics().gearRatio();
    if (ratio < 1.0 / MOST_RATIO || ratio > MOST_RATIO) {
      return Optional.of(
          "a gear ratio of %s is outside 1:%d to %d:1".formatted(ratio, MOST_RATIO, MOST_RATIO));
    }
    if (axis.load().quadraticNewtonMetresPerRpm2() > 0) {
      return Optional.of("a load that grows with the square of the speed is not reckoned in moves");
    }
    if (design.transmission().suspendedKilograms() != 0 && !isLength(axis.mechanics())) {
      return Optional.of(
          "a mass is suspended on an axis that turns; its travel has to be a length");
    }
    return Optional.empty();
  }

  private static boolean isLength(Mechanics mechanics) {
    return mechanics.travelUnit().dimension() == Dimension.LENGTH;
  }

  /** What is really there: encoder of the plate, gear and travel of the mechanics. */
  @Override
  public AxisScaling machine() {
    return PositionedAxis.scaling(plate.encoderCounts(), axis.mechanics());
  }

  @Override
  public ServoAxis with(MotionDesign next) {
    return new ServoAxis(axis, next, plate);
  }

  @Override
  public ScalingCopies copies() {
    return new ScalingCopies(
        machine(), design.driveScaling(), design.busScaling(), design.programScaling());
  }

  @Override
  public List<Holder> holders() {
    return List.of(Holder.values());
  }

  @Override
  public String counted() {
    return "counts";
  }

  /** Radians of the motor for one unit of travel. */
  public double radiansPerUnit() {
    return 2 * Math.PI * axis.mechanics().gearRatio() / axis.mechanics().travelPerTurn();
  }

  /** What the motor turns, at its shaft. */
  public ServoLoad load() {
    Load load = axis.load();
    double ratio = axis.mechanics().gearRatio();
    Mechanics mechanics = axis.mechanics();
    Transmission transmission = design.transmission();
    double mass = transmission.suspendedKilograms();
    double weight =
        mass == 0 ? 0 : BrakeTimes.weightTorque(mass, Transmission.metresPerMotorTurn(mechanics));
    return new ServoLoad(
        plate.inertiaKgM2(),
        RampFormulas.reflectedInertiaKgM2(load.inertiaKgM2(), ratio)
            + transmission.hangingKgM2(mechanics),
        load.constantNewtonMetres() / ratio,
        load.linearNewtonMetresPerRpm() * RampFormulas.rpm(1) / (ratio * ratio),
        weight,
        load.gearEfficiency(),
        transmission.stiffnessNewtonMetres(),
        transmission.backlashRadians());
  }

  /** Torque the motor gives. */
  public TorqueCurve curve() {
    return TorqueCurve.of(plate);
  }

  /** Its holding brake; empty where it has none. */
  public Optional<BrakeTimes> brake() {
    return plate.brakeNewtonMetres() == 0
        ? Optional.empty()
        : Optional.of(
            new BrakeTimes(
                plate.brakeNewtonMetres(), plate.brakeOpenSeconds(), plate.brakeCloseSeconds()));
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

  /** Its table in the drive: as entered, else its positions in the order of its moves. */
  public PositionTable table() {
    return design.positioning().positions().isEmpty()
        ? PositionTable.of(design.moves(), design.travel())
        : new PositionTable(
            design.positioning().positions(), design.moves().limits(), design.travel());
  }

  /** What its moves ask of the motor; outside its travel as {@link #plan}. */
  public MoveDemand demand() {
    return MoveDemand.of(plan(), load(), radiansPerUnit());
  }

  /** Gains proposed for it. */
  public GainProposal proposal(Dynamics dynamics) {
    return GainProposal.of(dynamics, load(), ServoSetup.USUAL_LAG, ServoSetup.USUAL_TICK);
  }

  /** The gains that were entered, or the calm ones proposed where none were. */
  public LoopGains gains() {
    LoopGains entered = design.gains();
    return entered == null ? proposal(Dynamics.CALM).gains() : entered;
  }

  /** Its loops with some gains; the torque is limited to the peak, where the plate states one. */
  public ServoSetup setup(LoopGains gains) {
    double most =
        plate.peakNewtonMetres() > 0 ? plate.peakNewtonMetres() : Double.POSITIVE_INFINITY;
    return new ServoSetup(
        load(), gains, ServoSetup.USUAL_LAG, ServoSetup.USUAL_TICK, most, plate.encoderCounts());
  }

  /**
   * Its moves run through the loops; outside its travel as {@link #plan}.
   *
   * @param afterSeconds how long it stands afterwards
   */
  public ServoTrace run(LoopGains gains, double afterSeconds) {
    return new ServoLoop(setup(gains), radiansPerUnit()).run(plan(), afterSeconds);
  }
}
