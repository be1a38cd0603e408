package unimotus.core.motion;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.StopFunction;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.scaling.Holder;
import unimotus.core.scaling.ScalingDifference;
import unimotus.core.servo.BrakeTimes;
import unimotus.core.servo.MoveDemand;
import unimotus.core.servo.ServoLoad;
import unimotus.core.sheet.MotorKind;
import unimotus.core.sheet.ServoPlate;

/** Whether the copies of a servo axis' scaling agree, and its motor can do its moves. */
public final class ServoChecks {
  /**
   * Of the peak torque: what is left for wear, cold grease and a load that was guessed (practice).
   */
  private static final double PEAK_SHARE = 0.9;

  /** Ratios of load to motor inertia: common up to ten, and beyond that hard to tune (practice). */
  private static final double MOST_RATIO = 10;

  /** A holding brake for a load that may fall, of the torque it pulls with (practice). */
  private static final double BRAKE_FACTOR = 1.5;

  private final AxisAssembly assembly;
  private final ServoAxis axis;
  private final List<Finding> found = new ArrayList<>();

  private ServoChecks(AxisAssembly assembly, ServoAxis axis) {
    this.assembly = assembly;
    this.axis = axis;
  }

  /** Findings of one axis; empty where its motor is of another kind. */
  public static List<Finding> check(AxisAssembly assembly) {
    if (assembly.motor().plate().kind() != MotorKind.PERMANENT_MAGNET) {
      return List.of();
    }
    Optional<ServoAxis> axis = ServoAxis.of(assembly);
    if (axis.isEmpty()) {
      return List.of(
          new Finding(
              Severity.WARNING,
              Rule.MOTION_UNKNOWN,
              "axis/%s/motion".formatted(assembly.axis().id()),
              ServoAxis.fault(assembly).orElse("what it is to do is undetermined"),
              "Nothing can be worked out of its moves, its torque and its scaling.",
              "Enter them at Map, Motion."));
    }
    ServoChecks checks = new ServoChecks(assembly, axis.get());
    checks.scaling();
    checks.moves();
    checks.inertia();
    checks.brake();
    checks.table();
    return checks.found;
  }

  private void scaling() {
    for (Holder holder : axis.copies().notRead()) {
      add(
          Severity.WARNING,
          Rule.SCALING_NOT_READ,
          "scaling/" + key(holder),
          "the scaling of the %s is not read"
              .formatted(holder.label().toLowerCase(java.util.Locale.ROOT)),
          "A copy that nobody has looked at may differ from the others.",
          "Read it (%s) and enter it.".formatted(holder.where()));
    }
    for (Holder holder : Holder.values()) {
      axis.copies()
          .againstMachine(holder)
          .filter(d -> !d.isEqual())
          .ifPresent(d -> differs(holder, d));
    }
    double most =
        Math.max(Math.abs(axis.design().travel().least()), Math.abs(axis.design().travel().most()));
    if (most > axis.machine().farthest()) {
      add(
          Severity.ERROR,
          Rule.POSITION_BITS,
          "travel",
          "travel goes to %s, 32 bits hold %s"
              .formatted(text(most, axis.unit()), text(axis.machine().farthest(), axis.unit())),
          "The position overflows and jumps to the other end of its range.",
          "Use larger units, or a position that starts again (modulo).");
    }
  }

  private void differs(Holder holder, ScalingDifference difference) {
    String causes =
        difference.causes().stream()
            .map(c -> "%s: %s".formatted(c.kind().label(), c.seen()))
            .collect(Collectors.joining("; "));
    add(
        Severity.ERROR,
        Rule.SCALING_COPY,
        "scaling/" + key(holder),
        "%s counts %s times the machine's for one unit; %s"
            .formatted(
                holder.label().toLowerCase(java.util.Locale.ROOT),
                QuantityFormat.PLAIN.number(difference.ratio().doubleValue()),
                causes),
        "A move goes by that ratio too far or too near, or the wrong way.",
        "Enter encoder, gear, feed, unit and direction alike in every copy.");
  }

