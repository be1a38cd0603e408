package unimotus.core.positioning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import unimotus.core.move.MoveLimits;
import unimotus.core.move.MoveStep;
import unimotus.core.move.TravelRange;

/** The handshake of positioning by bits: a slide, an endless belt, tables that lack something. */
class HandshakeTest {
  private static final MoveLimits LIMITS = MoveLimits.of(200, 1000);
  private static final PositionTable SLIDE =
      PositionTable.ofMoves(
          List.of(
              new MoveStep.Absolute(100), new MoveStep.Incremental(20), new MoveStep.Absolute(0)),
          LIMITS,
          TravelRange.between(-10, 150));

  private static List<String> notes(Handshake handshake) {
    return handshake.moments().stream()
        .map(Handshake.Moment::note)
        .filter(n -> !n.isEmpty())
        .toList();
  }

  private static Handshake.Moment last(Handshake handshake) {
    return handshake.moments().get(handshake.moments().size() - 1);
  }

  private static Handshake.Moment at(Handshake handshake, String note) {
    return handshake.moments().stream()
        .filter(m -> m.note().contains(note))
        .findFirst()
        .orElseThrow();
  }

  /** Handbook, section 10: 100 mm at 200 mm/s and 1000 mm/s² take 0.7 s. */
  @Test
  void aSoundControllerGetsEveryMove() {
    Handshake sound = HandshakeCase.SOUND.play(SLIDE, 30);
    assertThat(notes(sound))
        .containsExactly(
            "looks for its home",
            "homed: the position is 0",
            "start taken, position 1",
            "in position",
            "start taken, position 2",
            "in position",
            "start taken, position 3",
            "in position");
    Handshake.Moment taken = at(sound, "start taken, position 1");
    assertThat(taken.replies())
        .containsExactlyInAnyOrder(Reply.READY, Reply.HOMED, Reply.ACKNOWLEDGE, Reply.BUSY);
    Handshake.Moment there = at(sound, "in position");
    assertThat(there.time() - taken.time()).isCloseTo(0.7, within(1e-9));
    assertThat(there.position()).isEqualTo(100);
    assertThat(there.replies())
        .containsExactlyInAnyOrder(Reply.READY, Reply.HOMED, Reply.IN_POSITION);
    assertThat(last(sound).position()).isZero();
  }

  @Test
  void aHeldStartMakesOneMove() {
    Handshake held = HandshakeCase.HELD_START.play(SLIDE, 0);
    assertThat(notes(held)).filteredOn(n -> n.startsWith("start taken")).hasSize(1);
    assertThat(last(held).position()).isEqualTo(100);
    assertThat(at(held, "in position").replies()).contains(Reply.ACKNOWLEDGE);
    assertThat(last(held).replies()).doesNotContain(Reply.ACKNOWLEDGE);
  }

  @Test
  void aSecondStartWhileBusyIsLost() {
    Handshake busy = HandshakeCase.WHILE_BUSY.play(SLIDE, 0);
    assertThat(notes(busy)).contains("start not taken: it is busy");
    assertThat(last(busy).position()).isEqualTo(100);
  }

  /** Common practice: absolute twice is the same place, incremental adds each time. */
  @Test
  void absoluteTwiceStandsAndIncrementalTwiceAdds() {
    Handshake absolute = HandshakeCase.ABSOLUTE_TWICE.play(SLIDE, 0);
    assertThat(last(absolute).position()).isEqualTo(100);
    assertThat(notes(absolute))
        .contains("absolute again: it is there already, in position at once");
    Handshake incremental = HandshakeCase.INCREMENTAL_TWICE.play(SLIDE, 0);
    assertThat(last(incremental).position()).isCloseTo(40, within(1e-9));
  }

  @Test
  void whatWasLostNeedsANewStart() {
    Handshake lost = HandshakeCase.ENABLE_LOST.play(SLIDE, 0);
    assertThat(notes(lost)).contains("enable lost: it halts, and a new start is needed");
    List<Handshake.Moment> moments = lost.moments();
    int back = moments.indexOf(at(lost, "enable lost"));
    Handshake.Moment enabled =
        moments.stream()
            .skip(back)
            .filter(m -> m.requests().contains(Request.ENABLE))
            .findFirst()
            .orElseThrow();
    // Start is still held: ready, and nothing moves.
    assertThat(enabled.requests()).contains(Request.START);
    assertThat(enabled.replies()).contains(Reply.READY).doesNotContain(Reply.BUSY);
    assertThat(last(lost).replies()).contains(Reply.IN_POSITION);
  }

  @Test
  void absoluteBeforeHomingIsAFault() {
    Handshake unhomed = HandshakeCase.NOT_HOMED.play(SLIDE, 0);
    assertThat(last(unhomed).replies()).containsExactly(Reply.FAULT);
    assertThat(notes(unhomed)).containsExactly("fault: an absolute move before homing");
  }

  /** A stop held keeps every start away; reset clears a fault and starts nothing. */
  @Test
  void stopAndResetStartNothing() {
    Handshake play =
        Handshake.of(
            SLIDE,
            0,
            List.of(
                step(0, 9, Request.ENABLE),
                step(0.1, 9, Request.ENABLE, Request.START),
                step(0.2, 2, Request.ENABLE, Request.START, Request.RESET),
                step(0.3, 2, Request.ENABLE, Request.STOP),
                step(0.4, 2, Request.ENABLE, Request.STOP, Request.START),
                step(0.5, 2, Request.ENABLE, Request.START),
                step(0.6, 2, Request.ENABLE)));
    assertThat(notes(play))
        .containsExactly(
            "fault: position 9 is not in the table",
            "fault reset; it waits for a new start",
            "start not taken: stop is held");
    assertThat(last(play).position()).isZero();
  }

