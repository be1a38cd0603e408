package unimotus.core.profile;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import unimotus.core.profile.ManualWords.ControlBit;
import unimotus.core.profile.ManualWords.ControlMeaning;
import unimotus.core.profile.ManualWords.StatusBit;
import unimotus.core.profile.ManualWords.StatusMeaning;
import unimotus.core.profile.WordMachine.Intent;
import unimotus.core.profile.WordMachine.Reaction;
import unimotus.core.profile.WordMachine.Step;

/** From every state of every profile, the words that are proposed lead where they are meant to. */
class WordWaysTest {

  static Stream<WordProfile> profiles() {
    Random random = new Random(17);
    List<WordProfile> all = new ArrayList<>(DriveProfiles.all());
    for (int i = 0; i < 200; i++) {
      all.add(drawn(random).profile());
    }
    return all.stream();
  }

  /** Words as some manual could have them. */
  private static ManualWords drawn(Random random) {
    List<Integer> control = shuffled(random);
    List<Integer> status = shuffled(random);
    List<ControlBit> to = new ArrayList<>();
    to.add(
        new ControlBit(
            control.get(0),
            random.nextBoolean() ? ControlMeaning.RUN : ControlMeaning.RUN_WHEN_CLEAR,
            ""));
    to.add(new ControlBit(control.get(1), ControlMeaning.RESET, ""));
    if (random.nextBoolean()) {
      to.add(new ControlBit(control.get(2), ControlMeaning.RUN, ""));
    }
    boolean forward = to.stream().anyMatch(b -> b.meaning() == ControlMeaning.RUN);
    if (random.nextBoolean()) {
      ControlMeaning backward =
          forward && random.nextBoolean() ? ControlMeaning.RUN_REVERSE : ControlMeaning.REVERSE;
      to.add(new ControlBit(control.get(3), backward, ""));
    }
    if (random.nextBoolean()) {
      to.add(new ControlBit(control.get(4), ControlMeaning.ALWAYS_SET, ""));
    }
    List<StatusBit> from = new ArrayList<>();
    from.add(new StatusBit(status.get(0), StatusMeaning.RUNNING, ""));
    from.add(
        new StatusBit(
            status.get(1),
            random.nextBoolean() ? StatusMeaning.FAULT : StatusMeaning.NO_FAULT,
            ""));
    if (random.nextBoolean()) {
      from.add(new StatusBit(status.get(2), StatusMeaning.READY, ""));
    }
    return new ManualWords(to, from);
  }

  private static List<Integer> shuffled(Random random) {
    List<Integer> bits = new ArrayList<>();
    for (int bit = 0; bit < 16; bit++) {
      bits.add(bit);
    }
    java.util.Collections.shuffle(bits, random);
    return bits;
  }

  @ParameterizedTest
  @MethodSource("profiles")
  void everyWayArrives(WordProfile profile) {
    WordMachine machine = new WordMachine(profile);
    for (WordState from : profile.states()) {
      for (Intent intent : Intent.values()) {
        List<Step> way;
        try {
          way = machine.way(from, intent, 0);
        } catch (IllegalArgumentException byItself) {
          assertThat(profile.transitions())
              .as("%s is left by the drive itself", from.name())
              .noneMatch(t -> t.from().equals(from.name()) && t.command() != null);
          continue;
        }
        List<Reaction> played = machine.play(from, 0, way.stream().map(Step::word).toList());
        WordState end = played.isEmpty() ? from : played.get(played.size() - 1).to();
        switch (intent) {
          case START_FORWARD, START_REVERSE ->
              assertThat(end.kind()).isEqualTo(WordState.Kind.RUNNING);
          case STOP -> assertThat(end.kind()).isNotEqualTo(WordState.Kind.RUNNING);
          case RESET -> assertThat(end.kind()).isNotEqualTo(WordState.Kind.FAULT);
        }
        for (int i = 0; i < way.size(); i++) {
          assertThat(played.get(i).to()).as("what is waited for").isEqualTo(way.get(i).then());
        }
      }
    }
  }

  /** A status word shows one state, and the state's own word shows that state. */
  @ParameterizedTest
  @MethodSource("profiles")
  void everyStateIsShownByItsWord(WordProfile profile) {
    for (WordState state : profile.states()) {
      assertThat(profile.shown(state.value())).contains(state);
      assertThat(profile.shown(state.value() | ~state.mask() & 0xFFFF).orElseThrow())
          .as("bits outside the mask say nothing")
          .isEqualTo(state);
    }
  }

  /** The stop word takes torque away or begins to, whatever the drive was told before. */
  @ParameterizedTest
  @MethodSource("profiles")
  void theStopWordLeavesRunning(WordProfile profile) {
    WordMachine machine = new WordMachine(profile);
    WordState running =
        profile.states().stream()
            .filter(s -> s.kind() == WordState.Kind.RUNNING)
            .findFirst()
            .orElseThrow();
    for (int before : new int[] {0, profile.extras(), 0x000F, 0xFFFF}) {
      assertThat(machine.react(running, machine.stopWord(), before).to().kind())
          .isNotEqualTo(WordState.Kind.RUNNING);
    }
  }

  /** Stop and reset never lead through motion; a stop where nothing moves sends nothing. */
  @ParameterizedTest
  @MethodSource("everyProfile")
  void aStopLeadsAwayFromMotion(WordProfile profile) {
    WordMachine machine = new WordMachine(profile);
    for (WordState from : profile.states()) {
      for (int before : new int[] {0, profile.extras(), 0x7F, 0x77, 0xFFFF}) {
        List<Step> stop = machine.way(from, Intent.STOP, before);
        assertThat(stop)
            .as("stop from %s", from.name())
            .allSatisfy(s -> assertThat(s.then().kind()).isNotEqualTo(WordState.Kind.RUNNING));
        if (from.kind() == WordState.Kind.RUNNING) {
          int word = stop.get(stop.size() - 1).word();
          assertThat(machine.react(from, word, before).to().kind())
              .isNotEqualTo(WordState.Kind.RUNNING);
        }
      }
    }
  }

  /** Not permitted, and the run bit stands: a stop takes it away, or the motor starts later. */
  @Test
  void aStopTakesAwayACommandThatStands() {
    WordProfile plain = DriveProfiles.RUN_AND_STOP;
    WordMachine machine = new WordMachine(plain);
    assertThat(machine.way(plain.state("not permitted"), Intent.STOP, 0x11))
        .extracting(Step::word)
        .containsExactly(0x00);
    assertThat(machine.way(plain.state("not permitted"), Intent.STOP, 0x10)).isEmpty();
    WordProfile cia = DriveProfiles.CIA_402_VELOCITY;
    assertThat(new WordMachine(cia).way(cia.state("quick stop active"), Intent.STOP, 0x7B))
        .as("a quick stop is left to end")
        .isEmpty();
    assertThat(new WordMachine(cia).way(cia.state("fault"), Intent.STOP, 0x7F))
        .extracting(Step::word)
        .containsExactly(0x00);
  }

  static Stream<WordProfile> everyProfile() {
    return DriveProfiles.all().stream();
  }
}
