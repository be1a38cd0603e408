package unimotus.core.stops;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Predicate;
import org.junit.jupiter.api.Test;
import unimotus.core.link.StopRequest;
import unimotus.core.machine.Project;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.StopLogic;
import unimotus.core.machine.StopTrigger;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.sheet.SelectorRole;

/**
 * What the trade knows of direct contacts, testing relays and mirror contacts (common practice;
 * fault list of ISO 13849-2, from memory) has to come out of the solved and broken circuit.
 */
class FaultRunTest {
  private static FaultRun run(StopRequest request) {
    return Stops.run(Stops.circuit(Stops.TERMINAL_DRIVE, request));
  }

  private static FaultRun relay(boolean manual, boolean crossFault) {
    return run(Stops.guard(StopLogic.SAFETY_RELAY).withRelay(manual, crossFault));
  }

  private static List<FaultResult> of(FaultRun run, FaultKind kind, Predicate<FaultResult> which) {
    List<FaultResult> found =
        run.singles().stream().filter(r -> r.last().kind() == kind).filter(which).toList();
    assertThat(found).as(kind.label()).isNotEmpty();
    return found;
  }

  private static boolean isTrigger(FaultResult result) {
    return result.last().device().contains("guard");
  }

  @Test
  void aStuckContactOfTheDirectCircuitIsNeverFound() {
    FaultRun run = run(Stops.guard(StopLogic.DIRECT));
    assertThat(of(run, FaultKind.STUCK_CLOSED, FaultRunTest::isTrigger))
        .allMatch(r -> r.detection() == Detection.NEVER && !r.stopLost());
    assertThat(run.lostByOne()).isEmpty();
    assertThat(run.lostByTwo())
        .anyMatch(r -> r.faults().stream().allMatch(f -> f.kind() == FaultKind.STUCK_CLOSED));
  }

  @Test
  void theTestingRelayFindsTheFirstStuckContact() {
    FaultRun run = relay(true, true);
    assertThat(of(run, FaultKind.STUCK_CLOSED, FaultRunTest::isTrigger))
        .allMatch(r -> r.detection() == Detection.AT_DEMAND && !r.stopLost());
    assertThat(run.lostByOne()).isEmpty();
    assertThat(run.lostByTwo())
        .noneMatch(r -> r.faults().stream().allMatch(FaultRunTest::isStuckTrigger));
  }

  private static boolean isStuckTrigger(unimotus.core.stops.ElementFault fault) {
    return fault.kind() == FaultKind.STUCK_CLOSED && fault.device().contains("guard");
  }

  @Test
  void aCrossShortIsFoundOnlyWithCrossFaultDetection() {
    // A short over one contact alone is noticed by comparing the channels; this is between them.
    Predicate<FaultResult> atRelay =
        r ->
            r.last().touches().stream().anyMatch(d -> d.contains("guard"))
                && r.last().key().matches(".*:1[12]\\+.*:2[12]");
    assertThat(of(relay(true, true), FaultKind.CROSS_SHORT, atRelay))
        .allMatch(r -> r.detection() == Detection.AT_ONCE);
    FaultRun without = relay(true, false);
    Predicate<FaultResult> channelToChannel = r -> r.last().key().matches(".*:12\\+.*:22");
    assertThat(of(without, FaultKind.CROSS_SHORT, channelToChannel))
        .allMatch(r -> r.detection() == Detection.NEVER);
    assertThat(without.lostByTwo())
        .anyMatch(r -> r.faults().get(0).kind() == FaultKind.CROSS_SHORT);
  }

  @Test
  void aBrokenWireOfAChannelShowsAtOnce() {
    assertThat(
            of(
                relay(true, true),
                FaultKind.BREAK,
                r -> r.last().touches().stream().anyMatch(d -> d.contains("guard"))))
        .allMatch(r -> r.detection() == Detection.AT_ONCE && !r.stopLost());
  }

  /** A button that sticks gives no falling edge; with automatic reset nobody looks at it. */
  @Test
  void aStuckResetButtonShowsAtReset() {
    Predicate<FaultResult> button = r -> r.last().device().contains("reset");
    assertThat(of(relay(true, true), FaultKind.STUCK_CLOSED, button))
        .allMatch(r -> r.detection() == Detection.AT_RESET);
    assertThat(of(relay(true, true), FaultKind.STUCK_OPEN, button))
        .allMatch(r -> r.detection() == Detection.AT_RESET);
  }

  /** Mirror contacts in the loop: a welded contactor prevents the next reset. */
  @Test
  void aWeldedContactorIsFoundAtReset() {
    FaultRun run =
        run(
            Stops.request(
                StopTrigger.EMERGENCY_STOP, StopLogic.RELAY_CONTACTORS, StopEffect.CONTACTORS));
    assertThat(of(run, FaultKind.STUCK_CLOSED, r -> r.last().device().contains("contactor")))
        .hasSize(2)
        .allMatch(r -> r.detection() == Detection.AT_RESET && !r.stopLost());
  }

  /** The relay chain of a plain panel: one welded contactor and the motor runs on. */
  @Test
  void oneFaultLosesTheRelayChain() {
    Project line = unimotus.core.Lines.bare("controller-modular", Stops.TERMINAL_DRIVE);
    StopRequest chain =
        Stops.request(StopTrigger.EMERGENCY_STOP, StopLogic.RELAY_CHAIN, StopEffect.RUN_INPUTS);
    Project built = unimotus.core.link.StopLinks.plan(line, Stops.SHEETS, chain).project();
    assertThat(Stops.run(Stops.circuit(built)).lostByOne()).isNotEmpty();
  }

