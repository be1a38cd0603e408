package unimotus.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import unimotus.core.machine.Drive;
import unimotus.core.machine.Part;
import unimotus.core.machine.Project;
import unimotus.core.machine.Wire;
import unimotus.core.sheet.SettingValue;
import unimotus.formats.project.ProjectFile;

/**
 * {@code stops} on ten panels unlike the demo's, right and spoilt in three ways each. What has to
 * come out of each is common practice of the trade.
 */
class StopPanelsTest {
  @TempDir private Path folder;
  private int status;

  private JsonNode stops(Project project) throws IOException {
    Path file = folder.resolve(project.name() + ProjectFile.SUFFIX);
    Files.write(file, ProjectFile.write(project));
    StringWriter out = new StringWriter();
    StringWriter err = new StringWriter();
    status =
        Main.run(
            new PrintWriter(out, true),
            new PrintWriter(err, true),
            "stops",
            file.toString(),
            "--axis",
            "belt",
            "--json");
    assertThat(err.toString()).isEmpty();
    return new ObjectMapper().readTree(out.toString()).get(0);
  }

  private static Project kept(String name) throws IOException {
    try (var in =
        StopPanelsTest.class.getResourceAsStream(
            "/unimotus/panels/%s.unimotus.json".formatted(name))) {
      return ProjectFile.read(name, in.readAllBytes()).project();
    }
  }

  static List<String> names() {
    return new ArrayList<>(StopPanels.all().keySet());
  }

  @ParameterizedTest
  @MethodSource("names")
  void theKeptFilesAreWhatTheListsSay(String name) throws IOException {
    Project built = StopPanels.all().get(name);
    String folder = System.getProperty("panels.write", "");
    if (!folder.isEmpty()) {
      Files.write(Path.of(folder, name + ProjectFile.SUFFIX), ProjectFile.write(built));
    }
    assertThat(kept(name)).isEqualTo(built);
  }

  @ParameterizedTest
  @MethodSource("names")
  void everyRightPanelStops(String name) throws IOException {
    JsonNode stop = stops(kept(name));
    assertThat(stop.get("verdict").asText()).as(stop.toPrettyString()).isEqualTo("stops");
    assertThat(stop.get("weaknesses")).isEmpty();
    assertThat(stop.get("resumption")).isEmpty();
    assertThat(stop.get("lostByOne").asInt()).isZero();
    assertThat(stop.get("category").asText()).startsWith("Stop category");
    assertThat(stop.get("torqueOffSeconds").asDouble()).isPositive();
    assertThat(status).isZero();
  }

  private static Project plus(Project project, String... wires) {
    Project next = project;
    for (String wire : wires) {
      String[] ends = wire.split(" – ");
      next =
          next.with(
              new Wire(
                  "x" + next.wires().size(), StopPanels.ref(ends[0]), StopPanels.ref(ends[1])));
    }
    return next;
  }

  private static Project minus(Project project, String... ends) {
    List<Wire> rest = new ArrayList<>(project.wires());
    for (String end : ends) {
      assertThat(rest.removeIf(w -> w.touches(StopPanels.ref(end)))).as(end).isTrue();
    }
    return project.withWires(rest);
  }

  private static Project select(Project project, String device, String selector, String position) {
    return project.with(project.device(device).orElseThrow().withSelector(selector, position));
  }

  private static Project set(Project project, String drive, String code, String choice) {
    Drive there = project.drive(drive).orElseThrow();
    return project.with(there.withSetting(code, new SettingValue.Choice(choice)));
  }

  private static Project swap(Project project, String one, String other) {
    return project.withWires(
        project.wires().stream()
            .map(
                w ->
                    w.touches(StopPanels.ref(one))
                        ? w.withEnds(w.otherEnd(StopPanels.ref(one)), StopPanels.ref(other))
                        : w.touches(StopPanels.ref(other))
                            ? w.withEnds(w.otherEnd(StopPanels.ref(other)), StopPanels.ref(one))
                            : w)
            .toList());
  }