  private static String key(Holder holder) {
    return holder.name().toLowerCase(java.util.Locale.ROOT);
  }

  private void moves() {
    MoveDemand demand;
    try {
      demand = axis.demand();
    } catch (IllegalArgumentException outside) {
      add(
          Severity.ERROR,
          Rule.MOVE_RANGE,
          "moves",
          String.valueOf(outside.getMessage()),
          "The axis stops at its software limit with an error, or runs against its end.",
          "Correct the move, or the travel.");
      return;
    }
    if (demand.peakRpm() == 0) {
      add(
          Severity.WARNING,
          Rule.MOTION_UNKNOWN,
          "moves",
          "no moves are entered",
          "Speed, torque and warming of the motor are not checked.",
          "Enter what the axis is to do at Map, Motion, Moves.");
      return;
    }
    speed(demand);
    peak(demand);
    effective(demand);
  }

  private void table() {
    List<String> faults = TableFaults.of(axis);
    if (!faults.isEmpty()) {
      add(
          Severity.ERROR,
          Rule.POSITION_TABLE,
          "bits",
          String.join("; ", faults),
          "The drive rejects the start with an error, moves slower than meant, or has no such number.",
          "Correct the table at Map, Motion, By bits.");
    }
  }

  private void speed(MoveDemand demand) {
    double most = axis.curve().mostRpm();
    if (demand.peakRpm() <= most * (1 + 1e-9)) {
      return;
    }
    add(
        Severity.ERROR,
        Rule.MOVE_SPEED,
        "moves",
        "the moves need %s of the motor, its plate states %s"
            .formatted(text(demand.peakRpm(), MeasureUnit.RPM), text(most, MeasureUnit.RPM)),
        "The drive limits the speed, and the axis falls behind until it faults on following error.",
        "A lower velocity, or another gear.");
  }

  private void peak(MoveDemand demand) {
    OptionalDouble most = axis.curve().peak(demand.peakAtRpm());
    if (most.isEmpty()) {
      add(
          Severity.WARNING,
          Rule.MOVE_TORQUE,
          "moves",
          "the moves need %s at %s; the plate states no torque for a short time there"
              .formatted(
                  text(demand.peakNewtonMetres(), MeasureUnit.NEWTON_METRE),
                  text(demand.peakAtRpm(), MeasureUnit.RPM)),
          "It is not shown that the motor can do these moves.",
          "Enter the peak torque of the plate, or stay under rated speed.");
      return;
    }
    double share = demand.peakNewtonMetres() / most.getAsDouble();
    if (share <= PEAK_SHARE) {
      return;
    }
    add(
        share > 1 ? Severity.ERROR : Severity.WARNING,
        Rule.MOVE_TORQUE,
        "moves",
        "the moves need %s at %s, the motor gives %s for a short time"
            .formatted(
                text(demand.peakNewtonMetres(), MeasureUnit.NEWTON_METRE),
                text(demand.peakAtRpm(), MeasureUnit.RPM),
                text(most.getAsDouble(), MeasureUnit.NEWTON_METRE)),
        "At its torque limit the axis falls behind and overshoots.",
        "A lower acceleration, a longer time, or another gear: at most 90 % is common practice.");
  }

  private void effective(MoveDemand demand) {
    OptionalDouble most = axis.curve().continuous(demand.meanRpm());
    if (most.isEmpty()) {
      add(
          Severity.WARNING,
          Rule.MOVE_WARMS,
          "moves",
          "mean speed is %s, over the rated speed: the plate states no continuous torque there"
              .formatted(text(demand.meanRpm(), MeasureUnit.RPM)),
          "It is not shown that the motor stays cool enough.",
          "Stay under rated speed, or ask for the motor's curve.");
    } else if (demand.effectiveNewtonMetres() > most.getAsDouble()) {
      add(
          Severity.ERROR,
          Rule.MOVE_WARMS,
          "moves",
          "effective torque of the moves is %s, the motor gives %s continuously at their mean speed"
              .formatted(
                  text(demand.effectiveNewtonMetres(), MeasureUnit.NEWTON_METRE),
                  text(most.getAsDouble(), MeasureUnit.NEWTON_METRE)),
          "The motor gets too warm, and the drive trips once it is.",
          "Longer standing times, lower acceleration, or a larger motor.");
    }
  }

