package unimotus.core.path;

import static unimotus.core.path.Numbers.text;
import static unimotus.core.quantity.MeasureUnit.HERTZ_UNIT;
import static unimotus.core.quantity.MeasureUnit.PERCENT;

import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Reference;
import unimotus.core.sheet.SettingRole;

/**
 * What the program means by a reference in a register held against what register and drive take.
 */
final class RegisterPathChecks {
  private static final double SAME_HERTZ = 0.05;

  private final Reference reference;
  private final RegisterLink link;
  private final PathFindings findings;

  RegisterPathChecks(AxisAssembly axis, RegisterLink link, PathFindings findings) {
    this.reference = axis.axis().reference();
    this.link = link;
    this.findings = findings;
  }

  void check() {
    checkMaximum();
    checkRegister();
    checkFloor();
    findings.addResolution(
        link.program().step() * link.drive().step() / span() * 100,
        "Use a register with a finer scale, or accept the step.");
  }

  private double span() {
    return reference.frequencyAtFullHertz() - reference.frequencyAtZeroHertz();
  }

  private void checkMaximum() {
    double most = link.maximumHertz();
    if (reference.frequencyAtFullHertz() > most + SAME_HERTZ) {
      findings.add(
          Severity.ERROR,
          Rule.CLAMPED_MAXIMUM,
          findings.setting(SettingRole.MAXIMUM_FREQUENCY, "maximum"),
          "the reference runs to %s, the maximum frequency is %s"
              .formatted(
                  text(reference.frequencyAtFullHertz(), HERTZ_UNIT), text(most, HERTZ_UNIT)),
          "Above %s of the reference the speed stands still."
              .formatted(text((most - reference.frequencyAtZeroHertz()) / span() * 100, PERCENT)),
          "Raise the maximum frequency if motor and machine allow it, or scale the reference down.");
    }
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

  private void checkFloor() {
    double least = link.limits().minimumHertz();
    if (least > reference.frequencyAtZeroHertz() + SAME_HERTZ) {
      findings.add(
          Severity.WARNING,
          Rule.MINIMUM_FLOOR,
          findings.setting(SettingRole.MINIMUM_FREQUENCY, "minimum"),
          "the reference begins at %s, the minimum frequency is %s"
              .formatted(
                  text(reference.frequencyAtZeroHertz(), HERTZ_UNIT), text(least, HERTZ_UNIT)),
          "Low commands make no difference until the minimum is passed.",
          "Lower the minimum, or begin the program's span at the same frequency.");
    }
  }
}
