package unimotus.workbench.find;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import unimotus.core.machine.Project;
import unimotus.core.proof.Prediction;
import unimotus.core.review.AxisReview;
import unimotus.core.review.LineReview;
import unimotus.formats.sheet.SheetLibrary;
import unimotus.workbench.Demo;
import unimotus.workbench.Evidence;
import unimotus.workbench.EvidenceBook;
import unimotus.workbench.Unfinished;
import unimotus.workbench.WorkStep;

/** What is on the demo, on an empty line and on one with a single bare axis, by a few words. */
class FinderTest {
  private static final int MOST = 60;
  private static final EvidenceBook BOOK = new EvidenceBook();
  private final Finder demo =
      Finder.of(LineReview.of(Demo.project(), SheetLibrary.catalogue()), FinderTest::predictions);

  @ParameterizedTest
  @CsvSource({
    "i70, setting, I70 AI2 range",
    "ai2 range rinse, setting, I70 AI2 range",
    "rinse make safe, station, Rinse drum – Make safe",
    "drum-drive:sto1, terminal, drum-drive:STO1",
    "w37, wire, w37 stop circuit",
    "ana-002, finding, ANA-002",
    "rinse drum safety relay, device, Rinse drum safety relay",
    "header pump motor, motor, Header pump motor",
    "reference 50 shaft drying, prediction, Reference 50"
  })
  void theBestComesFirst(String words, String kind, String title) {
    Hit first = demo.find(words, MOST).get(0);
    assertThat(first.kind()).isEqualTo(kind);
    assertThat(first.title()).startsWith(title);
  }

  @Test
  void whatIsFoundLeadsThere() {
    assertThat(demo.find("i70", 1).get(0).target())
        .isEqualTo(new Target.Setting("rinse-drum", "axis/rinse-drum/drive/I70"));
    assertThat(demo.find("rinse prove", 1).get(0).target())
        .isEqualTo(new Target.Station("rinse-drum", WorkStep.PROVE));
    assertThat(demo.find("w37", 1).get(0).target())
        .isEqualTo(new Target.OnBoard("rinse-drum", "w37"));
  }

  @Test
  void scalingAndMovesOfAServoAxisAreFound() {
    assertThat(demo.find("slicer scaling motion axis", 1).get(0).target())
        .isEqualTo(new Target.InMotion("slicer-x", "axis/slicer-x/motion/scaling/program"));
    assertThat(demo.find("jerk slicer z", 1).get(0).target())
        .isEqualTo(new Target.InMotion("slicer-z", "axis/slicer-z/motion/moves"));
  }

  private static List<Prediction> predictions(AxisReview review) {
    return BOOK.of(Demo.project(), review).map(Evidence::predictions).orElse(List.of());
  }

  @Test
  void aPredictionLeadsToItsOwnRow() {
    assertThat(demo.find("reference 50 shaft drying", 1).get(0).target())
        .isEqualTo(new Target.Predicted("drying-fan", "ref50.shaft"));
  }

  @Test
  void allWordsCountAndNothingIsInvented() {
    assertThat(demo.find("i70 pump", MOST)).isEmpty();
    assertThat(demo.find("nothing of the kind", MOST)).isEmpty();
    assertThat(demo.find("rinse", 3)).hasSize(3);
  }

  @Test
  void withoutWordsTheStationsAreOffered() {
    List<Hit> offered = demo.find("  ", MOST);
    assertThat(offered).isNotEmpty().allMatch(h -> h.kind().equals("station"));
  }

  @Test
  void anEmptyLineHasNothingToFind() {
    Finder none =
        Finder.of(
            LineReview.of(Project.empty("Empty line"), SheetLibrary.catalogue()), r -> List.of());
    assertThat(none.find("", MOST)).isEmpty();
    assertThat(none.find("i70", MOST)).isEmpty();
  }

  /** An axis without a drive has its stations and what is missing, and nothing else. */
  @Test
  void anIncompleteAxisIsFoundAsFarAsItGoes() {
    Finder unfinished =
        Finder.of(LineReview.of(Unfinished.project(), SheetLibrary.catalogue()), r -> List.of());
    assertThat(unfinished.find("bale-tie", MOST))
        .extracting(Hit::kind)
        .containsOnly("station", "finding");
  }
}
