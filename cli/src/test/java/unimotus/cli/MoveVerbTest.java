package unimotus.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import unimotus.core.machine.Axis;
import unimotus.core.machine.Project;
import unimotus.core.move.MoveLimits;
import unimotus.core.scaling.Holder;
import unimotus.formats.project.ProjectFile;
import unimotus.workbench.Demo;
import unimotus.workbench.MotionEdits;

/** The verb {@code move}: the demo's slicer, one with a wrong copy, and axes that have no moves. */
class MoveVerbTest {
  @TempDir private Path folder;
  private StringWriter out;
  private StringWriter err;

  @BeforeEach
  void fresh() {
    out = new StringWriter();
    err = new StringWriter();
  }

  private int run(String... arguments) {
    fresh();
    return Main.run(new PrintWriter(out, true), new PrintWriter(err, true), arguments);
  }

  /** 300 mm with v/a + a/j more than d/v: 0.5 + 0.2 + 0.1 s; v/Kv behind; 2^17/60 counts a mm. */
  @Test
  void theSlicerCutsAsWorkedOutByHand() throws IOException {
    assertThat(run("move", "demo", "--axis", "slicer-x")).isZero();
    assertThat(out.toString()).contains("2184.5").contains("equal").contains("jerk-limited");
    assertThat(run("move", "demo", "--axis", "Slicer X", "--json")).isZero();
    JsonNode told = new ObjectMapper().readTree(out.toString());
    assertThat(told.at("/moves/0/seconds").asDouble()).isCloseTo(0.8, within(1e-9));
    assertThat(told.at("/moves/1/seconds").asDouble()).isEqualTo(0.5);
    assertThat(told.at("/moves")).hasSize(12);
    // 600 mm/s · 1 ms · 2184.53
    assertThat(told.at("/largestStepCounts").asLong()).isEqualTo(1311);
    // As entered, and three degrees of dynamics, each with the load, half and twice of it.
    assertThat(told.at("/gains")).hasSize(12);
    double kv = told.at("/gains/0/positionGain").asDouble();
    assertThat(told.at("/gains/0/largestFollowingError").asDouble())
        .isCloseTo(600 / kv, within(0.1));
  }

  @Test
  void aPositionIsFollowedToTheLoad() throws IOException {
    assertThat(run("move", "demo", "--axis", "slicer-x", "--at", "0.3m", "--json")).isZero();
    JsonNode told = new ObjectMapper().readTree(out.toString());
    assertThat(told.at("/counts").asLong()).isEqualTo(655_360);
    assertThat(told.at("/motorTurns").asDouble()).isEqualTo(5);
    assertThat(run("move", "demo", "--axis", "slicer-x", "--at", "3bar")).isEqualTo(2);
    assertThat(err.toString()).contains("--at");
  }

  /** What the simulated drive did lies on the prediction; a recording of half the way does not. */
  @Test
  void runsAndRecordingsAreLaidOver() throws IOException {
    assertThat(run("move", "demo", "--axis", "slicer-x", "--run", "2")).isZero();
    assertThat(out.toString())
        .contains("2 repeats of Slicer X, from the simulated drive")
        .contains("as predicted")
        .contains("the ends lie");
    Path csv = folder.resolve("recorded.csv");
    Files.writeString(
        csv, "Time (s);Position (mm)\n0;0\n0,05;0\n0,5;75\n1;150\n1,5;75\n2;0\n9;0\n");
    assertThat(run("move", "demo", "--axis", "slicer-x", "--recorded", csv.toString(), "--json"))
        .isEqualTo(1);
    JsonNode told = new ObjectMapper().readTree(out.toString());
    assertThat(told.at("/repeats/0/way").asDouble()).isCloseTo(0.5, within(0.01));
    assertThat(told.at("/repeats/0/seen").asText()).contains("0.5 times the way");
    assertThat(run("move", "demo", "--axis", "slicer-x", "--run", "0")).isEqualTo(2);
    assertThat(err.toString()).contains("1 to 100 times, not 0");
  }

  @Test
  void theTraceIsWritten() throws IOException {
    Path csv = folder.resolve("trace.csv");
    assertThat(run("move", "demo", "--axis", "slicer-z", "--csv", csv.toString())).isZero();
    List<String> lines = Files.readAllLines(csv);
    assertThat(lines.get(0)).startsWith("Time (s),Set-point (mm)");
    assertThat(lines.get(1)).startsWith("0.00000,120.00000");
    assertThat(Double.parseDouble(lines.get(lines.size() - 1).split(",")[3]))
        .isCloseTo(120, within(0.05));
  }

  private String file(Project project) throws IOException {
    Path file = folder.resolve("line.unimotus.json");
    Files.write(file, ProjectFile.write(project));
    return file.toString();
  }

  /** An exit of 1 and the cause, where a copy has the other encoder's bits. */
  @Test
  void aWrongCopyIsTold() throws IOException {
    Project demo = Demo.project();
    Axis axis = demo.axis("slicer-x").orElseThrow();
    Project wrong =
        MotionEdits.scaling(
                "slicer-x", Holder.PROGRAM, axis.motion().programScaling().withCounts(1 << 23))
            .change()
            .apply(demo);
    assertThat(run("move", file(wrong), "--axis", "slicer-x")).isEqualTo(1);
    assertThat(out.toString()).contains("64 times the machine's").contains("23 bits");
    assertThat(run("check", file(wrong))).isEqualTo(1);
    assertThat(out.toString()).contains("MOV-002 error axis/slicer-x/motion/scaling/program");
  }

