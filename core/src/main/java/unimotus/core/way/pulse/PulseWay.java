package unimotus.core.way.pulse;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.link.LinkIntent;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.MotionDesign;
import unimotus.core.machine.StepDesign;
import unimotus.core.motion.PulseOutput;
import unimotus.core.motion.StepAxis;
import unimotus.core.path.PathFindings;
import unimotus.core.proof.Part;
import unimotus.core.scaling.ScalingDifference;
import unimotus.core.way.CommandLink;
import unimotus.core.way.WayOfCommand;
import unimotus.core.way.position.Counted;
import unimotus.core.way.position.CountsStage;
import unimotus.core.way.position.TurnsStage;

/** Positions to a step driver: a pulse is a step, the level of a second input its direction. */
public final class PulseWay implements WayOfCommand {

  @Override
  public String name() {
    return "by pulses";
  }

  @Override
  public boolean isChosen(AxisAssembly axis) {
    return axis.isStepped();
  }

  /** Where such an axis goes is told once program and switches agree. */
  @Override
  public Optional<String> fault(AxisAssembly axis) {
    return StepAxis.fault(axis)
        .or(() -> noOutput(axis))
        .or(() -> scaling(StepAxis.of(axis).orElseThrow()));
  }

  private static Optional<String> noOutput(AxisAssembly axis) {
    return PulseOutput.of(axis).isPresent()
        ? Optional.empty()
        : Optional.of("no output of the controller switches the step input of its driver");
  }

  private static Optional<String> scaling(StepAxis axis) {
    Optional<ScalingDifference> program = axis.program();
    if (program.isEmpty()) {
      return Optional.of(
          "the pulses the program counts for its unit are not read: see Motion at Map, Scaling");
    }
    return program.get().isEqual()
        ? Optional.empty()
        : Optional.of(
            "the program does not count the machine's pulses: see Motion at Map, Scaling");
  }

  @Override
  public void checkWires(AxisAssembly axis, PathFindings findings) {
    noOutput(axis)
        .ifPresent(
            seen ->
                findings.add(
                    Severity.ERROR,
                    Rule.REFERENCE_UNWIRED,
                    "drive/step",
                    seen,
                    "No pulse arrives, and the motor stands.",
                    "Wire its pulses: Add link, Pulses and direction."));
  }

  @Override
  public List<LinkIntent> intents() {
    return List.of(PulseIntent.values());
  }

  @Override
  public Map<Part, String> design(AxisAssembly axis) {
    MotionDesign motion = axis.axis().motion();
    StepDesign steps = motion == null ? null : motion.steps();
    return steps == null
        ? Map.of()
        : Map.of(
            Part.PROGRAM,
            "pulses %s %d".formatted(steps.startHertz(), steps.wordBits()),
            Part.DRIVE,
            "pulses %s %s".formatted(steps.coils(), steps.supplyVolts()));
  }

  @Override
  public CommandLink link(AxisAssembly assembly) {
    StepAxis axis = StepAxis.of(assembly).orElseThrow();
    MotionDesign design = axis.design();
    return new PulseLink(
        axis,
        PulseOutput.of(assembly).orElseThrow(),
        new CountsStage(
            Counted.PULSES,
            design.stepping().wordBits(),
            Objects.requireNonNull(design.programScaling()),
            1),
        new TurnsStage(Counted.PULSES, axis.pulsesPerTurn(), true));
  }
}
