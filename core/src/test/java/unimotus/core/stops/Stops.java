package unimotus.core.stops;

import java.util.List;
import java.util.function.BooleanSupplier;
import java.util.function.DoubleConsumer;
import unimotus.core.FixtureSheets;
import unimotus.core.Lines;
import unimotus.core.link.StopLinks;
import unimotus.core.link.StopRequest;
import unimotus.core.machine.Axis;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Load;
import unimotus.core.machine.Project;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.StopFunction;
import unimotus.core.machine.StopLogic;
import unimotus.core.machine.StopTrigger;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.wiring.WiringFault;

/** Stops built by intent on the shipped sheets. */
public final class Stops {
  public static final SheetCatalogue SHEETS = FixtureSheets.catalogue();
  public static final String TERMINAL_DRIVE = "terminal-drive-4kw";
  public static final String SAFETY_DRIVE = "safety-drive-7k5";

  private Stops() {}

  public static StopRequest request(StopTrigger trigger, StopLogic logic, StopEffect effect) {
    return StopRequest.of(Lines.AXIS, "Stop", trigger, logic, effect);
  }

  public static StopRequest guard(StopLogic logic) {
    return request(StopTrigger.GUARD_SWITCH, logic, StopEffect.STO);
  }

  /** A guard over a safety relay that ramps down before the torque goes. */
  public static StopRequest ramped(double delaySeconds, double rampSeconds) {
    return request(StopTrigger.GUARD_SWITCH, StopLogic.SAFETY_RELAY, StopEffect.SS1_T)
        .withTimes(delaySeconds, rampSeconds);
  }

  public static Project project(String drive, StopRequest request) {
    Project line = Lines.bare("controller-modular", drive);
    return StopLinks.plan(line, SHEETS, request).project();
  }

  public static Project withLoad(Project project, Load load) {
    Axis axis = project.axes().get(0);
    return project.with(axis.withLoad(load));
  }

  /** The fault run of a circuit that stops. */
  public static FaultRun run(StopCircuit circuit) {
    return FaultRun.of(circuit, StopVerdict.of(circuit));
  }

  /** A circuit with faults, in which what lies between off and on counts as on. */
  public static StopMachine worst(StopCircuit circuit, List<WiringFault> faults) {
    return new StopMachine(circuit, faults, Doubt.READS_ON);
  }

  public static FaultRun broken(
      StopCircuit circuit, DoubleConsumer progress, BooleanSupplier cancelled) {
    return FaultRun.of(circuit, StopVerdict.of(circuit), progress, cancelled);
  }

  public static JudgedStop judged(Project project) {
    AxisAssembly axis = AxisAssembly.of(project, SHEETS, project.axes().get(0)).orElseThrow();
    return JudgedStop.of(axis, axis.stops().get(0));
  }

  public static StopCircuit circuit(String drive, StopRequest request) {
    return circuit(project(drive, request));
  }

  public static StopCircuit circuit(Project project) {
    AxisAssembly axis = AxisAssembly.of(project, SHEETS, project.axes().get(0)).orElseThrow();
    StopFunction stop = axis.stops().get(0);
    return StopCircuit.of(axis, stop);
  }
}