  private static Handshake.Step step(double time, int number, Request... bits) {
    return new Handshake.Step(time, Set.of(bits), number);
  }

  /** 20 mm/s are a tenth of 200: after a second 19.8 mm, less the ramp up, plus the ramp down. */
  @Test
  void aJogGoesWhileItIsHeldAndEndsAtTheTravel() {
    Handshake jog =
        Handshake.of(
            SLIDE,
            0,
            List.of(
                step(0, 0, Request.ENABLE),
                step(1, 0, Request.ENABLE, Request.JOG_FORWARD),
                step(2, 0, Request.ENABLE)));
    assertThat(last(jog).position()).isCloseTo(20 * 1 - 0.2 + 0.2, within(1e-9));
    Handshake end =
        Handshake.of(
            SLIDE,
            140,
            List.of(step(0, 0, Request.ENABLE), step(1, 0, Request.ENABLE, Request.JOG_FORWARD)));
    assertThat(last(end).position()).isEqualTo(150);
    Handshake both =
        Handshake.of(
            SLIDE,
            0,
            List.of(step(0, 0, Request.ENABLE, Request.JOG_FORWARD, Request.JOG_BACKWARD)));
    assertThat(last(both).position()).isZero();
  }

  /** Held over a fault and its reset, it does not jog; nor where the other of two goes. */
  @Test
  void aJogThatWasHeldStartsNothing() {
    Handshake reset =
        Handshake.of(
            SLIDE,
            0,
            List.of(
                step(0, 9, Request.ENABLE),
                step(0.1, 9, Request.ENABLE, Request.START),
                step(0.2, 9, Request.ENABLE, Request.JOG_FORWARD),
                step(0.3, 9, Request.ENABLE, Request.JOG_FORWARD, Request.RESET),
                step(0.4, 9, Request.ENABLE, Request.JOG_FORWARD)));
    assertThat(notes(reset)).contains("jog not taken: it has a fault");
    assertThat(last(reset).position()).isZero();
    Handshake two =
        Handshake.of(
            SLIDE,
            0,
            List.of(
                step(0, 0, Request.ENABLE),
                step(0.1, 0, Request.ENABLE, Request.JOG_FORWARD, Request.JOG_BACKWARD),
                step(0.2, 0, Request.ENABLE, Request.JOG_FORWARD)));
    assertThat(last(two).position()).isZero();
  }

  @Test
  void aTableThatCannotShowACaseSaysSo() {
    PositionTable belt =
        PositionTable.ofMoves(List.of(new MoveStep.Incremental(250)), LIMITS, TravelRange.ENDLESS);
    assertThat(HandshakeCase.ABSOLUTE_TWICE.whyNot(belt)).contains("no absolute move is entered");
    assertThat(last(HandshakeCase.INCREMENTAL_TWICE.play(belt, 0)).position())
        .isCloseTo(500, within(1e-9));
    PositionTable none = PositionTable.ofMoves(List.of(), LIMITS, TravelRange.ENDLESS);
    for (HandshakeCase each : HandshakeCase.values()) {
      assertThat(each.whyNot(none)).isPresent();
      assertThatThrownBy(() -> each.play(none, 0)).hasMessageContaining("entered");
    }
    assertThatThrownBy(
            () ->
                PositionTable.ofMoves(List.of(new MoveStep.Dwell(1)), LIMITS, TravelRange.ENDLESS))
        .hasMessage("position table: a dwell is no position");
    assertThatThrownBy(() -> Handshake.of(SLIDE, 0, List.of(step(1, 0), step(0.5, 0))))
        .hasMessageContaining("comes after");
  }

  /** Incremental outside the travel: a fault, and the axis stays. */
  @Test
  void aMoveOutsideTheTravelIsAFault() {
    PositionTable far =
        PositionTable.ofMoves(
            List.of(new MoveStep.Incremental(90)), LIMITS, TravelRange.between(0, 150));
    Handshake twice = HandshakeCase.INCREMENTAL_TWICE.play(far, 0);
    assertThat(notes(twice)).contains("fault: position 1 leads outside the travel");
    assertThat(last(twice).position()).isEqualTo(90);
  }

  /** 100 mm at 25 mm/s instead of 200 mm/s: near enough 4 s more than the ramps alone. */
  @Test
  void aPositionHasItsOwnVelocity() {
    PositionTable slow =
        new PositionTable(
            List.of(new TablePosition(new MoveStep.Incremental(100), 25)),
            LIMITS,
            TravelRange.ENDLESS);
    Handshake once = HandshakeCase.SOUND.play(slow, 0);
    assertThat(last(once).position()).isEqualTo(100);
    double began =
        once.moments().stream()
            .filter(m -> m.note().startsWith("start taken"))
            .findFirst()
            .orElseThrow()
            .time();
    double ended =
        once.moments().stream()
            .filter(m -> m.note().equals("in position"))
            .findFirst()
            .orElseThrow()
            .time();
    assertThat(ended - began).isBetween(4.0, 4.1);
    assertThatThrownBy(() -> new TablePosition(new MoveStep.Absolute(1), -1))
        .hasMessageContaining("velocity must be over 0");
  }
}
