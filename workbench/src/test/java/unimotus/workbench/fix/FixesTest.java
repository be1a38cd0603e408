package unimotus.workbench.fix;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Project;
import unimotus.core.machine.TerminalRef;
import unimotus.core.review.AxisReview;
import unimotus.core.review.LineReview;
import unimotus.core.sheet.ChoiceSetting;
import unimotus.core.sheet.Selector;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingValue;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.stops.StopOutcome;
import unimotus.formats.sheet.SheetLibrary;
import unimotus.workbench.Demo;
import unimotus.workbench.Edits;
import unimotus.workbench.Unfinished;
import unimotus.workbench.WiringEdits;
import unimotus.workbench.find.Target;

/**
 * What *Set it* offers removes the finding, whatever was wrong; where nothing does it is silent.
 */
class FixesTest {
  private static final SheetCatalogue SHEETS = SheetLibrary.catalogue();
  private static final long SEED = 20261129;
  private static final int SPOILT = Boolean.getBoolean("campaign.full") ? 60 : 6;

  private static LineReview review(Project project) {
    return LineReview.of(project, SHEETS);
  }

  private static AxisReview axis(LineReview review, String id) {
    return review.axes().stream().filter(a -> a.axis().id().equals(id)).findFirst().orElseThrow();
  }

  private static List<Fix> fixes(Project project, String axis, Rule rule) {
    LineReview review = review(project);
    AxisReview of = axis(review, axis);
    Finding finding =
        of.findings().stream().filter(f -> f.rule() == rule).findFirst().orElseThrow();
    return Fixes.of(project, SHEETS, review, of, finding);
  }

  private static boolean has(Project project, String axis, Rule rule) {
    return axis(review(project), axis).findings().stream().anyMatch(f -> f.rule() == rule);
  }

  @Test
  void theLiveZeroOfTheDemoIsOneSetting() {
    List<Fix> fixes = fixes(Demo.project(), "rinse-drum", Rule.LIVE_ZERO);
    assertThat(fixes)
        .extracting(Fix::words)
        .containsExactly(
            "I70 AI2 range: 0-20 mA → 4-20 mA", "AO0 range of Line controller: 4-20 mA → 0-20 mA");
    assertThat(fixes.get(0).target())
        .isEqualTo(new Target.Setting("rinse-drum", "axis/rinse-drum/drive/I70"));
    Project set = fixes.get(0).edit().change().apply(Demo.project());
    assertThat(has(set, "rinse-drum", Rule.LIVE_ZERO)).isFalse();
  }

  /** A fact of the trade: a jumper left in makes every stop over safe torque off useless. */
  @Test
  void aJumperLeftInIsTakenOut() {
    AxisReview drum = axis(review(Demo.project()), "rinse-drum");
    AxisAssembly assembly = drum.assembly();
    Selector jumper =
        assembly.driveSheet().selectors().stream()
            .filter(s -> s.role() == SelectorRole.STO_JUMPER)
            .findFirst()
            .orElseThrow();
    Project fitted =
        Edits.driveSelector(assembly.drive().id(), jumper.id(), "fitted")
            .change()
            .apply(Demo.project());
    List<Fix> fixes = fixes(fitted, "rinse-drum", Rule.STOP_FAILS);
    assertThat(fixes)
        .singleElement()
        .extracting(Fix::words)
        .asString()
        .contains("fitted → removed");
  }

  @Test
  void aBridgeAcrossAContactIsRemoved() {
    Project sound = Demo.project();
    AxisAssembly drum = axis(review(sound), "rinse-drum").assembly();
    String drive = drum.drive().id();
    String feed = "P24";
    Project bridged =
        WiringEdits.connect(new TerminalRef(drive, feed), new TerminalRef(drive, "STO1"))
            .change()
            .apply(sound);
    bridged =
        WiringEdits.connect(new TerminalRef(drive, feed), new TerminalRef(drive, "STO2"))
            .change()
            .apply(bridged);
    // Two wires have to go: no single change is right, and none is offered.
    assertThat(fixes(bridged, "rinse-drum", Rule.STOP_FAILS)).isEmpty();
  }

