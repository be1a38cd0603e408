package unimotus.core.profile;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import unimotus.core.profile.WordMachine.Intent;
import unimotus.core.profile.WordMachine.Reaction;
import unimotus.core.profile.WordMachine.Step;

/** The published drive profile and a plain word, in both directions (from memory). */
class WordMachineTest {
  private static final WordProfile CIA = DriveProfiles.CIA_402;
  private static final WordMachine MACHINE = new WordMachine(CIA);

  static List<WordProfile> profiles() {
    return DriveProfiles.all();
  }

  private static List<Integer> words(String from, Intent intent, int before) {
    return MACHINE.way(CIA.state(from), intent, before).stream().map(Step::word).toList();
  }

  /** CiA 402: states by the masks 0x4F and 0x6F; other bits do not matter. */
  @ParameterizedTest
  @CsvSource({
    "0x0000, not ready to switch on",
    "0x0250, switch on disabled",
    "0x0031, ready to switch on",
    "0x0233, switched on",
    "0x0637, operation enabled",
    "0x0017, quick stop active",
    "0x001F, fault reaction active",
    "0x0218, fault",
    "0x1208, fault"
  })
  void statusWords(String word, String state) {
    assertThat(CIA.shown(Words.parse(word)).orElseThrow().name()).isEqualTo(state);
  }

  /** Every status word shows one state at most: the masks do not overlap. */
  @Test
  void noStatusWordShowsTwoStates() {
    for (int word = 0; word <= 0xFFFF; word++) {
      int shown = word;
      assertThat(CIA.states().stream().filter(s -> s.isShownBy(shown)).count())
          .as(Words.hex(word))
          .isLessThanOrEqualTo(1);
    }
  }

  /** CiA 402: 0x06, 0x07, 0x0F lead from switch on disabled to operation enabled. */
  @Test
  void theWayToOperation() {
    assertThat(words("switch on disabled", Intent.START_FORWARD, 0))
        .containsExactly(0x06, 0x07, 0x0F);
    assertThat(words("ready to switch on", Intent.START_FORWARD, 6)).containsExactly(0x07, 0x0F);
    assertThat(words("operation enabled", Intent.START_FORWARD, 15)).isEmpty();
    assertThat(words("operation enabled", Intent.STOP, 15)).containsExactly(0x07);
  }

  /** CiA 402 velocity mode: bits 4 to 6 stand in every word. */
  @Test
  void theVelocityModeSetsItsBits() {
    WordProfile velocity = DriveProfiles.CIA_402_VELOCITY;
    assertThat(
            new WordMachine(velocity)
                .way(velocity.state("switch on disabled"), Intent.START_FORWARD, 0).stream()
                    .map(Step::word))
        .containsExactly(0x76, 0x77, 0x7F);
  }

  /** CiA 402: 0x0F takes transitions 3 and 4 in one. */
  @Test
  void operationIsEnabledInOneStep() {
    Reaction reaction = MACHINE.react(CIA.state("ready to switch on"), 0x0F, 0x06);
    assertThat(reaction.to().name()).isEqualTo("operation enabled");
    assertThat(reaction.taken()).containsExactly(3, 4);
  }

  @ParameterizedTest
  @CsvSource({
    "operation enabled, 0x06, 0x0F, ready to switch on, 8",
    "operation enabled, 0x00, 0x0F, switch on disabled, 9",
    "operation enabled, 0x02, 0x0F, quick stop active, 11",
    "operation enabled, 0x07, 0x0F, switched on, 5",
    "switched on, 0x06, 0x07, ready to switch on, 6",
    "quick stop active, 0x00, 0x02, switch on disabled, 12",
    "quick stop active, 0x0F, 0x02, operation enabled, 16",
    "ready to switch on, 0x02, 0x06, switch on disabled, 7",
    "fault, 0x80, 0x00, switch on disabled, 15"
  })
  void transitions(String from, String word, String before, String to, int number) {
    Reaction reaction = MACHINE.react(CIA.state(from), Words.parse(word), Words.parse(before));
    assertThat(reaction.to().name()).isEqualTo(to);
    assertThat(reaction.taken()).containsExactly(number);
  }

  /** CiA 402: the fault is reset by a rising edge of bit 7, not by its level. */
  @Test
  void aFaultResetNeedsAnEdge() {
    Reaction held = MACHINE.react(CIA.state("fault"), 0x80, 0x80);
    assertThat(held.isIgnored()).isTrue();
    assertThat(held.words()).contains("fault reset").contains("stood so already");
    assertThat(words("fault", Intent.RESET, 0x80)).containsExactly(0x00, 0x80);
    assertThat(words("fault", Intent.START_FORWARD, 0)).containsExactly(0x80, 0x06, 0x07, 0x0F);
  }

