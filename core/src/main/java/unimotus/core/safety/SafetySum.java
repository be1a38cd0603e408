package unimotus.core.safety;

import java.util.List;
import unimotus.core.derivation.Derivation;
import unimotus.core.derivation.Step;
import unimotus.core.machine.StopUse;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;

/** How the rate of dangerous failures of one part was found, step by step. */
final class SafetySum {
  private static final String STANDARD = "ISO 13849-1:2015 (from memory)";

  private SafetySum() {}

  static Derivation of(
      StopUse.Rhythm rhythm,
      Structure structure,
      CoverageBand band,
      double cycles,
      double operations,
      List<Double> years,
      double counted,
      double coverage,
      double rate) {
    return Derivation.of(
        new Step(
            "operations a year",
            "d·h·z",
            "%s·%s·%s"
                .formatted(
                    number(rhythm.daysPerYear()),
                    number(rhythm.hoursPerDay()),
                    number(rhythm.demandsPerHour())),
            operations,
            MeasureUnit.ONE,
            "use of the stop"),
        new Step(
            "MTTFd of a channel",
            "B10d/(0.1·n_op)",
            "%s/(0.1·%s)".formatted(number(cycles), number(operations)),
            years.get(0),
            MeasureUnit.YEAR_UNIT,
            STANDARD + ", annex C"),
        new Step(
            "counted",
            years.size() > 1
                ? "at most %s years, ⅔·[a + b − 1/(1/a + 1/b)]"
                    .formatted(number(structure.mostYears()))
                : "at most %s years".formatted(number(structure.mostYears())),
            "",
            counted,
            MeasureUnit.YEAR_UNIT,
            STANDARD),
        new Step(
            "diagnostic coverage, " + band.label(),
            "",
            "",
            coverage * 100,
            MeasureUnit.PERCENT,
            structure == Structure.TWO
                ? "tests of the stop"
                : "fault run; " + STANDARD + ", table E.1"),
        new Step(
            "structure %s, PFHd".formatted(structure.label()),
            "table K.1, next lower year",
            "",
            rate,
            MeasureUnit.PER_HOUR,
            STANDARD + ", annex K"));
  }

  private static String number(double value) {
    return QuantityFormat.PLAIN.number(value);
  }
}
