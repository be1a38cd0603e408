package unimotus.core.sequence;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import unimotus.core.quantity.MeasureUnit;

/** Sequences as people say them: read, looked over, timed; wrong ones named. */
class SequenceTest {
  private static Sequence read(String text) {
    return SequenceText.parse("test", text, MeasureUnit.REVOLUTION);
  }

  private static List<SequenceDoubt.Kind> doubts(String text) {
    return SequenceChecks.of(read(text)).stream().map(SequenceDoubt::kind).toList();
  }

  @Test
  void theSequenceIsReadAsItIsSaid() {
    Sequence sequence =
        read("jog until home; 5 turns; wait 2 s; valve on until 'press is up'; repeat");
    assertThat(sequence.steps())
        .containsExactly(
            new SequenceStep.Jog(false, new Until("home", true, 0)),
            new SequenceStep.Move(5, false, null),
            new SequenceStep.Wait(2),
            new SequenceStep.Switch("valve", true, new Until("press is up", true, 0)),
            new SequenceStep.Repeat(0));
    assertThat(sequence.inputs()).containsExactly("home", "press is up");
    assertThat(sequence.outputs()).containsExactly("valve");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "jog back until not 'door closed' within 3 s",
        "move to 12.5 rev",
        "move −3 rev",
        "wait for 'tool is up' within 0.5 s",
        "'fan slow' off",
        "'fan slow' on until not 'hot' within 90 s",
        "repeat 3 times"
      })
  void whatIsWrittenIsReadAgain(String words) {
    SequenceStep step = read(words).steps().get(0);
    assertThat(SequenceText.words(step, MeasureUnit.REVOLUTION)).isEqualTo(words);
  }

  @Test
  void valuesAreNamedAndKept() {
    Sequence sequence = read("keep feed = 5 rev\nlet slow = 2 rev\nmove feed\nmove to slow");
    assertThat(sequence.steps().get(0)).isEqualTo(new SequenceStep.Move(5, false, "feed"));
    assertThat(sequence.kept()).containsExactly("feed");
    assertThat(SequenceChecks.of(sequence))
        .extracting(SequenceDoubt::kind)
        .containsExactly(SequenceDoubt.Kind.VALUE_LOST);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "wait 2 s; dance | step 2, 'dance'",
        "wait 0 s | 0.001 to 86400 s",
        "wait two s | is not a number",
        "jog | it is not understood",
        "5 kg | step 1",
        "valve on until home within 0 s | over 0 s",
        "repeat 0 times | not 0 times",
        "repeat 99999999999 times | too many",
        "keep a = 1 rev; keep a = 2 rev | has a value already",
        "# nothing | 1 to 200 steps, not 0"
      })
  void whatIsNotUnderstoodIsNamed(String text, String message) {
    assertThatThrownBy(() -> read(text))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining(message);
  }

  /** Common practice: look before moving, limit every wait, switch off what was switched on. */
  @Test
  void whatIsDoubtfulIsFound() {
    assertThat(doubts("valve on until 'up' within 2 s; 5 turns; repeat")).isEmpty();
    assertThat(doubts("valve on until 'up'; 5 turns")).contains(SequenceDoubt.Kind.NO_LIMIT);
    assertThat(doubts("jog until home")).containsExactly(SequenceDoubt.Kind.JOG_UNENDED);
    assertThat(doubts("tool off; 5 turns")).containsExactly(SequenceDoubt.Kind.NO_FEEDBACK);
    assertThat(doubts("valve on; wait 1 s")).containsExactly(SequenceDoubt.Kind.LATCH);
    assertThat(doubts("valve on; wait 1 s; valve off")).isEmpty();
    assertThat(doubts("repeat; wait 1 s")).containsExactly(SequenceDoubt.Kind.DEAD_END);
    assertThat(doubts("repeat 3 times; wait 1 s")).isEmpty();
    assertThat(doubts("wait for up within 1 s; wait for not up within 1 s"))
        .containsExactly(SequenceDoubt.Kind.CONTRADICTION);
    assertThat(doubts("wait for up within 1 s; valve on until not up within 1 s")).isEmpty();
  }

  /**
   * An answer after half a second where 0.3 s are allowed: it is cut short, and no time is told.
   */
  @Test
  void whatTakesTooLongIsNoEnd() {
    SequenceBench bench = new SequenceBench(way -> Math.abs(way), 0.5, 3);
    SequenceBench.Run run =
        bench.run(read("wait 1 s; valve on until up within 0.3 s; 5 turns"), 60);
    assertThat(run.ended()).isFalse();
    assertThat(run.lateStep()).isEqualTo(2);
    assertThat(run.steps()).extracting(SequenceBench.Ran::step).containsExactly(1, 2);
  }

  /** 5 turns at a turn a second, 2 s, and half a second until the press is up. */
  @Test
  void theBenchSaysHowLongItTakes() {
    SequenceBench bench = new SequenceBench(way -> Math.abs(way), 0.5, 3);
    SequenceBench.Run run =
        bench.run(read("jog until home; 5 turns; wait 2 s; valve on until 'press is up'"), 60);
    assertThat(run.ended()).isTrue();
    assertThat(run.seconds()).as("3 + 5 + 2 + 0.5 s and some scans").isCloseTo(10.5, within(0.15));
    assertThat(run.steps()).extracting(SequenceBench.Ran::step).containsExactly(1, 2, 3, 4);
    assertThat(run.steps().get(1).position()).isEqualTo(5);
    assertThat(bench.run(read("wait 1 s; repeat"), 10).ended()).isFalse();
    assertThat(bench.run(read("5 turns; 5 turns; move to 2 rev"), 60).seconds())
        .as("5 + 5 + 8 s")
        .isCloseTo(18, within(0.15));
  }

  /** Slow, fast, slow: the same for presets of a fan, and soak, dry, purge. */
  @Test
  void outputsAloneAreASequenceToo() {
    Sequence fan =
        read(
            "slow on; wait 2 s; slow off; fast on; wait 4 s; fast off; slow on; wait 2 s; slow off");
    assertThat(SequenceChecks.of(fan)).isEmpty();
    SequenceBench.Run run = new SequenceBench(way -> 0.0, 0.5, 1).run(fan, 60);
    assertThat(run.seconds()).isCloseTo(8, within(0.3));
    assertThat(
            run.steps().stream().map(s -> Integer.toString(s.step())).collect(Collectors.joining()))
        .isEqualTo("123456789");
  }
}
