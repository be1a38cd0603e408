package unimotus.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.fieldbus.RegisterMap;
import unimotus.core.machine.FieldbusLink;
import unimotus.core.machine.Project;
import unimotus.core.machine.StepDesign;
import unimotus.core.machine.StopApproach;
import unimotus.core.machine.StopUse;
import unimotus.core.machine.WireMake;
import unimotus.core.profile.DriveProfiles;
import unimotus.core.sheet.ServoPlate;
import unimotus.core.value.ValueRole;
import unimotus.formats.json.FileFault;
import unimotus.formats.json.Json;
import unimotus.formats.project.ProjectFile;
import unimotus.formats.project.UnsavedCopies;

class ProjectFileTest {
  private static final String SAMPLE = text(Samples.project("Sample"));

  @TempDir private Path folder;

  private static String text(Project project) {
    return new String(ProjectFile.write(project), StandardCharsets.UTF_8);
  }

  private static FileFault fault(String text) {
    FileFault fault =
        catchThrowableOfType(
            FileFault.class,
            () -> ProjectFile.read("line.unimotus.json", text.getBytes(StandardCharsets.UTF_8)));
    assertThat(fault)
        .as("a fault for %s", text.substring(0, Math.min(60, text.length())))
        .isNotNull();
    assertThat(fault.getMessage()).startsWith("line.unimotus.json");
    return fault;
  }

  private static int lineOf(String part) {
    return (int) SAMPLE.substring(0, SAMPLE.indexOf(part)).lines().count();
  }

  @Test
  void whatIsSavedIsReadBack() throws IOException {
    Project project = Samples.project("Sample");
    Path file = folder.resolve("sample.unimotus.json");
    ProjectFile.save(file, project);
    ProjectFile.Loaded loaded = ProjectFile.load(file);
    assertThat(loaded.project()).isEqualTo(project);
    assertThat(loaded.readOnly()).isFalse();
  }

  /** Version 15 knew neither sequences nor switches along a travel. */
  @Test
  void aFileOfVersion15HasNoSequenceAndNoSwitch() throws IOException {
    ObjectNode document = (ObjectNode) Json.strict().readTree(SAMPLE);
    document.put("version", 15);
    document.remove("sequences");
    ObjectNode steps = (ObjectNode) document.at("/axes/0/motion/steps");
    steps.remove(List.of("creep", "switches"));
    Project read =
        ProjectFile.read("old", document.toString().getBytes(StandardCharsets.UTF_8)).project();
    assertThat(read.sequences()).isEmpty();
    StepDesign stepping = read.axes().get(0).motion().stepping();
    assertThat(stepping.switches()).isEmpty();
    assertThat(stepping.creep()).isZero();
    assertThat(stepping.startHertz()).as("the rest stays").isEqualTo(500);
  }

  @Test
  void writingIsStable() {
    assertThat(text(Samples.project("Sample"))).isEqualTo(SAMPLE);
  }

  @Test
  void keysAreSortedThroughout() throws IOException {
    assertSorted(Json.strict().readTree(SAMPLE));
  }

  private static void assertSorted(JsonNode node) {
    List<String> keys = new ArrayList<>();
    node.fieldNames().forEachRemaining(keys::add);
    List<String> sorted = new ArrayList<>(keys);
    Collections.sort(sorted);
    assertThat(keys).isEqualTo(sorted);
    node.forEach(ProjectFileTest::assertSorted);
  }

  @Test
  void everyLeafHasALineOfItsOwn() {
    assertThat(SAMPLE.lines())
        .allSatisfy(l -> assertThat(l.split(": ", -1).length).isLessThanOrEqualTo(2));
    assertThat(SAMPLE).endsWith("}\n").contains("\"L21\": 50.5").contains("Drive ü");
  }

  @Test
  void theVersionBeforeIsKept() throws IOException {
    Path file = folder.resolve("sample.unimotus.json");
    ProjectFile.save(file, Samples.project("first"));
    ProjectFile.save(file, Samples.project("second"));
    assertThat(ProjectFile.load(file).project().name()).isEqualTo("second");
    assertThat(ProjectFile.load(ProjectFile.previous(file)).project().name()).isEqualTo("first");
    try (var files = Files.list(folder)) {
      assertThat(files).hasSize(2);
    }
  }

