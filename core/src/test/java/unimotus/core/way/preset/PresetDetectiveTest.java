package unimotus.core.way.preset;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import unimotus.core.detective.Detective;
import unimotus.core.detective.Diagnosis;
import unimotus.core.detective.Suspicion;
import unimotus.core.machine.Preset;
import unimotus.core.machine.Project;
import unimotus.core.machine.Reading;
import unimotus.core.path.SignalPath;
import unimotus.core.proof.Expectation;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.Predictor;

/**
 * Faults of preset inputs, played by code that shares nothing with the detective's models: inputs
 * are letters of a string, the drive reads it as a number to the base two, or takes the last letter
 * that is set.
 */
class PresetDetectiveTest {
  private static final double FULL_HERTZ = 50;
  private static final double FULL_SPEED = 25;
  private static final double FACTORY_STEP = 5;

  private final Random random = new Random(160);

  /** The inputs as the drive sees them, input 1 first: {@code 101} is 1 and 3 closed. */
  private interface Fault {
    String seen(String closed);
  }

  private record Case(String sheet, int inputs, Map<String, Double> hertz, Project project) {

    boolean binary() {
      return !sheet.equals(Presets.ONE_OF_N);
    }

    int number(String closed) {
      return binary()
          ? Integer.parseInt(new StringBuilder(closed).reverse().toString(), 2)
          : closed.lastIndexOf('1') + 1;
    }

    /** With nothing closed the drive that overrides runs at a reference nobody gives: none. */
    double runs(String closed) {
      return hertz.getOrDefault(Integer.toString(number(closed)), 0.0);
    }
  }

  private Case made(String sheet) {
    int inputs = sheet.equals(Presets.AS_SOURCE) ? 2 + random.nextInt(2) : 2;
    boolean binary = !sheet.equals(Presets.ONE_OF_N);
    int last = binary ? (1 << inputs) - 1 : inputs;
    List<Integer> tenths = new ArrayList<>();
    while (tenths.size() < last) {
      int next = 8 + random.nextInt(42);
      if (!tenths.contains(next) && next % 5 != 0) {
        tenths.add(next);
      }
    }
    Map<String, Double> hertz = new TreeMap<>();
    Preset[] wanted = new Preset[last];
    double[] entered = new double[last];
    for (int number = 1; number <= last; number++) {
      double value = tenths.get(number - 1);
      hertz.put(Integer.toString(number), value);
      entered[number - 1] = value;
      wanted[number - 1] = new Preset(number, "speed " + number, value / FULL_HERTZ * FULL_SPEED);
    }
    Project project = Presets.entered(Presets.axis(sheet, inputs, wanted), entered);
    return new Case(sheet, inputs, hertz, project);
  }

  private static List<String> combinations(Case made) {
    List<String> all = new ArrayList<>();
    for (int set = 1; set < 1 << made.inputs(); set++) {
      StringBuilder letters = new StringBuilder();
      for (int i = 0; i < made.inputs(); i++) {
        letters.append((set >> i) % 2);
      }
      String closed = letters.toString();
      if (made.binary() || closed.indexOf('1') == closed.lastIndexOf('1')) {
        all.add(closed);
      }
    }
    return all;
  }

  private static String put(String closed, int at, char letter) {
    return closed.substring(0, at) + letter + closed.substring(at + 1);
  }

  private static String exchanged(String closed, int one, int other) {
    return put(put(closed, one, closed.charAt(other)), other, closed.charAt(one));
  }

  private static Diagnosis diagnosed(Case made, Map<String, Double> runs) {
    SignalPath path = Presets.review(made.project()).signalPath().orElseThrow();
    List<Prediction> predictions =
        Predictor.references(Presets.review(made.project()).assembly(), path);
    List<Reading> readings = new ArrayList<>();
    for (Prediction prediction : predictions) {
      Double hertz = runs.get(prediction.key());
      if (hertz != null && prediction.expectation() instanceof Expectation.Amount) {
        readings.add(
            new Reading(
                "belt", prediction.key(), hertz, null, "", "2026-01-31T14:05:00Z", "", Map.of()));
      }
    }
    return Detective.diagnose(path, predictions, readings);
  }

  /** What the display shows for each combination, a tenth off at random. */
  private Map<String, Double> runs(Case made, Fault fault) {
    Map<String, Double> runs = new TreeMap<>();
    for (String closed : combinations(made)) {
      double hertz = made.runs(fault.seen(closed));
      runs.put(
          "preset%d.frequency".formatted(made.number(closed)),
          hertz == 0 ? 0 : hertz + (random.nextDouble() - 0.5) * 0.1);
    }
    return runs;
  }

  private static String leading(Diagnosis diagnosis) {
    Suspicion first = diagnosis.suspicions().get(0);
    return first.cause().name();
  }

  @Test
  void theTrueCauseLeads() {
    int cases = 0;
    List<String> wrong = new ArrayList<>();
    for (int round = 0; round < 12; round++) {
      for (String sheet : List.of(Presets.OVERRIDING, Presets.AS_SOURCE, Presets.ONE_OF_N)) {
        Case made = made(sheet);
        // Where the greatest closed one counts, the least being on all the time changes nothing.
        int one = made.binary() ? random.nextInt(made.inputs()) : made.inputs() - 1;
        int other = (one + 1) % made.inputs();
        Map<PresetCause, Fault> faults =
            Map.of(
                PresetCause.PRESET_DEAD, c -> put(c, one, '0'),
                PresetCause.PRESET_STUCK, c -> put(c, one, '1'),
                PresetCause.PRESET_EXCHANGED, c -> exchanged(c, one, other));
        for (Map.Entry<PresetCause, Fault> fault : faults.entrySet()) {
          cases++;
          String told = leading(diagnosed(made, runs(made, fault.getValue())));
          if (!told.equals(fault.getKey().name())) {
            wrong.add("%s %s of %s: %s".formatted(sheet, fault.getKey(), made.hertz(), told));
          }
        }
        cases++;
        String told = leading(diagnosed(made, notEntered(made)));
        if (!told.equals(PresetCause.PRESET_VALUE.name())) {
          wrong.add("%s value of %s: %s".formatted(sheet, made.hertz(), told));
        }
      }
    }
    System.out.printf("preset faults: %d, another cause first: %d%n", cases, wrong.size());
    assertThat(wrong.size()).as("of %d: %s", cases, wrong).isZero();
  }

  private Map<String, Double> notEntered(Case made) {
    Map<String, Double> runs = runs(made, c -> c);
    List<String> keys = new ArrayList<>(runs.keySet());
    String key = keys.get(random.nextInt(keys.size()));
    int number = Integer.parseInt(key.substring("preset".length(), key.indexOf('.')));
    runs.put(key, number * (made.binary() ? FACTORY_STEP : 2 * FACTORY_STEP));
    return runs;
  }

  @Test
  void withNothingWrongNothingIsSuspected() {
    for (String sheet : List.of(Presets.OVERRIDING, Presets.AS_SOURCE, Presets.ONE_OF_N)) {
      Case made = made(sheet);
      assertThat(leading(diagnosed(made, runs(made, c -> c)))).isEqualTo("AS_DESIGNED");
    }
  }
}
