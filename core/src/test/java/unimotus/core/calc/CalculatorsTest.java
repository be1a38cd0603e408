package unimotus.core.calc;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import unimotus.core.quantity.MeasureUnit;

class CalculatorsTest {

  static List<Calculator> all() {
    return Calculators.all();
  }

  private static Map<String, String> pairs(String text) {
    Map<String, String> pairs = new LinkedHashMap<>();
    for (String pair : text.split(" ")) {
      pairs.put(pair.split("=")[0], pair.split("=")[1]);
    }
    return pairs;
  }

  private static CalcResult calc(String name, String text) {
    return Calculators.find(name).orElseThrow().compute(pairs(text));
  }

  @ParameterizedTest
  @MethodSource("all")
  void everyExampleWorksAndShowsItsSum(Calculator calculator) {
    CalcResult result = calculator.compute(pairs(calculator.example()));
    assertThat(result.value()).isFinite();
    assertThat(result.source()).isNotBlank();
    assertThat(result.derivation().steps()).isNotEmpty();
    assertThat(result.derivation().text()).contains("=").contains("[").doesNotContain("%s");
    assertThat(calculator.parameters()).allSatisfy(p -> assertThat(p.about()).isNotBlank());
  }

  @Test
  void thereAreAtLeastFifteen() {
    assertThat(all()).hasSizeGreaterThanOrEqualTo(15);
  }

  /**
   * IEC 60034-1 definitions, handbook values by arithmetic, 9550·P/n (common practice); NEC, IEC
   * 60204-1 and IEC 60228 table values from memory.
   */
  @ParameterizedTest
  @CsvSource({
    "synchronous-speed, frequency=50Hz poles=4, 1500",
    "synchronous-speed, frequency=60Hz poles=6, 1200",
    "frequency, speed=1500rpm poles=4, 50",
    "poles, frequency=60Hz speed=1750rpm, 4",
    "slip, synchronous=1500rpm speed=1440rpm, 4",
    "shaft-speed, frequency=50Hz poles=4 slip=45rpm, 1455",
    "torque, power=7.5kW speed=1455rpm, 49.22",
    "power, torque=49.22Nm speed=1455rpm, 7500",
    "motor-current, power=4kW voltage=400V powerfactor=0.81 efficiency=88.6%, 8.045",
    "efficiency, power=4kW voltage=400V current=8.05A powerfactor=0.81, 88.54",
    "counts, percent=50%, 13824",
    "percent, counts=13824, 50",
    "signal, percent=37.5%, 10",
    "signal-percent, signal=12mA, 50",
    "signal-volts, percent=37.5%, 3.75",
    "signal-volts-percent, signal=3.75V, 37.5",
    "live-zero, percent=0%, 20",
    "live-zero, percent=100%, 0",
    "resolution, span=50Hz fullscale=4095, 0.01221",
    "loop-supply, current=20mA burden=250ohm wire=10ohm transmitter=12V, 17.2",
    "loop-state, current=12mA, 50",
    "accelerating-torque, inertia=0.5kgm2 speed=1500rpm time=5s, 15.708",
    "ramp-time, inertia=0.5kgm2 speed=1500rpm torque=15.708Nm, 5",
    "coast-time, inertia=0.5kgm2 speed=1500rpm friction=2Nm, 39.27",
    "coast-turns, inertia=0.5kgm2 speed=1500rpm friction=2Nm, 490.9",
    "reflected-inertia, inertia=40kgm2 ratio=20, 0.1",
    "reflected-inertia, inertia=40kgm2 ratio=20:1, 0.1",
    "full-load-current, power=10hp voltage=460V, 14",
    "conductor, current=16A, 2.5",
    "full-load-current, power=10hp voltage=440V, 14",
    "full-load-current, power=500hp voltage=460V, 590",
    "voltage-drop, current=11.2A length=100m size=2.5mm2 temperature=20, 15.48",
    "voltage-drop, current=11.2A length=100m size=2.5mm2, 18.524",
    "voltage-drop, current=200A length=100m size=95mm2 powerfactor=0.8 frequency=0, 6.8307",
    "wire-resistance, size=0.75mm2 length=100m, 2.6",
    "wire-resistance, size=AWG12 length=1000m, 5.2106",
    "shaft-speed, frequency=50Hz poles=4, 1500",
    "link-voltage, line=400V, 600",
    "torque-constant, back-voltage=72.55V, 1.2",
    "machine-speed, speed=1500rpm ratio=60 diameter=0.5m, 39.27",
    "pulses, turns=5 steps=400, 2000",
    "pulse-time, pulses=2000 rate=100Hz, 20",
    "travel-pulses, travel=300mm lead=3.175mm steps=2000, 188976",
    "travel-pulses, travel=300mm lead=3.175mm steps=1, 94",
    "step-travel, lead=3.175mm steps=2000, 1.5875",
    "word-turns, steps=400, 81",
    "timer-counts, time=5s base=100ms, 50",
    "step-corner, voltage=36V inductance=2.5mH current=2.8A, 771.43",
    "standstill-heat, current=2.8A rest=1.4A, 25",
    "series-resistor, voltage=24V forward=5V inside=0ohm least=8mA most=12mA, 1800"
  })
  void knownValues(String name, String numbers, double expected) {
    assertThat(calc(name, numbers).value())
        .isCloseTo(expected, within(Math.abs(expected) * 2e-4 + 1e-9));
  }

