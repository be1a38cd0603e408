package unimotus.core.wiring;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import unimotus.core.Lines;
import unimotus.core.machine.Project;
import unimotus.core.machine.Wire;

/** A safety input must be told what feeds it (common practice). */
class SafetyInputTest {

  private static Level level(String kind, String jumper, String... wires) {
    Project bare = Lines.bare("controller-modular", "safety-drive-7k5");
    Project project =
        bare.with(
            bare.drives().get(0).withSelector("sto.kind", kind).withSelector("sto.jumper", jumper));
    List<Wire> all = new ArrayList<>();
    for (String wire : wires) {
      String[] ends = wire.split(" ");
      all.add(new Wire("w" + all.size(), Lines.ref(ends[0]), Lines.ref(ends[1])));
    }
    return new LineSolver(Installation.of(project.withWires(all), Lines.SHEETS))
        .solve(CommandState.REST)
        .input(Lines.ref("drive:SA"))
        .map(r -> r.level())
        .orElse(Level.UNDEFINED);
  }

  @Test
  void plainContactsOnASteadyVoltageReadOn() {
    assertThat(level("contact", "removed", "drive:S+ drive:SA")).isEqualTo(Level.ON);
  }

  @Test
  void aPulseTestedInputOnASteadyVoltageIsAStandingFault() {
    assertThat(level("pulse-tested", "removed", "drive:S+ drive:SA")).isEqualTo(Level.UNDEFINED);
  }

  @Test
  void aPulseTestedInputOnItsTestPulsesReadsOn() {
    assertThat(level("pulse-tested", "removed", "drive:TA drive:SA")).isEqualTo(Level.ON);
  }

  @Test
  void theWorksJumperBesideTestPulsesIsNoticed() {
    assertThat(level("pulse-tested", "fitted", "drive:TA drive:SA")).isEqualTo(Level.UNDEFINED);
  }

  @Test
  void anOpenChannelReadsOff() {
    assertThat(level("contact", "removed", "drive:SB drive:S+", "plc:DI0 drive:SA"))
        .isNotEqualTo(Level.ON);
  }
}
