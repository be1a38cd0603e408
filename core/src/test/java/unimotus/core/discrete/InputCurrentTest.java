package unimotus.core.discrete;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import unimotus.core.Lines;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.link.CommonLink;
import unimotus.core.machine.Project;
import unimotus.core.sheet.DeviceSheet;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.Figure;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.stops.Stops;

/** An opto input made for 5 V on the 24 V of a controller; what flows by Ohm's law. */
class InputCurrentTest {
  private static final double FORWARD = 1.2;
  private static final double OHMS = 330;
  private static final double NEEDS = 0.007;
  private static final double BEARS = 0.016;

  /** Inputs without a limiter, as those of a step driver have them. */
  private static SheetCatalogue sheets(double inputOhms) {
    List<DeviceSheet> sheets = new ArrayList<>();
    for (DeviceSheet sheet : Lines.SHEETS.all(DeviceSheet.class)) {
      sheets.add(
          sheet instanceof DriveSheet drive && drive.id().equals(Stops.TERMINAL_DRIVE)
              ? drive.withTerminals(
                  drive.terminals().stream().map(t -> bare(t, inputOhms)).toList())
              : sheet);
    }
    return new SheetCatalogue(sheets);
  }

  private static Terminal bare(Terminal terminal, double inputOhms) {
    return terminal.role() != TerminalRole.DIGITAL_INPUT
        ? terminal
        : terminal
            .withFigure(Figure.FORWARD_VOLTS, FORWARD)
            .withFigure(Figure.INPUT_OHMS, inputOhms)
            .withFigure(Figure.LIMIT_AMPERES, 1)
            .withFigure(Figure.ON_VOLTS, 3.5)
            .withFigure(Figure.OFF_VOLTS, 0.8)
            .withFigure(Figure.ON_AMPERES, NEEDS)
            .withFigure(Figure.BEARS_AMPERES, BEARS);
  }

  private static List<Finding> found(SheetCatalogue sheets, Project project) {
    return DiscreteChecks.check(Lines.axis(sheets, project)).stream()
        .filter(f -> f.rule() == Rule.INPUT_CURRENT)
        .toList();
  }

  private static Project wired(SheetCatalogue sheets, String controller) {
    return Lines.with(sheets, Lines.bare(controller, "terminal-drive-4kw"), CommonLink.values()[0]);
  }

  /** (24 − 0.5 − 1.2) V on 330 Ω are some 68 mA, over four times what it bears. */
  @ParameterizedTest
  @ValueSource(strings = {"controller-modular", "controller-compact-sinking"})
  void twentyFourVoltsOnAFiveVoltInput(String controller) {
    SheetCatalogue sheets = sheets(OHMS);
    List<Finding> found = found(sheets, wired(sheets, controller));
    assertThat(found).isNotEmpty();
    Finding first = found.get(0);
    Matcher flows = Pattern.compile("takes ([\\d.]+) mA at ([\\d.]+) V").matcher(first.seen());
    assertThat(flows.find()).as(first.seen()).isTrue();
    double volts = Double.parseDouble(flows.group(2));
    assertThat(volts).isBetween(21.5, 24.0);
    assertThat(Double.parseDouble(flows.group(1)))
        .isCloseTo((volts - FORWARD) / OHMS * 1000, within(1.0));
    assertThat(first.seen()).contains("over the 16.0 mA it bears");
    assertThat(first.remedy()).startsWith("Put ").contains("Ω, 0.5 W or more, in series");
  }

  /** With the resistor inside, as inputs for 24 V have it, nothing is said. */
  @Test
  void anInputForTwentyFourVoltsIsRight() {
    SheetCatalogue sheets = sheets(OHMS + 1800);
    assertThat(found(sheets, wired(sheets, "controller-modular"))).isEmpty();
  }

  /** Nothing wired, nothing flows; a sheet that says nothing is not checked. */
  @Test
  void withoutWiresOrFiguresNothingIsSaid() {
    SheetCatalogue sheets = sheets(OHMS);
    assertThat(found(sheets, Lines.bare("controller-modular", "terminal-drive-4kw"))).isEmpty();
    assertThat(found(Lines.SHEETS, wired(Lines.SHEETS, "controller-modular"))).isEmpty();
  }
}