  @Test
  void imperialUnitsAreTaken() {
    assertThat(calc("torque", "power=10hp speed=1750rpm").value()).isCloseTo(40.69, within(0.01));
    assertThat(calc("machine-speed", "speed=1750rpm ratio=30 diameter=12in").value())
        .isCloseTo(55.86, within(0.01));
  }

  @Test
  void remarksSayWhatANumberMeans() {
    assertThat(calc("loop-state", "current=3.5mA").remark()).contains("failure");
    assertThat(calc("efficiency", "power=4kW voltage=400V current=5A powerfactor=0.81").remark())
        .contains("not plausible");
    assertThat(calc("poles", "frequency=50Hz speed=1455rpm").remark()).contains("1500");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "torque | power=4kW | speed is missing",
        "torque | power=4kW speed=1455rpm colour=red | 'colour' is not asked for",
        "torque | power=-4kW speed=1455rpm | power: shaft power must be at least 0",
        "torque | power=4kW speed=50Hz | measures frequency",
        "torque | power=4kW speed=0 | 0 rpm",
        "torque | power=four speed=1455 | 'four' is not a number",
        "synchronous-speed | frequency=50 poles=3 | not 3",
        "synchronous-speed | frequency=50 poles=4.5 | whole number",
        "accelerating-torque | inertia=1 speed=1 time=0 | ramp time must be positive",
        "signal-percent | signal=5 low=4mA high=4mA | must be over",
        "resolution | span=50 fullscale=0 | fullscale must be positive",
        "reflected-inertia | inertia=1 ratio=0 | ratio must be positive"
      })
  void badInputIsNamed(String name, String numbers, String message) {
    assertThatThrownBy(() -> calc(name, numbers))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining(message);
  }

  @Test
  void aCommaIsADecimalMark() {
    assertThat(calc("torque", "power=7,5kW speed=1455rpm").value()).isCloseTo(49.22, within(0.01));
  }

  @Test
  void conversionKeepsToItsDimension() {
    CalcResult result = UnitConversion.convert("7.5kW", "hp");
    assertThat(result.value()).isCloseTo(10.0577, within(1e-4));
    assertThat(result.unit()).isEqualTo(MeasureUnit.HORSEPOWER);
    assertThatThrownBy(() -> UnitConversion.convert("7.5kW", "rpm"))
        .hasMessageContaining("measures power");
    assertThatThrownBy(() -> UnitConversion.convert("7.5kW", "ox"))
        .hasMessageContaining("'ox' is not known");
  }

  @Test
  void anUnknownCalculatorIsNotFound() {
    assertThat(Calculators.find("flux")).isEmpty();
  }

  /** Nonsense is refused with the number, its value and the limit, never computed. */
  @ParameterizedTest
  @CsvSource({
    "motor-current, power=4kW voltage=0V powerfactor=0.81 efficiency=88%, voltage, over 0",
    "motor-current, power=4kW voltage=400V powerfactor=1.2 efficiency=88%, powerfactor, at most 1",
    "motor-current, power=4kW voltage=400V powerfactor=0.8 efficiency=120%, efficiency, at most 100 %",
    "efficiency, power=4kW voltage=400V current=0A powerfactor=0.81, current, over 0",
    "synchronous-speed, frequency=1e308 poles=4, frequency, at most",
    "shaft-speed, frequency=50Hz poles=4 slip=2000rpm, slip, at most the synchronous speed",
    "slip, synchronous=1500rpm speed=99999rpm, speed, at most twice",
    "signal, percent=50% low=20mA high=4mA, high, must be over",
    "link-voltage, line=0V, line, over 0",
    "torque, power=-4kW speed=1455rpm, power, at least 0"
  })
  void nonsenseIsRefused(String name, String text, String thing, String limit) {
    assertThatThrownBy(() -> calc(name, text))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageStartingWith(thing)
        .hasMessageContaining(limit);
  }

  /** Every number of every example set to what cannot be: a refusal or a finite result. */
  @ParameterizedTest
  @MethodSource("all")
  void noNumberMakesACalculatorSpeakNonsense(Calculator calculator) {
    for (String bad : List.of("0", "-5", "1e308", "1e20", "1e-12", "-0", "NaN", "Infinity")) {
      for (String key : pairs(calculator.example()).keySet()) {
        Map<String, String> texts = pairs(calculator.example());
        texts.put(key, bad);
        try {
          assertThat(calculator.compute(texts).value())
              .as("%s %s=%s", calculator.name(), key, bad)
              .isFinite();
        } catch (IllegalArgumentException refused) {
          assertThat(refused.getMessage()).as("%s=%s", key, bad).isNotBlank();
        }
      }
      if (bad.equals("1e308")) {
        for (String key : pairs(calculator.example()).keySet()) {
          Map<String, String> texts = pairs(calculator.example());
          texts.put(key, bad);
          assertThatThrownBy(() -> calculator.compute(texts))
              .as("%s %s", calculator.name(), key)
              .isInstanceOf(IllegalArgumentException.class);
        }
      }
    }
  }
}
