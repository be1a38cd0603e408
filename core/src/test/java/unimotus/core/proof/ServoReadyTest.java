package unimotus.core.proof;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import unimotus.core.FixtureServos;
import unimotus.core.Fixtures;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Reading;
import unimotus.core.proof.Verdict.Outcome;
import unimotus.core.way.Designs;

/** The order of set-up of a servo axis, and what one thing done anew undoes (common practice). */
class ServoReadyTest {
  private static final AxisAssembly SLIDE = FixtureServos.axis(FixtureServos.slide());

  private static Reading tick(String key) {
    return new Reading(
        SLIDE.axis().id(),
        "ready." + key,
        null,
        "done",
        "eyes",
        "2026-01-31T14:05:00Z",
        "who",
        Designs.digest(SLIDE).asBasis());
  }

  private static AxisProof ready(AxisAssembly axis, String... ticked) {
    List<Reading> readings = new ArrayList<>();
    for (String key : ticked) {
      readings.add(tick(key));
    }
    return Prover.judge(ReadyList.of(axis), readings, Designs.digest(axis));
  }

  private static Verdict of(AxisProof proof, String key) {
    return proof.verdicts().stream()
        .filter(v -> v.prediction().key().equals("ready." + key))
        .findFirst()
        .orElseThrow(() -> new AssertionError(key));
  }

  @Test
  void aServoAxisHasItsStepsInOrderAndAnotherHasNone() {
    assertThat(ReadyList.of(SLIDE))
        .extracting(Prediction::key)
        .containsSubsequence(
            "ready.set-up.read-back",
            "ready.servo.link",
            "ready.servo.stations",
            "ready.servo.copies",
            "ready.servo.loaded",
            "ready.servo.gains",
            "ready.servo.home",
            "ready.servo.limits");
    assertThat(ReadyList.of(Fixtures.assembly()))
        .extracting(Prediction::key)
        .noneMatch(k -> k.startsWith("ready.servo"));
  }

  /** A plain rectifier on 400 V gives 566 V (common practice). */
  @Test
  void theLinkFollowsFromTheMains() {
    Expectation.Amount link =
        (Expectation.Amount) of(ready(SLIDE), "servo.link").prediction().expectation();
    double mains = SLIDE.feed().mainsVolts();
    assertThat(link.value()).isIn(1.5 * mains, Math.sqrt(2) * mains);
    assertThat(link.tolerance()).isCloseTo(link.value() / 10, within(1e-9));
  }

  @Test
  void doneAnewUndoesWhatRestsOnIt() {
    AxisProof once =
        ready(SLIDE, "servo.copies", "servo.loaded", "servo.gains", "servo.home", "servo.limits");
    assertThat(once.verdicts())
        .filteredOn(v -> v.reading() != null)
        .hasSize(5)
        .allMatch(v -> v.outcome() == Outcome.AGREES);
    AxisProof again =
        ready(
            SLIDE,
            "servo.copies",
            "servo.loaded",
            "servo.gains",
            "servo.home",
            "servo.limits",
            "servo.loaded");
    assertThat(of(again, "servo.loaded").outcome()).isEqualTo(Outcome.AGREES);
    assertThat(of(again, "servo.gains").outcome()).isEqualTo(Outcome.AGREES);
    assertThat(of(again, "servo.home").outcome()).isEqualTo(Outcome.STALE);
    assertThat(of(again, "servo.home").staleBecause())
        .isEqualTo("Configuration loaded and the controller restarted: done again since");
    assertThat(of(again, "servo.limits").outcome()).isEqualTo(Outcome.STALE);
    assertThat(ReadyOrder.makesStale(of(again, "servo.copies").prediction(), again.verdicts()))
        .containsExactly(
            "Configuration loaded and the controller restarted",
            "Home found, and its position kept after power off and on",
            "Limits of the travel tried at slow jog");
    assertThat(ReadyOrder.makesStale(of(again, "servo.gains").prediction(), again.verdicts()))
        .isEmpty();
  }

  /** Another cycle of the motion axis is another configuration: it has to be loaded anew. */
  @Test
  void aChangedConfigurationHasToBeLoadedAnew() {
    AxisAssembly changed =
        FixtureServos.axis(FixtureServos.slide().with().cycleSeconds(0.002).build());
    AxisProof proof = ready(changed, "servo.loaded", "servo.gains");
    assertThat(of(proof, "servo.loaded").outcome()).isEqualTo(Outcome.STALE);
    assertThat(of(proof, "servo.loaded").staleBecause()).isEqualTo("program scaling changed since");
    assertThat(of(proof, "servo.gains").outcome()).isEqualTo(Outcome.AGREES);
  }

  /** Settings keyed in anew are to be read back anew, on any drive. */
  @Test
  void whatIsEnteredAnewIsReadBackAnew() {
    AxisProof proof = ready(SLIDE, "set-up.entered", "set-up.read-back", "set-up.entered");
    assertThat(of(proof, "set-up.read-back").outcome()).isEqualTo(Outcome.STALE);
  }
}