  /** A word that does nothing says what would be listened to. */
  @Test
  void anIgnoredWordSaysWhy() {
    Reaction early = MACHINE.react(CIA.state("switch on disabled"), 0x0F, 0);
    assertThat(early.isIgnored()).isTrue();
    assertThat(early.words())
        .isEqualTo("ignored: in switch on disabled only shutdown is listened to");
    assertThat(MACHINE.react(CIA.state("fault reaction active"), 0x80, 0).words())
        .contains("by the drive itself");
    assertThatThrownBy(
            () -> MACHINE.way(CIA.state("not ready to switch on"), Intent.START_FORWARD, 0))
        .hasMessageContaining("not ready to switch on");
  }

  @Test
  void aTimelineOfWords() {
    List<Reaction> played =
        MACHINE.play(CIA.state("switch on disabled"), 0, List.of(0x06, 0x07, 0x0F, 0x0F, 0x00));
    assertThat(played)
        .extracting(r -> r.to().name())
        .containsExactly(
            "ready to switch on",
            "switched on",
            "operation enabled",
            "operation enabled",
            "switch on disabled");
    assertThat(played.get(3).isIgnored()).isTrue();
  }

  /** What is proposed does what was wanted, from every state that can be left by a word. */
  @ParameterizedTest
  @MethodSource("profiles")
  void everyWayLeadsWhereItSays(WordProfile profile) {
    WordMachine machine = new WordMachine(profile);
    Random random = new Random(5);
    for (WordState from : profile.states()) {
      for (Intent intent : Intent.values()) {
        for (int i = 0; i < 50; i++) {
          int before = random.nextInt(0x10000);
          List<Step> way = wayOrNone(machine, from, intent, before);
          WordState at = from;
          int last = before;
          for (Step step : way) {
            at = machine.react(at, step.word(), last).to();
            assertThat(at).as("%s, %s, %s", from, intent, way).isEqualTo(step.then());
            last = step.word();
          }
        }
      }
    }
  }

  private static List<Step> wayOrNone(
      WordMachine machine, WordState from, Intent intent, int before) {
    try {
      return machine.way(from, intent, before);
    } catch (IllegalArgumentException onlyByItself) {
      assertThat(onlyByItself).hasMessageContaining(from.name());
      return List.of();
    }
  }

  @Test
  void thePlainWordRunsBackwardsAndResets() {
    WordProfile plain = DriveProfiles.RUN_AND_STOP;
    WordMachine machine = new WordMachine(plain);
    assertThat(machine.way(plain.state("ready"), Intent.START_REVERSE, 0).get(0).word())
        .isEqualTo(0x13);
    assertThat(machine.way(plain.state("ready"), Intent.START_FORWARD, 0x12).get(0).word())
        .isEqualTo(0x11);
    assertThat(machine.way(plain.state("running"), Intent.STOP, 0x11).get(0).word())
        .isEqualTo(0x10);
    assertThat(WordBit.names(plain.controlBits(), 0x13))
        .containsExactly("run", "reverse", "commanded from here");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {"47", "0x2F", "0x2f", "2Fh", "16#2F", "0b101111", "2#0010_1111", "0010 1111"})
  void wordsAsPeopleWriteThem(String text) {
    assertThat(Words.parse(text)).isEqualTo(47);
  }

  @ParameterizedTest
  @ValueSource(strings = {"", "run", "65536", "-1", "0x1FFFF", "0b2"})
  void whatIsNoWordIsRefused(String text) {
    assertThatThrownBy(() -> Words.parse(text)).isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  void wordsInBits() {
    assertThat(Words.bits(0x027F)).isEqualTo("0000 0010 0111 1111");
    assertThat(Words.hex(15)).isEqualTo("0x000F");
  }

  /** A profile from a manual is refused where it contradicts itself. */
  @Test
  void aProfileThatNamesNothingIsRefused() {
    List<WordTransition> odd = new ArrayList<>(CIA.transitions());
    odd.add(new WordTransition(0, "fault", "kick", "ready to switch on"));
    assertThatThrownBy(
            () ->
                new WordProfile(
                    "odd",
                    "",
                    CIA.states(),
                    CIA.commands(),
                    odd,
                    List.of(),
                    List.of(),
                    Direction.BY_SIGN,
                    0,
                    OperatingMode.NONE))
        .hasMessageContaining("'kick'");
    assertThatThrownBy(() -> new WordState("x", 0x0F, 0x10, WordState.Kind.READY))
        .hasMessageContaining("outside its mask");
    assertThatThrownBy(() -> new WordBit(16, "x")).hasMessageContaining("0 to 15");
  }
}
