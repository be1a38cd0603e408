package unimotus.core.program;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import unimotus.core.motion.ServoAxis;
import unimotus.core.move.MoveLimits;
import unimotus.core.move.MoveStep;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.scaling.Holder;
import unimotus.core.scaling.ScalingDifference;

/**
 * Writes the function block that runs the moves of a positioning axis with the standard motion
 * function blocks (PLCopen motion control part 1, from memory). Only a rising edge of Start begins
 * them, at the first one, at power-up and after any loss of power, stop or fault.
 */
public final class MotionProgram {
  private static final String AXIS = "Axis := Axis";

  private final ServoAxis axis;
  private final List<MoveStep> steps;
  private final MoveLimits limits;

  private MotionProgram(ServoAxis axis) {
    this.axis = axis;
    this.steps = axis.design().moves().steps();
    this.limits = axis.design().moves().limits();
  }

  /**
   * The block of an axis.
   *
   * @throws IllegalArgumentException where a block cannot be true: no moves, a jog among them, a
   *     move outside the travel, or a motion axis whose scaling differs from the machine's
   */
  public static FunctionBlock block(ServoAxis axis) {
    MotionProgram program = new MotionProgram(axis);
    program.check();
    return new FunctionBlock(
        Variable.named("Move " + axis.axis().name()),
        program.remarks(),
        inputs(),
        List.of(new Variable("Axis", "AXIS_REF", "the motion axis of " + axis.axis().name())),
        outputs(),
        program.locals(),
        program.body(),
        List.of());
  }

  private void check() {
    if (steps.isEmpty()) {
      throw new IllegalArgumentException(axis.axis().name() + " has no moves to run");
    }
    for (int i = 0; i < steps.size(); i++) {
      if (steps.get(i) instanceof MoveStep.Jog) {
        throw new IllegalArgumentException(
            "step %d of %s is a jog: that is held by hand, not run by a program"
                .formatted(i + 1, axis.axis().name()));
      }
    }
    axis.moves();
    Optional<ScalingDifference> program = axis.copies().againstMachine(Holder.PROGRAM);
    if (program.isPresent() && !program.get().isEqual()) {
      throw new IllegalArgumentException(
          "the motion axis of %s counts %s times the machine's for one unit: correct its scaling first"
              .formatted(
                  axis.axis().name(),
                  QuantityFormat.PLAIN.number(program.get().ratio().doubleValue())));
    }
  }

  private List<String> remarks() {
    String unit = axis.unit().symbol().isEmpty() ? "units" : axis.unit().symbol();
    List<String> remarks = new ArrayList<>();
    if (axis.copies().of(Holder.PROGRAM).isEmpty()) {
      remarks.add(
          "ATTENTION: the scaling of the motion axis was not read; these positions count as below.");
    }
    remarks.add("%s: moves in %s".formatted(axis.axis().name(), unit));
    remarks.add("Written from the project; change it there and write it again.");
    remarks.add(
        "1 %s has to be %s counts in the motion axis (%s)."
            .formatted(
                unit,
                Literals.real(axis.machine().countsPerUnit().doubleValue()),
                axis.path().sum().steps().get(0).formula()));
    remarks.add(
        "Motion needs a new rising edge of Start at power-up and after any loss of power, stop, fault, or command of somebody else.");
    remarks.add(
        "Stop is no stop circuit: emergency stop and guards act on the drive by themselves.");
    remarks.add("The risk assessment and local codes decide.");
    return remarks;
  }

  private static List<Variable> inputs() {
    return List.of(
        new Variable("Enable", "BOOL", "power while TRUE; the drive still needs its permission"),
        new Variable("Home", "BOOL", "a rising edge finds home"),
        new Variable("Start", "BOOL", "a rising edge runs the moves from the first"),
        new Variable("Stop", "BOOL", "TRUE brings the axis to rest and ends the moves"),
        new Variable("Reset", "BOOL", "a rising edge resets a fault; it starts nothing"));
  }

  private static List<Variable> outputs() {
    return List.of(
        new Variable("Powered", "BOOL", "the axis has torque"),
        new Variable("Homed", "BOOL", "home was found since the last fault of the axis"),
        new Variable("Busy", "BOOL", "moves are run"),
        new Variable("Done", "BOOL", "the moves were run to their end"),
        new Variable("Fault", "BOOL", "the axis or one of its moves reports an error"));
  }