  /** 1600 pulses on 40 mm; 1200 mm in 6.25 s, and 23.75 s of standing: twice a minute. */
  @Test
  void anAxisOnPulses() throws IOException {
    assertThat(run("move", "demo", "--axis", "bale-tie")).isZero();
    assertThat(out.toString())
        .contains("halves in series")
        .contains("1.4 A r.m.s.: SW4 off, SW5 on")
        .contains("program: equal")
        .contains("8000 Hz")
        .contains("pull-in rate with its load");
    assertThat(run("move", "demo", "--axis", "bale-tie", "--at", "300mm")).isZero();
    assertThat(out.toString()).contains("12\u202f000").contains("7.5 rev");
    assertThat(run("move", "demo", "--axis", "bale-tie", "--json")).isZero();
    assertThat(out.toString()).contains("\"pulsesPerUnit\" : 40.0").contains("\"stalls\" : false");
    Project wrong =
        MotionEdits.pulses("bale-tie", "none", s -> s.withCoils(null))
            .change()
            .apply(Demo.project());
    assertThat(run("move", file(wrong), "--axis", "bale-tie")).isZero();
    assertThat(out.toString()).contains("connection is not chosen").contains("not known");
    Project halved =
        MotionEdits.scaling(
                "bale-tie",
                Holder.PROGRAM,
                wrong.axis("bale-tie").orElseThrow().motion().programScaling().withCounts(800))
            .change()
            .apply(wrong);
    assertThat(run("move", file(halved), "--axis", "bale-tie")).isEqualTo(1);
    assertThat(out.toString()).contains("0.5 times the machine's pulses");
    assertThat(run("move", "demo", "--axis", "bale-tie", "--run", "2")).isEqualTo(2);
    assertThat(err.toString()).contains("is on pulses");
  }

  @Test
  void anAxisWithoutMovesIsRefusedWithTheReason() throws IOException {
    assertThat(run("move", "demo", "--axis", "rinse-drum")).isEqualTo(2);
    assertThat(err.toString()).contains("moves are worked out for servo motors");
    Project demo = Demo.project();
    Project unfinished =
        demo.with(demo.axis("bale-tie").orElseThrow().withDevices("controller-1", null, null));
    assertThat(run("move", file(unfinished), "--axis", "bale-tie")).isEqualTo(2);
    assertThat(err.toString()).contains("a drive");
    assertThat(run("move", "demo", "--axis", "nowhere")).isEqualTo(2);
    assertThat(err.toString()).contains("slicer-x");
    Project still =
        MotionEdits.moves("slicer-x", "none", m -> m.withSteps(List.of()))
            .change()
            .apply(Demo.project());
    assertThat(run("move", file(still), "--axis", "slicer-x")).isZero();
    assertThat(out.toString()).contains("No moves are entered.");
    Project far =
        MotionEdits.limits("slicer-x", "limits", l -> new MoveLimits(600, 3000, 3000, 0))
            .change()
            .apply(
                MotionEdits.moves("slicer-x", "start", m -> m.withStart(900))
                    .change()
                    .apply(Demo.project()));
    assertThat(run("move", file(far), "--axis", "slicer-x")).isEqualTo(2);
    assertThat(err.toString()).contains("start leads to 900.0, outside -5.0 to 650.0");
  }

  /** Stops and settings need no path of a speed. */
  @Test
  void theStopOfAServoAxisIsJudged() {
    assertThat(run("stops", "demo", "--axis", "slicer-z")).isZero();
    assertThat(out.toString()).contains("Slicer guard: STOPS").contains("Stop category 0");
    assertThat(run("settings", "demo", "--axis", "slicer-x")).isLessThan(2);
  }

  /** A start that is held makes one move; a case that does not exist, or cannot be, is refused. */
  @Test
  void theTimelineOfBitsIsTold() throws IOException {
    assertThat(run("move", "demo", "--axis", "slicer-x", "--bits", "held-start")).isZero();
    assertThat(out.toString())
        .contains("start held")
        .contains("start taken, position 1")
        .doesNotContain("start taken, position 2");
    assertThat(run("move", "demo", "--axis", "slicer-x", "--bits", "--json")).isZero();
    JsonNode told = new ObjectMapper().readTree(out.toString());
    JsonNode moments = told.get("moments");
    assertThat(moments.get(moments.size() - 1).get("position").asDouble()).isZero();
    assertThat(moments.get(moments.size() - 1).get("replies").toString()).contains("in-position");
    assertThat(run("move", "demo", "--axis", "slicer-x", "--bits", "often")).isEqualTo(2);
    assertThat(err.toString()).contains("'often' is not one of sound, held-start");
    assertThat(run("move", "demo", "--axis", "slicer-x", "--bits", "incremental-twice"))
        .isEqualTo(2);
    assertThat(err.toString()).contains("no incremental move is entered");
  }
}
