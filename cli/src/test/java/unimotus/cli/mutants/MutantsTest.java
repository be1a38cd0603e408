package unimotus.cli.mutants;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import unimotus.cli.Main;
import unimotus.cli.mutants.Mutants.Mutant;
import unimotus.formats.project.ProjectFile;
import unimotus.workbench.Demo;

/**
 * Every leaf of the demo and of ten panels spoilt: the command line ends with 0, 1 or 2, tells why
 * in one line, and no finding disappears without another in its place.
 */
class MutantsTest {
  private static final boolean WHOLE = Boolean.getBoolean("campaign.full");

  /** Every so-manieth mutant; the remainder shifts from leaf to leaf, so all ways are met. */
  private static final int CHECKED = WHOLE ? 1 : 127;

  private static final int CALCULATED = WHOLE ? 61 : 1013;

  /**
   * Texts that people write as they like. A value put there is not wrong, however odd; everything
   * else that is nonsense has to be noticed.
   */
  private static final Set<String> FREE =
      Set.of(
          "/name",
          "/axes/*/name",
          "/axes/*/note",
          "/controllers/*/name",
          "/drives/*/name",
          "/motors/*/name",
          "/parts/*/name",
          "/stops/*/name",
          "/stops/*/id",
          "/notes/*/by",
          "/notes/*/text",
          "/readings/*/by",
          "/readings/*/instrument",
          "/records/*/overrules",
          "/records/*/snapshots/*/by",
          "/records/*/snapshots/*/source",
          "/records/*/borrowings/*/by",
          "/records/*/borrowings/*/why",
          "/records/*/tuning/by",
          "/records/*/plate",
          "/records/*/fieldbus/registers/*/value/name",
          "/records/*/fieldbus/registers/*/place/group",
          "/records/*/fieldbus/words",
          // What the pieces are called that the line counts.
          "/axes/*/mechanics/unitName",
          "/wires/*/id",
          "/wires/*/make/cable",
          "/wires/*/make/colour",
          "/wires/*/make/core",
          "/wires/*/make/signal",
          // A digest of the design as it was: another one makes the reading stale, which is told
          // where the proof is.
          "/readings/*/basis",
          // A register the program does not reason with may be counted in anything.
          "/records/*/fieldbus/registers/*/value/scaling/unit",
          // What was read may be anything; the proof says that it answers no prediction.
          "/readings/*/prediction",
          "/readings/*/word");

  /** Unwired reference, command and reference source, no permission, no run command, no common. */
  private static final Set<String> STILL =
      Set.of("ANA-009", "SET-001", "SET-002", "DIS-002", "DIS-004", "DIS-006");

  private static final ObjectMapper JSON = new ObjectMapper();
  private static final Map<String, JsonNode> PROJECTS = new LinkedHashMap<>();
  private static List<Mutant> mutants = List.of();

  @TempDir private Path folder;

  private record Result(int status, String out, String err) {}

  @BeforeAll
  static void spoil() throws IOException {
    PROJECTS.put("demo", JSON.readTree(ProjectFile.write(Demo.project())));
    try (Stream<Path> panels = Files.list(Path.of("src/test/resources/unimotus/panels"))) {
      for (Path panel : panels.sorted().toList()) {
        PROJECTS.put(panel.getFileName().toString(), JSON.readTree(Files.readAllBytes(panel)));
      }
    }
    mutants = Mutants.of(PROJECTS);
  }

  private Result run(String verb, String text, String... more) throws IOException {
    Path file = folder.resolve("mutant.unimotus.json");
    Files.writeString(file, text);
    List<String> call = new ArrayList<>(List.of(verb, file.toString(), "--json"));
    call.addAll(List.of(more));
    StringWriter out = new StringWriter();
    StringWriter err = new StringWriter();
    int status = Main.run(new PrintWriter(out), new PrintWriter(err), call.toArray(String[]::new));
    return new Result(status, out.toString(), err.toString());
  }

  private static Set<String> findings(Result result) throws IOException {
    Set<String> found = new TreeSet<>();
    for (JsonNode finding : JSON.readTree(result.out()).get("findings")) {
      found.add(
          "%s %s %s"
              .formatted(
                  finding.get("code").asText(),
                  finding.get("place").asText(),
                  finding.get("seen").asText()));
    }
    return found;
  }

