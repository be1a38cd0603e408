package unimotus.core.review;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import org.junit.jupiter.api.Test;
import unimotus.core.Fixtures;
import unimotus.core.machine.Answer;
import unimotus.core.machine.Axis;
import unimotus.core.machine.Drive;
import unimotus.core.machine.Motor;
import unimotus.core.machine.Project;
import unimotus.core.machine.Reference;
import unimotus.core.sheet.SheetCatalogue;

class LineReviewTest {
  private final SheetCatalogue sheets = Fixtures.sheets();

  private static Project twoAxes() {
    Project project = Fixtures.project();
    Axis first = Fixtures.axis(project);
    Axis second =
        new Axis(
            "second",
            "Second",
            "",
            "plc",
            "drive-2",
            "motor-2",
            new Reference(null, "AI1", 0, 25, 0, 50, 27648, 0.05),
            new Answer(null, null, 25, 27648),
            first.mechanics(),
            first.load());
    return project
        .with(new Drive("drive-2", "Drive 2", "test-drive", Map.of(), Map.of()))
        .with(new Motor("motor-2", "Motor 2", Fixtures.PLATE))
        .with(second);
  }

  @Test
  void anEditLooksOverOnlyTheAxisItTouches() {
    Project before = twoAxes();
    LineReview first = LineReview.of(before, sheets);
    LineReview after = LineReview.of(Fixtures.withSetting(before, "P5", 45.0), sheets, first);
    assertThat(after.axis("second").orElseThrow()).isSameAs(first.axis("second").orElseThrow());
    assertThat(after.axis("belt").orElseThrow()).isNotSameAs(first.axis("belt").orElseThrow());
  }

  @Test
  void takingOverGivesTheSameFindingsAsAFreshLook() {
    Project before = twoAxes();
    LineReview first = LineReview.of(before, sheets);
    Project edited = Fixtures.without(before, "w2");
    assertThat(LineReview.of(edited, sheets, first).findings())
        .isEqualTo(LineReview.of(edited, sheets).findings());
  }

  @Test
  void anImpossiblePlateLeavesAnAxisWithoutAPathButWithAFinding() {
    var plate = new unimotus.core.sheet.InductionPlate(4000, 400, 8.05, 50, 3100, 0.81, 1, 0.01);
    AxisReview review =
        LineReview.of(Fixtures.withPlate(Fixtures.project(), plate), sheets)
            .axis("belt")
            .orElseThrow();
    assertThat(review.signalPath()).isEmpty();
    assertThat(review.findings()).isNotEmpty();
  }

  @Test
  void anEmptyLineHasNothingToSay() {
    LineReview review = LineReview.of(Project.empty("x"), sheets);
    assertThat(review.axes()).isEmpty();
    assertThat(review.findings()).isEmpty();
    assertThat(review.axis("belt")).isEmpty();
  }
}
