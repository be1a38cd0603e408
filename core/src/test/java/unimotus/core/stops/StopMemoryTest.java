package unimotus.core.stops;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import unimotus.core.Lines;
import unimotus.core.machine.Drive;
import unimotus.core.machine.Part;
import unimotus.core.machine.Project;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.StopLogic;
import unimotus.core.machine.StopTrigger;
import unimotus.core.machine.TerminalRef;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.SettingValue;
import unimotus.core.wiring.WiringFault;

/**
 * What relays, drives and curtains remember of what they saw: common practice of two-channel relays
 * and of drives with safe torque off.
 */
class StopMemoryTest {
  private static final Project RELAY =
      Stops.project(Stops.TERMINAL_DRIVE, Stops.guard(StopLogic.SAFETY_RELAY));
  private static final String GUARD = "belt-guard-switch";

  private static Project relay(String selector, String option) {
    Part part =
        RELAY.parts().stream().filter(p -> p.id().equals("belt-safety-relay")).findFirst().get();
    return RELAY.with(part.withSelector(selector, option));
  }

  private static List<StopEvent> and(List<StopEvent> some, StopEvent... more) {
    List<StopEvent> all = new ArrayList<>(some);
    all.addAll(List.of(more));
    return all;
  }

  private static WiringFault stuck(String terminal) {
    return new WiringFault.StuckClosed(Lines.ref(terminal));
  }

  /**
   * One contact alone opens while the relay is off: it waits for the other where it watches the
   * time between them, and starts where that is switched off.
   */
  @ParameterizedTest
  @CsvSource({"0.5 s, false", "3 s, false", "off, true"})
  void oneChannelAloneIsRemembered(String discrepancy, boolean starts) {
    StopCircuit circuit = Stops.circuit(relay("discrepancy", discrepancy));
    StopMachine machine = new StopMachine(circuit, List.of(stuck(GUARD + ":22")));
    List<StopEvent> way = new ArrayList<>();
    way.add(StopEvent.demand(circuit, GUARD));
    way.add(StopEvent.release(GUARD));
    way.addAll(StopEvent.reset(circuit));
    way.add(StopEvent.RUN_ON);
    assertThat(machine.drive(machine.from(way)).moving()).isEqualTo(starts);
  }

  /** One that was on waits for both in any case. */
  @ParameterizedTest
  @ValueSource(strings = {"0.5 s", "off"})
  void oneChannelAloneStopsItForGood(String discrepancy) {
    StopCircuit circuit = Stops.circuit(relay("discrepancy", discrepancy));
    StopMachine machine = new StopMachine(circuit, List.of(stuck(GUARD + ":22")));
    List<StopEvent> start = and(StopEvent.reset(circuit), StopEvent.RUN_ON);
    StopState running = machine.from(start);
    assertThat(machine.drive(running).moving()).isTrue();
    StopState at =
        machine.after(running, List.of(StopEvent.demand(circuit, GUARD), StopEvent.release(GUARD)));
    at = machine.after(machine.after(at, StopEvent.RUN_OFF), start);
    assertThat(machine.drive(at).moving()).isFalse();
    assertThat(at.relay("belt-safety-relay").needsBothOff()).isTrue();
    at = machine.after(at, List.of(StopEvent.RUN_OFF, StopEvent.POWER_OFF, StopEvent.POWER_ON));
    assertThat(machine.drive(machine.after(at, start)).moving()).as("new after power").isTrue();
  }

  private static Project set(Project project, SettingRole role, String choice) {
    Drive drive = project.drives().get(0);
    DriveSheet sheet = Stops.SHEETS.find(DriveSheet.class, drive.sheet()).orElseThrow();
    return project.with(
        drive.withSetting(
            sheet.setting(role).orElseThrow().code(), new SettingValue.Choice(choice)));
  }

  /** Mains back with the run command held: only a drive that may restarts. */
  @ParameterizedTest
  @CsvSource({"allowed, true", "blocked, false"})
  void mainsBackStartsOnlyWhereAllowed(String choice, boolean starts) {
    Project direct = Stops.project(Stops.TERMINAL_DRIVE, Stops.guard(StopLogic.DIRECT));
    Project resumes = set(direct, SettingRole.RESTART_AFTER_STO, "allowed");
    StopCircuit circuit = Stops.circuit(set(resumes, SettingRole.RESTART_AT_POWER_UP, choice));
    StopMachine machine = new StopMachine(circuit);
    StopState at = machine.from(List.of(StopEvent.RUN_ON, StopEvent.POWER_OFF));
    assertThat(machine.drive(at).shows()).isIn("no power", "not permitted");
    at = machine.after(at, StopEvent.POWER_ON);
    assertThat(machine.drive(at).permitted()).isTrue();
    assertThat(machine.drive(at).moving()).isEqualTo(starts);
  }

