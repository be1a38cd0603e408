package unimotus.workbench.settings;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.Drive;
import unimotus.core.machine.Project;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.review.LineReview;
import unimotus.core.sheet.SettingValue;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.formats.sheet.SheetLibrary;
import unimotus.workbench.Demo;
import unimotus.workbench.WorkStep;

/**
 * Loops in drives as they are set, on both shipped drives that have one: right, wrong and half
 * done. The mistakes are those of the trade (common practice).
 */
class LoopChecksTest {
  private static final SheetCatalogue SHEETS = SheetLibrary.catalogue();

  /** The header tank's pump on a drive of its own loop; nothing else of it is asked here. */
  private static Project on(String sheet, String feedback, Map<String, Object> set) {
    Project demo = Demo.project();
    Map<String, SettingValue> settings = new TreeMap<>();
    set.forEach(
        (code, value) ->
            settings.put(
                code,
                value instanceof Number n
                    ? new SettingValue.Number(n.doubleValue())
                    : new SettingValue.Choice(value.toString())));
    List<Drive> drives =
        demo.drives().stream()
            .map(
                d ->
                    d.id().equals("pump-drive")
                        ? new Drive(d.id(), d.name(), sheet, Map.of(), settings)
                        : d)
            .toList();
    List<Wire> wires = new ArrayList<>(demo.wires());
    wires.removeIf(w -> w.touches("pump-drive"));
    if (!feedback.isEmpty()) {
      wires.add(
          new Wire(
              "level",
              new TerminalRef("controller-1", "0V"),
              new TerminalRef("pump-drive", feedback),
              null));
    }
    return demo.withDrives(drives).withWires(wires);
  }

  private static List<Finding> found(Project project) {
    return LineReview.of(project, SHEETS).axes().stream()
        .filter(a -> a.axis().id().equals("header-pump"))
        .flatMap(a -> a.findings().stream())
        .filter(f -> f.rule().code().startsWith("LOP"))
        .filter(f -> f.severity() != Severity.NOTE)
        .toList();
  }

  /** The level of the header tank, 0 to 2.5 m on 4 to 20 mA, with a ramp that passes the level. */
  private static Map<String, Object> level(Object... more) {
    Map<String, Object> set =
        new TreeMap<>(
            Map.of(
                "W10", 60, "W12", 10, "W16", "loop", "W33", "4-20 mA", "W38", "fault", "W50", "U2",
                "W51", "m", "W53", 2.5, "W55", 1.8));
    set.putAll(Map.of("W57", 20, "W62", 40, "W63", 15, "W65", 0.3));
    for (int i = 0; i < more.length; i += 2) {
      set.put(more[i].toString(), more[i + 1]);
    }
    return set;
  }

  private static Project pump(Object... more) {
    return on("pump-drive-5k5", "U2", level(more));
  }

  private static Finding only(Rule rule, Project project) {
    List<Finding> found = found(project);
    assertThat(found).extracting(Finding::rule).containsExactly(rule);
    assertThat(WorkStep.of(rule)).isEqualTo(WorkStep.SET_UP);
    return found.get(0);
  }

  @Test
  void aLoopThatIsSetAsItShouldBeHasNoFinding() {
    assertThat(found(pump())).isEmpty();
    assertThat(found(pump("W62", 0))).as("never asleep").isEmpty();
    assertThat(found(pump("W12", 30, "W64", "after-level"))).as("armed by the level").isEmpty();
    assertThat(found(Demo.project())).as("no loop is used").isEmpty();
    Map<String, Object> other =
        Map.of("K41", "loop", "J70", "4-20 mA", "J75", "fault", "L99", 0, "P08", 20);
    Map<String, Object> known = new TreeMap<>(other);
    known.remove("L99");
    assertThat(found(on("single-phase-pump-drive-1k5", "AI2", known))).isEmpty();
  }

  /**
   * Handbook, section 9: 60 Hz in 30 s, sleep at 40 Hz for 15 s: passes at 20 s, asleep at 15 s.
   */
  @Test
  void theRampThatMakesItFallAsleepWhileStarting() {
    Finding asleep = only(Rule.ASLEEP_AT_START, pump("W12", 30));
    assertThat(asleep.severity()).isEqualTo(Severity.ERROR);
    assertThat(asleep.place()).isEqualTo("axis/header-pump/drive/W62");
    assertThat(asleep.seen())
        .isEqualTo(
            "asleep while starting: 15 s after it wakes it is asleep again; 40 Hz would be passed"
                + " after 20 s");
    assertThat(asleep.remedy())
        .isEqualTo(
            "sleep delay W63 over 20 s; or acceleration time W12 under 22.5 s; or sleep level W62"
                + " under 30 Hz.");
    // Each alone, as it says.
    assertThat(found(pump("W12", 30, "W63", 20.5))).isEmpty();
    assertThat(found(pump("W12", 22))).isEmpty();
    assertThat(found(pump("W12", 30, "W62", 29.5))).isEmpty();
    assertThat(found(pump("W12", 23))).isNotEmpty();
    assertThat(found(pump("W12", 30, "W63", 19.5))).isNotEmpty();
    assertThat(found(pump("W12", 30, "W62", 30.5))).isNotEmpty();
  }