  /** Pulse-tested inputs of a drive find what plain contacts hide (common practice). */
  @Test
  void theDrivesOwnTestPulsesFindTheStuckContact() {
    FaultRun run = Stops.run(Stops.circuit(Stops.SAFETY_DRIVE, Stops.guard(StopLogic.DIRECT)));
    assertThat(of(run, FaultKind.STUCK_CLOSED, FaultRunTest::isTrigger))
        .allMatch(r -> r.detection() != Detection.NEVER);
  }

  @Test
  void aRunThatIsCancelledKeepsWhatItFound() {
    AtomicBoolean stop = new AtomicBoolean();
    FaultRun run =
        Stops.broken(
            Stops.circuit(Stops.TERMINAL_DRIVE, Stops.guard(StopLogic.DIRECT)),
            share -> stop.set(share > 0.3),
            stop::get);
    assertThat(run.complete()).isFalse();
    assertThat(run.singles()).isNotEmpty();
  }

  @Test
  void progressGoesUpToTheEnd() {
    List<Double> shares = new java.util.concurrent.CopyOnWriteArrayList<>();
    Stops.broken(
        Stops.circuit(Stops.TERMINAL_DRIVE, Stops.guard(StopLogic.DIRECT)),
        shares::add,
        () -> false);
    assertThat(shares).isSorted();
    assertThat(shares.get(shares.size() - 1)).isLessThanOrEqualTo(1.0).isGreaterThan(0.9);
  }

  /** Contradictory feedback: the loop is fed over nothing, so no reset can succeed. */
  @Test
  void aResetThatCannotBeReachedIsNamed() {
    Project project = Stops.project(Stops.TERMINAL_DRIVE, Stops.guard(StopLogic.SAFETY_RELAY));
    String button = project.stops().get(0).resetButton();
    Project cut =
        project.withWires(
            project.wires().stream()
                .filter(
                    w -> !(w.from().device().equals(button) && w.from().terminal().equals("14")))
                .toList());
    assertThat(Stops.judged(cut).verdict())
        .satisfies(
            v -> {
              assertThat(v.outcome()).isEqualTo(StopOutcome.CANNOT_BE_STARTED);
              assertThat(v.because()).anyMatch(b -> b.contains("and 14 of Belt reset"));
              assertThat(v.because()).anyMatch(b -> b.contains("never reset"));
            });
    assertThatThrownBy(() -> Stops.run(Stops.circuit(cut)))
        .hasMessageContaining("Stop cannot be started");
  }

  @Test
  void aStopThatIsNoLongerWiredIsNamed() {
    Project project = Stops.project(Stops.TERMINAL_DRIVE, Stops.guard(StopLogic.SAFETY_RELAY));
    assertThat(Stops.judged(project.withWires(List.of())).verdict().outcome())
        .isEqualTo(StopOutcome.CANNOT_BE_STARTED);
  }

  @Test
  void theSelectorsOfTheRelayAreThoseThatWereAskedFor() {
    StopCircuit circuit =
        Stops.circuit(
            Stops.TERMINAL_DRIVE, Stops.guard(StopLogic.SAFETY_RELAY).withRelay(false, true));
    String relay = String.valueOf(circuit.stop().relay());
    assertThat(circuit.device(relay).selector(SelectorRole.RESET_MODE, "")).isEqualTo("automatic");
    assertThat(circuit.device(relay).selector(SelectorRole.CROSS_FAULT_DETECTION, ""))
        .isEqualTo("on");
  }

  /**
   * Kirchhoff's current law: one conductor between two circuits without a common 0 V carries
   * nothing, so with it in place every fault does what it does without. The run rests second faults
   * on it.
   */
  @Test
  void aLoneWireBetweenTwoCircuitsChangesNoFault() {
    Project sound = Stops.project(Stops.TERMINAL_DRIVE, Stops.guard(StopLogic.SAFETY_RELAY));
    String relay = Objects.requireNonNull(sound.stops().get(0).relay());
    Project tied =
        sound.with(new Wire("tie", new TerminalRef("drive", "P24"), new TerminalRef(relay, "S12")));
    Map<String, String> before = within(Stops.run(Stops.circuit(sound)));
    Map<String, String> after = within(Stops.run(Stops.circuit(tied)));
    assertThat(before).hasSizeGreaterThan(15);
    after.keySet().retainAll(before.keySet());
    assertThat(after).hasSizeGreaterThan(15);
    after.forEach((fault, came) -> assertThat(came).as(fault).isEqualTo(before.get(fault)));
  }

  /** What came of the faults that join nothing, by their words. */
  private static Map<String, String> within(FaultRun run) {
    Map<String, String> came = new TreeMap<>();
    for (FaultResult result : run.singles()) {
      FaultKind kind = result.last().kind();
      if (kind == FaultKind.STUCK_CLOSED
          || kind == FaultKind.STUCK_OPEN
          || kind == FaultKind.BREAK) {
        came.put(result.last().text(), result.detection() + " " + result.stopLost());
      }
    }
    return came;
  }
}
