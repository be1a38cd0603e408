package unimotus.core.processdata;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import unimotus.core.esi.StartUpCommand;

/** State machine and codes by ETG.1000.6 and ETG.1020 (from memory). */
class StationStateTest {

  @ParameterizedTest
  @CsvSource({"1, INIT", "2, PRE-OP", "3, BOOT", "4, SAFE-OP", "8, OP", "0x14, SAFE-OP"})
  void numbersOfTheRegister(String register, String label) {
    assertThat(StationState.of(Integer.decode(register)).orElseThrow().label()).isEqualTo(label);
  }

  @Test
  void whatIsNoState() {
    assertThat(StationState.of(0)).isEmpty();
    assertThat(StationState.of(5)).isEmpty();
  }

  /** Every transition that start-up commands can belong to is one a station can make. */
  @Test
  void transitionsAreThoseOfTheStandard() {
    List<StationState> states =
        List.of(StationState.INIT, StationState.PRE_OP, StationState.SAFE_OP, StationState.OP);
    for (StationState from : states) {
      for (StationState to : states) {
        String name = "%c%c".formatted(from.name().charAt(0), to.name().charAt(0));
        boolean isNamed = StartUpCommand.TRANSITIONS.contains(name);
        assertThat(from.next().contains(to)).as(name).isEqualTo(isNamed || from == to);
      }
    }
    assertThat(StationState.BOOT.next()).doesNotContain(StationState.PRE_OP, StationState.OP);
  }

  @ParameterizedTest
  @CsvSource({
    "0x0011, not allowed",
    "0x0016, mailbox",
    "0x001B, watchdog",
    "0x001D, outputs",
    "0x001E, inputs",
    "0x0035, cycle time",
    "0x0070, modules",
    "0x8001, manufacturer",
    "0x0041, mailbox",
    "0x004F, mailbox",
    "0x0FFF, not known"
  })
  void codesAreTold(String code, String words) {
    assertThat(StateCode.told(Integer.decode(code))).contains(words);
  }

  @Test
  void noCodeStandsTwiceAndEachHasARemedy() {
    assertThat(Arrays.stream(StateCode.values()).map(StateCode::code)).doesNotHaveDuplicates();
    assertThat(Arrays.stream(StateCode.values()).filter(c -> c != StateCode.NONE))
        .noneMatch(c -> c.remedy().isBlank());
    assertThat(Arrays.stream(ObjectAbort.values()).map(ObjectAbort::code)).doesNotHaveDuplicates();
  }
}
