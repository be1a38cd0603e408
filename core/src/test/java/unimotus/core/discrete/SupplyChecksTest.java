package unimotus.core.discrete;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import unimotus.core.Fixtures;
import unimotus.core.Lines;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.link.CommonLink;
import unimotus.core.machine.Part;
import unimotus.core.machine.Project;
import unimotus.core.machine.Wire;
import unimotus.core.review.LineReview;

/** Supplies wherever their load hangs: with the axis, with another one, or with none. */
class SupplyChecksTest {

  private static Project line() {
    return Lines.with(Lines.bare("controller-modular", "terminal-drive-4kw"), CommonLink.TWO_WIRE);
  }

  private static Project supply(Project project, String id, String set) {
    return project.with(new Part(id, id, "supply-24v-5a", Map.of("mains", set)));
  }

  private static Project wired(Project project, String from, String to) {
    return project.with(
        new Wire("x" + project.wires().size(), Fixtures.ref(from), Fixtures.ref(to)));
  }

  private static List<String> told(Project project, Rule rule) {
    return LineReview.of(project, Lines.SHEETS).findings().stream()
        .filter(f -> f.rule() == rule)
        .map(Finding::place)
        .toList();
  }

  @Test
  void aSoundLineHasNothingToSay() {
    Project own = wired(supply(line(), "panel", "230 V"), "panel:-", "plc:0V");
    for (Rule rule : List.of(Rule.SUPPLIES_JOINED, Rule.SUPPLY_OVERLOAD, Rule.MAINS_SELECTOR)) {
      assertThat(told(line(), rule)).isEmpty();
      assertThat(told(own, rule)).as("a second supply with 0 V in common").isEmpty();
    }
  }

  /** The supply of lamps that no axis knows of is shorted all the same. */
  @Test
  void aShortAwayFromEveryAxisIsTold() {
    Project shorted = wired(supply(line(), "lamps", "230 V"), "lamps:+", "lamps:-");
    assertThat(told(shorted, Rule.SUPPLY_OVERLOAD)).containsExactly("devices/lamps/+");
    Project overStrip =
        wired(
            wired(
                supply(line(), "lamps", "230 V")
                    .with(new Part("strip", "strip", "terminal-strip-12", Map.of())),
                "lamps:+",
                "strip:1"),
            "strip:1",
            "lamps:-");
    assertThat(told(overStrip, Rule.SUPPLY_OVERLOAD)).containsExactly("devices/lamps/+");
  }

  @Test
  void aShortOnTheControllersSideIsToldOnceWithItsAxis() {
    Project shorted = wired(line(), "plc:24V", "plc:0V");
    assertThat(told(shorted, Rule.SUPPLY_OVERLOAD)).containsExactly("axis/belt/plc/24V");
  }

  @Test
  void twoSuppliesOnOneConductorAreTold() {
    Project joined =
        wired(wired(supply(line(), "panel", "230 V"), "panel:+", "plc:24V"), "panel:-", "plc:0V");
    assertThat(told(joined, Rule.SUPPLIES_JOINED)).containsExactly("axis/belt/panel/+");
    Project withDrive = wired(line(), "plc:24V", "drive:P24");
    assertThat(told(withDrive, Rule.SUPPLIES_JOINED)).containsExactly("axis/belt/drive/P24");
  }

  /** 115 V set and 230 V fed destroy it, the other way round it gives nothing (common practice). */
  @Test
  void aMainsSelectorIsLookedAtThoughNothingIsWired() {
    Project low = supply(line(), "lamps", "115 V");
    assertThat(told(low, Rule.MAINS_SELECTOR)).containsExactly("devices/lamps/+");
    assertThat(LineReview.of(low, Lines.SHEETS).findings())
        .filteredOn(f -> f.rule() == Rule.MAINS_SELECTOR)
        .allSatisfy(f -> assertThat(f.why()).contains("destroyed"));
    Project high =
        line()
            .with(
                new Part(
                    "lamps", "lamps", "supply-24v-5a", Map.of("mains", "230 V", "feed", "115 V")));
    assertThat(LineReview.of(high, Lines.SHEETS).findings())
        .filteredOn(f -> f.rule() == Rule.MAINS_SELECTOR)
        .allSatisfy(f -> assertThat(f.why()).contains("half its voltage"))
        .hasSize(1);
  }
}
