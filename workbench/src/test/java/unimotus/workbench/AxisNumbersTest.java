package unimotus.workbench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import unimotus.core.calc.Calculator;
import unimotus.core.calc.Calculators;
import unimotus.core.calc.Parameter;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.review.LineReview;
import unimotus.formats.sheet.SheetLibrary;

/** What an axis has for the calculators is taken as it stands, in every reader's way of writing. */
class AxisNumbersTest {
  private static AxisAssembly axis(String id) {
    AxisAssembly assembly =
        LineReview.of(Demo.project(), SheetLibrary.catalogue()).axis(id).orElseThrow().assembly();
    assertThat(assembly).isNotNull();
    return assembly;
  }

  @ParameterizedTest
  @ValueSource(strings = {"rinse-drum", "header-pump", "infeed-belt", "drying-fan"})
  void everyCalculatorTakesWhatItIsGiven(String id) {
    for (char mark : new char[] {'.', ','}) {
      DisplayUnits units = DisplayUnits.METRIC.withDecimalMark(mark);
      AxisNumbers own = AxisNumbers.of(axis(id), units);
      for (Calculator calculator : Calculators.all()) {
        Map<String, String> texts = new TreeMap<>();
        for (Parameter parameter : calculator.parameters()) {
          own.of(calculator.name(), parameter.name())
              .ifPresent(t -> texts.put(parameter.name(), t));
        }
        boolean complete =
            calculator.parameters().stream()
                .allMatch(p -> p.fallback() != null || texts.containsKey(p.name()));
        if (complete) {
          assertThat(calculator.compute(texts, mark).value()).as(calculator.name()).isFinite();
        }
      }
    }
  }

  /** Handbook, section 14: 4 kW at 1456 rpm are 26.2 N·m, its four poles slip 44 rpm. */
  @Test
  void theDrumsNumbersAreItsPlates() {
    AxisNumbers drum = AxisNumbers.of(axis("rinse-drum"), DisplayUnits.METRIC);
    assertThat(drum.of("shaft-speed", "poles")).contains("4");
    assertThat(drum.of("shaft-speed", "slip")).contains("44 rpm");
    assertThat(drum.of("signal", "low")).contains("4 mA");
    assertThat(drum.of("signal-volts", "low")).as("its signal is a current").isEmpty();
    assertThat(drum.of("frequency", "speed")).as("a plate's speed is no synchronous one").isEmpty();
    Calculator torque =
        Calculators.all().stream().filter(c -> c.name().equals("torque")).findFirst().orElseThrow();
    Map<String, String> texts =
        Map.of(
            "power", drum.of("torque", "power").orElseThrow(),
            "speed", drum.of("torque", "speed").orElseThrow());
    assertThat(torque.compute(texts, '.').value()).isCloseTo(26.23, within(0.01));
  }
}