  @Test
  void nothingIsOfferedForWhatNoSingleChangeMends() {
    Project line = Unfinished.project();
    LineReview review = review(line);
    AxisReview bare = axis(review, Unfinished.AXIS);
    Finding incomplete =
        bare.findings().stream()
            .filter(f -> f.rule() == Rule.AXIS_INCOMPLETE)
            .findFirst()
            .orElseThrow();
    assertThat(Fixes.of(line, SHEETS, review, bare, incomplete)).isEmpty();
  }

  /** Settings and switches put to anything; what is offered is tried on a review made afresh. */
  @Test
  void whatIsOfferedRemovesTheFindingOnAnySpoiltLine() {
    Random random = new Random(SEED);
    int offered = 0;
    for (int i = 0; i < SPOILT; i++) {
      Project spoilt = spoilt(random);
      LineReview review = review(spoilt);
      for (AxisReview axis : review.axes()) {
        for (Finding finding : axis.findings()) {
          if (finding.severity() == Severity.NOTE) {
            continue;
          }
          for (Fix fix : Fixes.of(spoilt, SHEETS, review, axis, finding)) {
            offered++;
            LineReview after = review(fix.edit().change().apply(spoilt));
            assertThat(findings(after))
                .as("%s by %s", finding.line(), fix.words())
                .noneMatch(f -> f.rule() == finding.rule() && f.place().equals(finding.place()));
            assertThat(grave(after)).as(fix.words()).isLessThan(grave(review));
            assertThat(silenced(review, after)).as(fix.words()).isEmpty();
          }
        }
      }
    }
    System.out.printf("fixes offered on %d spoilt lines: %d, all of them right%n", SPOILT, offered);
    assertThat(offered).isGreaterThan(SPOILT / 4);
  }

  private static Stream<Finding> findings(LineReview review) {
    return Stream.concat(
        review.line().stream(), review.axes().stream().flatMap(a -> a.findings().stream()));
  }

  /** Axes whose path or working stop is gone: their findings are, too, and nothing is right. */
  private static List<String> silenced(LineReview before, LineReview after) {
    List<String> gone = new ArrayList<>();
    for (AxisReview was : before.axes()) {
      AxisReview now = axis(after, was.axis().id());
      if (was.signalPath().isPresent() && now.signalPath().isEmpty()) {
        gone.add(was.axis().id() + ": path");
      }
      was.stops().stream()
          .filter(s -> s.verdict().outcome() == StopOutcome.STOPS)
          .filter(
              s ->
                  now.stops().stream()
                      .noneMatch(
                          n ->
                              n.stop().id().equals(s.stop().id())
                                  && n.verdict().outcome() == StopOutcome.STOPS))
          .forEach(s -> gone.add(was.axis().id() + ": " + s.stop().name()));
    }
    return gone;
  }

  private static long grave(LineReview review) {
    return findings(review).filter(f -> f.severity() != Severity.NOTE).count();
  }

  /** One axis of the demo with one choice of its drive put to something else. */
  private static Project spoilt(Random random) {
    List<AxisAssembly> complete =
        review(Demo.project()).axes().stream()
            .map(AxisReview::assembly)
            .filter(a -> a != null)
            .toList();
    AxisAssembly axis = complete.get(random.nextInt(complete.size()));
    List<Project> others = new ArrayList<>();
    for (SettingDefinition setting : axis.driveSheet().settings()) {
      if (setting instanceof ChoiceSetting choice) {
        choice
            .options()
            .forEach(
                o ->
                    others.add(
                        Edits.setting(
                                axis.drive().id(),
                                setting.code(),
                                new SettingValue.Choice(o.value()))
                            .change()
                            .apply(Demo.project())));
      }
    }
    for (Selector selector : axis.driveSheet().selectors()) {
      selector
          .options()
          .forEach(
              o ->
                  others.add(
                      Edits.driveSelector(axis.drive().id(), selector.id(), o)
                          .change()
                          .apply(Demo.project())));
    }
    return others.get(random.nextInt(others.size()));
  }
}
