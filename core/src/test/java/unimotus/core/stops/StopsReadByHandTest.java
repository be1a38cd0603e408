package unimotus.core.stops;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import unimotus.core.Lines;
import unimotus.core.link.StopRequest;
import unimotus.core.link.StopRequest.RelayClass;
import unimotus.core.machine.Drive;
import unimotus.core.machine.Part;
import unimotus.core.machine.Project;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.StopLogic;
import unimotus.core.machine.StopTrigger;
import unimotus.core.machine.Wire;
import unimotus.core.sheet.SettingValue;

/**
 * Stops of every kind, sound, with each wire taken off in turn, and wrong in ways they are wired
 * wrong: verdict, blame, fault list, what each fault comes to and which pairs lose the stop. The
 * tables stand in {@code stops-read-by-hand.txt}; every line of them was read against the circuit
 * (fault list of ISO 13849-2, from memory; common practice). Two lists that differ in a line are
 * two opinions on that line.
 */
class StopsReadByHandTest {
  private static final Map<String, List<String>> READ = read();

  private static Project terminal(StopRequest request) {
    return Stops.project(Stops.TERMINAL_DRIVE, request);
  }

  private static StopRequest emergency(StopLogic logic, StopEffect effect) {
    return Stops.request(StopTrigger.EMERGENCY_STOP, logic, effect);
  }

  private static StopRequest curtain(StopLogic logic) {
    return Stops.request(StopTrigger.LIGHT_CURTAIN, logic, StopEffect.STO);
  }

  /** The designs, each sound. */
  static Map<String, Project> sound() {
    StopRequest guard = Stops.guard(StopLogic.SAFETY_RELAY);
    Map<String, Project> all = new LinkedHashMap<>();
    all.put("direct", terminal(Stops.guard(StopLogic.DIRECT)));
    all.put("relay", terminal(guard));
    all.put("automatic relay", terminal(guard.withRelay(false, false)));
    all.put("polarity relay", terminal(guard.withRelay(RelayClass.OPPOSITE)));
    all.put("contactors", terminal(emergency(StopLogic.RELAY_CONTACTORS, StopEffect.CONTACTORS)));
    all.put("chain", terminal(emergency(StopLogic.RELAY_CHAIN, StopEffect.RUN_INPUTS)));
    all.put("enable", terminal(emergency(StopLogic.DIRECT, StopEffect.ENABLE)));
    all.put("ramp in the drive", terminal(Stops.ramped(5, 2.5)));
    all.put("tested inputs", Stops.project(Stops.SAFETY_DRIVE, Stops.guard(StopLogic.DIRECT)));
    all.put("curtain", Stops.project(Stops.SAFETY_DRIVE, curtain(StopLogic.DIRECT)));
    all.put("curtain over relay", terminal(curtain(StopLogic.SAFETY_RELAY)));
    return all;
  }

