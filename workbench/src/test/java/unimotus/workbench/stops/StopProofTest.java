package unimotus.workbench.stops;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import unimotus.core.machine.Project;
import unimotus.core.machine.Reading;
import unimotus.core.machine.SafetyNote;
import unimotus.core.machine.StopFunction;
import unimotus.core.machine.StopUse;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.proof.AxisProof;
import unimotus.core.proof.Expectation;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.ProofList;
import unimotus.core.proof.StopPredictions;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.review.AxisReview;
import unimotus.core.review.LineReview;
import unimotus.formats.sheet.SheetLibrary;
import unimotus.workbench.Demo;
import unimotus.workbench.DisplayUnits;
import unimotus.workbench.Evidence;
import unimotus.workbench.ProofLists;
import unimotus.workbench.StopEdits;
import unimotus.workbench.StopProof;

/** The proof of the demo's drum guard: its list, its due date and what stays on record. */
class StopProofTest {
  private static final String DAY = "2026-03-02T10:00:00Z";

  @TempDir Path folder;

  private static Evidence evidence(Project project) {
    AxisReview drum =
        LineReview.of(project, SheetLibrary.catalogue()).axis("rinse-drum").orElseThrow();
    return Evidence.of(project, drum);
  }

  private static StopFunction stop(Project project) {
    return project.stops().get(0);
  }

  /** Every prediction of the stop answered as it was foretold, at the given instant. */
  private static Project proved(Project project, String at) {
    Evidence evidence = evidence(project);
    Clock clock = Clock.fixed(Instant.parse(at), ZoneOffset.UTC);
    List<Reading> readings = new ArrayList<>(project.readings());
    for (Prediction prediction : evidence.predictions()) {
      if (prediction.key().startsWith(StopPredictions.PREFIX)) {
        String seen =
            prediction.expectation() instanceof Expectation.Amount a
                ? a.value() + " " + a.unit().symbol()
                : ((Expectation.Word) prediction.expectation()).expected();
        readings.add(
            evidence.reading(prediction, seen, DisplayUnits.METRIC, "meter", "A. Tester", clock));
      }
    }
    return project.withReadings(readings);
  }

  private static StopProof proof(Project project) {
    return StopProof.of(project, evidence(project));
  }

  @Test
  void withoutReadingsNothingIsProvedAndNothingIsDue() {
    StopProof proof = proof(Demo.project());
    assertThat(proof.state()).isEqualTo(AxisProof.State.UNPROVEN);
    assertThat(proof.due()).isEmpty();
    assertThat(proof.holds(LocalDate.parse("2026-03-03"))).isFalse();
  }

  @Test
  void aProofHoldsUntilItsDueDateAndNoLonger() {
    StopProof proof = proof(proved(Demo.project(), DAY));
    assertThat(proof.state()).isEqualTo(AxisProof.State.PROVEN);
    assertThat(proof.due()).contains(LocalDate.parse("2027-03-02"));
    assertThat(proof.holds(LocalDate.parse("2027-03-02"))).isTrue();
    assertThat(proof.holds(LocalDate.parse("2027-03-03"))).isFalse();
  }

  @Test
  void aShorterTimeBetweenProofsIsDueEarlier() {
    Project project = Demo.project();
    StopUse use = stop(project).use().withTestMonths(3);
    Project often =
        proved(StopEdits.use(stop(project), "months", use).change().apply(project), DAY);
    assertThat(proof(often).due()).contains(LocalDate.parse("2026-06-02"));
  }

  /** Ramp and delay belong to what was proved; the name of the line does not. */
  @Test
  void aChangeOfTheStopMakesItsProofStale() {
    Project before = proved(Demo.project(), DAY);
    Project hanging =
        StopEdits.change(stop(before).withLoad(true, true), "suspended load")
            .change()
            .apply(before);
    assertThat(proof(hanging).state()).isNotEqualTo(AxisProof.State.PROVEN);
    assertThat(proof(before.withName("Another line")).state()).isEqualTo(AxisProof.State.PROVEN);
  }

  /** A stop beside it that does not stop: nothing is proven, and the list says so. */
  @Test
  void aStopThatDoesNotStopBarsTheProof() {
    Project project = proved(Demo.project(), DAY);
    StopFunction guard = stop(project);
    String drive = project.axis("rinse-drum").orElseThrow().drive();
    Project bridged =
        project
            .with(new Wire("x1", new TerminalRef(drive, "P24"), new TerminalRef(drive, "STO1")))
            .with(new Wire("x2", new TerminalRef(drive, "P24"), new TerminalRef(drive, "STO2")));
    StopProof proof = proof(bridged);
    assertThat(proof.state()).isNotEqualTo(AxisProof.State.PROVEN);
    assertThat(proof.holds(LocalDate.parse("2026-03-03"))).isFalse();
    ProofList list = StopProof.list(bridged, evidence(bridged), QuantityFormat.PLAIN);
    assertThat(list.rows()).isEmpty();
    assertThat(list.text())
        .contains(guard.name() + ": does not stop")
        .contains("cannot be proved before it is fixed")
        .doesNotContain(" ms")
        .doesNotContain("PL ");
  }

