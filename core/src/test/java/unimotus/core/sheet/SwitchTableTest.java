package unimotus.core.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import unimotus.core.Campaign;

/** Positions of switches to meaning and back, against every row looked at one by one. */
class SwitchTableTest {
  private static final int RUNS = Campaign.size(20_000, 500);

  /** Random bases and weights; the row that is chosen against a walk through all sums. */
  @Test
  void theChosenRowIsTheHighestThatFits() {
    Random random = new Random(20);
    for (int run = 0; run < RUNS; run++) {
      double base = 0.2 + random.nextInt(10) / 10.0;
      List<Double> weights = new ArrayList<>();
      for (int i = 0; i < 1 + random.nextInt(4); i++) {
        weights.add((1 + random.nextInt(20)) / 10.0);
      }
      SwitchTable table = SwitchTable.weighted(1 + random.nextInt(8), base, weights);
      double limit = random.nextInt(80) / 10.0;
      double best = Double.NaN;
      for (SwitchTable.Row row : table.rows()) {
        double sum = base;
        for (int i = 0; i < weights.size(); i++) {
          sum += row.on().get(i) ? weights.get(i) : 0;
        }
        assertThat(row.value()).isCloseTo(sum, within(1e-12));
        assertThat(table.of(row.on())).contains(row);
        if (sum <= limit + 1e-9 && !(sum <= best)) {
          best = sum;
        }
      }
      assertThat(table.rows()).hasSize(1 << weights.size());
      if (Double.isNaN(best)) {
        assertThat(table.highestNotAbove(limit)).isEmpty();
      } else {
        assertThat(table.highestNotAbove(limit).orElseThrow().value())
            .isCloseTo(best, within(1e-9));
      }
    }
  }

  @Test
  void aTableThatCannotBeReadIsRefused() {
    SwitchTable.Row one = new SwitchTable.Row(List.of(true, false), 400);
    assertThatThrownBy(
            () -> new SwitchTable(5, List.of(one, new SwitchTable.Row(List.of(true, false), 800))))
        .hasMessage("switches: SW5 on, SW6 off stands in the table twice");
    assertThatThrownBy(
            () -> new SwitchTable(5, List.of(one, new SwitchTable.Row(List.of(true), 800))))
        .hasMessage("switches: a row has 1 positions, the first one 2");
    assertThatThrownBy(() -> new SwitchTable(5, List.of())).hasMessageContaining("no rows");
    assertThatThrownBy(() -> new SwitchTable.Row(List.of(true), 0))
        .hasMessage("switches: a value must be over 0, not 0.0");
    assertThat(new SwitchTable(5, List.of(one)).of(List.of(false, false))).isEmpty();
    assertThat(new SwitchTable(5, List.of(one)).of(401)).isEmpty();
    assertThat(new SwitchTable(5, List.of(one)).switches()).isEqualTo(2);
  }
}