  private List<Variable> locals() {
    List<Variable> locals = new ArrayList<>();
    locals.add(new Variable("powering", "MC_Power", "torque while Enable is TRUE"));
    locals.add(new Variable("resetting", "MC_Reset", "clears the error of the axis"));
    locals.add(new Variable("homing", "MC_Home", "finds home"));
    locals.add(new Variable("stopping", "MC_Stop", "brings the axis to rest"));
    for (int i = 0; i < steps.size(); i++) {
      MoveStep step = steps.get(i);
      String type =
          step instanceof MoveStep.Absolute
              ? "MC_MoveAbsolute"
              : step instanceof MoveStep.Incremental ? "MC_MoveRelative" : "TON";
      locals.add(new Variable(name(i), type, "step %d, %s".formatted(i + 1, step.label())));
    }
    locals.add(new Variable("step", "INT", "which one is run; 0 for none"));
    locals.add(new Variable("round", "INT", "which time"));
    locals.add(new Variable("aborted", "BOOL", "something else has taken the axis"));
    locals.add(new Variable("gap", "BOOL", "one scan without a command between two steps"));
    locals.add(
        new Variable("startWas", "BOOL", "TRUE", "held through power-up it is no rising edge"));
    return locals;
  }

  private static String name(int at) {
    return "step%d".formatted(at + 1);
  }

  private List<String> body() {
    List<String> body = new ArrayList<>();
    body.add("powering(%s, Enable := Enable);".formatted(AXIS));
    body.add("resetting(%s, Execute := Reset);".formatted(AXIS));
    body.add(
        "stopping(%s, Execute := Stop, Deceleration := %s);"
            .formatted(AXIS, real(limits.deceleration())));
    body.add("Powered := powering.Status;");
    body.add(
        "Fault := %s;"
            .formatted(reports(".Error", "powering.Error", "homing.Error", "stopping.Error")));
    body.add("aborted := %s;".formatted(reports(".CommandAborted", "homing.CommandAborted")));
    body.add(
        "(* Whatever takes the axis out of motion ends the moves; only a new edge begins them. *)");
    body.add("IF NOT Powered OR Fault OR Stop OR aborted THEN");
    body.add("  step := 0;");
    body.add("END_IF;");
    body.add("IF powering.Error THEN");
    body.add("  Homed := FALSE;");
    body.add("END_IF;");
    body.add(
        "IF Start AND NOT startWas AND Powered AND Homed AND NOT Fault AND NOT Stop AND step = 0 THEN");
    body.add("  step := 1;");
    body.add("  round := 1;");
    body.add("  gap := FALSE;");
    body.add("  Done := FALSE;");
    body.add("END_IF;");
    body.add("startWas := Start;");
    body.add(
        "homing(%s, Execute := Home AND Powered AND step = 0, Position := 0.0);".formatted(AXIS));
    body.add("IF homing.Done THEN");
    body.add("  Homed := TRUE;");
    body.add("END_IF;");
    for (int i = 0; i < steps.size(); i++) {
      body.add(call(i));
    }
    body.add("IF gap THEN");
    body.add("  gap := FALSE;");
    for (int i = 0; i < steps.size(); i++) {
      body.add("ELSIF step = %d AND %s THEN".formatted(i + 1, over(i)));
      body.addAll(next(i));
    }
    body.add("END_IF;");
    body.add("Busy := step <> 0;");
    return body;
  }

  /** Any of these, or that output of any move. */
  private String reports(String output, String... others) {
    List<String> reports = new ArrayList<>(List.of(others));
    for (int i = 0; i < steps.size(); i++) {
      if (!(steps.get(i) instanceof MoveStep.Dwell)) {
        reports.add(name(i) + output);
      }
    }
    return String.join(" OR ", reports);
  }

  private String call(int at) {
    MoveStep step = steps.get(at);
    String runs = "step = %d AND NOT gap".formatted(at + 1);
    if (step instanceof MoveStep.Dwell dwell) {
      return "%s(IN := %s, PT := %s);".formatted(name(at), runs, Literals.time(dwell.seconds()));
    }
    String where =
        step instanceof MoveStep.Absolute absolute
            ? "Position := " + real(absolute.target())
            : "Distance := " + real(((MoveStep.Incremental) step).distance());
    String jerk = limits.jumps() ? "" : ", Jerk := " + real(limits.jerk());
    return "%s(%s, Execute := %s, %s, Velocity := %s, Acceleration := %s, Deceleration := %s%s);"
        .formatted(
            name(at),
            AXIS,
            runs,
            where,
            real(limits.velocity()),
            real(limits.acceleration()),
            real(limits.deceleration()),
            jerk);
  }

  private String over(int at) {
    return steps.get(at) instanceof MoveStep.Dwell ? name(at) + ".Q" : name(at) + ".Done";
  }

  private List<String> next(int at) {
    if (at + 1 < steps.size()) {
      return List.of("  step := %d;".formatted(at + 2), "  gap := TRUE;");
    }
    return List.of(
        "  IF round < %d THEN".formatted(axis.design().moves().times()),
        "    round := round + 1;",
        "    step := 1;",
        "    gap := TRUE;",
        "  ELSE",
        "    step := 0;",
        "    Done := TRUE;",
        "  END_IF;");
  }

  private static String real(double value) {
    return value < 0 ? "-" + Literals.real(-value) : Literals.real(value);
  }
}