  /** Cold checks first, then what is seen with power on, the turning shaft last. */
  @Test
  void theListGoesFromColdToMoving() {
    List<String> keys =
        evidence(Demo.project()).predictions().stream()
            .map(Prediction::key)
            .filter(k -> k.startsWith(StopPredictions.PREFIX))
            .map(k -> k.substring(k.indexOf('.', StopPredictions.PREFIX.length()) + 1))
            .toList();
    assertThat(keys).startsWith("delay", "jumper", "volts.released.1", "volts.demanded.1");
    assertThat(keys).endsWith("ramp", "standstill", "torque.off");
    assertThat(keys.indexOf("status.reset.held")).isLessThan(keys.indexOf("status.reset"));
    assertThat(keys).contains("status.channel.1", "status.channel.2").doesNotHaveDuplicates();
  }

  /** A safe torque off input rests at its 24 V and falls to nothing on demand (common practice). */
  @Test
  void theMeterShouldShowSupplyAndNothing() {
    for (Prediction prediction : evidence(Demo.project()).predictions()) {
      if (prediction.key().contains(".volts.")
          && prediction.key().startsWith(StopPredictions.PREFIX)) {
        double volts = ((Expectation.Amount) prediction.expectation()).value();
        if (prediction.key().contains("released")) {
          assertThat(volts).isBetween(20.4, 24.5);
        } else {
          assertThat(volts).isBetween(-0.1, 1.0);
        }
      }
    }
  }

  @Test
  void bypassAndReasonStandOnTheList() {
    Project project = Demo.project();
    SafetyNote bypass =
        new SafetyNote(
            "rinse-drum", SafetyNote.Kind.BYPASS, "guard bridged", "A. Tester", DAY, null, null);
    Project with = StopEdits.note(bypass).change().apply(project);
    assertThat(list(with).text()).contains("guard bridged; STILL THERE");
    Project removed =
        StopEdits.removeBypass(bypass, "B. Tester", "2026-03-03T09:00:00Z").change().apply(with);
    assertThat(list(removed).text()).contains("removed 2026-03-03T09:00:00Z by B. Tester");
    assertThat(proof(removed).mayGoOn()).isFalse();
    SafetyNote reason =
        new SafetyNote(
            "rinse-drum", SafetyNote.Kind.GOING_ON, "dry run", "A. Tester", DAY, null, null);
    assertThat(proof(StopEdits.note(reason).change().apply(project)).mayGoOn()).isTrue();
  }

  private static ProofList list(Project project) {
    return StopProof.list(project, evidence(project), QuantityFormat.PLAIN);
  }

  /** On paper as in the text: every test, its number, and room to write where nothing was seen. */
  @Test
  void thePrintedListHasEveryTest() throws Exception {
    ProofList list = list(Demo.project());
    Path file = folder.resolve("list.pdf");
    ProofLists.write(list, file);
    try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
      assertThat(pdf.getNumberOfPages()).isGreaterThan(1);
      String text = new PDFTextStripper().getText(pdf).replaceAll("\\s+", " ");
      for (ProofList.Row row : list.rows()) {
        assertThat(text).contains("%d %s".formatted(row.number(), row.what()));
        assertThat(text).contains("expected " + row.expected());
      }
      assertThat(text).contains("seen ____").contains("page 2");
    }
    Path words = folder.resolve("list.txt");
    ProofLists.write(list, words);
    assertThat(Files.readString(words)).isEqualTo(list.text());
  }

  @Test
  void anUnknownEndingAndAnEmptyListAreRefused() {
    assertThatThrownBy(() -> ProofLists.write(list(Demo.project()), folder.resolve("list.docx")))
        .hasMessageContaining("'list.docx'")
        .hasMessageContaining(".pdf or .txt");
    Project none =
        StopEdits.remove(SheetLibrary.catalogue(), stop(Demo.project()))
            .change()
            .apply(Demo.project());
    assertThatThrownBy(() -> ProofLists.write(list(none), folder.resolve("list.pdf")))
        .hasMessageContaining("nothing to prove");
    assertThat(folder.resolve("list.pdf")).doesNotExist();
  }
}
