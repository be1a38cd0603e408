package unimotus.core.settings;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import org.junit.jupiter.api.Test;
import unimotus.core.Fixtures;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.machine.Project;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.SettingValue;

class SettingsTest {

  private static EffectiveSettings settings(Project project) {
    AxisAssembly axis = Fixtures.assembly(project);
    return new EffectiveSettings(axis.drive(), axis.driveSheet());
  }

  @Test
  void aSettingIsItsDefaultUntilItIsChanged() {
    Project project = Fixtures.project();
    assertThat(settings(project).number(SettingRole.MAXIMUM_FREQUENCY, 0)).isEqualTo(50);
    assertThat(
            settings(Fixtures.withSetting(project, "P5", 60.0))
                .number(SettingRole.MAXIMUM_FREQUENCY, 0))
        .isEqualTo(60);
    Project back =
        project.with(
            project
                .drives()
                .get(0)
                .withSetting("P5", new SettingValue.Number(60))
                .withDefault("P5"));
    assertThat(settings(back).number(SettingRole.MAXIMUM_FREQUENCY, 0)).isEqualTo(50);
  }

  @Test
  void settingsAreFoundByMeaningAndTerminal() {
    EffectiveSettings settings = settings(Fixtures.project());
    assertThat(settings.choice(SettingRole.ANALOG_RANGE, "AI1", "")).isEqualTo("4-20 mA");
    assertThat(settings.choice(SettingRole.ANALOG_RANGE, "AI9", "none")).isEqualTo("none");
    assertThat(settings.inputFor("run-forward")).contains("DI1");
    assertThat(settings.inputFor("reset")).isEmpty();
    assertThat(settings.selector(SelectorRole.INPUT_LOGIC, "")).isEqualTo("source");
    assertThat(settings.selector(SelectorRole.INPUT_KIND, "AI1", "")).isEqualTo("current");
  }

  /**
   * Overload is the plate current, exactly; minimum and maximum the same at both ends (common
   * practice).
   */
  @Test
  void whatFollowsFromPlateAndReferenceMakesTheAxisSound() {
    Project messy = Fixtures.project();
    for (Map.Entry<String, SettingValue> e :
        Map.<String, SettingValue>of(
                "P1", new SettingValue.Number(3),
                "P2", new SettingValue.Number(6),
                "P3", new SettingValue.Number(12),
                "P10", new SettingValue.Choice("keypad"),
                "P11", new SettingValue.Choice("keypad"),
                "P18", new SettingValue.Choice("0-10 V"),
                "P20", new SettingValue.Number(87))
            .entrySet()) {
      messy = messy.with(messy.drives().get(0).withSetting(e.getKey(), e.getValue()));
    }
    AxisAssembly axis = Fixtures.assembly(messy);
    Map<String, SettingValue> derived = DerivedSettings.of(axis);
    assertThat(derived)
        .containsEntry("P3", new SettingValue.Number(8.05))
        .containsEntry("P2", new SettingValue.Number(4))
        .containsEntry("P18", new SettingValue.Choice("4-20 mA"))
        .containsEntry("P20", new SettingValue.Number(50))
        .containsEntry("P11", new SettingValue.Choice("AI1"));
    for (Map.Entry<String, SettingValue> e : derived.entrySet()) {
      messy = messy.with(messy.drives().get(0).withSetting(e.getKey(), e.getValue()));
    }
    assertThat(SettingChecks.check(Fixtures.assembly(messy))).isEmpty();
  }

  @Test
  void aValueTheDriveWouldNotTakeIsNotDerived() {
    Project project = Fixtures.withChannel(Fixtures.project(), "AO0.range", "2-10 V");
    assertThat(DerivedSettings.of(Fixtures.assembly(project))).doesNotContainKey("P18");
  }
}