  /** Code and place: a finding whose numbers changed is still there. */
  private static Set<String> kept(Set<String> findings) {
    Set<String> kept = new HashSet<>();
    findings.forEach(f -> kept.add(f.substring(0, f.indexOf(' ', f.indexOf(' ') + 1))));
    return kept;
  }

  private static boolean isFree(String shape) {
    return FREE.stream().anyMatch(f -> shape.equals(f) || shape.startsWith(f + "/"));
  }

  @Test
  void thereAreTwentyThousandOfThem() {
    assertThat(mutants).hasSizeGreaterThanOrEqualTo(20_000);
  }

  @Test
  void nothingVanishesWithoutAWord() throws IOException {
    Map<String, Set<String>> sound = new TreeMap<>();
    for (Map.Entry<String, JsonNode> project : PROJECTS.entrySet()) {
      sound.put(
          project.getKey(), findings(run("check", JSON.writeValueAsString(project.getValue()))));
    }
    List<String> wrong = new ArrayList<>();
    int checked = 0;
    for (int i = 0; i < mutants.size(); i += CHECKED) {
      Mutant mutant = mutants.get(i);
      checked++;
      String fault = fault(mutant, run("check", mutant.text()), sound.get(mutant.origin()));
      if (!fault.isEmpty()) {
        wrong.add(mutant + ": " + fault);
      }
    }
    System.out.printf("mutants checked: %d, %d wrong%n", checked, wrong.size());
    assertThat(wrong).isEmpty();
  }

  private static String fault(Mutant mutant, Result result, Set<String> sound) throws IOException {
    if (result.status() < 0 || result.status() > 2) {
      return "status " + result.status() + " " + result.err();
    }
    if (result.status() == 2) {
      boolean told = result.err().startsWith("unimotus: ") && result.err().lines().count() == 1;
      return told && !result.err().contains("Exception") ? "" : "not told: " + result.err();
    }
    Set<String> now = findings(result);
    Set<String> fresh = new TreeSet<>(now);
    fresh.removeAll(sound);
    Set<String> gone = kept(sound);
    gone.removeAll(kept(now));
    if (mutant.isNonsense() && !gone.isEmpty() && fresh.isEmpty()) {
      return "silent, gone " + gone;
    }
    boolean word = mutant.way().equals("text") || mutant.way().equals("32 767");
    boolean free = isFree(Mutants.shape(mutant.place())) || isNamedNowhereElse(mutant);
    return word && now.equals(sound) && !free ? "not noticed" : "";
  }

  /** An id that nothing else names may be any word. */
  private static boolean isNamedNowhereElse(Mutant mutant) {
    JsonNode project = PROJECTS.get(mutant.origin());
    String id = project.at(mutant.place()).toString();
    return mutant.place().endsWith("/id") && project.toString().split(id, -1).length == 2;
  }

  /** An error that keeps the motor still, beside a speed that is predicted; empty for none. */
  private Optional<String> contradiction(Mutant mutant, String axis, Result predicted)
      throws IOException {
    boolean speeds =
        JSON.readTree(predicted.out()).findValuesAsText("key").contains("ref50.frequency");
    return findings(run("check", mutant.text())).stream()
        .filter(f -> f.contains(" axis/" + axis + "/"))
        .filter(f -> STILL.contains(f.substring(0, 7)) && speeds)
        .findFirst();
  }

  /** What is computed from them never ends in a stack trace either. */
  @Test
  void nothingThatIsComputedFromThemBreaks() throws IOException {
    List<String> wrong = new ArrayList<>();
    int run = 0;
    for (int i = 0; i < mutants.size(); i += CALCULATED) {
      Mutant mutant = mutants.get(i);
      for (JsonNode axis : PROJECTS.get(mutant.origin()).get("axes")) {
        for (String verb : List.of("wiring", "predict", "diagnose")) {
          Result result = run(verb, mutant.text(), "--axis", axis.get("id").asText());
          run++;
          if (result.status() < 0 || result.status() > 2) {
            wrong.add("%s %s: %s".formatted(verb, mutant, result.err()));
          }
          if (verb.equals("predict") && result.status() == 0) {
            contradiction(mutant, axis.get("id").asText(), result)
                .ifPresent(c -> wrong.add("%s: %s".formatted(mutant, c)));
          }
        }
      }
    }
    System.out.printf("verbs on mutants: %d, %d broken%n", run, wrong.size());
    assertThat(wrong).isEmpty();
  }
}
