package unimotus.workbench.wiring;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import unimotus.core.Campaign;
import unimotus.core.Lines;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.interlock.TravelSwitch;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Part;
import unimotus.core.machine.Project;
import unimotus.core.review.LineReview;
import unimotus.formats.sheet.SheetLibrary;
import unimotus.workbench.Demo;

/**
 * Limit and home switches over their wires. What each input should read follows from how a line was
 * put together; the circuit is not asked for it.
 */
class TravelSwitchTest {
  private static final String DRIVE = "slicer-drive-module";

  /** How an input is wired. */
  private enum Way {
    OPENING("12", true, false),
    CLOSING("24", false, true),
    STEADY("", true, true),
    BROKEN("", false, false);

    private final String contact;
    private final boolean free;
    private final boolean operated;

    Way(String contact, boolean free, boolean operated) {
      this.contact = contact;
      this.free = free;
      this.operated = operated;
    }
  }

  private static Project wired(Project project, String input, Way way) {
    String id = "switch-" + input.toLowerCase(java.util.Locale.ROOT);
    Project next = project.with(new Part(id, "Switch " + input, "position-switch", Map.of()));
    String supply = DRIVE + ":P – ";
    String at = DRIVE + ":" + input;
    return switch (way) {
      case OPENING -> Lines.plus(next, supply + id + ":11", id + ":12 – " + at);
      case CLOSING -> Lines.plus(next, supply + id + ":23", id + ":24 – " + at);
      case STEADY -> Lines.plus(next, supply + at);
      case BROKEN -> Lines.plus(next, id + ":12 – " + at);
    };
  }

  private static AxisAssembly axis(Project project, String id) {
    return AxisAssembly.of(project, SheetLibrary.catalogue(), project.axis(id).orElseThrow())
        .orElseThrow();
  }

  private static List<Finding> findings(Project project, String id) {
    return LineReview.of(project, SheetLibrary.catalogue())
        .axis(id)
        .orElseThrow()
        .findings()
        .stream()
        .filter(f -> f.rule() == Rule.LIMIT_SWITCH)
        .toList();
  }

  @Test
  void everyInputReadsWhatItsWiresSay() {
    Random random = new Random(14);
    List<List<String>> inputs = List.of(List.of("D1", "D2", "D3"), List.of("E1", "E2", "E3"));
    int all = Campaign.size(600, 25);
    for (int n = 0; n < all; n++) {
      Project project = Demo.project();
      List<Way> ways = new ArrayList<>();
      for (List<String> ofAxis : inputs) {
        for (String input : ofAxis) {
          Way way = Way.values()[random.nextInt(Way.values().length)];
          ways.add(way);
          project = wired(project, input, way);
        }
      }
      for (int at = 0; at < 2; at++) {
        List<TravelSwitch> seen = TravelSwitch.of(axis(project, at == 0 ? "slicer-x" : "slicer-z"));
        assertThat(seen).hasSize(3);
        for (int i = 0; i < 3; i++) {
          Way way = ways.get(3 * at + i);
          TravelSwitch each = seen.get(i);
          String which = "line %d, %s %s".formatted(n, inputs.get(at).get(i), way);
          assertThat(each.input().terminal()).as(which).isEqualTo(inputs.get(at).get(i));
          assertThat(each.onFree()).as(which).isEqualTo(way.free);
          assertThat(each.onOperated()).as(which).isEqualTo(way.operated);
          assertThat(each.device() != null).as(which).isEqualTo(!way.contact.isEmpty());
        }
      }
    }
  }

  /** Unwired, nothing is said: the sheet's default is no intent. Then right, wrong, incomplete. */
  @Test
  void whatIsWrongIsFound() {
    Project demo = Demo.project();
    assertThat(findings(demo, "slicer-x")).isEmpty();
    Project right =
        wired(wired(wired(demo, "D1", Way.OPENING), "D2", Way.OPENING), "D3", Way.CLOSING);
    assertThat(findings(right, "slicer-x")).isEmpty();
    assertThat(findings(right, "slicer-z")).isEmpty();
    Project wrong =
        wired(wired(wired(demo, "D1", Way.CLOSING), "D2", Way.OPENING), "D3", Way.CLOSING);
    assertThat(findings(wrong, "slicer-x")).hasSize(1);
    Finding finding = findings(wrong, "slicer-x").get(0);
    assertThat(finding.severity()).isEqualTo(Severity.ERROR);
    assertThat(finding.seen()).contains("reads off while Switch D1 is free");
    Project bridged = wired(right, "E1", Way.STEADY);
    assertThat(findings(bridged, "slicer-z"))
        .extracting(Finding::seen)
        .anyMatch(s -> s.contains("no switch changes") && s.contains("E1") && s.contains("on"))
        .anyMatch(s -> s.contains("E2") && s.contains("off"));
  }
}