  @Test
  void aSaveThatCannotBeWrittenLeavesTheOldFile() throws IOException {
    Path file = folder.resolve("sample.unimotus.json");
    ProjectFile.save(file, Samples.project("first"));
    Files.createDirectory(folder.resolve("sample.unimotus.json.writing"));
    Files.createFile(folder.resolve("sample.unimotus.json.writing").resolve("in the way"));
    assertThatThrownBy(() -> ProjectFile.save(file, Samples.project("second")))
        .isInstanceOf(IOException.class);
    assertThat(ProjectFile.load(file).project().name()).isEqualTo("first");
  }

  @Test
  void unsavedWorkIsKeptBesideTheFileForEachWindow() throws IOException {
    Path file = folder.resolve("sample.unimotus.json");
    ProjectFile.save(file, Samples.project("saved"));
    Path one = UnsavedCopies.copy(file, "1-0");
    Path two = UnsavedCopies.copy(file, "2-0");
    UnsavedCopies.keep(one, Samples.project("one"));
    UnsavedCopies.keep(two, Samples.project("two"));
    Files.setLastModifiedTime(one, FileTime.fromMillis(1_000_000));
    assertThat(abandoned(file, "")).isEqualTo("two");
    assertThat(abandoned(file, "2-0")).as("of a window that is still open").isEqualTo("one");
    UnsavedCopies.forget(two);
    assertThat(abandoned(file, "")).isEqualTo("one");
    Files.writeString(one, "{ broken");
    assertThat(abandoned(file, "")).as("unreadable work is passed over").isEmpty();
    assertThat(one).as("and left where it is").exists();
  }

  private static String abandoned(Path file, String open) {
    return UnsavedCopies.abandoned(file, open::equals).map(u -> u.project().name()).orElse("");
  }

  @Test
  void aMissingFileIsNamed() {
    assertThatThrownBy(() -> ProjectFile.load(folder.resolve("nowhere.unimotus.json")))
        .isInstanceOf(NoSuchFileException.class)
        .hasMessageContaining("nowhere.unimotus.json");
  }

  @Test
  void anEmptyFileIsNeverAnEmptyProject() {
    assertThat(fault("").getMessage()).contains("empty").contains("unimotus-project");
    assertThat(fault("   \n ").line()).isPositive();
    assertThat(fault("{}").getMessage()).contains("no such \"format\"");
    assertThat(fault("[]").getMessage()).contains("unimotus-project");
    assertThat(fault("null").getMessage()).contains("unimotus-project");
  }

  @ParameterizedTest
  @CsvSource({"0.1", "0.35", "0.5", "0.77", "0.99"})
  void aTruncatedFileNamesTheLineWhereItEnds(double share) {
    String cut = SAMPLE.substring(0, (int) (SAMPLE.length() * share));
    FileFault fault = fault(cut);
    assertThat(fault.line())
        .isBetween((int) cut.lines().count() - 1, (int) cut.lines().count() + 1);
    assertThat(fault.problem()).contains("not readable as JSON");
  }

