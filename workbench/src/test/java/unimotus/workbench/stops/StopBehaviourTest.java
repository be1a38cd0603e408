package unimotus.workbench.stops;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import unimotus.core.link.StopRequest;
import unimotus.core.machine.Drive;
import unimotus.core.machine.Project;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.StopLogic;
import unimotus.core.machine.StopTrigger;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.SettingValue;
import unimotus.core.stops.Resumption;
import unimotus.core.stops.StopCircuit;
import unimotus.core.stops.StopEvent;
import unimotus.core.stops.StopMachine;
import unimotus.core.stops.StopState;

/** Press, release, reset, power off and on, with the run command held (common practice). */
class StopBehaviourTest {
  private final StopCircuit circuit =
      Stops.circuit(Stops.TERMINAL_DRIVE, Stops.guard(StopLogic.SAFETY_RELAY));
  private final StopMachine machine = new StopMachine(circuit);
  private final String guard = circuit.stop().triggers().get(0);
  private final List<StopEvent> reset = StopEvent.reset(circuit);

  private static Project set(Project project, SettingRole role, String choice) {
    Drive drive = project.drives().get(0);
    DriveSheet sheet = Stops.SHEETS.find(DriveSheet.class, drive.sheet()).orElseThrow();
    return project.with(
        drive.withSetting(
            sheet.setting(role).orElseThrow().code(), new SettingValue.Choice(choice)));
  }

  @Test
  void theWholeCycleOfADemand() {
    StopState at = machine.running();
    assertThat(at.driveShows()).isEqualTo("running");
    at = machine.after(at, StopEvent.demand(guard));
    assertThat(at.driveShows()).isEqualTo("not permitted");
    at = machine.after(at, StopEvent.release(guard));
    assertThat(at.driveShows()).isEqualTo("not permitted");
    at = machine.after(at, reset.get(0));
    assertThat(at.driveShows()).as("reset acts on the falling edge").isEqualTo("not permitted");
    at = machine.after(at, reset.get(1));
    assertThat(at.driveShows()).as("a new run command is needed").isEqualTo("ready");
    at = machine.after(at, List.of(StopEvent.RUN_OFF, StopEvent.RUN_ON));
    assertThat(at.driveShows()).isEqualTo("running");
  }

  @Test
  void resetWhileTheGuardIsOpenDoesNothing() {
    StopState at = machine.after(machine.running(), StopEvent.demand(guard));
    at = machine.after(at, reset);
    at = machine.after(at, StopEvent.release(guard));
    assertThat(at.driveShows()).isEqualTo("not permitted");
  }

  /** After power-up with manual reset the output stays off until reset. */
  @Test
  void powerUpNeedsAReset() {
    StopState at =
        machine.after(machine.running(), List.of(StopEvent.POWER_OFF, StopEvent.POWER_ON));
    assertThat(at.driveShows()).isEqualTo("not permitted");
    assertThat(machine.after(at, reset).driveShows()).isEqualTo("ready");
  }

  /** Every trigger stops and releases, whatever it is made of. */
  @ParameterizedTest
  @EnumSource(StopTrigger.class)
  void everyTriggerStopsAndReleases(StopTrigger trigger) {
    StopCircuit of =
        Stops.circuit(
            Stops.TERMINAL_DRIVE, Stops.request(trigger, StopLogic.SAFETY_RELAY, StopEffect.STO));
    StopMachine made = new StopMachine(of);
    StopState running = made.running();
    assertThat(running.driveShows()).isEqualTo("running");
    StopState stopped = made.after(running, StopEvent.demand(of.stop().triggers().get(0)));
    assertThat(stopped.drive().permitted()).isFalse();
  }

  @ParameterizedTest
  @CsvSource({
    "terminal-drive-4kw, DIRECT, STO",
    "terminal-drive-4kw, SAFETY_RELAY, SS1_T",
    "terminal-drive-4kw, RELAY_CONTACTORS, CONTACTORS",
    "terminal-drive-4kw, DIRECT, ENABLE",
    "safety-drive-7k5, DIRECT, STO",
    "safety-drive-7k5, SAFETY_RELAY, STO"
  })
  void everyWayStartsStopsAndDoesNotResume(String drive, StopLogic logic, StopEffect effect) {
    StopCircuit of = Stops.circuit(drive, Stops.request(StopTrigger.EMERGENCY_STOP, logic, effect));
    StopMachine made = new StopMachine(of);
    StopState running = made.running();
    assertThat(running.driveShows()).isEqualTo("running");
    StopState stopped = made.after(running, StopEvent.demand(of.stop().triggers().get(0)));
    assertThat(stopped.drive().moving()).isFalse();
    if (effect.isSafetyStop()) {
      assertThat(Resumption.shortest(of)).isEmpty();
    }
  }

  /** Releasing a stop must never by itself start the motor (IEC 60204-1, ISO 13850). */
  @Test
  void whereTheDesignAllowsItTheSequenceIsShown() {
    StopRequest automatic = Stops.guard(StopLogic.SAFETY_RELAY).withRelay(false, true);
    Project allowed =
        set(
            Stops.project(Stops.TERMINAL_DRIVE, automatic),
            SettingRole.RESTART_AFTER_STO,
            "allowed");
    List<StopEvent> way = Resumption.shortest(Stops.circuit(allowed)).orElseThrow();
    assertThat(way)
        .extracting(StopEvent::kind)
        .containsExactly(StopEvent.Kind.DEMAND, StopEvent.Kind.RELEASE);
  }

  /** With a manual reset the same drive starts when reset is let go. */
  @Test
  void theResetButtonMustNotStartTheMotorEither() {
    Project allowed =
        set(
            Stops.project(Stops.TERMINAL_DRIVE, Stops.guard(StopLogic.SAFETY_RELAY)),
            SettingRole.RESTART_AFTER_STO,
            "allowed");
    List<StopEvent> way = Resumption.shortest(Stops.circuit(allowed)).orElseThrow();
    assertThat(way.get(way.size() - 1).kind()).isEqualTo(StopEvent.Kind.RELEASE_RESET);
  }
}
