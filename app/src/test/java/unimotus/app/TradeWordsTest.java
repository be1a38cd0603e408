package unimotus.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** The words of the program are those of docs/words.md; what stands there as "Not" is held out. */
class TradeWordsTest {
  private static final Path ROOT = Path.of("..");

  /** One of them is enough; whole words, whatever their case. */
  private static final Pattern OLD =
      Pattern.compile(
          "\\b(to mend|mend all|mends? (it|that|them)|mended|to look at:|doubtful|\\d doubts"
              + "|left the works|from the works|works (value|jumper|position)|drive as new"
              + "|in thought|on purpose|(told|detected) by (its|their) looks|begin anew|empty it"
              + "|taken? back: |to take back|leave it\\b|take it up|handed back|hand(s|ed)? it back"
              + "|join a drive|joined:|not joined|the detective|rehearsal|cannot be told|load hangs"
              + "|makers?'s?|maker's|spoils?|say who|seen to|found sound|stand-ins?)\\b",
          Pattern.CASE_INSENSITIVE);

  private static final Pattern LITERAL = Pattern.compile("\"((?:[^\"\\\\\n]|\\\\.)*)\"");

  @Test
  void noOldWordIsInAnythingTheProgramSays() throws IOException {
    List<String> found = new ArrayList<>();
    for (Path file : sources()) {
      LITERAL
          .matcher(withoutComments(Files.readString(file)))
          .results()
          .map(m -> m.group(1))
          .filter(words -> words.contains(" "))
          .filter(words -> OLD.matcher(words).find())
          .forEach(words -> found.add(file.getFileName() + ": " + words));
    }
    assertThat(found).isEmpty();
  }

  @Test
  void noOldWordIsInWhatUsersRead() throws IOException {
    List<String> found = new ArrayList<>();
    for (String name : List.of("README.md", "docs/guide.md")) {
      String text = Files.readString(ROOT.resolve(name));
      OLD.matcher(text).results().map(MatchResult::group).forEach(w -> found.add(name + ": " + w));
    }
    assertThat(found).isEmpty();
  }

  /** The pattern finds what it is for; a test that cannot fail would be worth nothing. */
  @Test
  void theOldWordsWouldBeFound() {
    assertThat(
            Stream.of(
                "2 axes to mend",
                "left the works with 5",
                "the works jumper",
                "join a drive first"))
        .allMatch(words -> OLD.matcher(words).find());
    assertThat(Stream.of("it works", "recommended setting", "the wires are connected"))
        .noneMatch(words -> OLD.matcher(words).find());
  }

  private static List<Path> sources() throws IOException {
    List<Path> sources = new ArrayList<>();
    for (String module : List.of("core", "formats", "devices", "workbench", "cli", "desktop")) {
      try (Stream<Path> files = Files.walk(ROOT.resolve(module).resolve("src/main/java"))) {
        files.filter(f -> f.toString().endsWith(".java")).forEach(sources::add);
      } catch (UncheckedIOException e) {
        throw e.getCause();
      }
    }
    assertThat(sources).hasSizeGreaterThan(500);
    return sources;
  }

  private static String withoutComments(String java) {
    return Pattern.compile("/\\*.*?\\*/", Pattern.DOTALL)
        .matcher(java)
        .replaceAll("")
        .replaceAll("(?m)^\\s*//.*$", "");
  }
}
