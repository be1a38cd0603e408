package unimotus.workbench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.HashSet;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import unimotus.core.machine.Project;
import unimotus.core.machine.Reading;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.Verdict;
import unimotus.core.review.AxisReview;
import unimotus.core.review.LineReview;
import unimotus.formats.sheet.SheetLibrary;

/** The list goes to the cabinet with blanks and comes back filled in. */
class ReadingListsTest {
  private static final Clock CLOCK =
      Clock.fixed(Instant.parse("2026-01-02T03:04:05Z"), ZoneOffset.UTC);

  @TempDir Path folder;

  private final Project project = Demo.project();
  private final Evidence fan = evidence("drying-fan");

  private Evidence evidence(String id) {
    return evidence(project, id);
  }

  private static Evidence evidence(Project project, String id) {
    AxisReview review =
        LineReview.of(project, SheetLibrary.catalogue()).axes().stream()
            .filter(a -> a.axis().id().equals(id))
            .findFirst()
            .orElseThrow();
    return Evidence.of(project, review);
  }

  private ReadingLists.Read read(Path file) throws IOException {
    return ReadingLists.read(file, fan, DisplayUnits.METRIC, "A. Tester", CLOCK);
  }

  @Test
  void whatCameBackUnchangedIsNotMeasuredAgain() throws IOException {
    Path file = folder.resolve("list.csv");
    ReadingLists.write(fan.proof().verdicts(), file);
    assertThat(read(file).readings()).isEmpty();
    assertThat(read(file).problems()).isEmpty();
  }

  @Test
  void blanksThatWereFilledInBecomeReadings() throws IOException {
    Path file = folder.resolve("list.csv");
    ReadingLists.write(fan.proof().verdicts(), file);
    Verdict open =
        fan.proof().verdicts().stream()
            .filter(v -> v.reading() == null && v.prediction().key().equals("ref50.shaft"))
            .findFirst()
            .orElseThrow();
    String filled =
        Files.readString(file)
            .lines()
            .map(
                l ->
                    l.startsWith(open.prediction().key() + ",")
                        ? l.replaceFirst(",,rpm,,$", ",731.5,rpm,belt slips,photos/belt.jpg")
                        : l)
            .reduce("", (a, b) -> a + b + "\r\n");
    Files.writeString(file, filled);
    ReadingLists.Read read = read(file);
    assertThat(read.problems()).isEmpty();
    assertThat(read.readings())
        .singleElement()
        .satisfies(
            r -> {
              assertThat(r.prediction()).isEqualTo("ref50.shaft");
              assertThat(r.amount()).isEqualTo(731.5);
              assertThat(r.by()).isEqualTo("A. Tester");
              assertThat(r.note()).isEqualTo("belt slips");
              assertThat(r.photo()).isEqualTo("photos/belt.jpg");
              assertThat(r.takenAt()).isEqualTo("2026-01-02T03:04:05Z");
            });
    Project after = ReadingLists.record(read, "list.csv").change().apply(project);
    assertThat(after.readings()).hasSize(project.readings().size() + 1);
  }

  /** A note that came back beside an old reading is kept; the reading is not taken anew. */
  @Test
  void aNoteBesideAReadingOnRecordIsKeptWithoutMeasuringAgain() throws IOException {
    Path file = folder.resolve("list.csv");
    ReadingLists.write(fan.proof().verdicts(), file);
    String noted =
        Files.readString(file)
            .lines()
            .map(l -> l.startsWith("permission.open,") ? l.replaceFirst(",,$", ",by lamp,") : l)
            .reduce("", (a, b) -> a + b + "\r\n");
    Files.writeString(file, noted + "ref75.shaft,,,,,,,,nothing measured,\r\n");
    ReadingLists.Read read = read(file);
    assertThat(read.readings()).isEmpty();
    assertThat(read.notes()).singleElement().extracting(Reading::note).isEqualTo("by lamp");
    assertThat(read.problems())
        .singleElement()
        .asString()
        .contains("'ref75.shaft' has a note but nothing was measured");
    Project after = ReadingLists.record(read, "list.csv").change().apply(project);
    assertThat(after.readings()).hasSameSizeAs(project.readings());
    Reading before = reading(project, "permission.open");
    assertThat(reading(after, "permission.open"))
        .isEqualTo(before.with().note("by lamp").photo("").build());
  }

  private static Reading reading(Project of, String prediction) {
    return of.readings().stream()
        .filter(r -> r.axis().equals("drying-fan") && r.prediction().equals(prediction))
        .findFirst()
        .orElseThrow();
  }