  static Stream<Arguments> spoilt() {
    Map<String, Project> all = StopPanels.all();
    Project own = all.get("own-supply");
    Project strips = all.get("strips");
    Project before = all.get("contactors-before");
    Project behind = all.get("contactors-behind");
    Project testing = all.get("testing-outputs");
    Project direct = all.get("direct-contacts");
    Project chain = all.get("relay-chain");
    Project shared = all.get("shared-relay");
    Project delayed = all.get("delayed-relay");
    Project single = all.get("single-phase");
    String fails = "does-not-stop";
    String dead = "cannot-be-started";
    return Stream.of(
        of(
            "factory-fitted jumper fitted",
            select(own, "drive", "sto.jumper", "fitted"),
            fails,
            "factory-fitted jumper"),
        of("zeros not connected", minus(own, "drive:COM"), dead, "no conductor connects"),
        of(
            "24 V wired to both channels",
            plus(own, "g1:+ – drive:STO1", "drive:P24 – drive:STO2"),
            fails,
            "connects + of g1 and STO1 of drive"),
        of(
            "both contacts bridged on the strip",
            plus(strips, "x1:1 – x1:2", "x1:3 – x1:4"),
            fails,
            "x1"),
        of("wire forgotten at the strip", minus(strips, "x1:2"), dead, "S12 of sr"),
        of("loop not fed", minus(strips, "b:13"), dead, "never reset"),
        of(
            "coils held by 24 V",
            plus(before, "plc:24V – k1:A1", "plc:24V – k2:A1"),
            fails,
            "connects 24V of plc and A1 of k1"),
        of(
            "main contacts bypassed",
            plus(before, "q0:L1 – drive:L1", "q0:L2 – drive:L2"),
            fails,
            "L1 of drive"),
        of(
            "safe torque off open",
            select(before, "drive", "sto.jumper", "removed"),
            dead,
            "STO1 of drive sees nothing"),
        of("mirror contacts as NO", swap(before, "k1:22", "k1:14"), dead, "never reset"),
        of(
            "motor joined to the mains",
            plus(behind, "q0:L1 – motor:U", "q0:L2 – motor:V"),
            fails,
            "L1 of q0"),
        of("no power wires drawn", unpowered(behind), "cannot-be-told", "main contacts of k1, k2"),
        of("relay without 0 V", minus(behind, "sr:A2"), dead, "A2 of sr"),
        of(
            "cross-fault detection on curtain outputs",
            select(testing, "sr", "cross", "on"),
            dead,
            "is set to on, not to off"),
        of(
            "relay for plain contacts",
            sheet(testing, "sr", "safety-relay-plain"),
            dead,
            "takes the test pulses"),
        of(
            "curtain bridged by 24 V",
            plus(testing, "plc:24V – sr:S12", "plc:24V – sr:S22"),
            fails,
            "connects 24V of plc"),
        of("test pulses crossed", swap(direct, "drive:SA", "drive:SB"), dead, "test pulses"),
        of("fed from the steady 24 V", swap2(direct), dead, "steady voltage"),
        of("drive waits for nothing", minus(direct, "drive:SB"), dead, "SB of drive"),
        of(
            "both relays held",
            plus(chain, "plc:24V – k1:A1", "plc:24V – k2:A1"),
            fails,
            "A1 of k1"),
        of("break contact used", swap(chain, "k1:14", "k1:12"), dead, "STO1 of drive"),
        of("coil without return", minus(chain, "k1:A2"), dead, "A2 of k1"),
        of(
            "ready in the feedback loop",
            set(shared, "drive-2", "O82", "ready"),
            dead,
            "shows 'ready', not 'sto-active'"),
        of(
            "factory-fitted jumper of the other drive",
            select(shared, "drive-2", "sto.jumper", "fitted"),
            fails,
            "factory-fitted jumper over safe torque off of drive-2"),
        of("reset button bridged", plus(shared, "b:13 – b:14"), dead, "reset"),
        of(
            "delayed contacts bridged",
            plus(delayed, "sr:37 – sr:38", "sr:47 – sr:48"),
            fails,
            "of sr"),
        of("late feed missing", minus(delayed, "sr:47"), dead, "47 of sr"),
        of("button never wired", minus(delayed, "s1:11", "s1:21"), dead, "stays open"),
        of(
            "factory-fitted jumper, one phase",
            select(single, "drive", "sto.jumper", "fitted"),
            fails,
            "factory-fitted jumper"),
        of("relay fed the wrong way round", swap(single, "sr:A1", "sr:A2"), dead, "A1 of sr"),
        of(
            "channels shorted together",
            plus(single, "sr:S12 – sr:S22"),
            "cannot-be-told",
            "between off and on"));
  }

