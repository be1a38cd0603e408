package unimotus.core.profile;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import unimotus.core.profile.WordMachine.Intent;
import unimotus.core.profile.WordMachine.Step;

/** What bits 4 to 9, 12 and 13 mean in a mode (IEC 61800-7-201, from memory). */
class OperatingModeTest {
  private static List<String> set(List<WordBit> bits, int word) {
    return WordBit.names(bits, word);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "pp  | 1  | 4 | new set-point",
        "pp  | 1  | 5 | change at once",
        "pp  | 1  | 6 | relative",
        "pp  | 1  | 8 | halt",
        "pp  | 1  | 9 | change on set-point",
        "vl  | 2  | 4 | enable ramp",
        "vl  | 2  | 5 | unlock ramp",
        "vl  | 2  | 6 | use reference",
        "vl  | 2  | 8 | halt",
        "pv  | 3  | 8 | halt",
        "tq  | 4  | 8 | halt",
        "hm  | 6  | 4 | start homing",
        "hm  | 6  | 8 | halt",
        "ip  | 7  | 4 | enable interpolation",
        "vl  | 2  | 7 | fault reset",
        "csp | 8  | 0 | switch on",
      })
  void controlBits(String symbol, int number, int bit, String name) {
    OperatingMode mode = OperatingMode.of(symbol);
    assertThat(mode.number()).isEqualTo(number);
    assertThat(set(mode.controlBits(), 1 << bit)).containsExactly(name);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "pp  | 10 | target reached",
        "pp  | 12 | set-point acknowledged",
        "pp  | 13 | following error",
        "pv  | 12 | speed is 0",
        "pv  | 13 | slippage too large",
        "hm  | 12 | homing attained",
        "hm  | 13 | homing error",
        "csp | 12 | follows the set-point",
        "csp | 13 | following error",
        "csv | 12 | follows the set-point",
        "cst | 12 | follows the set-point",
        "vl  | 9  | remote",
        "vl  | 11 | internal limit",
        "vl  | 7  | warning",
      })
  void statusBits(String symbol, int bit, String name) {
    assertThat(set(OperatingMode.of(symbol).statusBits(), 1 << bit)).containsExactly(name);
  }

  /** A bit that means nothing is not passed over in silence. */
  @Test
  void bitsWithoutAMeaningAreNamedToo() {
    assertThat(set(OperatingMode.PROFILE_VELOCITY.controlBits(), 0x30))
        .containsExactly("bit 4: nothing in this mode", "bit 5: nothing in this mode");
    assertThat(set(OperatingMode.NONE.controlBits(), 0x10)).containsExactly("bit 4: by the mode");
    assertThat(set(OperatingMode.VELOCITY.controlBits(), 0x8400))
        .containsExactly("reserved", "bit 15: manufacturer-specific");
    for (OperatingMode mode : OperatingMode.values()) {
      assertThat(mode.controlBits()).hasSize(16);
      assertThat(mode.statusBits()).hasSize(16);
    }
  }

  /** Bits 13, 12 and 10 together. */
  @ParameterizedTest
  @CsvSource({
    "0x0237, homing is under way",
    "0x0637, homing was interrupted or has not started",
    "0x1237, 'homing attained, still moving'",
    "0x1637, homing is done",
    "0x2237, 'homing error, still moving'",
    "0x2637, 'homing error, stopped'",
    "0x3237, homing attained and in error: not in the profile"
  })
  void homingTellsHowFarItIs(String word, String told) {
    assertThat(OperatingMode.HOMING.told(Words.parse(word))).contains(told);
    assertThat(OperatingMode.PROFILE_POSITION.told(Words.parse(word))).isEmpty();
  }

  @Test
  void aModeIsFoundBySignNumberOrName() {
    assertThat(OperatingMode.of("8")).isEqualTo(OperatingMode.CYCLIC_POSITION);
    assertThat(OperatingMode.of("HM")).isEqualTo(OperatingMode.HOMING);
    assertThat(OperatingMode.of("profile-velocity")).isEqualTo(OperatingMode.PROFILE_VELOCITY);
    assertThatThrownBy(() -> OperatingMode.of("5"))
        .hasMessageContaining("mode '5'")
        .hasMessageContaining("pp (1)");
  }

  /** The run word of velocity mode is 0x7F, of every other 0x0F. */
  @ParameterizedTest
  @EnumSource(OperatingMode.class)
  void theRunWordHasTheModesBits(OperatingMode mode) {
    WordProfile profile = DriveProfiles.cia402(mode);
    List<Step> way =
        new WordMachine(profile).way(profile.state("switch on disabled"), Intent.START_FORWARD, 0);
    int run = way.get(way.size() - 1).word();
    assertThat(run & 0xFF).isEqualTo(mode == OperatingMode.VELOCITY ? 0x7F : 0x0F);
    assertThat(profile.name().contains(mode.label())).isEqualTo(mode != OperatingMode.NONE);
  }

  /** Enabling starts no move and no homing that a bit left standing would ask for. */
  @ParameterizedTest
  @EnumSource(
      value = OperatingMode.class,
      names = {"PROFILE_POSITION", "HOMING", "INTERPOLATED_POSITION"})
  void enablingTakesBackWhatStartsAMotion(OperatingMode mode) {
    WordProfile profile = DriveProfiles.cia402(mode);
    for (String state :
        List.of("switch on disabled", "ready to switch on", "switched on", "fault")) {
      new WordMachine(profile)
          .way(profile.state(state), Intent.START_FORWARD, 0x1F)
          .forEach(s -> assertThat(s.word() & 0x10).as("%s %s", state, s).isZero());
    }
  }

  /** A bit of the mode acts in operation enabled without another state: it is not ignored. */
  @Test
  void bitsOfTheModeActWhileEnabled() {
    WordProfile homing = DriveProfiles.cia402(OperatingMode.HOMING);
    WordState enabled = homing.state("operation enabled");
    WordMachine.Reaction start = new WordMachine(homing).react(enabled, 0x1F, 0x0F);
    assertThat(start.isIgnored()).isFalse();
    assertThat(start.to()).isEqualTo(enabled);
    assertThat(start.words()).isEqualTo("stays in operation enabled: start homing set");
    assertThat(new WordMachine(homing).react(enabled, 0x1F, 0x1F).isIgnored()).isTrue();
    assertThat(new WordMachine(homing).react(homing.state("switched on"), 0x17, 0x07).isIgnored())
        .as("not before it is enabled")
        .isTrue();
    WordMachine velocity = new WordMachine(DriveProfiles.CIA_402_VELOCITY);
    assertThat(velocity.react(enabled, 0x17F, 0x7F).words()).endsWith("halt set");
    assertThat(velocity.react(enabled, 0x5F, 0x17F).words())
        .endsWith("unlock ramp taken away, halt taken away");
    WordProfile plain = DriveProfiles.RUN_AND_STOP;
    assertThat(new WordMachine(plain).react(plain.state("running"), 0x13, 0x11).words())
        .isEqualTo("stays in running: reverse set");
  }

  @Test
  void aReferenceIsASpeedInFewModes() {
    assertThat(DriveProfiles.ofSpeed())
        .extracting(WordProfile::name)
        .containsExactly(
            "drive profile CiA 402",
            "drive profile CiA 402, velocity mode",
            "drive profile CiA 402, profile velocity mode",
            "run and stop word");
    assertThat(DriveProfiles.all()).hasSize(11);
  }
}
