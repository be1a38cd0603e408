package unimotus.core.stops;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
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

/** Press, release, reset, power off and on, with the run command held (common practice). */
class StopBehaviourTest {
  private final StopCircuit circuit =
      Stops.circuit(Stops.TERMINAL_DRIVE, Stops.guard(StopLogic.SAFETY_RELAY));
  private final StopMachine machine = new StopMachine(circuit);
  private final String guard = circuit.stop().triggers().get(0);
  private final List<StopEvent> reset = StopEvent.reset(circuit);

  private static StopState running(StopMachine machine, StopCircuit of) {
    List<StopEvent> events = new ArrayList<>(StopEvent.reset(of));
    events.add(StopEvent.RUN_ON);
    return machine.from(events);
  }

  private static Project set(Project project, SettingRole role, String choice) {
    Drive drive = project.drives().get(0);
    DriveSheet sheet = Stops.SHEETS.find(DriveSheet.class, drive.sheet()).orElseThrow();
    return project.with(
        drive.withSetting(
            sheet.setting(role).orElseThrow().code(), new SettingValue.Choice(choice)));
  }

  @Test
  void theWholeCycleOfADemand() {
    StopState at = running(machine, circuit);
    assertThat(machine.drive(at).shows()).isEqualTo("running");
    at = machine.after(at, StopEvent.demand(circuit, guard));
    assertThat(machine.drive(at).shows()).isEqualTo("not permitted");
    at = machine.after(at, StopEvent.release(guard));
    assertThat(machine.drive(at).shows()).isEqualTo("not permitted");
    at = machine.after(at, reset.get(0));
    assertThat(machine.drive(at).shows())
        .as("reset acts on the falling edge")
        .isEqualTo("not permitted");
    at = machine.after(at, reset.get(1));
    assertThat(machine.drive(at).shows()).as("a new run command is needed").isEqualTo("ready");
    at = machine.after(at, List.of(StopEvent.RUN_OFF, StopEvent.RUN_ON));
    assertThat(machine.drive(at).shows()).isEqualTo("running");
  }

  @Test
  void resetWhileTheGuardIsOpenDoesNothing() {
    StopState at = machine.after(running(machine, circuit), StopEvent.demand(circuit, guard));
    at = machine.after(at, reset);
    at = machine.after(at, StopEvent.release(guard));
    assertThat(machine.drive(at).shows()).isEqualTo("not permitted");
  }

  /** After power-up with manual reset the output stays off until reset. */
  @Test
  void powerUpNeedsAReset() {
    StopState at =
        machine.after(running(machine, circuit), List.of(StopEvent.POWER_OFF, StopEvent.POWER_ON));
    assertThat(machine.drive(at).shows()).isEqualTo("not permitted");
    assertThat(machine.drive(machine.after(at, reset)).shows()).isEqualTo("ready");
  }

  /** Every trigger stops and releases, whatever it is made of. */
  @ParameterizedTest
  @EnumSource(StopTrigger.class)
  void everyTriggerStopsAndReleases(StopTrigger trigger) {
    StopCircuit of =
        Stops.circuit(
            Stops.TERMINAL_DRIVE, Stops.request(trigger, StopLogic.SAFETY_RELAY, StopEffect.STO));
    StopMachine made = new StopMachine(of);
    StopState running = running(made, of);
    assertThat(made.drive(running).shows()).isEqualTo("running");
    StopState stopped = made.after(running, StopEvent.demand(of, of.stop().triggers().get(0)));
    assertThat(made.drive(stopped).permitted()).isFalse();
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
    StopState running = running(made, of);
    assertThat(made.drive(running).shows()).isEqualTo("running");
    StopState stopped = made.after(running, StopEvent.demand(of, of.stop().triggers().get(0)));
    assertThat(made.drive(stopped).moving()).isFalse();
    if (effect.isSafetyStop()) {
      assertThat(StopVerdict.of(of).resumption()).isEmpty();
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
    List<StopEvent> way = StopVerdict.of(Stops.circuit(allowed)).resumption();
    assertThat(way)
        .extracting(StopEvent::kind)
        .endsWith(StopEvent.Kind.DEMAND, StopEvent.Kind.RELEASE);
  }

  /** With a manual reset the same drive starts when reset is let go. */
  @Test
  void theResetButtonMustNotStartTheMotorEither() {
    Project allowed =
        set(
            Stops.project(Stops.TERMINAL_DRIVE, Stops.guard(StopLogic.SAFETY_RELAY)),
            SettingRole.RESTART_AFTER_STO,
            "allowed");
    List<StopEvent> way = StopVerdict.of(Stops.circuit(allowed)).resumption();
    assertThat(way.get(way.size() - 1).kind()).isEqualTo(StopEvent.Kind.RELEASE_RESET);
  }
}