  private static Project unpowered(Project project) {
    return minus(project, "k1:1", "k1:3", "k1:5", "k2:2", "k2:4", "k2:6", "k1:2", "k1:4", "k1:6");
  }

  private static Project swap2(Project project) {
    return plus(minus(project, "drive:TA", "drive:TB"), "drive:S+ – s1:11", "drive:S+ – s1:21");
  }

  private static Project sheet(Project project, String part, String sheet) {
    return project.with(new Part(part, part, sheet, Map.of()));
  }

  private static Arguments of(String how, Project project, String verdict, String because) {
    return Arguments.of(project.name() + ": " + how, project, verdict, because);
  }

  /** Of a stop that does not stop no figure is told, in the document or in words. */
  @ParameterizedTest(name = "{0}")
  @MethodSource("spoilt")
  void everySpoiltPanelIsToldWithTheReason(
      String how, Project project, String verdict, String because) throws IOException {
    JsonNode stop = stops(project);
    assertThat(stop.get("verdict").asText()).as(stop.toPrettyString()).isEqualTo(verdict);
    assertThat(stop.get("because").toString()).contains(because);
    assertThat(status).isEqualTo(1);
    for (String figure :
        List.of(
            "level",
            "dangerousPerHour",
            "category",
            "torqueOffSeconds",
            "standstillSeconds",
            "faults")) {
      assertThat(stop.get(figure).isNull()).as(figure).isTrue();
    }
  }

  /** What is right in the main and wrong in one channel: it stops, and it is not left unsaid. */
  static Stream<Arguments> weak() {
    Map<String, Project> all = StopPanels.all();
    return Stream.of(
        of("24 V on one channel", plus(all.get("strips"), "drive:P24 – drive:STO1"), "", "STO1"),
        of("one contact bridged", plus(all.get("own-supply"), "s1:11 – s1:12"), "", "S12"),
        of(
            "one delayed contact bridged",
            plus(all.get("delayed-relay"), "sr:37 – sr:38"),
            "",
            "STO1"),
        of(
            "both contacts in one channel",
            plus(
                minus(all.get("single-phase"), "s1:21", "s1:22", "s1:12"),
                "s1:12 – s1:21",
                "s1:22 – sr:S12",
                "sr:S22 – sr:A2"),
            "",
            "S22"));
  }

  @ParameterizedTest(name = "{0}")
  @MethodSource("weak")
  void aChannelThatDoesNotOpenIsTold(String how, Project project, String unused, String channel)
      throws IOException {
    JsonNode stop = stops(project);
    assertThat(stop.get("verdict").asText()).isEqualTo("stops");
    assertThat(stop.get("weaknesses").toString()).contains(channel);
    assertThat(status).isEqualTo(1);
    assertThat(List.of("a", "b", "c", "null")).contains(stop.get("level").asText());
  }

