package unimotus.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.io.InputStream;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Project;
import unimotus.core.machine.Reading;
import unimotus.core.proof.DesignDigest;
import unimotus.core.proof.Part;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.way.Designs;
import unimotus.formats.project.ProjectFile;
import unimotus.formats.sheet.SheetLibrary;

/**
 * A file of every version of the format still means the same: its findings and predictions are
 * those that the program told on 2026-11-29, before an axis could have more than one chain ({@code
 * older-files.tsv}: version, kind, then what was told). Numbers may differ by their rounding alone.
 */
class OlderFilesTest {
  private static final double ROUNDING = 1e-9;

  private static Path file(int version) {
    return Path.of(
        "../formats/src/test/resources/unimotus/version-%d.unimotus.json".formatted(version));
  }

  private static JsonNode told(String verb, int version) throws IOException {
    StringWriter out = new StringWriter();
    StringWriter err = new StringWriter();
    Main.run(
        new PrintWriter(out, true),
        new PrintWriter(err, true),
        verb,
        file(version).toString(),
        "--json");
    assertThat(err.toString()).isEmpty();
    return new ObjectMapper().readTree(out.toString());
  }

  private static List<String> now(int version) throws IOException {
    List<String> lines = new ArrayList<>();
    for (JsonNode f : told("check", version).get("findings")) {
      lines.add(line(version, "finding", f, "code", "severity", "place", "seen"));
    }
    for (JsonNode axis : told("predict", version)) {
      String id = axis.get("axis").asText();
      for (JsonNode hindrance : axis.path("notPredicted")) {
        lines.add("%d\thindered\t%s\t%s".formatted(version, id, hindrance.asText()));
      }
      for (JsonNode p : axis.get("predictions")) {
        if (p.get("key").asText().startsWith("output.")) {
          // What analog outputs show was not told before.
          continue;
        }
        String unit = p.get("unit").isNull() ? "" : p.get("unit").asText();
        lines.add(
            "%d\tpredicted\t%s\t%s\t%s\t%s"
                .formatted(version, id, p.get("key").asText(), unit, p.get("value").asText()));
      }
    }
    return lines;
  }

  private static String line(int version, String kind, JsonNode node, String... fields) {
    StringBuilder line = new StringBuilder().append(version).append('\t').append(kind);
    for (String field : fields) {
      line.append('\t').append(node.get(field).asText());
    }
    return line.toString();
  }

  private static List<String> before(int version) throws IOException {
    try (InputStream in = OlderFilesTest.class.getResourceAsStream("older-files.tsv")) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8)
          .lines()
          .filter(l -> l.startsWith(version + "\t"))
          .toList();
    }
  }

  @ParameterizedTest
  @ValueSource(ints = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10})
  void aFileOfAnOlderVersionMeansTheSame(int version) throws IOException {
    List<String> before = before(version);
    List<String> now = now(version);
    assertThat(before).isNotEmpty();
    assertThat(now).hasSameSizeAs(before);
    for (int i = 0; i < before.size(); i++) {
      same(before.get(i), now.get(i));
    }
  }

  /**
   * Marks of sheets changed in version 10; what was measured under the former ones still holds. The
   * file of version 4 is left out: its readings were never taken on its design.
   */
  @ParameterizedTest
  @ValueSource(ints = {1, 2, 3, 5, 6, 7, 8, 9, 10})
  void evidenceUnderFormerMarksIsStillEvidence(int version) throws IOException {
    Project project = ProjectFile.load(file(version)).project();
    SheetCatalogue sheets = SheetLibrary.catalogue();
    assertThat(project.readings()).isNotEmpty();
    for (Reading reading : project.readings()) {
      AxisAssembly axis =
          AxisAssembly.of(project, sheets, project.axis(reading.axis()).orElseThrow())
              .orElseThrow();
      DesignDigest digest = Designs.digest(axis);
      assertThat(reading.basis().keySet())
          .as(reading.prediction())
          .allMatch(p -> digest.isUnchanged(Part.valueOf(p), reading.basis()));
    }
  }

  private static void same(String before, String now) {
    int at = before.lastIndexOf('\t');
    String last = before.substring(at + 1);
    if (before.contains("\tpredicted\t") && last.matches("-?[0-9.]+([eE]-?[0-9]+)?")) {
      assertThat(now).startsWith(before.substring(0, at + 1));
      double value = Double.parseDouble(last);
      assertThat(Double.parseDouble(now.substring(at + 1)))
          .as(before)
          .isCloseTo(value, within(ROUNDING * Math.max(1, Math.abs(value))));
    } else {
      assertThat(now).isEqualTo(before);
    }
  }
}
