package unimotus.core.stops;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import unimotus.core.Lines;
import unimotus.core.machine.Drive;
import unimotus.core.machine.Project;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.StopLogic;
import unimotus.core.machine.StopTrigger;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;

/** A stop that rests on something nobody can know is never told to stop. */
class UnusableStopTest {
  private static final Project SOUND =
      Stops.project(
          Stops.TERMINAL_DRIVE,
          Stops.request(StopTrigger.EMERGENCY_STOP, StopLogic.SAFETY_RELAY, StopEffect.STO));

  private static JudgedStop judged(Project project) {
    return Stops.judged(project);
  }

  @Test
  void aMisspeltJumperIsNoJumperRemoved() {
    assertThat(judged(SOUND).verdict().outcome()).isEqualTo(StopOutcome.STOPS);
    Drive drive = SOUND.drives().get(0);
    JudgedStop odd = judged(SOUND.with(drive.withSelector("sto.jumper", "Removed ")));
    assertThat(odd.verdict().outcome()).isEqualTo(StopOutcome.CANNOT_BE_TOLD);
    assertThat(odd.verdict().because().toString()).contains("sto.jumper", "Removed ", "fitted");
  }

  /** Somebody drew a wire from a safety input to a device that is not in the project any more. */
  @Test
  void aWireToADeviceThatIsGoneLeavesItOpen() {
    JudgedStop odd =
        judged(
            SOUND.with(
                new Wire("x1", Lines.ref("drive:STO1"), new TerminalRef("bypass-box", "2"))));
    assertThat(odd.verdict().outcome()).isEqualTo(StopOutcome.CANNOT_BE_TOLD);
    assertThat(odd.verdict().because().toString()).contains("bypass-box:2");
  }

  /** The range of an analog channel has nothing to do with it. */
  @Test
  void anAnalogChannelThatStandsWrongDoesNotMatter() {
    Project project = SOUND.with(SOUND.controllers().get(0).withSelector("AO0.range", "4..20 mA"));
    assertThat(judged(project).verdict().outcome()).isEqualTo(StopOutcome.STOPS);
  }
}
