package unimotus.core.processdata;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Options of the drive profile by IEC 61800-7-201, tables of the option codes, from memory. */
class ProfileMeaningTest {

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "0x605A | 2  | quick stop: down on the quick-stop ramp, then torque off",
        "0x605A | 6  | quick stop: down on the quick-stop ramp, torque stays on",
        "0x605A | 0  | quick stop: torque off, it coasts",
        "0x605A | 9  | quick stop: no option of the profile",
        "0x605B | 1  | shutdown: down on the ramp, then torque off",
        "0x605C | 0  | operation disabled: torque off, it coasts",
        "0x605D | 1  | halt: down on the ramp, torque stays on",
        "0x605D | 0  | halt: no option of the profile",
        "0x605E | 2  | fault: down on the quick-stop ramp, then torque off",
        "0x605E | -1 | fault: option of the manufacturer",
        "0x6060 | 8  | cyclic synchronous position",
        "0x6860 | 6  | homing",
        "0x6060 | 5  | no mode of the profile",
        "0x6098 | 37 | where the axis stands now is home"
      })
  void eachIsToldInWords(String index, long value, String words) {
    assertThat(ProfileMeaning.of(Integer.decode(index), 0, value)).contains(words);
  }

  @Test
  void whatChoosesNothingIsNotExplained() {
    assertThat(ProfileMeaning.of(0x607A, 0, 6)).isEmpty();
    assertThat(ProfileMeaning.of(0x605A, 1, 6)).isEmpty();
    assertThat(ProfileMeaning.of(0x205A, 0, 6)).isEmpty();
    assertThat(ProfileMeaning.of(0xA060, 0, 8)).isEmpty();
  }
}