  @Test
  void aHugeFileIsRefusedBeforeItIsRead() throws IOException {
    Path file = folder.resolve("huge.unimotus.json");
    try (RandomAccessFile sparse = new RandomAccessFile(file.toFile(), "rw")) {
      sparse.setLength(3L << 30);
    }
    assertThatThrownBy(() -> ProjectFile.load(file))
        .isInstanceOf(FileFault.class)
        .hasMessageContaining("3072 MB")
        .hasMessageContaining("64 MB");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "\"gearRatio\": 20.0 | \"gearRatio\": \"twenty\" | axes/0/mechanics/gearRatio | \"gearRatio\": 20.0",
        "\"gearRatio\": 20.0 | \"gearRatio\": -3 | axes/0/mechanics/gearRatio | \"gearRatio\": 20.0",
        "\"powerFactor\": 0.81 | \"powerFactor\": 1.81 | motors/0/plate/powerFactor | \"powerFactor\": 0.81",
        "\"id\": \"plc\" | \"id\": \"The PLC!\" | controllers/0/id | \"id\": \"plc\"",
        "\"L21\": 50.5 | \"L21\": [1] | drives/0/settings/L21 | \"L21\": 50.5",
        "\"C40\": \"terminals\" | \"C40\": null | drives/0/settings/C40 | \"C40\": \"terminals\"",
        "\"programFullScaleCounts\": 27648 | \"programFullScaleCounts\": 27648.5 | axes/0/answer/programFullScaleCounts | \"programFullScaleCounts\": 27648"
      })
  void aWrongValueIsToldWithItsPlaceAndLine(String good, String bad, String place, String where) {
    FileFault fault =
        fault(
            SAMPLE.replaceFirst(
                java.util.regex.Pattern.quote(good),
                java.util.regex.Matcher.quoteReplacement(bad)));
    assertThat(fault.getMessage()).contains(place);
    assertThat(fault.line()).isEqualTo(lineOf(where));
  }

  @Test
  void aKeyNobodyKnowsIsNotPassedOver() {
    FileFault fault =
        fault(SAMPLE.replaceFirst("\"note\": \"note\"", "\"note\": \"note\", \"colour\": 3"));
    assertThat(fault.getMessage()).contains("colour");
    assertThat(fault.line()).isPositive();
  }

  @Test
  void aKeyGivenTwiceIsRefused() {
    assertThat(
            fault(
                    SAMPLE.replaceFirst(
                        "\"name\": \"Drum\"", "\"name\": \"Drum\", \"name\": \"Dram\""))
                .getMessage())
        .contains("name");
  }

  @Test
  void contradictionsTheSchemaCannotSeeAreToldToo() {
    FileFault twice = fault(SAMPLE.replaceFirst("\"id\": \"b\"", "\"id\": \"a\""));
    assertThat(twice.getMessage()).contains("axis id 'a' is used twice");
    FileFault span =
        fault(
            SAMPLE.replaceFirst("\"frequencyAtZeroHertz\": 0.0", "\"frequencyAtZeroHertz\": 50.0"));
    assertThat(span.getMessage()).contains("frequency must rise");
    assertThat(span.line()).isPositive();
  }

  @ParameterizedTest
  @CsvSource({"0", "-1", "1.5", "\"1\"", "null"})
  void aVersionMustBeAWholeNumberFromOne(String version) {
    assertThat(
            fault(SAMPLE.replace("\"version\": " + ProjectFile.VERSION, "\"version\": " + version))
                .getMessage())
        .contains("version");
  }

  @Test
  void aFileOfTheFirstVersionOpensWithPlainWiresAndWithoutParts() throws IOException {
    byte[] bytes =
        ProjectFileTest.class
            .getResourceAsStream("/unimotus/version-1.unimotus.json")
            .readAllBytes();
    ProjectFile.Loaded loaded = ProjectFile.read("version-1", bytes);
    assertThat(loaded.readOnly()).isFalse();
    assertThat(loaded.project().parts()).isEmpty();
    assertThat(loaded.project().wires()).hasSize(19);
    assertThat(loaded.project().wires())
        .allSatisfy(w -> assertThat(w.make()).isEqualTo(WireMake.PLAIN));
    assertThat(new String(ProjectFile.write(loaded.project()), StandardCharsets.UTF_8))
        .contains("\"version\": " + ProjectFile.VERSION);
  }

  @Test
  void aFileOfTheSecondVersionOpensWithoutStops() throws IOException {
    byte[] bytes =
        ProjectFileTest.class
            .getResourceAsStream("/unimotus/version-2.unimotus.json")
            .readAllBytes();
    ProjectFile.Loaded loaded = ProjectFile.read("version-2", bytes);
    assertThat(loaded.readOnly()).isFalse();
    assertThat(loaded.project().stops()).isEmpty();
    assertThat(loaded.project().notes()).isEmpty();
    assertThat(loaded.project().wires()).hasSize(26);
    assertThat(loaded.project().readings()).isNotEmpty();
  }

  @Test
  void aFileOfTheThirdVersionOpensWithoutRecords() throws IOException {
    byte[] bytes =
        ProjectFileTest.class
            .getResourceAsStream("/unimotus/version-3.unimotus.json")
            .readAllBytes();
    ProjectFile.Loaded loaded = ProjectFile.read("version-3", bytes);
    assertThat(loaded.readOnly()).isFalse();
    assertThat(loaded.project().records()).isEmpty();
    assertThat(loaded.project().stops()).hasSize(1);
  }

  /** A unit number is 1 to 247 (Modbus over Serial Line V1.02, from memory). */
  @Test
  void anImpossibleUnitNumberIsToldWithItsPlace() {
    String wrong = SAMPLE.replace("\"unit\": 3", "\"unit\": 300");
    assertThat(wrong).isNotEqualTo(SAMPLE);
    assertThat(fault(wrong).getMessage()).contains("records/0/fieldbus/unit").contains("247");
    String bit = SAMPLE.replaceFirst("\"bit\": 0", "\"bit\": 16");
    assertThat(bit).isNotEqualTo(SAMPLE);
    assertThat(fault(bit).getMessage()).contains("words/control/0/bit").contains("15");
    String role = SAMPLE.replace("\"role\": \"reference\"", "\"role\": \"speed\"");
    assertThat(role).isNotEqualTo(SAMPLE);
    assertThat(fault(role).getMessage()).contains("registers/0/value/role");
  }

  @Test
  void aFileOfTheFourthVersionKeepsItsRegistersAndGetsTheUsualWords() throws IOException {
    byte[] bytes =
        ProjectFileTest.class
            .getResourceAsStream("/unimotus/version-4.unimotus.json")
            .readAllBytes();
    ProjectFile.Loaded loaded = ProjectFile.read("version-4", bytes);
    assertThat(loaded.readOnly()).isFalse();
    FieldbusLink link = loaded.project().record("drive").fieldbus();
    assertThat(link.wordProfile()).isEqualTo(DriveProfiles.CIA_402_VELOCITY);
    assertThat(link.unit()).isEqualTo(1);
    assertThat(link.map().entry(ValueRole.REFERENCE).orElseThrow().address()).isEqualTo(1);
  }

  /** A guard lock of version 5 had no approach; what it was used for stays. */
  @Test
  void aFileOfTheFifthVersionKeepsTheUseOfItsStops() throws IOException {
    byte[] bytes =
        ProjectFileTest.class
            .getResourceAsStream("/unimotus/version-5.unimotus.json")
            .readAllBytes();
    StopUse use = ProjectFile.read("version-5", bytes).project().stops().get(0).use();
    assertThat(use.approach().kind()).isEqualTo(StopApproach.Kind.NONE);
    assertThat(use.commonCause()).contains("EMC");
    assertThat(use.tests().months()).isEqualTo(12);
    assertThat(use.exclusions()).isEmpty();
  }

  /** Version 6 knew no preset speeds: two wired preset inputs are there, and nothing is wanted. */
  @Test
  void aFileOfTheSixthVersionWantsNoPresets() throws IOException {
    byte[] bytes =
        ProjectFileTest.class
            .getResourceAsStream("/unimotus/version-6.unimotus.json")
            .readAllBytes();
    ProjectFile.Loaded loaded = ProjectFile.read("version-6", bytes);
    assertThat(loaded.readOnly()).isFalse();
    assertThat(loaded.project().axes().get(0).reference().presets()).isEmpty();
    assertThat(loaded.project().intents()).hasSize(2);
  }

  /** Version 7 knew no reference that an operator sets; a program sets all of them. */
  @Test
  void aFileOfTheSeventhVersionIsCommandedByPrograms() throws IOException {
    byte[] bytes =
        ProjectFileTest.class
            .getResourceAsStream("/unimotus/version-7.unimotus.json")
            .readAllBytes();
    ProjectFile.Loaded loaded = ProjectFile.read("version-7", bytes);
    assertThat(loaded.readOnly()).isFalse();
    assertThat(loaded.project().axes()).allMatch(a -> a.reference().local() == null);
  }

  /** Version 8 kept value and place of a register in one; ten registers of the belt's drive. */
  @Test
  void theRegistersOfAFileOfTheEighthVersionStandWhereTheyStood() throws IOException {
    byte[] bytes =
        ProjectFileTest.class
            .getResourceAsStream("/unimotus/version-8.unimotus.json")
            .readAllBytes();
    ProjectFile.Loaded loaded = ProjectFile.read("version-8", bytes);
    RegisterMap map = loaded.project().record("belt-drive").fieldbus().map();
    assertThat(map.doubts()).isEmpty();
    RegisterEntry reference = map.entry(ValueRole.REFERENCE).orElseThrow();
    JsonNode before = register(bytes, reference.name());
    assertThat(reference.address()).isEqualTo(before.get("address").asInt());
    assertThat(reference.scale()).isEqualTo(before.get("scale").asDouble());
    assertThat(reference.unit()).isEqualTo(before.get("unit").asText());
    assertThat(reference.maximum()).isEqualTo(before.get("maximum").asDouble());
    assertThat(reference.group()).isEqualTo(before.get("group").asText());
  }

  private static JsonNode register(byte[] file, String name) throws IOException {
    for (JsonNode record : new ObjectMapper().readTree(file).get("records")) {
      for (JsonNode register : record.get("fieldbus").get("registers")) {
        if (register.get("name").asText().equals(name)) {
          return register;
        }
      }
    }
    throw new AssertionError(name);
  }

  @Test
  void aNewerVersionOpensForReadingOnlyAndPassesOverWhatItDoesNotKnow() throws IOException {
    String newer =
        SAMPLE
            .replace(
                "\"version\": " + ProjectFile.VERSION, "\"version\": " + (ProjectFile.VERSION + 1))
            .replaceFirst("\"note\": \"note\"", "\"note\": \"note\", \"novelty\": {\"x\": 1}");
    ProjectFile.Loaded loaded = ProjectFile.read("x", newer.getBytes(StandardCharsets.UTF_8));
    assertThat(loaded.readOnly()).isTrue();
    assertThat(loaded.project().axes()).hasSize(4);
  }

  @Test
  void aNewerVersionThatCannotBeReadSaysSo() {
    String newer =
        SAMPLE
            .replace(
                "\"version\": " + ProjectFile.VERSION, "\"version\": " + (ProjectFile.VERSION + 1))
            .replaceFirst("\"axes\"", "\"spindles\"");
    assertThat(fault(newer).getMessage())
        .contains(
            "version %d is newer than this program's %d"
                .formatted(ProjectFile.VERSION + 1, ProjectFile.VERSION));
  }

  @Test
  void noMutationOfAFileCrashesTheReader() {
    Random random = new Random(7);
    byte[] good = SAMPLE.getBytes(StandardCharsets.UTF_8);
    int refused = 0;
    for (int i = 0; i < 400; i++) {
      byte[] bad = good.clone();
      for (int n = 0; n < 1 + random.nextInt(4); n++) {
        bad[random.nextInt(bad.length)] = (byte) (32 + random.nextInt(95));
      }
      try {
        ProjectFile.read("mutated", bad);
      } catch (FileFault fault) {
        refused++;
        assertThat(fault.getMessage()).startsWith("mutated");
      }
    }
    assertThat(refused).isGreaterThan(200);
  }

  @Test
  void deeplyNestedRubbishIsRefused() {
    assertThat(fault("[".repeat(5000)).getMessage()).contains("not readable as JSON");
  }

  /** Version 11 knew stations, but not what a servo axis is to do, nor all of its plate. */
  @Test
  void aFileOfTheEleventhVersionHasServoAxesWithoutMoves() throws IOException {
    byte[] bytes =
        ProjectFileTest.class
            .getResourceAsStream("/unimotus/version-11.unimotus.json")
            .readAllBytes();
    Project project = ProjectFile.read("version-11", bytes).project();
    assertThat(project.stations()).hasSize(2);
    assertThat(project.axes()).allSatisfy(a -> assertThat(a.motion()).isNull());
    assertThat(project.motors())
        .filteredOn(m -> m.plate() instanceof ServoPlate)
        .hasSize(2)
        .allSatisfy(m -> assertThat(((ServoPlate) m.plate()).peakNewtonMetres()).isZero());
  }
}
