package unimotus.core.way.register;

import static unimotus.core.path.Numbers.text;
import static unimotus.core.quantity.MeasureUnit.HERTZ_UNIT;

import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Reference;
import unimotus.core.path.PathFindings;

/**
 * What the program means by a reference in a register held against what register and drive take.
 */
final class RegisterPathChecks {
  private final Reference reference;
  private final RegisterLink link;
  private final PathFindings findings;

  RegisterPathChecks(AxisAssembly axis, RegisterLink link, PathFindings findings) {
    this.reference = axis.axis().reference();
    this.link = link;
    this.findings = findings;
  }

  void check() {
    findings.addClamped(
        reference.frequencyAtZeroHertz(), reference.frequencyAtFullHertz(), link.maximumHertz());
    checkRegister();
    findings.addFloor(reference.frequencyAtZeroHertz(), link.limits().minimumHertz());
    findings.addResolution(
        link.program().step() * link.drive().step() / span() * 100,
        "Use a register with a finer scale, or accept the step.");
  }

  private double span() {
    return reference.frequencyAtFullHertz() - reference.frequencyAtZeroHertz();
  }

  /** A drive refuses what is over the maximum of its register, and keeps the reference before. */
  private void checkRegister() {
    RegisterEntry entry = link.program().entry();
    link.program()
        .condition(100)
        .ifPresent(
            held ->
                findings.add(
                    Severity.ERROR,
                    Rule.CLAMPED_MAXIMUM,
                    "reference",
                    "100 %% means %s, %s is %s"
                        .formatted(
                            text(reference.frequencyAtFullHertz(), HERTZ_UNIT), entry.name(), held),
                    "A greater number is refused, and the drive keeps the reference it had.",
                    "Correct maximum, scale or type of the register, or scale the reference down."));
  }
}
