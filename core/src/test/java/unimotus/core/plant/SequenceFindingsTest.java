package unimotus.core.plant;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import unimotus.core.Fixtures;
import unimotus.core.Lines;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.PlacedSwitch;
import unimotus.core.machine.Project;
import unimotus.core.machine.Response;
import unimotus.core.machine.SequenceDesign;
import unimotus.core.machine.SwitchUse;
import unimotus.core.machine.TerminalRef;
import unimotus.core.move.MoveLimits;
import unimotus.core.move.MoveSequence;
import unimotus.core.move.MoveStep;
import unimotus.core.review.LineReview;

/** What is said of sequences and of the switches they rely on (common practice). */
class SequenceFindingsTest {

  private static List<Finding> found(Project project) {
    return LineReview.of(project, FixturePlants.sheets()).findings().stream()
        .filter(
            f ->
                f.rule().code().startsWith("SEQ")
                    || f.rule() == Rule.LIMIT_SWITCH
                    || f.rule() == Rule.SWITCH_SPACE
                    || f.rule() == Rule.MOVE_RANGE
                    || f.rule() == Rule.NAME_LEADS_NOWHERE)
        .toList();
  }

  private static Project with(SequenceDesign... designs) {
    return FixturePlants.project().withSequences(List.of(designs));
  }

  private static Project with(PlacedSwitch... switches) {
    var design = FixturePlants.design(10, MoveLimits.of(50, 500));
    return FixturePlants.with(
        FixturePlants.project(),
        design.withSteps(design.stepping().withSwitches(List.of(switches))));
  }

  private static SequenceDesign placed(String words, String name, String terminal) {
    SequenceDesign sequence = FixturePlants.sequence(words);
    Map<String, TerminalRef> signals = new LinkedHashMap<>(sequence.signals());
    signals.put(name, Lines.ref(terminal));
    return sequence.withSignals(signals);
  }

  @Test
  void aSoundSequenceOnSoundSwitchesSaysNothing() {
    assertThat(found(with(FixturePlants.sequence(FixturePlants.WORDS)))).isEmpty();
  }

  @Test
  void wordsThatAreNotUnderstoodNameTheStep() {
    assertThat(found(with(FixturePlants.sequence("5 mm; wobble"))))
        .singleElement()
        .matches(f -> f.rule() == Rule.SEQUENCE_WORDS && f.severity() == Severity.ERROR)
        .matches(f -> f.seen().contains("step 2, 'wobble'"));
  }

  @Test
  void doubtsNameTheirStep() {
    assertThat(found(with(FixturePlants.sequence("jog back until home; valve on; 5 mm"))))
        .extracting(f -> f.rule() + " " + f.seen().split(":")[1].strip())
        .containsExactly(
            "SEQUENCE_STEPS step 1, axis runs without a limit",
            "SEQUENCE_STEPS step 3, moves without looking",
            "SEQUENCE_STEPS step 2, output stays on");
  }

  /** A belt on a frequency drive is told a speed. */
  @Test
  void aDriveThatIsToldASpeedIsNotMoved() {
    Project belt =
        Fixtures.project()
            .withSequences(
                List.of(
                    new SequenceDesign(
                        Fixtures.project().axes().get(0).id(),
                        "Soak",
                        "5 m; jog until seen within 2 s; wait 3 s",
                        Map.of(),
                        List.of())));
    assertThat(
            LineReview.of(belt, Fixtures.sheets()).findings().stream()
                .filter(f -> f.rule() == Rule.SEQUENCE_STEPS && f.severity() == Severity.ERROR))
        .extracting(f -> f.seen().substring(0, 27))
        .containsExactly("sequence Soak: step 1 moves", "sequence Soak: step 2 moves");
  }

  @Test
  void namesHaveToStandForTerminalsThatSuit() {
    assertThat(found(with(FixturePlants.sequence("lamp on; wait 1 s; lamp off"))))
        .singleElement()
        .matches(f -> f.seen().contains("'lamp' is placed on no output"));
    assertThat(found(with(placed("lamp on; wait 1 s; lamp off", "lamp", "plc:DI5"))))
        .singleElement()
        .matches(f -> f.severity() == Severity.ERROR)
        .matches(f -> f.seen().contains("plc:DI5, which is no binary output"));
    assertThat(found(with(placed("lamp on; wait 1 s; lamp off", "lamp", "drive:ST+"))))
        .singleElement()
        .matches(f -> f.severity() == Severity.ERROR);
    assertThat(found(with(placed("lamp on; wait 1 s; lamp off", "lamp", "plc:DS7"))))
        .singleElement()
        .matches(f -> f.seen().contains("where nothing is wired"));
    assertThat(found(with(placed("5 mm", "lamp", "plc:DS99"))))
        .as("a terminal that is not there")
        .singleElement()
        .matches(f -> f.rule() == Rule.NAME_LEADS_NOWHERE);
  }

