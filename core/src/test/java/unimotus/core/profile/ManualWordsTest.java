package unimotus.core.profile;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import unimotus.core.machine.FieldbusLink;
import unimotus.core.profile.ManualWords.ControlBit;
import unimotus.core.profile.ManualWords.ControlMeaning;
import unimotus.core.profile.ManualWords.StatusBit;
import unimotus.core.profile.ManualWords.StatusMeaning;
import unimotus.core.profile.WordMachine.Intent;
import unimotus.core.profile.WordMachine.Step;

/** Words entered bit by bit, as a manual lists them. */
class ManualWordsTest {
  /** A stop bit that stops while 1, as some manuals have it. */
  private static final ManualWords WORDS =
      new ManualWords(
          List.of(
              new ControlBit(1, ControlMeaning.RUN, "start"),
              new ControlBit(2, ControlMeaning.RUN_WHEN_CLEAR, "stop"),
              new ControlBit(5, ControlMeaning.REVERSE, ""),
              new ControlBit(7, ControlMeaning.RESET, "clear trip"),
              new ControlBit(10, ControlMeaning.ALWAYS_SET, "from the link")),
          List.of(
              new StatusBit(0, StatusMeaning.READY, ""),
              new StatusBit(1, StatusMeaning.RUNNING, "drive on"),
              new StatusBit(3, StatusMeaning.NO_FAULT, "no trip"),
              new StatusBit(8, StatusMeaning.AT_REFERENCE, "at speed")));

  private final WordProfile profile = WORDS.profile();
  private final WordMachine machine = new WordMachine(profile);

  @Test
  void statusWordsAreRead() {
    assertThat(profile.shown(0x0009).orElseThrow().name()).isEqualTo("ready");
    assertThat(profile.shown(0x010B).orElseThrow().kind()).isEqualTo(WordState.Kind.RUNNING);
    assertThat(profile.shown(0x0001).orElseThrow().kind()).isEqualTo(WordState.Kind.FAULT);
    assertThat(profile.shown(0x0008).orElseThrow().kind()).isEqualTo(WordState.Kind.BLOCKED);
  }

  @Test
  void intentsBecomeNumbers() {
    assertThat(machine.way(profile.state("ready"), Intent.START_FORWARD, 0))
        .extracting(Step::word)
        .containsExactly(0x0402);
    assertThat(machine.way(profile.state("ready"), Intent.START_REVERSE, 0))
        .extracting(Step::word)
        .containsExactly(0x0422);
    assertThat(machine.way(profile.state("running"), Intent.STOP, 0x0402))
        .extracting(Step::word)
        .containsExactly(0x0404);
    assertThat(machine.way(profile.state("fault"), Intent.RESET, 0x0404))
        .extracting(Step::word)
        .containsExactly(0x0484);
  }

  /** Run forward and run in reverse as two bits, the other school (common practice). */
  @Test
  void eachDirectionMayHaveItsBit() {
    ManualWords words =
        new ManualWords(
            List.of(
                new ControlBit(0, ControlMeaning.RUN, "forward"),
                new ControlBit(1, ControlMeaning.RUN_REVERSE, "reverse"),
                new ControlBit(3, ControlMeaning.RUN_WHEN_CLEAR, "stop")),
            List.of(
                new StatusBit(0, StatusMeaning.RUNNING, ""),
                new StatusBit(1, StatusMeaning.REVERSED, "")));
    WordProfile two = words.profile();
    WordMachine plays = new WordMachine(two);
    WordState ready = two.state("ready");
    WordState running = two.state("running");
    assertThat(plays.way(ready, Intent.START_FORWARD, 0x08))
        .extracting(Step::word)
        .containsExactly(0x01);
    assertThat(plays.way(ready, Intent.START_REVERSE, 0x08))
        .extracting(Step::word)
        .containsExactly(0x02);
    assertThat(plays.way(running, Intent.START_REVERSE, 0x01))
        .extracting(Step::word)
        .containsExactly(0x02);
    assertThat(plays.way(running, Intent.START_REVERSE, 0x02)).isEmpty();
    assertThat(plays.way(running, Intent.STOP, 0x02)).extracting(Step::word).containsExactly(0x08);
    assertThat(plays.react(ready, 0x02, 0).to()).isEqualTo(running);
    assertThat(plays.react(ready, 0x03, 0).isIgnored()).as("both at once").isTrue();
    assertThat(plays.react(running, 0x09, 0x01).to()).as("stop goes before run").isEqualTo(ready);
    assertThat(two.direction().isReverse(0x02)).isTrue();
    assertThat(two.direction().isReverse(0x01)).isFalse();
    ManualWords alone =
        new ManualWords(
            List.of(
                new ControlBit(1, ControlMeaning.RUN_REVERSE, ""),
                new ControlBit(3, ControlMeaning.RUN_WHEN_CLEAR, "")),
            words.status());
    assertThatThrownBy(alone::profile).hasMessageContaining("none runs forward");
  }

