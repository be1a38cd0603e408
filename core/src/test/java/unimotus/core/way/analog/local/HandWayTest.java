package unimotus.core.way.analog.local;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import unimotus.core.Lines;
import unimotus.core.Links;
import unimotus.core.link.CommonLink;
import unimotus.core.link.LinkPlanner;
import unimotus.core.link.LinkRequest;
import unimotus.core.machine.Project;
import unimotus.core.path.Chain;
import unimotus.core.path.Station;
import unimotus.core.proof.Prediction;
import unimotus.core.review.AxisReview;

/** Auto over a voltage, Hand by a potentiometer: the second is a chain of its own. */
class HandWayTest {

  @Test
  void handIsAChainBesideTheReferenceOfTheProgram() {
    AxisReview review = Locals.review(Locals.hand("pump-drive-5k5"));
    assertThat(review.path().has(Station.COUNTS)).isTrue();
    assertThat(review.beside()).extracting(Chain::key).containsExactly("hand");
    Chain hand = review.beside().get(0);
    assertThat(hand.path().has(Station.COUNTS)).isFalse();
    assertThat(hand.path().link().label()).isEqualTo("potentiometer, in Hand");
    assertThat(hand.path().value(Station.FREQUENCY, 25)).isEqualTo(50);
    assertThat(Locals.told(Locals.hand("pump-drive-5k5"))).isEmpty();
  }

  @Test
  void zeroHalfAndFullArePredictedInHandBesideThoseOfTheProgram() {
    Project project = Locals.hand("pump-drive-5k5");
    assertThat(Locals.predicted(project, "hand0.frequency")).isCloseTo(0, within(0.01));
    assertThat(Locals.predicted(project, "hand50.frequency")).isCloseTo(24.7, within(0.05));
    assertThat(Locals.predicted(project, "hand100.frequency")).isEqualTo(50);
    assertThat(Locals.predicted(project, "ref50.frequency")).isCloseTo(25, within(0.05));
    assertThat(Locals.predictions(Locals.review(project)))
        .filteredOn(p -> p.key().startsWith("hand100"))
        .allMatch(p -> p.how().startsWith("Selector at Hand."));
  }

  @Test
  void aPortThatOwnsTheRequestLeavesNothingToPredictInHand() {
    Project taken = Locals.set(Locals.hand("pump-drive-5k5"), "W20", "fieldbus");
    assertThat(Locals.told(taken)).containsExactly("HAND_REFERENCE");
    assertThat(Locals.review(taken).beside()).isEmpty();
    assertThat(Locals.predictions(Locals.review(taken)))
        .extracting(Prediction::key)
        .noneMatch(k -> k.startsWith("hand"));
  }

  @Test
  void anUnwiredPotentiometerIsAnErrorAndTheProgramsReferenceStays() {
    Project hand = Locals.hand("pump-drive-5k5");
    Project open = Lines.minus(hand, PotentiometerWayTest.part(hand) + ":2");
    assertThat(Locals.told(open)).containsExactly("HAND_UNWIRED");
    assertThat(Locals.review(open).beside()).isEmpty();
    assertThat(Locals.predicted(open, "ref50.frequency")).isCloseTo(25, within(0.05));
  }

  /** The handbook's drive whose manual request has a reference selector of its own. */
  @Test
  void aReferenceSelectorOfTheRequestDecides() {
    Project hand = Locals.hand("vector-drive-15kw");
    String knob = PotentiometerWires.inputs(Lines.axis(hand)).get(0);
    String other = knob.equals("N1") ? "N2" : "N1";
    Project right = Locals.set(hand, "E-07", knob);
    assertThat(Locals.review(right).beside()).extracting(Chain::key).containsExactly("hand");
    Project wrong = Locals.set(hand, "E-07", other);
    assertThat(Locals.told(wrong)).contains("HAND_UNWIRED");
    Project keypad = Locals.set(hand, "E-07", "keypad");
    assertThat(Locals.review(keypad).beside().get(0).path().link().label())
        .isEqualTo("keypad, in Hand");
    assertThat(Locals.predicted(keypad, "hand50.counts")).isEqualTo(25);
  }

  @Test
  void endsExchangedShowInHandAlone() {
    Project turned = PotentiometerWayTest.exchanged(Locals.hand("pump-drive-5k5"));
    assertThat(Locals.predicted(turned, "hand0.frequency")).isCloseTo(50, within(0.5));
    assertThat(Locals.predicted(turned, "ref0.frequency")).isCloseTo(0, within(0.1));
    assertThat(Locals.told(turned)).containsExactly("POTENTIOMETER_ENDS");
  }

  @Test
  void everyPositionAndTheOwnerArePredicted() {
    assertThat(Locals.words(Locals.hand("pump-drive-5k5")))
        .containsEntry("hand.off", "stopped")
        .containsEntry("hand.hand", "running")
        .containsEntry("hand.auto", "stopped")
        .containsEntry("hand.owner", "potentiometer");
    Project keypad = Locals.set(Locals.hand("vector-drive-15kw"), "E-07", "keypad");
    assertThat(Locals.words(Lines.with(keypad, CommonLink.ENABLE)))
        .containsEntry("hand.owner", "keypad");
  }

  /** A plain start that races with its stop is lost now and then: that it runs is not promised. */
  @Test
  void aStartThatMayBeLostIsNotPredicted() {
    Project analog =
        Lines.with(Lines.bare("controller-modular", "pump-drive-5k5"), Links.ANALOG_REFERENCE);
    Project plain =
        LinkPlanner.plan(
                analog, Lines.SHEETS, LinkRequest.of(Lines.AXIS, Links.HAND_OFF_AUTO, "plain"))
            .project();
    assertThat(Locals.words(plain)).doesNotContainKey("hand.hand").containsKey("hand.off");
  }

  @Test
  void anAxisWithoutASelectorHasNoHand() {
    assertThat(Locals.review(Locals.potentiometer("pump-drive-5k5")).beside()).isEmpty();
  }
}