  @Test
  void whatAnswersHasToBeASwitchAndACoil() {
    SequenceDesign sequence =
        FixturePlants.sequence("5 mm").withResponses(List.of(new Response("valve", "tied", 1, 1)));
    assertThat(found(with(sequence))).singleElement().matches(f -> f.seen().contains("'valve'"));
    SequenceDesign nobody =
        FixturePlants.sequence("5 mm").withResponses(List.of(new Response("tied", "x", 1, 1)));
    assertThat(found(with(nobody))).extracting(Finding::rule).contains(Rule.NAME_LEADS_NOWHERE);
  }

  @Test
  void anOutputHasOneOwner() {
    SequenceDesign one = FixturePlants.sequence("valve on; wait 1 s; valve off");
    SequenceDesign two = one.withName("Other").withWords("valve on; wait 2 s; valve off");
    assertThat(found(with(one, two)))
        .extracting(Finding::rule)
        .containsExactly(Rule.TWO_OWNERS, Rule.TWO_OWNERS);
    assertThat(found(with(placed("valve on; wait 1 s; valve off", "valve", "plc:PT1"))))
        .singleElement()
        .matches(f -> f.rule() == Rule.TWO_OWNERS && f.seen().contains("of Belt"));
  }

  @Test
  void aSwitchThatNothingReadsIsSaid() {
    assertThat(found(Lines.minus(FixturePlants.project(), "plc:DI1")))
        .singleElement()
        .matches(f -> f.rule() == Rule.LIMIT_SWITCH && f.severity() == Severity.ERROR);
    assertThat(found(Lines.minus(FixturePlants.project(), "plc:DI0")))
        .singleElement()
        .matches(f -> f.rule() == Rule.LIMIT_SWITCH && f.severity() == Severity.WARNING);
    assertThat(found(Lines.minus(FixturePlants.project(), "home:1")))
        .as("without its supply")
        .extracting(Finding::rule)
        .contains(Rule.LIMIT_SWITCH);
  }

  @Test
  void anEndThatABrokenWireHidesIsAnError() {
    Project closing =
        Lines.plus(
            Lines.minus(Lines.minus(FixturePlants.project(), "low:11"), "low:12"),
            "plc:24V – low:23",
            "low:24 – plc:DI1");
    assertThat(found(closing))
        .singleElement()
        .matches(f -> f.severity() == Severity.ERROR)
        .matches(f -> f.seen().contains(" or ") && f.seen().contains("as if low"));
  }

  /** 50²/2/500 + 50 · 0.01 = 3 mm. */
  @Test
  void anEndLeavesWayToStop() {
    assertThat(found(with(new PlacedSwitch("low", SwitchUse.LOW_END, -14.9, -12))))
        .singleElement()
        .matches(f -> f.rule() == Rule.SWITCH_SPACE && f.severity() == Severity.ERROR);
    assertThat(found(with(new PlacedSwitch("low", SwitchUse.LOW_END, -15.1, -12)))).isEmpty();
    assertThat(found(with(new PlacedSwitch("home", SwitchUse.HOME, -0.05, 0))))
        .as("10 mm/s in 10 ms are 0.1 mm")
        .singleElement()
        .matches(f -> f.severity() == Severity.WARNING);
    assertThat(found(with(new PlacedSwitch("tied", SwitchUse.SENSOR, 10, 10.4))))
        .singleElement()
        .matches(f -> f.rule() == Rule.SWITCH_SPACE);
  }

  @Test
  void movesStayOffTheEnds() {
    assertThat(found(with(new PlacedSwitch("high", SwitchUse.HIGH_END, 39, 60))))
        .singleElement()
        .matches(f -> f.rule() == Rule.MOVE_RANGE);
    var design = FixturePlants.design(10, MoveLimits.of(50, 500));
    List<MoveStep> steps = new ArrayList<>(design.moves().steps());
    steps.add(new MoveStep.Absolute(295));
    MoveSequence longer =
        new MoveSequence(0, design.moves().limits(), steps, design.moves().times());
    assertThat(found(FixturePlants.with(FixturePlants.project(), design.withMoves(longer))))
        .singleElement()
        .matches(f -> f.rule() == Rule.MOVE_RANGE);
  }

  @Test
  void aSwitchThatIsGoneOrIsNoneIsNamed() {
    assertThat(found(with(new PlacedSwitch("gone", SwitchUse.HOME, -3, 0))))
        .singleElement()
        .matches(f -> f.rule() == Rule.NAME_LEADS_NOWHERE);
    assertThat(found(with(new PlacedSwitch("valve", SwitchUse.HOME, -3, 0))))
        .singleElement()
        .matches(f -> f.seen().contains("has no second position"));
    Project without = with(FixturePlants.sequence("5 mm")).withoutPart("tied").withoutPart("low");
    assertThat(found(without)).isEmpty();
    assertThat(without.sequences().get(0).responses()).isEmpty();
    assertThat(without.axes().get(0).motion().stepping().switches()).hasSize(2);
  }
}
