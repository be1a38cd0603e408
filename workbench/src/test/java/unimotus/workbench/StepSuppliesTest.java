package unimotus.workbench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Project;
import unimotus.core.motion.StepSupplies;
import unimotus.core.review.AxisReview;
import unimotus.core.review.LineReview;
import unimotus.core.sheet.DeviceSheet;
import unimotus.core.sheet.Figure;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.sheet.Terminal;
import unimotus.formats.sheet.SheetLibrary;

/** What step drivers take from one supply, on the shipped sheets. */
class StepSuppliesTest {
  private static final SheetCatalogue SHEETS = SheetLibrary.catalogue();

  private static List<AxisAssembly> axes(Project project, SheetCatalogue sheets) {
    return LineReview.of(project, sheets).axes().stream()
        .map(AxisReview::assembly)
        .filter(Objects::nonNull)
        .toList();
  }

  private static SheetCatalogue giving(double amperes) {
    List<DeviceSheet> all = new ArrayList<>();
    for (DeviceSheet sheet : SHEETS.all(DeviceSheet.class)) {
      all.add(sheet.id().equals("supply-36v-10a") ? giving(sheet, amperes) : sheet);
    }
    return new SheetCatalogue(all);
  }

  private static DeviceSheet giving(DeviceSheet sheet, double amperes) {
    List<Terminal> terminals = new ArrayList<>();
    for (Terminal terminal : sheet.terminals()) {
      Map<String, Double> figures = new TreeMap<>(terminal.electrical());
      figures.computeIfPresent(Figure.LIMIT_AMPERES.key(), (k, v) -> amperes);
      terminals.add(terminal.withElectrical(figures));
    }
    return sheet.withTerminals(terminals);
  }

  /** 2 · 1.4² · 3.2 Ω of the halves in series, and 0.209 N·m at 300 rpm, at 36 V and η = 0.9. */
  @Test
  void theFeedersSupplyGivesEnough() {
    List<StepSupplies.Supply> supplies = StepSupplies.of(axes(Demo.project(), SHEETS));
    assertThat(supplies).hasSize(1);
    double shaft = 0.20882 * 300 * 2 * Math.PI / 60;
    assertThat(supplies.get(0).amperes())
        .isCloseTo((2 * 1.4 * 1.4 * 3.2 + shaft) / (0.9 * 36), within(1e-3));
    assertThat(supplies.get(0).limitAmperes()).isEqualTo(10);
    assertThat(StepSupplies.check(axes(Demo.project(), SHEETS))).isEmpty();
  }

  @Test
  void aSupplyThatIsTooSmallIsAnErrorOfEveryAxisOnIt() {
    List<Finding> found =
        LineReview.of(Demo.project(), giving(0.5)).axis("bale-tie").orElseThrow().findings();
    assertThat(found)
        .filteredOn(f -> f.rule() == Rule.STEP_SUPPLY)
        .singleElement()
        .matches(f -> f.seen().contains("Bale-tie supply gives 0.5 A"));
  }

  @Test
  void oneThatIsNotJoinedFeedsNothing() {
    Project demo = Demo.project();
    Project cut = demo.withWires(demo.wires().stream().filter(w -> !w.id().equals("w67")).toList());
    assertThat(StepSupplies.of(axes(cut, SHEETS))).isEmpty();
  }
}
