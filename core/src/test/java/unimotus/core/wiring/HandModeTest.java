package unimotus.core.wiring;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import unimotus.core.Lines;
import unimotus.core.Links;
import unimotus.core.discrete.HandMode;
import unimotus.core.finding.Rule;
import unimotus.core.link.LinkPlanner;
import unimotus.core.link.LinkRequest;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Project;
import unimotus.core.review.LineReview;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.SettingValue;

/** Hand – Off – Auto as the program wires it (common practice). */
class HandModeTest {

  private static Project wired(boolean delayed) {
    return LinkPlanner.plan(
            Lines.bare("controller-modular", "pump-drive-5k5"),
            Lines.SHEETS,
            LinkRequest.of(Lines.AXIS, Links.HAND_OFF_AUTO, delayed ? "delayed" : "plain"))
        .project();
  }

  private static HandMode hand(Project project) {
    AxisAssembly axis = Lines.axis(project);
    List<HandMode> modes = HandMode.of(axis, TruthTable.of(axis));
    assertThat(modes).hasSize(1);
    return modes.get(0);
  }

  private static List<Rule> rules(Project project) {
    return LineReview.of(project, Lines.SHEETS).findings().stream().map(f -> f.rule()).toList();
  }

  @Test
  void withTheDelayedStartHandAlwaysStarts() {
    HandMode hand = hand(wired(true));
    assertThat(hand.start()).isEqualTo(HandMode.Start.DELAYED);
    assertThat(hand.startsOfThousand()).isEqualTo(1000);
    assertThat(rules(wired(true))).doesNotContain(Rule.START_RACE, Rule.START_TWICE);
  }

  @Test
  void withThePlainStartHandOftenDoesNotAndTheFindingSaysHowOften() {
    HandMode hand = hand(wired(false));
    assertThat(hand.start()).isEqualTo(HandMode.Start.PLAIN);
    assertThat(hand.startsOfThousand()).isLessThan(600);
    assertThat(LineReview.of(wired(false), Lines.SHEETS).findings())
        .anySatisfy(
            f ->
                assertThat(f.seen())
                    .contains("of 1000 turns played in time")
                    .contains(Integer.toString(hand.startsOfThousand())));
  }

  @Test
  void theFieldbusThatHoldsTheManualRequestBlocksThePotentiometer() {
    Project project = wired(true);
    assertThat(hand(project).followsPotentiometer()).isTrue();
    var drive = project.drives().get(0);
    String owner =
        Lines.axis(project).driveSheet().setting(SettingRole.MANUAL_OWNER).orElseThrow().code();
    Project taken = project.with(drive.withSetting(owner, new SettingValue.Choice("fieldbus")));
    assertThat(hand(taken).followsPotentiometer()).isFalse();
    assertThat(rules(taken)).contains(Rule.HAND_REFERENCE);
  }

  @Test
  void offOpensBothAndAutoClosesOnlyTheStopPath() {
    AxisAssembly axis = Lines.axis(wired(true));
    TruthTable table = TruthTable.of(axis);
    String selector = hand(wired(true)).selector();
    assertThat(on(table, selector, "auto")).hasSize(1);
    assertThat(on(table, selector, "hand")).hasSize(3);
    assertThat(on(table, selector, "off")).isEmpty();
  }

  private static List<String> on(TruthTable table, String selector, String position) {
    return table.rows().stream()
        .filter(r -> r.state().position(selector, "off").equals(position))
        .findFirst()
        .orElseThrow()
        .cells()
        .entrySet()
        .stream()
        .filter(e -> e.getValue().level().label().equals("on"))
        .map(e -> e.getKey().terminal())
        .toList();
  }
}