  /** The same, each with a mistake. */
  static Map<String, Project> wrong() {
    Map<String, Project> sound = sound();
    Map<String, Project> all = new LinkedHashMap<>();
    all.put("direct, jumper fitted", jumpered(sound.get("direct")));
    all.put("relay, jumper fitted", jumpered(sound.get("relay")));
    all.put(
        "direct, one channel bridged", Lines.plus(sound.get("direct"), "drive:P24 – drive:STO1"));
    all.put(
        "direct, both channels bridged",
        Lines.plus(sound.get("direct"), "drive:P24 – drive:STO1", "drive:P24 – drive:STO2"));
    all.put(
        "direct, bridged and tied",
        Lines.plus(sound.get("direct"), "drive:P24 – drive:STO1", "drive:STO1 – drive:STO2"));
    String guard = "belt-guard-switch:";
    all.put(
        "relay, both contacts bridged",
        Lines.plus(
            sound.get("relay"), guard + "11 – " + guard + "12", guard + "21 – " + guard + "22"));
    all.put(
        "relay, one contact bridged",
        Lines.plus(sound.get("relay"), guard + "11 – " + guard + "12"));
    all.put(
        "relay, loop closed all the time",
        Lines.plus(sound.get("relay"), "plc:24V – belt-safety-relay:RES"));
    all.put(
        "relay, channels tied",
        Lines.plus(sound.get("relay"), "belt-safety-relay:S12 – belt-safety-relay:S22"));
    all.put("chain, run input bridged", Lines.plus(sound.get("chain"), "drive:P24 – drive:DI1"));
    all.put(
        "chain, an output goes round",
        Lines.plus(
            with(sound.get("chain"), "spare", "relay-two-changeover"),
            "plc:DO5 – spare:A1",
            "spare:A2 – plc:0V",
            "drive:P24 – spare:11",
            "spare:14 – drive:DI1"));
    all.put(
        "chain, a selector goes round",
        Lines.plus(
            with(sound.get("chain"), "mode", "selector-hand-off-auto"),
            modeWires("drive:P24", "drive:DI1")));
    all.put(
        "contactors, one coil fed round the relay",
        Lines.plus(sound.get("contactors"), "plc:24V – belt-contactor-1:A1"));
    all.put(
        "contactors, both coils fed round the relay",
        Lines.plus(
            sound.get("contactors"),
            "plc:24V – belt-contactor-1:A1",
            "plc:24V – belt-contactor-2:A1"));
    all.put("curtain, a channel bridged", Lines.plus(sound.get("curtain"), "drive:S+ – drive:SA"));
    all.put(
        "curtain over a relay that sends pulses",
        selected(sound.get("curtain over relay"), "belt-safety-relay", "cross", "on"));
    all.put(
        "plain contacts on tested inputs",
        moved(moved(sound.get("tested inputs"), "drive:TA", "drive:S+"), "drive:TB", "drive:S+"));
    all.put("enable, bridged", Lines.plus(sound.get("enable"), "drive:P24 – drive:DI1"));
    all.put("guard in no channel", guardInNoChannel());
    all.put("loop over a fault contact", overFaultContact("running"));
    all.put("loop over a healthy contact", overFaultContact("healthy"));
    all.put("two zeros", Lines.minus(sound.get("relay"), "belt-safety-relay:A2"));
    return all;
  }

  private static String[] modeWires(String from, String to) {
    return new String[] {from + " – mode:3", "mode:4 – " + to};
  }

  /** The reset loop over an output of the drive that shows something. */
  private static Project overFaultContact(String shows) {
    Project loop =
        Lines.plus(
            Lines.minus(sound().get("relay"), "belt-reset:13"),
            "plc:24V – drive:FC",
            "drive:FR – belt-reset:13");
    Drive drive = loop.drives().get(0);
    String code =
        Stops.SHEETS
            .find(unimotus.core.sheet.DriveSheet.class, drive.sheet())
            .orElseThrow()
            .settings()
            .stream()
            .filter(s -> "FR".equals(s.terminal()))
            .findFirst()
            .orElseThrow()
            .code();
    return loop.with(drive.withSetting(code, new SettingValue.Choice(shows)));
  }

  private static Project guardInNoChannel() {
    Project direct = sound().get("direct");
    return Lines.plus(
        direct.withWires(List.of()), "drive:P24 – drive:STO1", "drive:P24 – drive:STO2");
  }

  private static Project jumpered(Project project) {
    return project.with(project.drives().get(0).withSelector("sto.jumper", "fitted"));
  }

  private static Project with(Project project, String id, String sheet) {
    return project.with(new Part(id, "Belt " + id, sheet, Map.of()));
  }

  private static Project selected(Project project, String part, String selector, String option) {
    return project.with(
        project.parts().stream()
            .filter(p -> p.id().equals(part))
            .findFirst()
            .orElseThrow()
            .withSelector(selector, option));
  }

  private static Project moved(Project project, String from, String to) {
    return project.withWires(
        project.wires().stream()
            .map(
                w ->
                    w.touches(Lines.ref(from))
                        ? w.withEnds(w.otherEnd(Lines.ref(from)), Lines.ref(to))
                        : w)
            .toList());
  }

  private static List<String> verdict(Project project) {
    StopCircuit circuit = Stops.circuit(project);
    StopVerdict verdict = StopVerdict.of(circuit);
    List<String> lines = new ArrayList<>();
    lines.add("verdict: " + verdict.text(circuit));
    lines.add(("start: " + StopEvent.text(verdict.start(), circuit)).strip());
    verdict.weaknesses().forEach(w -> lines.add("weak: %s: %s".formatted(w.terminal(), w.text())));
    lines.add(("again: " + StopEvent.text(verdict.resumption(), circuit)).strip());
    lines.add(("mode: " + StopEvent.text(verdict.modeStart(), circuit)).strip());
    return lines;
  }

