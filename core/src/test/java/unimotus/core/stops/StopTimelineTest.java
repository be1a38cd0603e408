package unimotus.core.stops;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.assertj.core.data.Percentage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import unimotus.core.machine.Load;
import unimotus.core.machine.Project;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.StopLogic;
import unimotus.core.machine.StopTrigger;

/** The belt's motor turns at 1500 rpm at most; its drum hangs behind a gear of 40. */
class StopTimelineTest {
  /** The shaft follows the field with its slip: so far, and so much later, at this load. */
  private static final double SLIP_RPM = 2;

  private static final double SLIP_SECONDS = 0.02;

  /** 80 kg·m² behind the gear are 0.05 kg·m² at the motor. */
  private static final Load HEAVY = new Load(80, 40, 0, 0, 1);

  private static StopCircuit ramped(double delay, double ramp) {
    return Stops.circuit(
        Stops.withLoad(Stops.project(Stops.TERMINAL_DRIVE, Stops.ramped(delay, ramp)), HEAVY));
  }

  /** Ramp 2.5 s in a delay of 5 s: standstill at 2.5 s, safe torque off finds nothing to do. */
  @Test
  void aRampThatFitsIsAControlledStop() {
    StopTimeline timeline = StopTimeline.fromMaximum(ramped(5, 2.5));
    double noticed = timeline.reactionSeconds();
    assertThat(timeline.category()).isEqualTo(StopCategory.ONE);
    assertThat(timeline.standstillSeconds()).isCloseTo(noticed + 2.5, within(SLIP_SECONDS));
    assertThat(timeline.torqueOffSeconds()).isCloseTo(noticed + 5, within(1e-9));
    assertThat(timeline.torqueOffRpm()).isZero();
    assertThat(timeline.energyLeftJoules()).isZero();
    assertThat(timeline.timing().marginSeconds()).isCloseTo(2.5, within(SLIP_SECONDS));
    // Half the turns of an even speed, and those of the reaction.
    assertThat(timeline.turns()).isCloseTo(25 * noticed + 25 * 2.5 / 2, within(25 * SLIP_SECONDS));
  }

  /** Ramp 5 s and delay 2 s: torque goes at 60 % of the starting speed (by arithmetic). */
  @Test
  void aRampThatIsCutLosesTorqueAtSixtyPercent() {
    StopTimeline timeline = StopTimeline.fromMaximum(ramped(2, 5));
    assertThat(timeline.category()).isEqualTo(StopCategory.ONE_CUT);
    assertThat(timeline.torqueOffRpm()).isCloseTo(0.6 * 1500, within(SLIP_RPM));
    assertThat(timeline.timing().marginSeconds()).isCloseTo(-3, within(SLIP_SECONDS));
    assertThat(timeline.phases())
        .extracting(StopPhase::kind)
        .containsExactly(StopPhase.Kind.REACTION, StopPhase.Kind.RAMP, StopPhase.Kind.COAST);
    // 0.0635 kg·m² from some 900 rpm under 1 N·m: t = J·ω/T.
    double coast = timeline.standstillSeconds() - timeline.torqueOffSeconds();
    assertThat(coast)
        .isCloseTo(
            timeline.load().inertiaKgM2() * timeline.torqueOffRpm() * 2 * Math.PI / 60 / 1.0,
            Percentage.withPercentage(0.01));
  }

  /** From half speed the same ramp takes half the time: the slope is what is set. */
  @Test
  void fromHalfSpeedTheRampTakesHalfTheTime() {
    StopCircuit circuit = ramped(2, 5);
    StopTimeline half = StopTimeline.of(circuit, 500);
    assertThat(half.category()).isEqualTo(StopCategory.ONE);
    assertThat(half.standstillSeconds() - half.reactionSeconds())
        .isCloseTo(5 * 500 / 1500.0, within(SLIP_SECONDS));
  }

  /** IEC 60204-1 and IEC 61800-5-2 (from memory): STO is category 0, SS1 category 1. */
  @ParameterizedTest
  @CsvSource({
    "SAFETY_RELAY, STO, ZERO",
    "DIRECT, STO, ZERO",
    "RELAY_CONTACTORS, CONTACTORS, ZERO",
    "SAFETY_RELAY, SS1_T, ONE",
    "DIRECT, ENABLE, NONE"
  })
  void theCategoryFollowsTheEffect(StopLogic logic, StopEffect effect, StopCategory category) {
    Project project =
        Stops.withLoad(
            Stops.project(
                Stops.TERMINAL_DRIVE, Stops.request(StopTrigger.EMERGENCY_STOP, logic, effect)),
            HEAVY);
    assertThat(StopTimeline.fromMaximum(Stops.circuit(project)).category()).isEqualTo(category);
  }