  private void inertia() {
    double ratio = axis.load().inertiaRatio();
    if (ratio <= MOST_RATIO) {
      return;
    }
    add(
        Severity.WARNING,
        Rule.INERTIA_RATIO,
        "load",
        "inertia of the load is %s times the motor's".formatted(QuantityFormat.PLAIN.number(ratio)),
        "Over about 10 the loops have to be made slow, or they swing on the coupling.",
        "A higher gear ratio, or a motor with more inertia.");
  }

  private void brake() {
    ServoLoad load = axis.load();
    if (load.weightNewtonMetres() == 0) {
      return;
    }
    stops();
    Optional<BrakeTimes> brake = axis.brake();
    double weight = Math.abs(load.weightNewtonMetres());
    if (brake.isEmpty()) {
      add(
          Severity.ERROR,
          Rule.HOLDING_BRAKE,
          "load",
          "a load that pulls with %s at the motor hangs on an axis without a brake"
              .formatted(text(weight, MeasureUnit.NEWTON_METRE)),
          "It falls whenever the torque goes: at safe torque off, a fault, power off.",
          "A motor with a holding brake, and what the risk assessment asks for beyond it.");
      return;
    }
    if (brake.get().safety(load) < BRAKE_FACTOR) {
      add(
          brake.get().safety(load) < 1 ? Severity.ERROR : Severity.WARNING,
          Rule.HOLDING_BRAKE,
          "load",
          "the brake holds %s, the load pulls with %s: a factor of %s"
              .formatted(
                  text(brake.get().holdNewtonMetres(), MeasureUnit.NEWTON_METRE),
                  text(weight, MeasureUnit.NEWTON_METRE),
                  QuantityFormat.PLAIN.number(brake.get().safety(load))),
          "A worn or oily brake holds less than a new one.",
          "A larger brake, or a counterweight: 1.5 to 2 is common practice.");
    }
    if (((ServoPlate) assembly.motor().plate()).brakeCloseSeconds() == 0) {
      add(
          Severity.WARNING,
          Rule.HOLDING_BRAKE,
          "load",
          "the plate does not state how long the brake takes to close",
          "How far the load drops before the brake holds is undetermined.",
          "Enter the times of the brake at Identify.");
    }
  }

  /** A stop that takes the torque away has to know that something hangs there. */
  private void stops() {
    for (StopFunction stop : assembly.stops()) {
      if (!stop.verticalLoad()) {
        found.add(
            new Finding(
                Severity.ERROR,
                Rule.VERTICAL_LOAD,
                "axis/%s/stop/%s".formatted(assembly.axis().id(), stop.id()),
                "%s hang on the axis, but %s is entered as a stop without a suspended load"
                    .formatted(
                        text(
                            Math.abs(axis.design().transmission().suspendedKilograms()),
                            MeasureUnit.KILOGRAM_UNIT),
                        stop.name()),
                "When the torque goes the load falls, and no time of this stop counts that.",
                "Enter the suspended load and the holding brake at Make safe."));
      }
    }
  }

  private void add(
      Severity severity, Rule rule, String what, String seen, String why, String remedy) {
    found.add(
        new Finding(
            severity,
            rule,
            "axis/%s/motion/%s".formatted(assembly.axis().id(), what),
            seen,
            why,
            remedy));
  }

  private static String text(double value, MeasureUnit unit) {
    return QuantityFormat.PLAIN.text(value, unit);
  }
}