  /**
   * Joined channels and one contact for both stop, and one fault undoes them: never structure 3.
   */
  @ParameterizedTest
  @ValueSource(strings = {"joined", "one contact"})
  void whatOneFaultUndoesCapsTheFigures(String how) throws IOException {
    Project chain = StopPanels.all().get("relay-chain");
    Project spoilt =
        how.equals("joined")
            ? plus(chain, "drive:STO1 – drive:STO2")
            : plus(minus(chain, "k2:14"), "k1:14 – drive:STO2");
    JsonNode stop = stops(spoilt);
    assertThat(stop.get("verdict").asText()).isEqualTo("stops");
    assertThat(stop.get("lostByOne").asInt()).isPositive();
    assertThat(List.of("a", "b", "c", "null")).contains(stop.get("level").asText());
    assertThat(status).isEqualTo(1);
  }

  /**
   * With the feedback loop bridged a welded contactor is never found: a second one loses the stop.
   */
  @Test
  void aBridgedFeedbackLoopHidesAWeldedContactor() throws IOException {
    Project before = StopPanels.all().get("contactors-before");
    JsonNode right = stops(before);
    JsonNode bridged = stops(plus(before, "k1:21 – k2:22"));
    assertThat(bridged.get("verdict").asText()).isEqualTo("stops");
    assertThat(bridged.get("lostByTwo").asInt()).isGreaterThan(right.get("lostByTwo").asInt());
    assertThat(bridged.get("faults").toString())
        .contains("k1 contacts: does not open\",\"shows\":\"never");
  }

  /** Words for people: the verdict first, nothing of a category where it does not stop. */
  @Test
  void inWordsTheVerdictComesFirst() throws IOException {
    Project project = select(StopPanels.all().get("own-supply"), "drive", "sto.jumper", "fitted");
    Path file = folder.resolve("jumper" + ProjectFile.SUFFIX);
    Files.write(file, ProjectFile.write(project));
    StringWriter out = new StringWriter();
    StringWriter err = new StringWriter();
    int code =
        Main.run(
            new PrintWriter(out, true),
            new PrintWriter(err, true),
            "stops",
            file.toString(),
            "--axis",
            "belt");
    assertThat(code).isEqualTo(1);
    assertThat(out.toString().lines().findFirst()).contains("Emergency stop: DOES NOT STOP");
    assertThat(out.toString())
        .doesNotContain("category")
        .doesNotContain("PL ")
        .doesNotContain("standstill");
  }

  /** Unfinished stops are told, and the file opens all the same. */
  @Test
  void aStopWithoutATriggerIsTold() throws IOException {
    Project project = StopPanels.all().get("own-supply");
    String json = new String(ProjectFile.write(project), StandardCharsets.UTF_8);
    String bare = json.replaceFirst("\"triggers\": \\[\\s*\"s1\"\\s*\\]", "\"triggers\": []");
    assertThat(bare).isNotEqualTo(json);
    JsonNode stop = stops(ProjectFile.read("x", bare.getBytes(StandardCharsets.UTF_8)).project());
    assertThat(stop.get("verdict").asText()).isEqualTo("cannot-be-told");
    assertThat(stop.get("because").toString()).contains("nothing demands it");
    assertThat(status).isEqualTo(1);
  }

  @Test
  void aStopOfADriveWithoutSafetyInputsIsTold() throws IOException {
    Project project = StopPanels.all().get("own-supply");
    Project other =
        project.with(new Drive("drive", "drive", "compact-drive-2kw", Map.of(), Map.of()));
    JsonNode stop = stops(other);
    assertThat(stop.get("verdict").asText()).isEqualTo("cannot-be-told");
    assertThat(stop.get("because").toString()).contains("no input that takes the motion away");
  }

  /** A relay that opens its own coil chatters: nobody can tell what it does. */
  @Test
  void aLoopOfRelaysThatNeverSettlesIsTold() throws IOException {
    Project chain = StopPanels.all().get("relay-chain");
    Project loop = plus(minus(chain, "k1:A1"), "s1:12 – k1:21", "k1:22 – k1:A1");
    JsonNode stop = stops(loop);
    assertThat(stop.get("verdict").asText()).isEqualTo("cannot-be-told");
    assertThat(stop.get("because").toString()).contains("never comes to rest");
  }
}
