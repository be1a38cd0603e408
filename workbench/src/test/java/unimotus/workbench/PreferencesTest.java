package unimotus.workbench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import unimotus.core.bench.BenchSetup;
import unimotus.core.finding.Rule;
import unimotus.core.motion.ShaftLoad;
import unimotus.core.path.SignalPath;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.review.AxisReview;
import unimotus.core.review.LineReview;
import unimotus.core.sheet.InductionPlate;
import unimotus.formats.sheet.SheetLibrary;

class PreferencesTest {
  @TempDir private Path folder;

  @Test
  void whatIsRememberedComesBack() throws IOException {
    Path file = folder.resolve("deep/preferences.properties");
    Preferences kept =
        Preferences.NONE
            .withDark(true)
            .withRecent(folder.resolve("a.unimotus.json"))
            .withRecent(folder.resolve("b.unimotus.json"))
            .withUnits(
                DisplayUnits.METRIC
                    .with(MeasureUnit.FEET_PER_MINUTE)
                    .with(MeasureUnit.HORSEPOWER)
                    .withDecimalMark(','));
    kept.save(file);
    assertThat(Preferences.load(file)).isEqualTo(kept);
  }

  @Test
  void whatCannotBeReadIsForgotten() throws IOException {
    assertThat(Preferences.load(folder.resolve("nowhere"))).isEqualTo(Preferences.NONE);
    Path odd = folder.resolve("odd");
    Files.writeString(odd, "units=furlong mA\ndecimal=x\ndark=maybe\n");
    Preferences read = Preferences.load(odd);
    assertThat(read.dark()).isFalse();
    assertThat(read.units().decimalMark()).isEqualTo('.');
    Files.writeString(odd, "bad=\\uZZZZ");
    assertThat(Preferences.load(odd)).isEqualTo(Preferences.NONE);
  }

  @Test
  void theLastFileComesFirstOnceAndOldOnesDropOut() {
    Preferences kept = Preferences.NONE;
    for (int i = 0; i < 12; i++) {
      kept = kept.withRecent(folder.resolve(i + ".json"));
    }
    kept = kept.withRecent(folder.resolve("8.json"));
    assertThat(kept.recent()).hasSize(8).first().isEqualTo(folder.resolve("8.json"));
    assertThat(kept.recent()).doesNotHaveDuplicates();
  }

  @Test
  void numbersAreShownAndReadInTheReadersUnits() {
    DisplayUnits units = DisplayUnits.METRIC.with(MeasureUnit.FEET_PER_MINUTE).withDecimalMark(',');
    assertThat(units.text(25, MeasureUnit.METRES_PER_MINUTE)).isEqualTo("82,021 ft/min");
    assertThat(units.parse("speed", "82,021", MeasureUnit.METRES_PER_MINUTE))
        .isCloseTo(25, within(0.001));
    assertThat(units.parse("speed", "25 m/min", MeasureUnit.METRES_PER_MINUTE)).isEqualTo(25);
    assertThat(units.number(12, MeasureUnit.MILLIAMPERE)).isEqualTo("12");
    assertThatThrownBy(() -> units.parse("speed", "5 kg", MeasureUnit.METRES_PER_MINUTE))
        .hasMessageContaining("measures mass");
  }

  @Test
  void signalsStayInMilliampsWhateverCurrentsAreShownIn() {
    assertThat(DisplayUnits.METRIC.with(MeasureUnit.AMPERE_UNIT).text(12, MeasureUnit.MILLIAMPERE))
        .isEqualTo("12 mA");
  }

  @ParameterizedTest
  @EnumSource(Rule.class)
  void everyRuleIsMendedAtAStation(Rule rule) {
    assertThat(WorkStep.of(rule)).isNotNull();
  }

  @Test
  void aScenarioIsFoundByNameOrRead() {
    BenchSetup setup =
        new BenchSetup(
            n -> n,
            50,
            50,
            4,
            4,
            true,
            false,
            new InductionPlate(4000, 400, 8.05, 50, 1456, 0.81, 1, 0.01),
            50,
            new ShaftLoad(0.1, 1, 0, 0));
    SignalPath path =
        LineReview.of(Demo.project(), SheetLibrary.catalogue())
            .axis("rinse-drum")
            .flatMap(AxisReview::signalPath)
            .orElseThrow();
    assertThat(Scenarios.find("run-and-stop", setup, path).name()).isEqualTo("run and stop");
    assertThat(Scenarios.find("0 permit; 3 end", setup, path).lengthSeconds()).isEqualTo(3);
    assertThatThrownBy(() -> Scenarios.find("dance", setup, path)).hasMessageContaining("dance");
  }
}