  /** The run command given while a guard is open is none once it closes. */
  @Test
  void aCommandGivenWhileItMayNotRunIsNone() {
    StopCircuit circuit = Stops.circuit(Stops.TERMINAL_DRIVE, Stops.guard(StopLogic.DIRECT));
    StopMachine machine = new StopMachine(circuit);
    StopState at =
        machine.from(
            List.of(StopEvent.demand(circuit, GUARD), StopEvent.RUN_ON, StopEvent.release(GUARD)));
    assertThat(machine.drive(at).shows()).isEqualTo("ready");
    at = machine.after(at, List.of(StopEvent.RUN_OFF, StopEvent.RUN_ON));
    assertThat(machine.drive(at).moving()).isTrue();
  }

  /** A drive that compares its channels stays in fault until both are off. */
  @Test
  void unlikeChannelsAreAFaultUntilBothAreOff() {
    StopCircuit circuit = Stops.circuit(Stops.SAFETY_DRIVE, Stops.guard(StopLogic.DIRECT));
    StopMachine whole = new StopMachine(circuit);
    StopState running = whole.from(List.of(StopEvent.RUN_ON));
    assertThat(whole.drive(running).moving()).isTrue();
    StopMachine broken = new StopMachine(circuit, List.of(stuck(GUARD + ":12")));
    StopState at = broken.after(running, StopEvent.demand(circuit, GUARD));
    assertThat(broken.drive(at).shows()).isEqualTo("fault");
    at = broken.after(at, List.of(StopEvent.release(GUARD), StopEvent.RUN_OFF, StopEvent.RUN_ON));
    assertThat(broken.drive(at).moving()).as("the fault is kept").isFalse();
    at = whole.after(at, List.of(StopEvent.demand(circuit, GUARD), StopEvent.release(GUARD)));
    at = whole.after(at, List.of(StopEvent.RUN_OFF, StopEvent.RUN_ON));
    assertThat(whole.drive(at).moving()).as("both were off").isTrue();
  }

  /** A curtain whose pulses come back from elsewhere locks itself out until power is off. */
  @Test
  void aLockedCurtainStaysLockedUntilPowerIsOff() {
    StopCircuit circuit =
        Stops.circuit(
            Stops.TERMINAL_DRIVE,
            Stops.request(StopTrigger.LIGHT_CURTAIN, StopLogic.SAFETY_RELAY, StopEffect.STO));
    String curtain = circuit.stop().triggers().get(0);
    List<StopEvent> start = and(StopEvent.reset(circuit), StopEvent.RUN_ON);
    StopState running = new StopMachine(circuit).from(start);
    StopMachine broken =
        new StopMachine(
            circuit,
            List.of(
                new WiringFault.CrossShort(Lines.ref("plc:24V"), new TerminalRef(curtain, "O1"))));
    StopState at = broken.after(running, StopEvent.RUN_ON);
    assertThat(at.locked()).containsExactly(curtain);
    assertThat(broken.drive(at).permitted()).isFalse();
    StopMachine mended = new StopMachine(circuit);
    at = mended.after(at, StopEvent.RUN_OFF);
    assertThat(mended.drive(mended.after(at, start)).moving()).as("still locked").isFalse();
    at = mended.after(at, List.of(StopEvent.POWER_OFF, StopEvent.POWER_ON));
    assertThat(at.locked()).isEmpty();
    assertThat(mended.drive(mended.after(at, start)).moving()).isTrue();
  }

  /** A curtain is fed or its outputs are off; common practice of electro-sensitive devices. */
  @ParameterizedTest
  @ValueSource(strings = {"+", "0V"})
  void aCurtainWithoutFeedSwitchesNothing(String terminal) {
    Project sound =
        Stops.project(
            Stops.SAFETY_DRIVE,
            Stops.request(StopTrigger.LIGHT_CURTAIN, StopLogic.DIRECT, StopEffect.STO));
    assertThat(Stops.judged(sound).verdict().stops()).isTrue();
    Project cut =
        sound.withWires(
            sound.wires().stream()
                .filter(w -> !w.touches(Lines.ref("belt-light-curtain:" + terminal)))
                .toList());
    assertThat(Stops.judged(cut).verdict().outcome()).isEqualTo(StopOutcome.CANNOT_BE_STARTED);
  }

  /** The reset button of the relay is no switch for something else, nor is what demands it. */
  @Test
  void onlyOtherSwitchesArePlayedBesideTheDemand() {
    Project moded =
        RELAY
            .with(new Part("mode", "Mode", "selector-hand-off-auto", Map.of()))
            .with(wire("x1", "belt-safety-relay:S11", "mode:3"))
            .with(wire("x2", "mode:4", "belt-safety-relay:S12"));
    assertThat(Stops.circuit(RELAY).switches()).isEmpty();
    assertThat(Stops.circuit(moded).switches())
        .extracting(d -> d.device().name())
        .containsExactly("Mode");
    StopVerdict verdict = Stops.judged(moded).verdict();
    assertThat(verdict.stops()).as("the other channel opens").isTrue();
  }

  private static unimotus.core.machine.Wire wire(String id, String from, String to) {
    return new unimotus.core.machine.Wire(id, Lines.ref(from), Lines.ref(to));
  }
}
