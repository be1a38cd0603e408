package unimotus.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import unimotus.core.machine.Controller;
import unimotus.core.machine.DriveRecord;
import unimotus.core.machine.Project;
import unimotus.devices.registers.DriveRegisters;
import unimotus.formats.capture.CaptureFile;
import unimotus.formats.capture.Packet;
import unimotus.formats.capture.TcpConversation;
import unimotus.formats.json.Schema;
import unimotus.formats.project.ProjectFile;
import unimotus.workbench.Demo;

class CommandLineTest {
  private final StringWriter out = new StringWriter();
  private final StringWriter err = new StringWriter();

  @TempDir private Path folder;

  private int run(String... arguments) {
    out.getBuffer().setLength(0);
    err.getBuffer().setLength(0);
    return Main.run(new PrintWriter(out, true), new PrintWriter(err, true), arguments);
  }

  private JsonNode json(String... arguments) throws IOException {
    run(arguments);
    assertThat(err.toString()).isEmpty();
    return new ObjectMapper().readTree(out.toString());
  }

  private Path file(String name, String content) throws IOException {
    Path file = folder.resolve(name);
    Files.writeString(file, content);
    return file;
  }

  /** The demo with nothing chosen for its last axis. */
  private String unfinished() throws IOException {
    Project demo = Demo.project();
    Path file = folder.resolve("unfinished.unimotus.json");
    Files.write(
        file,
        ProjectFile.write(
            demo.with(
                demo.axis("bale-tie").orElseThrow().withDevices("controller-1", null, null))));
    return file.toString();
  }

  @Test
  void checkFindsTheMistakeOfTheDemo() throws IOException {
    assertThat(run("check", "demo")).isEqualTo(1);
    assertThat(out.toString()).contains("ANA-002").contains("I70").contains("1 error, ");
    JsonNode document = json("check", "demo", "--json");
    assertThat(document.get("errors").asInt()).isEqualTo(1);
    assertThat(document.get("findings").get(0).get("code").asText()).isEqualTo("ANA-002");
  }

  @Test
  void checkOfASoundFileSaysSo() throws IOException {
    String sound =
        new String(Demo.bytes(), StandardCharsets.UTF_8)
            .replace("\"I70\": \"0-20 mA\"", "\"I70\": \"4-20 mA\"");
    assertThat(run("check", file("sound.unimotus.json", sound).toString())).isZero();
    assertThat(out.toString()).contains("0 errors, ");
  }

  @Test
  void aFileThatCannotBeReadIsStatusTwoOnStandardError() throws IOException {
    assertThat(run("check", "nowhere.unimotus.json")).isEqualTo(2);
    assertThat(err.toString()).contains("nowhere.unimotus.json").doesNotContain("\tat ");
    assertThat(
            run(
                "check",
                file("cut.unimotus.json", "{ \"format\":\n \"unimotus-project\",\n").toString()))
        .isEqualTo(2);
    assertThat(err.toString()).contains("cut.unimotus.json, line 3");
    assertThat(out.toString()).isEmpty();
  }

  @Test
  void aNewerFileIsReadWithAWord() throws IOException {
    String newer =
        new String(Demo.bytes(), StandardCharsets.UTF_8)
            .replace(
                "\"version\": " + ProjectFile.VERSION, "\"version\": " + (ProjectFile.VERSION + 1));
    assertThat(run("check", file("newer.unimotus.json", newer).toString())).isEqualTo(1);
    assertThat(err.toString()).contains("newer version");
  }

  /** 1000 rpm are nearest to the 1021 of preset 2, 35 Hz; the analog chain gives 34.3 Hz. */
  @Test
  void aChainBesideTheMainOneIsAskedForByItsName() throws IOException {
    String[] fan = {"path", "demo", "--axis", "drying-fan", "--at", "number=1000rpm", "--json"};
    assertThat(point(json(fan), "frequency")).isCloseTo(34.3, within(0.05));
    JsonNode preset = json(with(fan, "--chain", "preset"));
    assertThat(point(preset, "counts")).isEqualTo(2);
    assertThat(point(preset, "frequency")).isEqualTo(35);
    assertThat(run(with(fan, "--chain", "hand"))).isEqualTo(2);
    assertThat(err.toString()).contains("no chain 'hand'", "preset");
    JsonNode exchanged =
        json(
            "diagnose",
            "demo",
            "--axis",
            "drying-fan",
            "--chain",
            "preset",
            "--reading",
            "preset1.frequency=35Hz",
            "--reading",
            "preset2.frequency=20Hz",
            "--reading",
            "preset3.frequency=50Hz",
            "--json");
    assertThat(exchanged.toString()).contains("Two preset inputs are exchanged");
  }

