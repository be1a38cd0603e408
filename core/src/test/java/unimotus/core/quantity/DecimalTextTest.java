package unimotus.core.quantity;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class DecimalTextTest {
  private final DecimalText comma = new DecimalText(',', Set.of("2.01", "3.04"));

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "50 Hz × 4.02 V / 10 V = 20.1 Hz | 50 Hz × 4,02 V / 10 V = 20,1 Hz",
        "12.5 %, not 12.4 %.             | 12,5 %, not 12,4 %.",
        "ratio 1.5                       | ratio 1,5",
        "it reads 10.5.                  | it reads 10,5.",
        "(0.35 ± 0.02 s)                 | (0,35 ± 0,02 s)",
        "−0.5 V                          | −0,5 V",
        "setting 2.01 stands at 2.01 Hz  | setting 2.01 stands at 2,01 Hz",
        "3.04 in the drive               | 3.04 in the drive",
        "2.01 a code                     | 2.01 a code",
        "2.01: the reference             | 2.01: the reference",
        "3.04 commands the run           | 3.04 commands the run",
        "axis/header-pump/drive/2.02     | axis/header-pump/drive/2.02",
        "14/8.05 A                       | 14/8,05 A",
        "IEC 60204-1 7.5 (from memory)   | IEC 60204-1 7.5 (from memory)",
        "NEC table 430.250               | NEC table 430.250",
        "firmware is 2.14, 2,5 A is read | firmware is 2.14, 2,5 A is read",
        "192.168.0.10 answers            | 192.168.0.10 answers",
        "line2.5.json                    | line2.5.json",
        "%IW2.1                          | %IW2.1",
        "no number.                      | no number."
      })
  void numbersTakeTheMarkAndNamesKeepTheirPoint(String written, String shown) {
    assertThat(comma.of(written)).isEqualTo(shown);
    assertThat(DecimalText.POINT.of(written)).isEqualTo(written);
  }

  @Test
  void aNameIsKeptAsItWasGiven() {
    assertThat(DecimalText.in("Line 2.5, north")).containsExactly("2.5");
    assertThat(new DecimalText(',', DecimalText.in("Line 2.5")).of("Line 2.5 needs 2.5 A"))
        .isEqualTo("Line 2.5 needs 2,5 A");
  }
}