  @Test
  void theListIsPrintedPlaceByPlaceWithBlanks() throws IOException {
    Path file = folder.resolve("list.txt");
    ReadingLists.print(
        "Kelp line",
        "Drying fan",
        ProveWalk.PLACES.stops(fan.proof().verdicts()),
        DisplayUnits.METRIC.format(),
        file);
    String text = Files.readString(file);
    long open = fan.proof().verdicts().stream().filter(v -> v.reading() == null).count();
    assertThat(text).startsWith("Readings to take: Kelp line, Drying fan");
    assertThat(text.split("seen __________", -1)).hasSize((int) open + 1);
    Path pdf = folder.resolve("list.pdf");
    ReadingLists.print(
        "Kelp line",
        "Drying fan",
        ProveWalk.PROVING.stops(fan.proof().verdicts()),
        DisplayUnits.METRIC.format(),
        pdf);
    assertThat(Files.readAllBytes(pdf)).startsWith("%PDF".getBytes(StandardCharsets.US_ASCII));
  }

  @Test
  void whatCannotBeUsedIsNamedAndTheRestIsTaken() throws IOException {
    Path file = folder.resolve("list.csv");
    Files.writeString(
        file,
        "key,measured,unit\nref50.shaft,730,rpm\nref51.shaft,1,rpm\nref75.shaft,fast,rpm\n"
            + "permission.run,dancing,\nref25.shaft,5,V\n",
        StandardCharsets.UTF_8);
    ReadingLists.Read read = read(file);
    assertThat(read.readings()).extracting(Reading::prediction).containsExactly("ref50.shaft");
    assertThat(read.problems()).hasSize(4);
    assertThat(read.problems().get(0))
        .isEqualTo("line 3: 'ref51.shaft' is no prediction of this axis");
    assertThat(read.problems().get(1)).startsWith("line 4: ").contains("fast");
    assertThat(read.problems().get(2)).startsWith("line 5: ").contains("dancing");
    assertThat(read.problems().get(3)).startsWith("line 6: ").contains("V");
  }

  /** The list has points; a reader who writes commas gets it back unchanged all the same. */
  @Test
  void theListOfOneReaderIsThatOfAnother() throws IOException {
    Project precise =
        project.with(
            fan.reading(
                find("ref50.shaft"), "731.125", DisplayUnits.METRIC, "tachometer", "A", CLOCK));
    Evidence evidence = evidence(precise, "drying-fan");
    Path file = folder.resolve("list.csv");
    ReadingLists.write(evidence.proof().verdicts(), file);
    ReadingLists.Read read =
        ReadingLists.read(
            file, evidence, DisplayUnits.METRIC.withDecimalMark(','), "A. Tester", CLOCK);
    assertThat(read.problems()).isEmpty();
    assertThat(read.readings()).isEmpty();
  }

  /** A list of before a change does not make its readings fresh: nobody has measured again. */
  @Test
  void whatWasMeasuredBeforeAChangeIsNotMadeFresh() throws IOException {
    Path before = folder.resolve("before.csv");
    ReadingLists.write(fan.proof().verdicts(), before);
    Project changed =
        Edits.reference(
                "drying-fan", "full speed", fan.axis().axis().reference().withSpeedAtFull(1400))
            .change()
            .apply(project);
    Evidence after = evidence(changed, "drying-fan");
    long stale =
        after.proof().verdicts().stream()
            .filter(v -> v.reading() != null && !v.changed().isEmpty())
            .count();
    assertThat(stale).isPositive();
    ReadingLists.Read read =
        ReadingLists.read(before, after, DisplayUnits.METRIC, "A. Tester", CLOCK);
    assertThat(read.readings()).isEmpty();
    assertThat(read.problems()).hasSize((int) stale).allMatch(p -> p.contains("measure it again"));
    Path now = folder.resolve("now.csv");
    ReadingLists.write(after.proof().verdicts(), now);
    assertThat(ReadingLists.read(now, after, DisplayUnits.METRIC, "A. Tester", CLOCK).problems())
        .isEmpty();
  }

  private Prediction find(String key) {
    return fan.predictions().stream().filter(p -> p.key().equals(key)).findFirst().orElseThrow();
  }

  @Test
  void aReadingIsSomebodys() {
    assertThatThrownBy(
            () ->
                ReadingLists.read(folder.resolve("none.csv"), fan, DisplayUnits.METRIC, " ", CLOCK))
        .hasMessageContaining("enter your name first");
  }

  /** Every row once in either walk; place by place no place is visited twice. */
  @Test
  void aWalkVisitsEachPlaceOnce() {
    List<Verdict> verdicts = fan.proof().verdicts();
    for (ProveWalk walk : ProveWalk.values()) {
      assertThat(walk.stops(verdicts).stream().flatMap(s -> s.verdicts().stream()))
          .as(walk.label())
          .containsExactlyInAnyOrderElementsOf(verdicts);
    }
    assertThat(ProveWalk.PROVING.stops(verdicts).stream().flatMap(s -> s.verdicts().stream()))
        .containsExactlyElementsOf(verdicts);
    List<String> places =
        ProveWalk.PLACES.stops(verdicts).stream().map(s -> s.title() + s.words()).toList();
    assertThat(new HashSet<>(places)).hasSameSizeAs(places);
    assertThat(places.size()).isLessThan(ProveWalk.PROVING.stops(verdicts).size());
  }
}