  private static List<String> whole(Project project) {
    StopCircuit circuit = Stops.circuit(project);
    List<String> lines = new ArrayList<>();
    project.wires().forEach(w -> lines.add("wire: %s %s – %s".formatted(w.id(), w.from(), w.to())));
    lines.addAll(verdict(project));
    lines.add("belongs: " + String.join(", ", circuit.belongs()));
    lines.add("outputs: %s, run %s".formatted(circuit.programOutputs(), circuit.runOutputs()));
    lines.add("channels: " + circuit.channelWires().stream().map(Wire::id).toList());
    new TestPulses(circuit)
        .testers()
        .forEach(t -> lines.add(("tests: " + t.device() + " " + pulses(t.pulses())).strip()));
    lines.add(("pulses: " + pulses(new TestPulses(circuit).pulseSources())).strip());
    lines.add("sources: " + circuit.sources());
    FaultRun run = Stops.run(circuit);
    for (FaultResult result : run.singles()) {
      lines.add(
          "fault: %s | %s | %s%s"
              .formatted(
                  result.last().text(),
                  result.last().key(),
                  result.detection(),
                  result.stopLost() ? " | stop lost" : ""));
    }
    Map<String, Integer> pairs = new TreeMap<>();
    for (FaultResult result : run.lostByTwo()) {
      pairs.merge(result.faults().get(0).text() + " | " + result.detection(), 1, Integer::sum);
    }
    pairs.forEach((first, count) -> lines.add("pairs: %s | %d".formatted(first, count)));
    lines.add("doubles: " + run.doubles().size());
    return lines;
  }

  private static String pulses(List<TestPulses.Pulse> pulses) {
    return String.join(", ", pulses.stream().map(p -> p.source() + " to " + p.back()).toList());
  }

  /** Each wire taken off: the stop still stops, or it is told why it cannot be started. */
  private static List<String> cuts(Project project) {
    List<String> lines = new ArrayList<>();
    for (Wire wire : project.wires()) {
      Project cut =
          project.withWires(project.wires().stream().filter(w -> !w.equals(wire)).toList());
      lines.add(
          "%s: %s".formatted(wire.id(), Stops.judged(cut).verdict().text(Stops.circuit(cut))));
    }
    return lines;
  }

  static Stream<String> soundNames() {
    return sound().keySet().stream();
  }

  static Stream<String> wrongNames() {
    return wrong().keySet().stream();
  }

  @ParameterizedTest
  @MethodSource("soundNames")
  void aSoundStopIsToldAsRead(String name) {
    assertThat(whole(project(sound(), name))).isEqualTo(READ.get(name));
  }

  @ParameterizedTest
  @MethodSource("soundNames")
  void aWireThatIsMissingIsToldAsRead(String name) {
    assertThat(cuts(project(sound(), name))).isEqualTo(READ.get(name + ", each wire off"));
  }

  @ParameterizedTest
  @MethodSource("wrongNames")
  void aWrongStopIsToldAsRead(String name) {
    assertThat(verdict(project(wrong(), name))).isEqualTo(READ.get(name));
  }

  /** What an advice adds never leaves a channel closed, nor feeds an input past its contact. */
  @Test
  void noAdviceBridgesAChannel() {
    READ.values().stream()
        .flatMap(List::stream)
        .filter(l -> l.contains("cannot be started"))
        .forEach(
            l ->
                assertThat(l)
                    .doesNotContain("joins STO1 of Drive and P24", "joins STO2 of Drive and P24"));
  }

  private static Project project(Map<String, Project> all, String name) {
    return Objects.requireNonNull(all.get(name));
  }

  private static Map<String, List<String>> read() {
    Map<String, List<String>> all = new LinkedHashMap<>();
    try (BufferedReader in =
        new BufferedReader(
            new InputStreamReader(
                Objects.requireNonNull(
                    StopsReadByHandTest.class.getResourceAsStream("stops-read-by-hand.txt")),
                StandardCharsets.UTF_8))) {
      List<String> section = new ArrayList<>();
      for (String line : in.lines().toList()) {
        if (line.startsWith("= ")) {
          section = new ArrayList<>();
          all.put(line.substring(2), section);
        } else if (!line.isEmpty() && !line.startsWith("#")) {
          section.add(line);
        }
      }
    } catch (IOException unreadable) {
      throw new AssertionError(unreadable);
    }
    return all;
  }
}