  /** A gain of 1 and 0.3 m of 2.5 m off ask for 7.2 Hz: the loop, not the ramp, is too slow. */
  @Test
  void theLoopMayBeTooSlowInsteadOfTheRamp() {
    Finding asleep = only(Rule.ASLEEP_AT_START, pump("W57", 1));
    assertThat(asleep.remedy()).contains("loop gain W57 over 2.2", "wake deviation W65 over");
    assertThat(asleep.remedy()).doesNotContain("acceleration time");
    assertThat(found(pump("W57", 2.3))).isEmpty();
  }

  @Test
  void whatNeverSleepsOrNeverWakesIsTold() {
    Finding never = only(Rule.SLEEP_LEVEL, pump("W60", 42));
    assertThat(never.seen()).contains("it never sleeps", "settles at 42 Hz, its least output");
    assertThat(never.remedy()).contains("least output of the loop W60 under 40 Hz");
    assertThat(only(Rule.SLEEP_LEVEL, pump("W09", 41)).seen()).contains("settles at 41 Hz");
    Finding waking = only(Rule.SLEEP_LEVEL, pump("W65", 1.9));
    assertThat(waking.seen()).contains("it never wakes", "1.9 m off", "by 1.8 at most");
    assertThat(waking.place()).endsWith("W65");
    Finding over = only(Rule.ASLEEP_AT_START, pump("W62", 70));
    assertThat(over.seen()).contains("over the maximum of 60 Hz");
  }

  @Test
  void numbersThatNoLoopCanHaveAreToldAtTheirField() {
    Finding range = only(Rule.LOOP_SETTINGS, pump("W53", 0));
    assertThat(range.place()).endsWith("W53");
    assertThat(range.seen()).contains("two different ends are needed, not 0 and 0 m");
    Finding outside = only(Rule.LOOP_SETTINGS, pump("W55", 2.6));
    assertThat(outside.place()).endsWith("W55");
    assertThat(outside.seen()).contains("must be 0 to 2.5 m, not 2.6");
    Finding integral = only(Rule.LOOP_SETTINGS, pump("W58", 0));
    assertThat(integral.severity()).isEqualTo(Severity.WARNING);
    assertThat(integral.place()).endsWith("W58");
    Finding wakes = only(Rule.LOOP_SETTINGS, pump("W65", 0));
    assertThat(wakes.seen()).contains("at 0 it wakes at once");
  }

  @Test
  void aFeedbackThatDoesNotArriveIsTold() {
    Finding open = only(Rule.LOOP_FEEDBACK, on("pump-drive-5k5", "", level()));
    assertThat(open.seen()).isEqualTo("the feedback is taken from U2, where nothing is wired");
    assertThat(open.why()).contains("runs to the maximum");
    assertThat(only(Rule.LOOP_FEEDBACK, pump("W54", "U2")).seen())
        .isEqualTo("set-point and feedback both come from U2");
    assertThat(only(Rule.LOOP_FEEDBACK_LOST, pump("W38", "none")).seen())
        .isEqualTo("nothing is done when the feedback at U2 is lost");
    List<Finding> volts = found(pump("W33", "0-10 V"));
    assertThat(volts)
        .extracting(Finding::rule)
        .containsExactly(Rule.LOOP_FEEDBACK, Rule.LOOP_FEEDBACK_LOST);
    assertThat(volts.get(0).remedy()).isEqualTo("Put the switch of U2 to voltage.");
    List<Finding> elsewhere =
        found(pump("W50", "U1", "W33", "0-10 V", "W27", "4-20 mA", "W32", "fault"));
    assertThat(elsewhere)
        .extracting(Finding::seen)
        .containsExactly(
            "the feedback is taken from U1, where nothing is wired",
            "the feedback at U1 is set to 4-20 mA, its switch is not on current");
  }

  /** The usual caution: what sleeps starts without a command. */
  @Test
  void whatSleepsIsSaidToStartByItself() {
    assertThat(notes(pump()))
        .containsExactly("asleep, it starts without a command when the feedback is 0.3 m off");
    assertThat(notes(pump("W62", 0))).isEmpty();
  }

  private static List<String> notes(Project project) {
    return LineReview.of(project, SHEETS).axes().stream()
        .flatMap(a -> a.findings().stream())
        .filter(f -> f.rule() == Rule.STARTS_BY_ITSELF)
        .map(Finding::seen)
        .toList();
  }

  /** From a terminal it may be anything: what stands at the keypad is no error then. */
  @Test
  void aSetPointFromElsewhereIsNotTheOneOfTheKeypad() {
    assertThat(found(pump("W54", "fieldbus", "W55", 7))).isEmpty();
    Finding open = only(Rule.LOOP_SETTINGS, pump("W54", "U1", "W55", 7));
    assertThat(open.seen()).isEqualTo("the set-point is taken from U1, where nothing is wired");
    assertThat(open.place()).endsWith("W54");
  }

  @Test
  void aLeastOutputOverTheMaximumIsToldAtItsField() {
    assertThat(only(Rule.LOOP_SETTINGS, pump("W60", 61)).place()).endsWith("W60");
    assertThat(only(Rule.LOOP_SETTINGS, pump("W09", 61)).place()).endsWith("W09");
  }

  /** More speed lowers what is cooled: a lost feedback leaves it warm. */
  @Test
  void theOtherDirectionIsToldAsIt() {
    Finding open =
        only(Rule.LOOP_FEEDBACK, on("pump-drive-5k5", "", level("W56", "lowers", "W55", 1.2)));
    assertThat(open.why()).contains("goes down to its least output");
  }
}
