package unimotus.core.machine;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import unimotus.core.Fixtures;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.SettingRule;
import unimotus.core.sheet.SettingValue;

/** What a drive's settings stand at, entered or not. Macros rewrite others: common practice. */
class EffectiveSettingsTest {
  /** Entering the keypad as command source lifts the minimum frequency, as a macro might. */
  private static final DriveSheet SHEET =
      Fixtures.driveSheet()
          .withRules(
              List.of(
                  new SettingRule.Rewrites(
                      "P10",
                      "keypad",
                      Map.of(
                          "P4", new SettingValue.Number(20),
                          "P9", new SettingValue.Choice("coast")))));

  private static final Drive DRIVE = new Drive("drive", "Drive", "test-drive", Map.of(), Map.of());

  private static EffectiveSettings with(Drive drive) {
    return new EffectiveSettings(drive, SHEET);
  }

  private static Drive keypad() {
    return DRIVE.withSetting("P10", new SettingValue.Choice("keypad"));
  }

  @Test
  void whatWasNotEnteredStandsAsRewritten() {
    EffectiveSettings settings = with(keypad());
    assertThat(settings.number(SettingRole.MINIMUM_FREQUENCY, -1)).isEqualTo(20);
    assertThat(settings.choice(SettingRole.STOP_MODE, "")).isEqualTo("coast");
    assertThat(settings.rewrittenBy(SHEET.setting("P4").orElseThrow())).contains("P10");
  }

  @Test
  void whatWasEnteredAfterwardsStands() {
    EffectiveSettings settings = with(keypad().withSetting("P4", new SettingValue.Number(5)));
    assertThat(settings.number(SettingRole.MINIMUM_FREQUENCY, -1)).isEqualTo(5);
    assertThat(settings.rewrittenBy(SHEET.setting("P4").orElseThrow())).isEmpty();
  }

  @Test
  void anotherChoiceRewritesNothing() {
    EffectiveSettings settings =
        with(DRIVE.withSetting("P10", new SettingValue.Choice("terminals")));
    assertThat(settings.number(SettingRole.MINIMUM_FREQUENCY, -1)).isZero();
    assertThat(settings.choice(SettingRole.STOP_MODE, "")).isEqualTo("ramp");
    assertThat(with(DRIVE).number(SettingRole.MINIMUM_FREQUENCY, -1)).isZero();
  }

  /** A word where a number belongs cannot be entered: the drive keeps what it had. */
  @Test
  void whatCannotBeEnteredIsNotInEffect() {
    Drive odd =
        keypad()
            .withSetting("P4", new SettingValue.Choice("twenty"))
            .withSetting("P9", new SettingValue.Choice("brake"));
    assertThat(with(odd).number(SettingRole.MINIMUM_FREQUENCY, -1)).isEqualTo(20);
    assertThat(with(odd).choice(SettingRole.STOP_MODE, "")).isEqualTo("coast");
  }
}
