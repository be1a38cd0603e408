package unimotus.core.stops;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.assertj.core.data.Percentage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import unimotus.core.Lines;
import unimotus.core.machine.Load;
import unimotus.core.machine.Project;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.StopLogic;
import unimotus.core.machine.StopTrigger;
import unimotus.core.machine.Wire;

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

  @ParameterizedTest
  @CsvSource({"-1", "NaN", "Infinity"})
  void aSpeedThatIsNoneIsRefused(double rpm) {
    assertThatThrownBy(() -> StopTimeline.of(ramped(5, 2.5), rpm))
        .hasMessageContaining("over 0 rpm");
  }

  /** A stop that watches time only lets a drive that does not brake run on until the delay ends. */
  @Test
  void withoutBrakingItRunsOnUntilTheDelayEnds() {
    StopTimeline timeline = StopTimeline.withoutBraking(ramped(5, 2.5));
    double noticed = timeline.reactionSeconds();
    assertThat(timeline.torqueOffSeconds()).isCloseTo(noticed + 5, within(1e-9));
    assertThat(timeline.torqueOffRpm()).isCloseTo(1500, within(SLIP_RPM));
    assertThat(timeline.phases())
        .extracting(StopPhase::kind)
        .containsExactly(StopPhase.Kind.REACTION, StopPhase.Kind.REACTION, StopPhase.Kind.COAST);
    assertThat(timeline.phases().get(1).turns()).isCloseTo(25 * 5, within(0.2));
  }

  /** ½·J·ω² when the torque goes, in joules. */
  @Test
  void whatFrictionHasToTake() {
    StopTimeline cut = StopTimeline.fromMaximum(ramped(2, 5));
    double omega = cut.torqueOffRpm() * Math.PI / 30;
    assertThat(cut.energyLeftJoules())
        .isCloseTo(cut.load().inertiaKgM2() * omega * omega / 2, Percentage.withPercentage(1e-6));
  }

  /**
   * Without friction, all of ½·J·ω² comes back but what motor and drive lose: P/(√3·U·I·cos φ) of
   * the plate, and 97 % (common practice).
   */
  @Test
  void withoutFrictionAllComesBackButTheLosses() {
    Project project =
        Stops.withLoad(
            Stops.project(Stops.TERMINAL_DRIVE, Stops.ramped(5, 2.5)), new Load(80, 0, 0, 0, 1));
    StopCircuit circuit = Stops.circuit(project);
    StopTimeline timeline = StopTimeline.fromMaximum(circuit);
    BrakingEnergy energy = BrakingEnergy.of(circuit.axis(), circuit.stop(), timeline);
    double motor = 4000 / (Math.sqrt(3) * 400 * 8.05 * 0.81);
    assertThat(energy.pushedJoules())
        .isCloseTo(energy.kineticJoules(), Percentage.withPercentage(0.01));
    assertThat(energy.returnedJoules())
        .isCloseTo(energy.pushedJoules() * motor * 0.97, Percentage.withPercentage(0.01));
    StopPhase ramp = timeline.phases().get(1);
    double from = ramp.fromRpm() * Math.PI / 30;
    double torque = timeline.load().inertiaKgM2() * (from - ramp.toRpm() * Math.PI / 30);
    assertThat(energy.peakWatts())
        .isCloseTo(torque / ramp.seconds() * from * motor * 0.97, Percentage.withPercentage(0.1));
    assertThat(energy.tripVolts()).isEqualTo(800);
    assertThat(energy.sum().steps())
        .extracting(s -> s.substitution())
        .contains("½·400 µF·(800² − 2·400²)");
  }

  /** A stop that does not ramp pushes nothing back. */
  @Test
  void withoutARampNothingComesBack() {
    StopCircuit circuit = Stops.circuit(Stops.TERMINAL_DRIVE, Stops.guard(StopLogic.SAFETY_RELAY));
    BrakingEnergy energy =
        BrakingEnergy.of(circuit.axis(), circuit.stop(), StopTimeline.fromMaximum(circuit));
    assertThat(energy.kineticJoules()).isZero();
    assertThat(energy.returnedJoules()).isZero();
    assertThat(energy.fits()).isTrue();
  }

  /** The delay of a relay counts where its late contacts feed what stops. */
  @Test
  void theDelayOfARelay() {
    Project delayed =
        Stops.project(
            Stops.TERMINAL_DRIVE,
            Stops.ramped(5, 2.5).withRelay(unimotus.core.link.StopRequest.RelayClass.DELAYED));
    StopRamp silent = StopRamp.of(Stops.circuit(delayed));
    assertThat(silent.delaySeconds()).as("of its sheet").isEqualTo(3);
    assertThat(silent.delayedBy()).isEqualTo("38 of Belt safety relay");
    assertThat(silent.rampSeconds()).as("nothing tells the drive to ramp").isZero();
    assertThat(silent.isDriven()).isFalse();
    String relay = delayed.stops().get(0).relay();
    Project told =
        delayed
            .with(new Wire("x1", Lines.ref("drive:P24"), Lines.ref(relay + ":13")))
            .with(new Wire("x2", Lines.ref(relay + ":14"), Lines.ref("drive:DI1")));
    StopRamp ramp = StopRamp.of(Stops.circuit(told));
    assertThat(ramp.isDriven()).as("its other contacts take the run command away").isTrue();
    assertThat(ramp.holds()).isFalse();
  }

  @Test
  void theRampOfTheDrive() {
    StopRamp ramp = StopRamp.of(ramped(5, 2.5));
    assertThat(ramp).isEqualTo(new StopRamp(2.5, 5, "drive", true));
    StopCircuit direct = Stops.circuit(Stops.TERMINAL_DRIVE, Stops.guard(StopLogic.DIRECT));
    assertThat(StopRamp.of(direct)).isEqualTo(new StopRamp(0, 0, "", false));
  }
}
