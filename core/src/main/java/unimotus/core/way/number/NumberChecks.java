package unimotus.core.way.number;

import static unimotus.core.path.Numbers.text;
import static unimotus.core.quantity.MeasureUnit.HERTZ_UNIT;

import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.Reference;
import unimotus.core.path.PathFindings;

/** What the program means by a number on a fieldbus held against what its type and drive take. */
public final class NumberChecks {
  private NumberChecks() {}

  /** Adds what the two ends have against each other. */
  public static void check(Reference reference, NumberLink link, PathFindings findings) {
    findings.addClamped(
        reference.frequencyAtZeroHertz(), reference.frequencyAtFullHertz(), link.maximumHertz());
    checkNumber(reference, link.program(), findings);
    findings.addFloor(reference.frequencyAtZeroHertz(), link.limits().minimumHertz());
    double span = reference.frequencyAtFullHertz() - reference.frequencyAtZeroHertz();
    findings.addResolution(
        link.program().step() * link.drive().step() / span * 100,
        "Use a %s with a finer scale, or accept the step.".formatted(link.program().place()));
  }

  /** A drive refuses what is over the maximum, and keeps the reference before. */
  private static void checkNumber(
      Reference reference, ProgramNumber program, PathFindings findings) {
    program
        .condition(100)
        .ifPresent(
            held ->
                findings.add(
                    Severity.ERROR,
                    Rule.CLAMPED_MAXIMUM,
                    "reference",
                    "100 %% means %s, %s is %s"
                        .formatted(
                            text(reference.frequencyAtFullHertz(), HERTZ_UNIT),
                            program.entry().value().name(),
                            held),
                    "A greater number is refused, and the drive keeps the reference it had.",
                    "Correct maximum, scale or type of the %s, or scale the reference down."
                        .formatted(program.place())));
  }
}