  /** Hand, relay, drive: ten, twenty and twelve milliseconds, each with where it comes from. */
  @Test
  void everyElementAddsItsReaction() {
    List<Reaction> chain = StopTimeline.fromMaximum(ramped(5, 2.5)).chain();
    assertThat(chain).extracting(Reaction::seconds).containsExactly(0.01, 0.02, 0.012);
    assertThat(chain)
        .extracting(Reaction::source)
        .containsExactly("common practice", "device sheet", "device sheet");
  }

  @Test
  void withoutFrictionTheLoadNeverStands() {
    Project project =
        Stops.withLoad(
            Stops.project(Stops.TERMINAL_DRIVE, Stops.guard(StopLogic.SAFETY_RELAY)),
            new Load(80, 0, 0, 0, 1));
    StopTimeline timeline = StopTimeline.fromMaximum(Stops.circuit(project));
    assertThat(timeline.comesToRest()).isFalse();
    assertThat(timeline.rpmAt(100)).isCloseTo(1500, within(1e-9));
  }

  @Test
  void aHangingLoadSinksOnceTheTorqueIsGone() {
    Project project =
        Stops.withLoad(Stops.project(Stops.TERMINAL_DRIVE, Stops.ramped(5, 2.5)), HEAVY);
    Project hanging = project.with(project.stops().get(0).withLoad(true, false));
    assertThat(StopTimeline.fromMaximum(Stops.circuit(hanging)).comesToRest()).isFalse();
    Project braked = project.with(project.stops().get(0).withLoad(true, true));
    assertThat(StopTimeline.fromMaximum(Stops.circuit(braked)).comesToRest()).isTrue();
  }

  /** The speed read off the trace falls where the closed form says it should. */
  @Test
  void theTraceFollowsTheCoast() {
    StopTimeline timeline = StopTimeline.fromMaximum(ramped(2, 5));
    double off = timeline.torqueOffSeconds();
    double end = timeline.standstillSeconds();
    assertThat(timeline.rpmAt(0)).isCloseTo(1500, within(SLIP_RPM));
    assertThat(timeline.rpmAt(off)).isCloseTo(900, within(SLIP_RPM));
    // Dry friction slows evenly: half the coast, half the speed.
    assertThat(timeline.rpmAt((off + end) / 2))
        .isCloseTo(timeline.torqueOffRpm() / 2, within(0.01));
    assertThat(timeline.rpmAt(end + 1)).isZero();
  }

  /**
   * By hand, dry friction 1 N·m, 0.0635 kg·m² from 1500 rpm in 2.5 s: the shaft pushes back (J·α −
   * T)·ω·dt = ½·J·ω² − T·ω·t/2; the link takes ½·400 µF·(800² − 2·400²) = 64 J.
   */
  @Test
  void brakingEnergyGoesIntoTheLink() {
    StopCircuit circuit = ramped(5, 2.5);
    BrakingEnergy energy =
        BrakingEnergy.of(circuit.axis(), circuit.stop(), StopTimeline.fromMaximum(circuit));
    double omega = 50 * Math.PI;
    double pushed = 0.0635 * omega * omega / 2 - 1.0 * omega * 2.5 / 2;
    assertThat(energy.pushedJoules()).isCloseTo(pushed, Percentage.withPercentage(1));
    assertThat(energy.linkJoules()).isCloseTo(64, within(1e-9));
    assertThat(energy.fits()).isFalse();
    double peak = (0.0635 * omega / 2.5 - 1.0) * omega;
    assertThat(energy.mostOhms())
        .isCloseTo(
            800 * 800 / (peak * energy.returnedJoules() / energy.pushedJoules()),
            Percentage.withPercentage(2));
  }

  @Test
  void aSpeedOfNothingIsRefused() {
    assertThatThrownBy(() -> StopTimeline.of(ramped(5, 2.5), 0))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("over 0 rpm");
  }

  @Test
  void aDelayOfZeroIsRefusedWithTheReason() {
    assertThatThrownBy(() -> Stops.project(Stops.TERMINAL_DRIVE, Stops.ramped(0, 5)))
        .hasMessageContaining("delay must be over 0 s")
        .hasMessageContaining("safe torque off");
  }
}
