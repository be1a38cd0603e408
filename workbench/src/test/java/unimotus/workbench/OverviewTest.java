package unimotus.workbench;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import unimotus.core.machine.Project;
import unimotus.core.review.AxisReview;
import unimotus.core.review.LineReview;
import unimotus.formats.sheet.SheetLibrary;

/** What is left to do on the demo line, and on lines made of it. */
class OverviewTest {
  private static final List<AxisReview> AXES =
      LineReview.of(Unfinished.project(), SheetLibrary.catalogue()).axes();

  private static Progress progress(AxisReview review) {
    return Progress.of(review, Optional.empty(), false);
  }

  private final Overview demo = Overview.of(AXES, OverviewTest::progress, a -> List.of());

  private List<String> names(Overview.Filter filter, Overview.Order order) {
    return demo.rows(filter, order).stream().map(r -> r.review().axis().name()).toList();
  }

  @Test
  void allAxesStandInTheOrderOfTheLine() {
    assertThat(names(Overview.Filter.ALL, Overview.Order.LINE))
        .containsExactlyElementsOf(AXES.stream().map(a -> a.axis().name()).toList());
  }

  @Test
  void filtersKeepWhatTheySay() {
    assertThat(names(Overview.Filter.ERRORS, Overview.Order.LINE)).containsExactly("Rinse drum");
    assertThat(names(Overview.Filter.INCOMPLETE, Overview.Order.LINE))
        .containsExactly("Bale-tie feeder");
    assertThat(demo.count(Overview.Filter.UNPROVED_STOP)).isEqualTo(AXES.size());
    assertThat(demo.count(Overview.Filter.STALE)).isZero();
    assertThat(demo.count(Overview.Filter.OPEN)).isEqualTo(AXES.size());
  }

  @Test
  void ordersOrderAndLeaveEqualsAsTheyAre() {
    assertThat(names(Overview.Filter.ALL, Overview.Order.WORST)).startsWith("Rinse drum");
    assertThat(names(Overview.Filter.ALL, Overview.Order.NAME)).isSorted();
    assertThat(names(Overview.Filter.INCOMPLETE, Overview.Order.WORST))
        .containsExactly("Bale-tie feeder");
  }

  @Test
  void groupsStandTogetherAndTheRestBehind() {
    Project grouped = Demo.project();
    for (String axis : List.of("drying-fan", "header-pump")) {
      grouped = Edits.groupAxis(axis, " water ").change().apply(grouped);
    }
    grouped = Edits.groupAxis("slicer-z", "cutting").change().apply(grouped);
    grouped = Edits.groupAxis("rinse-drum", "  ").change().apply(grouped);
    assertThat(grouped.axis("drying-fan").orElseThrow().group()).isEqualTo("water");
    assertThat(grouped.axis("rinse-drum").orElseThrow().group()).isNull();
    Overview overview =
        Overview.of(
            LineReview.of(grouped, SheetLibrary.catalogue()).axes(),
            a -> demo.all().get(0).progress(),
            a -> List.of());
    assertThat(overview.rows(Overview.Filter.ALL, Overview.Order.GROUP))
        .extracting(r -> r.review().axis().name())
        .startsWith("Slicer Z", "Header tank pump", "Drying fan", "Rinse drum");
  }

  @Test
  void numbersAreSummed() {
    assertThat(demo.total(Overview.Row::errors)).isEqualTo(1);
    assertThat(new Overview(List.of()).total(Overview.Row::errors)).isZero();
  }

  /** An axis whose stations are all done is not among what is left. */
  @Test
  void whatIsFinishedIsNotOpen() {
    Map<WorkStep, Progress.State> done = new EnumMap<>(WorkStep.class);
    for (WorkStep step : WorkStep.values()) {
      done.put(step, step == WorkStep.HAND_OVER ? Progress.State.LATER : Progress.State.DONE);
    }
    Progress finished = new Progress(done, true, "", WorkStep.PROVE, Optional.empty());
    Overview overview = Overview.of(AXES.subList(0, 1), a -> finished, a -> List.of());
    assertThat(overview.count(Overview.Filter.OPEN)).isZero();
    assertThat(overview.count(Overview.Filter.UNPROVED_STOP)).isZero();
  }
}