  /** A motor that runs forward and shall run in reverse is told so without a stop. */
  @Test
  void aRunningMotorIsTurned() {
    assertThat(machine.way(profile.state("running"), Intent.START_REVERSE, 0x0402))
        .extracting(Step::word)
        .containsExactly(0x0422);
    assertThat(machine.way(profile.state("running"), Intent.START_FORWARD, 0x0402)).isEmpty();
  }

  /** Where 0 would run, 0 is no stop word. */
  @Test
  void theStopWordStops() {
    assertThat(machine.stopWord()).as("start away and stop set").isEqualTo(0x0404);
    WordProfile inverted =
        new ManualWords(
                List.of(new ControlBit(0, ControlMeaning.RUN_WHEN_CLEAR, "stop")),
                List.of(new StatusBit(0, StatusMeaning.RUNNING, "")))
            .profile();
    assertThat(new WordMachine(inverted).stopWord()).isEqualTo(1);
    assertThat(new WordMachine(DriveProfiles.CIA_402_VELOCITY).stopWord()).isZero();
    assertThat(new WordMachine(DriveProfiles.RUN_AND_STOP).stopWord()).isZero();
  }

  @Test
  void bitsAreExchangedOneByOne() {
    ManualWords changed =
        WORDS
            .with(new ControlBit(1, ControlMeaning.OTHER, "spare"), true)
            .with(new StatusBit(0, StatusMeaning.READY, ""), false);
    assertThat(changed.control().get(0).meaning()).isEqualTo(ControlMeaning.OTHER);
    assertThat(changed.status()).hasSize(3);
    assertThat(ManualWords.NONE.isEmpty()).isTrue();
    assertThat(WordBit.names(profile.controlBits(), 0x0402))
        .containsExactly("start", "from the link");
  }

  @Test
  void whatIsNotEnoughIsSaid() {
    ManualWords noStart = new ManualWords(List.of(), WORDS.status());
    assertThatThrownBy(noStart::profile).hasMessageContaining("starts the drive");
    ManualWords blind = new ManualWords(WORDS.control(), List.of());
    assertThatThrownBy(blind::profile).hasMessageContaining("drive runs");
    ControlBit sixteen = new ControlBit(16, ControlMeaning.RUN, "");
    assertThatThrownBy(() -> new ManualWords(List.of(sixteen), List.of()))
        .hasMessageContaining("not 16");
    ControlBit one = new ControlBit(1, ControlMeaning.RUN, "");
    assertThatThrownBy(() -> new ManualWords(List.of(one, one), List.of()))
        .hasMessageContaining("bit 1 is listed twice");
    assertThat(FieldbusLink.USUAL.withWords(noStart).usableProfile()).isEmpty();
    assertThat(FieldbusLink.USUAL.withWords(noStart).profileFault().orElseThrow())
        .contains("starts the drive");
    assertThat(FieldbusLink.USUAL.withWords(WORDS).wordProfile().name())
        .isEqualTo(ManualWords.NAME);
  }
}
