package unimotus.workbench.live;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Drive;
import unimotus.core.machine.Project;
import unimotus.core.review.LineReview;
import unimotus.core.settings.LinkLoss;
import unimotus.core.sheet.SettingValue;
import unimotus.formats.sheet.SheetLibrary;

/** The drum on a drive with a fieldbus port: what its settings do on a lost link. */
class LinkRulesTest {

  private static Project project(
      Map<String, SettingValue> settings, List<RegisterEntry> registers, int unit) {
    Project project = Buses.with(f -> f.withUnit(unit).withRegisters(registers));
    Drive drive = new Drive("drum-drive", "Drive", "fieldbus-drive-1k5", Map.of(), settings);
    return project.with(drive);
  }

  private static AxisAssembly drum(Map<String, SettingValue> settings) {
    return Buses.drum(project(settings, Buses.OWN.entries(), 1));
  }

  private static List<Rule> rules(Project project) {
    return LineReview.of(project, SheetLibrary.catalogue())
        .axis("rinse-drum")
        .orElseThrow()
        .findings()
        .stream()
        .map(Finding::rule)
        .filter(r -> r.code().startsWith("FLD"))
        .toList();
  }

  private static Map<String, SettingValue> byLink(double seconds, String action) {
    return Map.of(
        "401",
        new SettingValue.Choice("fieldbus"),
        "402",
        new SettingValue.Choice("fieldbus"),
        "705",
        new SettingValue.Number(seconds),
        "706",
        new SettingValue.Choice(action));
  }

  @Test
  void aLinkThatIsHeldForEverIsFound() {
    List<RegisterEntry> own = Buses.OWN.entries();
    assertThat(rules(project(byLink(0, "fault"), own, 1))).containsExactly(Rule.LINK_HELD);
    assertThat(rules(project(byLink(2, "hold"), own, 1))).containsExactly(Rule.LINK_HELD);
    assertThat(rules(project(byLink(2, "stop"), own, 1))).isEmpty();
    assertThat(rules(project(Map.of(), own, 1))).as("commanded over terminals").isEmpty();
    assertThat(rules(project(byLink(0, "fault"), List.of(), 1))).as("no registers").isEmpty();
  }

  @Test
  void anotherUnitNumberIsFound() {
    assertThat(rules(project(byLink(2, "stop"), Buses.OWN.entries(), 4)))
        .containsExactly(Rule.UNIT_NUMBER);
  }

  /** The infeed belt of the demo has unit 12; the number must be unique on a line. */
  @Test
  void aUnitNumberGivenTwiceIsFoundOnBothAxes() {
    Project twice = Buses.with(f -> f.withUnit(12).withRegisters(Buses.OWN.entries()));
    LineReview review = LineReview.of(twice, SheetLibrary.catalogue());
    for (String axis : List.of("rinse-drum", "infeed-belt")) {
      assertThat(review.axis(axis).orElseThrow().findings())
          .filteredOn(f -> f.rule() == Rule.UNIT_TWICE)
          .singleElement()
          .satisfies(f -> assertThat(f.seen()).contains("unit 12"));
    }
    assertThat(rules(Buses.with(f -> f.withRegisters(Buses.OWN.entries())))).isEmpty();
  }

  @Test
  void aMapThatContradictsItselfIsFound() {
    List<RegisterEntry> twice = new ArrayList<>(Buses.OWN.entries());
    twice.add(twice.get(4).at(201));
    // Its registers overlap, and it is the same thing twice.
    assertThat(rules(project(byLink(2, "stop"), twice, 1)))
        .containsExactly(Rule.REGISTER_MAP, Rule.REGISTER_MAP);
  }

  /** A drive on the fieldbus needs no wires for run and reference. */
  @Test
  void wiresForRunAndReferenceAreNotMissed() {
    Project project = project(byLink(2, "stop"), Buses.OWN.entries(), 1);
    assertThat(
            LineReview.of(project, SheetLibrary.catalogue())
                .axis("rinse-drum")
                .orElseThrow()
                .findings())
        .extracting(Finding::rule)
        .doesNotContain(Rule.RUN_UNWIRED, Rule.REFERENCE_UNWIRED, Rule.COMMAND_SOURCE);
  }

  @Test
  void whatHappensToTheMotorIsSaid() {
    assertThat(LinkLoss.of(drum(byLink(2, "fault"))).words())
        .isEqualTo(
            "705: after 2 s without a message the drive faults (706), the motor coasts to rest.");
    assertThat(LinkLoss.of(drum(byLink(2, "stop"))).words()).contains("the motor coasts");
    Map<String, SettingValue> ramp = new HashMap<>(byLink(2, "stop"));
    ramp.put("305", new SettingValue.Choice("ramp"));
    assertThat(LinkLoss.of(drum(ramp)).words()).contains("from full speed by ramp in");
    assertThat(LinkLoss.of(drum(byLink(0, "stop"))).words())
        .contains("705 is 0")
        .contains("runs on");
    assertThat(LinkLoss.of(drum(byLink(3, "hold"))).words()).contains("nothing happens (706)");
    AxisAssembly terminal = Buses.drum(Buses.with(f -> f));
    assertThat(LinkLoss.of(terminal).words()).contains("no time-out of its link");
  }
}
