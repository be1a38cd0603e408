package unimotus.workbench.find;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.machine.Project;
import unimotus.core.machine.Wire;
import unimotus.core.review.AxisReview;
import unimotus.core.review.LineReview;
import unimotus.formats.sheet.SheetLibrary;
import unimotus.workbench.Demo;
import unimotus.workbench.WorkStep;

/** A finding about wires leads to a wire or terminal of the line, whatever is broken. */
class FindingPlaceTest {
  private final Project demo = Demo.project();

  @Test
  void aContactThatSwitchesTooLittleIsTheTerminalItself() {
    assertThat(placeOf(demo, "drying-fan", Rule.CONTACT_LOAD))
        .containsExactly(new Target.OnBoard("drying-fan", "controller-1:RO0"));
  }

  /** A servo axis without a way for its positions leads to the bus, where the way is entered. */
  @Test
  void anAxisWithoutAStationLeadsToTheBus() {
    assertThat(placeOf(demo.withStations(List.of()), "slicer-x", Rule.MOTION_UNKNOWN))
        .containsExactly(new Target.OnBus(""));
  }

  @Test
  void aSettingIsFoundByItsPlace() {
    assertThat(placeOf(demo, "header-pump", Rule.MINIMUM_FLOOR))
        .containsExactly(new Target.Setting("header-pump", "axis/header-pump/drive/2.01"));
  }

  @Test
  void everyWireFindingOfALineWithAWireGoneLeadsToSomethingThatIsThere() {
    int exact = 0;
    int all = 0;
    for (Wire gone : demo.wires()) {
      List<Wire> rest = new ArrayList<>(demo.wires());
      rest.remove(gone);
      Project spoilt = demo.withWires(rest);
      for (AxisReview review : LineReview.of(spoilt, SheetLibrary.catalogue()).axes()) {
        for (Finding finding : review.findings()) {
          if (WorkStep.of(finding.rule()) != WorkStep.WIRE) {
            continue;
          }
          all++;
          Target target = FindingPlace.of(spoilt, review.axis().id(), finding);
          if (target instanceof Target.OnBoard at) {
            exact++;
            assertThat(isThere(spoilt, at.sought())).as(finding.toString()).isTrue();
          }
        }
      }
    }
    System.out.printf(
        "findings about wires: %d, of them lead to a terminal or wire: %d%n", all, exact);
    assertThat(all).isGreaterThan(90);
    assertThat(exact).isGreaterThan(all * 3 / 4);
  }

  private static boolean isThere(Project project, String sought) {
    return project.wires().stream().anyMatch(w -> w.id().equals(sought))
        || project.devices().stream().anyMatch(d -> sought.startsWith(d.id() + ":"));
  }

  private static List<Target> placeOf(Project project, String axis, Rule rule) {
    return LineReview.of(project, SheetLibrary.catalogue())
        .axis(axis)
        .orElseThrow()
        .findings()
        .stream()
        .filter(f -> f.rule() == rule)
        .map(f -> FindingPlace.of(project, axis, f))
        .toList();
  }
}