  private static double point(JsonNode path, String station) {
    for (JsonNode point : path.get("points")) {
      if (point.get("station").asText().equals(station)) {
        return point.get("value").asDouble();
      }
    }
    throw new AssertionError("no station " + station);
  }

  private static String[] with(String[] arguments, String... more) {
    return Stream.concat(Arrays.stream(arguments), Arrays.stream(more)).toArray(String[]::new);
  }

  @Test
  void pathGivesEveryStation() throws IOException {
    JsonNode points =
        json("path", "demo", "--axis", "rinse-drum", "--at", "number=12.5m/min", "--json")
            .get("points");
    assertThat(points).hasSize(13);
    assertThat(points.get(2).get("value").asDouble()).isEqualTo(13824);
    assertThat(points.get(3).get("unit").asText()).isEqualTo("mA");
    assertThat(points.get(9).get("high").isNull()).as("no limit is null, not a word").isTrue();
    run("path", "demo", "--axis", "Rinse drum", "--at", "frequency=30Hz");
    assertThat(out.toString()).contains("120·f/p").contains("IEC 60034-1");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "number=12.5kg | measures mass",
        "nowhere=3 | there is no station 'nowhere'",
        "frequency | is not STATION=VALUE",
        "number=1,234 | can mean"
      })
  void badStationsAreNamed(String at, String message) {
    assertThat(run("path", "demo", "--axis", "rinse-drum", "--at", at)).isEqualTo(2);
    assertThat(err.toString()).contains(message);
  }

  @Test
  void anUnknownOrIncompleteAxisIsNamed() throws IOException {
    assertThat(run("path", "demo", "--axis", "nobody", "--at", "number=1")).isEqualTo(2);
    assertThat(err.toString()).contains("'nobody'").contains("rinse-drum");
    assertThat(run("path", unfinished(), "--axis", "bale-tie", "--at", "number=1")).isEqualTo(2);
    assertThat(err.toString()).contains("no signal path yet").contains("a drive");
  }

  @Test
  void wiringTellsWhatEveryInputSees() throws IOException {
    assertThat(run("wiring", "demo", "--axis", "rinse-drum")).isZero();
    assertThat(out.toString()).contains("at rest").contains("DO0 on").contains("as meant");
    JsonNode rows = json("wiring", "demo", "--axis", "rinse-drum", "--json");
    assertThat(rows.get(0).get("state").asText()).isEqualTo("at rest");
    assertThat(rows.get(0).get("inputs").get(0).get("reads").asText()).isEqualTo("off");
    Path sink = sinkingDrum();
    assertThat(run("wiring", sink.toString(), "--axis", "rinse-drum")).isEqualTo(1);
    assertThat(out.toString()).contains("NOT as meant");
  }

  /** Two contacts over a testing relay: no single fault loses the stop (common practice). */
  @Test
  void stopsAreTimedBrokenAndFigured() throws IOException {
    assertThat(run("stops", "demo", "--axis", "rinse-drum")).isZero();
    assertThat(out.toString())
        .contains("Drum guard: STOPS")
        .contains("Stop category 1")
        .contains("at the next demand")
        .contains("PL d")
        .contains("the risk graph asks for PL d");
    JsonNode stop = json("stops", "demo", "--axis", "rinse-drum", "--json").get(0);
    assertThat(stop.get("torqueOffSeconds").asDouble()).isEqualTo(8.042);
    assertThat(stop.get("faults").size()).isGreaterThan(30);
    assertThat(run("stops", "demo", "--axis", "drying-fan")).isZero();
    assertThat(out.toString()).contains("has no stop yet");
  }

  @Test
  void theProofListIsWrittenToPrint() throws IOException {
    Path text = folder.resolve("proof.txt");
    assertThat(
            run(
                "export",
                "demo",
                "--kind",
                "proof-list",
                "--axis",
                "rinse-drum",
                "--out",
                text.toString()))
        .isZero();
    assertThat(Files.readString(text))
        .contains("does not certify")
        .contains("time from the demand to standstill")
        .contains("__________");
    Path pdf = folder.resolve("proof.pdf");
    assertThat(
            json(
                    "export",
                    "demo",
                    "--kind",
                    "proof-list",
                    "--axis",
                    "rinse-drum",
                    "--out",
                    pdf.toString(),
                    "--json")
                .get("tests")
                .asInt())
        .isEqualTo(17);
    assertThat(Files.readString(pdf, java.nio.charset.StandardCharsets.ISO_8859_1))
        .startsWith("%PDF-");
    assertThat(run("export", "demo", "--kind", "proof-list", "--out", text.toString()))
        .isEqualTo(2);
    assertThat(err.toString()).contains("needs --axis");
  }

  /** The macro comes before what it rewrites; what is found otherwise is told (common practice). */
  @Test
  void settingsComeInTheirOrderAndAreCompared() throws IOException {
    assertThat(run("settings", "demo", "--axis", "rinse-drum")).isZero();
    assertThat(out.toString()).contains("A01").contains("rewrites").contains("key presses");
    JsonNode steps = json("settings", "demo", "--axis", "rinse-drum", "--json").get("steps");
    assertThat(steps.findValuesAsText("code"))
        .as("the motor is known before its drive listens (common practice)")
        .containsSubsequence("M12", "M14", "M16", "A01", "I70");
    assertThat(steps.findValuesAsText("derivation")).anyMatch(d -> d.contains("motor plate"));
    Path found = folder.resolve("found.csv");
    Files.writeString(found, "code,value,unit\nM12,9.9,A\nZZ,1,\n");
    assertThat(run("settings", "demo", "--axis", "rinse-drum", "--found", found.toString()))
        .isEqualTo(1);
    assertThat(out.toString())
        .contains("differs: M12 designed 8.05 A, found 9.9 A")
        .contains("with --reset-first")
        .contains("not read: ");
    assertThat(run("settings", "demo", "--axis", "rinse-drum", "--reset-first")).isEqualTo(2);
    assertThat(err.toString()).contains("--reset-first").contains("factory defaults");
  }

  @Test
  void settingsAndEntrySheetAreWritten() throws IOException {
    Path file = folder.resolve("settings.csv");
    for (String kind : List.of("settings", "entry-sheet")) {
      assertThat(
              run(
                  "export",
                  "demo",
                  "--kind",
                  kind,
                  "--axis",
                  "rinse-drum",
                  "--out",
                  file.toString()))
          .isZero();
      assertThat(Files.readString(file)).contains("code").contains("A01");
      // A delay that is taken only by its guarded entry brings the entry along.
      assertThat(Files.readString(file).contains("a second time"))
          .isEqualTo(kind.equals("entry-sheet"));
    }
    assertThat(run("export", "demo", "--kind", "settings", "--out", file.toString())).isEqualTo(2);
    assertThat(err.toString()).contains("--kind settings needs --axis");
  }

  /** CiA 402 (from memory): 0x0250 is switch on disabled; three words start. */
  @Test
  void wordsAreUnderstoodAndProposed() throws IOException {
    JsonNode word = json("word", "0x0250", "--want", "start-forward", "--json");
    assertThat(word.get("state").asText()).isEqualTo("switch on disabled");
    assertThat(word.get("send").findValuesAsText("word"))
        .containsExactly("0x0076", "0x0077", "0x007F");
    assertThat(run("word", "250h", "--want", "fly")).isEqualTo(2);
    assertThat(err.toString()).contains("'fly' is not one of");
  }

  /** Bits by mode (IEC 61800-7-201, from memory). */
  @Test
  void bitsMeanWhatTheModeSays() throws IOException {
    assertThat(run("word", "0x1637", "--mode", "hm")).isZero();
    assertThat(out.toString()).contains("homing attained").contains("homing is done");
    JsonNode position =
        json(
            "word",
            "0x1237",
            "--mode",
            "1",
            "--want",
            "start_forward",
            "--control",
            "0x3F",
            "--json");
    assertThat(position.get("mode").asText()).isEqualTo("profile position");
    assertThat(position.get("bits").toString()).contains("set-point acknowledged");
    assertThat(position.get("control").toString()).contains("new set-point", "change at once");
    assertThat(position.get("afterwards").asText()).contains("bit 4");
    assertThat(run("word", "0x0250", "--mode", "11")).isEqualTo(2);
    assertThat(err.toString()).contains("mode '11' is not one of").contains("csp (8)");
    assertThat(run("word", "0x0001", "--profile", "run-and-stop", "--mode", "vl")).isEqualTo(2);
  }

  @Test
  void framesAreExplained() throws IOException {
    assertThat(run("frame", "11 03 00 6B 00 03 76 87")).isZero();
    assertThat(out.toString()).contains("read holding registers").contains("107, from 0");
    assertThat(run("frame", "11", "03", "00", "6B", "00", "03", "76", "88")).isEqualTo(1);
    assertThat(out.toString()).contains("the check is wrong");
    assertThat(json("frame", "--answer", "00 01 00 00 00 03 01 83 02", "--json").get("parts"))
        .hasSize(6);
  }

  @Test
  void theDrivesOfTheDemoAnswer() throws IOException {
    assertThat(run("serve", "demo", "--port", "0", "--seconds", "1")).isZero();
    assertThat(out.toString())
        .contains("127.0.0.1")
        .contains("unit 1  Rinse drum")
        .contains("no simulated drive for Bale-tie feeder: Bale-tie motor is a step motor")
        .contains("40001")
        .contains("control word");
    assertThat(run("serve", "demo", "--profile", "morse")).isEqualTo(2);
    assertThat(err.toString()).contains("'morse' is not one of");
  }

  /** The worked example of function 16 (Modbus Application Protocol V1.1b3, from memory). */
  @Test
  void aFrameIsComposed() throws IOException {
    assertThat(
            json(
                    "frame",
                    "--function",
                    "16",
                    "--address",
                    "1",
                    "--values",
                    "10,258",
                    "--unit",
                    "17",
                    "--json")
                .get("parts")
                .findValuesAsText("bytes"))
        .containsExactly(
            "00 01", "00 00", "00 0B", "11", "10", "00 01", "00 02", "04", "00 0A", "01 02");
    assertThat(run("frame", "--function", "3", "--count", "126")).isEqualTo(2);
    assertThat(err.toString()).contains("126");
    assertThat(run("frame")).isEqualTo(2);
  }

  @Test
  void aCaptureIsListed() throws IOException {
    Path file = folder.resolve("line.pcap");
    TcpConversation conversation = new TcpConversation(502);
    conversation.ask(0, HexFormat.of().parseHex("000100000006010300000001"));
    conversation.answer(2_000_000, HexFormat.of().parseHex("000100000003018302"));
    CaptureFile.write(file, Packet.RAW_IPV4, conversation.packets());
    assertThat(run("capture", file.toString())).isZero();
    assertThat(out.toString())
        .contains("request  unit 1   read holding registers")
        .contains("0.002000  answer   unit 1   refusal of function 3")
        .contains("2 frames in 2 packets, 0 bytes in none");
    JsonNode frames = json("capture", file.toString(), "--json").get("frames");
    assertThat(frames.get(1).get("answer").asBoolean()).isTrue();
    assertThat(run("capture", folder.resolve("none.pcap").toString())).isEqualTo(2);
  }

  private Path drumOnTheBus() throws IOException {
    Project demo = Demo.project();
    DriveRecord record = demo.record("drum-drive");
    Project changed =
        demo.with(
            record.withFieldbus(record.fieldbus().withRegisters(DriveRegisters.map().entries())));
    Path file = folder.resolve("bus.unimotus.json");
    Files.write(file, ProjectFile.write(changed));
    return file;
  }

  @Test
  void theControllersSideIsExported() throws IOException {
    String project = drumOnTheBus().toString();
    Path out = folder.resolve("drum.st");
    String[] kind = {"export", project, "--kind", "controller", "--axis", "rinse-drum", "--out"};
    assertThat(run(with(kind, out.toString()))).isZero();
    assertThat(Files.readString(out)).contains("FUNCTION_BLOCK Drive_Rinse_drum");
    Path xml = folder.resolve("drum.xml");
    assertThat(run(with(kind, xml.toString()))).isZero();
    assertThat(Files.readString(xml)).startsWith("<?xml").contains("pouType=\"functionBlock\"");
    Path list = folder.resolve("registers.csv");
    assertThat(
            run(
                "export",
                project,
                "--kind",
                "registers",
                "--axis",
                "rinse-drum",
                "--out",
                list.toString()))
        .isZero();
    assertThat(Files.readString(list)).contains("control word,holding register,0,bits 16");
    kind[1] = "demo";
    assertThat(run(with(kind, out.toString()))).as("over its wires").isZero();
    assertThat(Files.readString(out)).contains("Rinse_drum_ReferenceRaw AT %QW64 : INT;");
    kind[1] = withoutAddresses().toString();
    assertThat(run(with(kind, out.toString()))).isEqualTo(2);
    assertThat(err.toString()).contains("of Line controller has no address");
  }

  private Path withoutAddresses() throws IOException {
    Project demo = Demo.project();
    Controller known = demo.controllers().get(0);
    Path file = folder.resolve("bare.unimotus.json");
    Files.write(
        file,
        ProjectFile.write(
            demo.with(new Controller(known.id(), known.name(), known.sheet(), known.selectors()))));
    return file;
  }

  private static String[] with(String[] some, String last) {
    String[] all = java.util.Arrays.copyOf(some, some.length + 1);
    all[some.length] = last;
    return all;
  }

  @Test
  void standInsOnASerialPort() {
    assertThat(run("serve", "demo", "--over", "serial", "--seconds", "1")).isZero();
    assertThat(out.toString()).contains("has no parity: set the client to none");
    assertThat(run("serve", "demo", "--over", "serial", "--baud", "9600", "--seconds", "1"))
        .isZero();
    assertThat(out.toString()).contains("/dev/pts/").contains("9600 baud");
    assertThat(run("serve", "demo", "--over", "rtu-over-tcp", "--port", "0", "--seconds", "1"))
        .isZero();
    assertThat(out.toString()).contains("(serial frames)");
    assertThat(run("serve", "demo", "--over", "smoke")).isEqualTo(2);
    assertThat(err.toString()).contains("'smoke' is not one of tcp");
  }

  private Path sinkingDrum() throws IOException {
    Project demo = Demo.project();
    Project wrong =
        demo.with(demo.drive("drum-drive").orElseThrow().withSelector("inputs", "sink"));
    Path file = folder.resolve("sink.unimotus.json");
    Files.write(file, ProjectFile.write(wrong));
    return file;
  }

  @Test
  void exportWritesTheScheduleTheFilesNameAsksFor() throws IOException {
    Path csv = folder.resolve("wires.csv");
    assertThat(run("export", "demo", "--kind", "schedule", "--out", csv.toString())).isZero();
    assertThat(Files.readAllLines(csv).get(0)).startsWith("Wire,From device");
    Path book = folder.resolve("wires.xlsx");
    assertThat(
            json("export", "demo", "--kind", "schedule", "--out", book.toString(), "--json")
                .get("wires")
                .asInt())
        .isEqualTo(Files.readAllLines(csv).size() - 1);
    assertThat(run("export", "demo", "--kind", "poem", "--out", csv.toString())).isEqualTo(2);
    assertThat(err.toString()).contains("--kind 'poem' is not one of schedule");
  }

  /** What needs no signal path is written without one: the settings of a servo on a wrong drive. */
  @Test
  void whatNeedsNoPathIsWrittenWithoutOne() throws IOException {
    Project demo = Demo.project();
    Project servo =
        demo.with(
            demo.axis("rinse-drum")
                .orElseThrow()
                .withDevices("controller-1", "drum-drive", "slicer-x-motor"));
    Path file = folder.resolve("servo.unimotus.json");
    Files.write(file, ProjectFile.write(servo));
    Path out = folder.resolve("settings.csv");
    String[] call = {"export", file.toString(), "--axis", "rinse-drum", "--out", out.toString()};
    assertThat(run(with(with(call, "--kind"), "settings"))).isZero();
    assertThat(run(with(with(call, "--kind"), "entry-sheet"))).isZero();
    assertThat(run(with(with(call, "--kind"), "proof-list"))).isEqualTo(2);
    assertThat(err.toString())
        .contains("axis 'Rinse drum' has no signal path yet")
        .contains("runs induction motors");
    assertThat(
            run("export", unfinished(), "--kind", "settings", "--axis", "bale-tie", "--out", "x"))
        .isEqualTo(2);
    assertThat(err.toString()).contains("axis 'Bale-tie feeder' has no devices yet: still missing");
    assertThat(run("export", "demo", "--kind", "settings", "--out", "x")).isEqualTo(2);
    assertThat(err.toString()).contains("needs --axis");
  }

  @Test
  void predictListsWhatShouldBeMeasured() throws IOException {
    assertThat(run("predict", "demo", "--axis", "header-pump")).isZero();
    assertThat(out.toString())
        .contains("permission.open")
        .contains("ref50.signal")
        .contains("voltmeter");
    JsonNode all = json("predict", unfinished(), "--json");
    assertThat(all).hasSize(7);
    assertThat(all.get(6).get("because").asText()).contains("a drive, a motor");
    assertThat(all.get(0).get("predictions").get(0).get("value").asText())
        .isEqualTo("not permitted");
  }

  @Test
  void diagnoseNamesCauseAndNextMeasurement() throws IOException {
    assertThat(run("diagnose", "demo", "--axis", "drying-fan")).isZero();
    assertThat(out.toString()).contains("Maximum frequency clamps");
    JsonNode one =
        json(
            "diagnose",
            "demo",
            "--axis",
            "header-pump",
            "--reading",
            "ref100.frequency=42.2Hz",
            "--json");
    assertThat(one.get("causes").get(0).get("probability").asDouble()).isBetween(0.0, 1.0);
    assertThat(one.get("next").get("key").asText()).startsWith("ref");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "ref50.frequency | is not KEY=VALUE",
        "ref51.frequency=3 | there is no prediction 'ref51.frequency'",
        "ref50.frequency=3V | measures voltage",
        "direction.jog=up | 'up' is not one of"
      })
  void badReadingsAreNamed(String reading, String message) {
    assertThat(run("diagnose", "demo", "--axis", "header-pump", "--reading", reading)).isEqualTo(2);
    assertThat(err.toString()).contains(message);
  }

  @Test
  void diagnoseWithoutReadingsSaysSo() {
    assertThat(run("diagnose", "demo", "--axis", "header-pump")).isEqualTo(2);
    assertThat(err.toString()).contains("no reading to reason from");
  }

  /** Soak, dry and purge of the demo fan are 20, 35 and 50 Hz; the outputs choose among them. */
  @Test
  void benchThroughTheWiresTellsWhatInputsAndOutputsDid() throws IOException {
    Path csv = folder.resolve("fan.csv");
    JsonNode told =
        json(
            "bench",
            "demo",
            "--axis",
            "drying-fan",
            "--wires",
            "--scenario",
            "0 number 1458; 1 on controller-1:RO0; 20 on controller-1:DO3; 40 power off; 41 power on; 45 end",
            "--csv",
            csv.toString(),
            "--json");
    assertThat(told.get("strips").toString()).contains("preset 1", "run forward", "permission");
    // The fan may restart when power comes back, as its drive is set.
    assertThat(told.get("notes").toString())
        .contains("power lost")
        .doesNotContain("waits for a new command");
    List<String> lines = Files.readAllLines(csv);
    assertThat(lines.stream().filter(l -> l.startsWith("39")).findFirst().orElseThrow())
        .contains("20");
    assertThat(
            run(
                "bench",
                "demo",
                "--axis",
                "drying-fan",
                "--wires",
                "--scenario",
                "0 on x:y",
                "--csv",
                csv.toString()))
        .isEqualTo(2);
    assertThat(err.toString()).contains("there is no terminal 'x:y'");
    assertThat(
            run(
                "bench",
                "demo",
                "--axis",
                "drying-fan",
                "--wires",
                "--chain",
                "preset",
                "--scenario",
                "run-and-stop",
                "--csv",
                csv.toString()))
        .isEqualTo(2);
  }

  @Test
  void benchWritesTraces() throws IOException {
    Path csv = folder.resolve("drum.csv");
    assertThat(
            run(
                "bench",
                "demo",
                "--axis",
                "rinse-drum",
                "--scenario",
                "run-and-stop",
                "--csv",
                csv.toString()))
        .isZero();
    List<String> lines = Files.readAllLines(csv);
    assertThat(lines.get(0)).startsWith("Time (s),");
    assertThat(lines).hasSizeGreaterThan(1000);
    JsonNode document =
        json(
            "bench",
            "demo",
            "--axis",
            "rinse-drum",
            "--scenario",
            "0 permit; 2 end",
            "--csv",
            csv.toString(),
            "--json");
    assertThat(document.get("samples").asInt()).isEqualTo(2000);
    assertThat(
            run(
                "bench",
                "demo",
                "--axis",
                "rinse-drum",
                "--scenario",
                "0 fly",
                "--csv",
                csv.toString()))
        .isEqualTo(2);
    assertThat(
            run(
                "bench",
                "demo",
                "--axis",
                "rinse-drum",
                "--scenario",
                "steps",
                "--csv",
                csv.toString(),
                "--every",
                "0"))
        .isEqualTo(2);
  }

  @Test
  void calcComputesAndUnfolds() throws IOException {
    assertThat(run("calc", "torque", "power=4kW", "speed=1455rpm")).isZero();
    assertThat(out.toString()).contains("26.252 N·m").contains("T = P/(2π·n/60)");
    JsonNode result = json("calc", "torque", "power=4kW", "speed=1455rpm", "--json");
    assertThat(result.get("value").asDouble()).isCloseTo(26.252, within(0.001));
    assertThat(result.get("unit").asText()).isEqualTo("N·m");
    assertThat(result.get("derivation")).isNotEmpty();
    assertThat(result.get("source").asText()).isEqualTo("IEC 60034-1");
    assertThat(json("calc", "convert", "value=7.5kW", "to=hp", "--json").get("value").asDouble())
        .isCloseTo(10.058, within(0.001));
  }

  @Test
  void calcListsItself() throws IOException {
    assertThat(run("calc")).isZero();
    assertThat(out.toString())
        .contains("synchronous-speed")
        .contains("convert")
        .contains("unimotus calc torque");
    assertThat(json("calc", "--json").size()).isGreaterThanOrEqualTo(15);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "calc torqe | there is no calculator 'torqe'",
        "calc torque power | is not key=value",
        "calc torque power=4kW power=5kW | given twice",
        "calc convert value=5kW | to is missing"
      })
  void badCalculationsAreNamed(String call, String message) {
    assertThat(run(call.split(" "))).isEqualTo(2);
    assertThat(err.toString()).contains(message);
  }

  @Test
  void schemasAreThosePublished() throws IOException {
    assertThat(run("schema", "project")).isZero();
    assertThat(out.toString()).isEqualTo(Schema.PROJECT.text());
    assertThat(json("schema", "--json").toString()).isEqualTo("[\"project\",\"sheet\"]");
    assertThat(run("schema", "dance")).isEqualTo(2);
    assertThat(err.toString()).contains("project, sheet");
  }

  @Test
  void aNearMissIsSuggested() {
    assertThat(run("chekc", "demo")).isEqualTo(2);
    assertThat(err.toString()).contains("chekc").contains("check");
    assertThat(run("check", "demo", "--jsn")).isEqualTo(2);
    assertThat(err.toString()).contains("--jsn");
    assertThat(run("path", "demo")).isEqualTo(2);
    assertThat(err.toString()).contains("--axis");
  }

  @ParameterizedTest
  @ValueSource(strings = {"check", "calc", "path", "predict", "diagnose", "bench", "schema"})
  void everyVerbHasHelpWithAnExampleOnStandardOutput(String verb) {
    assertThat(run(verb, "--help")).isZero();
    assertThat(out.toString()).contains("Example: unimotus " + verb).contains("--json");
    assertThat(err.toString()).isEmpty();
  }

  @Test
  void theRootSaysWhatThereIs() {
    assertThat(run()).isZero();
    assertThat(out.toString()).contains("demo --shots").contains("check");
    assertThat(run("--version")).isZero();
    assertThat(out.toString()).contains("0.1.0");
  }

  @Test
  void sheetsOfTheUsersOwnAreTakenFromAFolder() throws IOException {
    file("broken.json", "{");
    assertThat(run("check", "demo", "--sheets", folder.toString())).isEqualTo(1);
    assertThat(err.toString()).contains("sheet left out: broken.json");
  }
}
