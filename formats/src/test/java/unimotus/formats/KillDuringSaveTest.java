package unimotus.formats;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import unimotus.core.machine.Project;
import unimotus.formats.project.ProjectFile;

/**
 * The program is killed outright while it saves ten files at once, ten times over; each of the
 * hundred files must be whole. Starting the program takes most of the time, so that one kill
 * interrupts many saves.
 */
class KillDuringSaveTest {
  private static final int FILES = 10;
  private static final int KILLS = 10;

  private static Path file(Path folder, int number) {
    return folder.resolve("killed-%d.unimotus.json".formatted(number));
  }

  /** Saves one generation after the other of each file and says which are safe. */
  static final class Saver {
    public static void main(String[] arguments) {
      Path folder = Path.of(arguments[0]);
      for (int i = 0; i < FILES; i++) {
        int number = i;
        int first = Integer.parseInt(arguments[1 + number]);
        new Thread(() -> save(folder, number, first)).start();
      }
    }

    private static void save(Path folder, int number, int first) {
      for (int generation = first; ; generation++) {
        try {
          ProjectFile.save(file(folder, number), Samples.project("generation " + generation));
        } catch (IOException e) {
          throw new UncheckedIOException(e);
        }
        System.out.println(number + " " + generation);
        System.out.flush();
      }
    }
  }

  @TempDir private Path folder;

  @Test
  void nothingThatWasSavedIsEverLost() throws Exception {
    Random random = new Random(11);
    int[] found = new int[FILES];
    for (int kill = 0; kill < KILLS; kill++) {
      int[] safe = saveUntilKilled(found, random.nextInt(60));
      for (int i = 0; i < FILES; i++) {
        found[i] = generation(file(folder, i));
        assertThat(found[i])
            .as("kill %d, file %d: the last save that was reported is there", kill, i)
            .isGreaterThanOrEqualTo(safe[i]);
        Path previous = ProjectFile.previous(file(folder, i));
        if (Files.exists(previous)) {
          assertThat(generation(previous)).isBetween(found[i] - 1, found[i]);
        }
      }
    }
    assertThat(Arrays.stream(found).min().orElseThrow()).isGreaterThanOrEqualTo(KILLS);
  }

  private static int generation(Path file) throws IOException {
    Project project = ProjectFile.load(file).project();
    return Integer.parseInt(project.name().substring("generation ".length()));
  }

  /** Returns the last generation of each file that the saver reported before it was killed. */
  private int[] saveUntilKilled(int[] found, int milliseconds) throws Exception {
    Path reported = folder.resolve("reported");
    Files.deleteIfExists(reported);
    List<String> command =
        new ArrayList<>(
            List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-XX:TieredStopAtLevel=1",
                "-XX:+UseSerialGC",
                "-Xshare:auto",
                "-cp",
                System.getProperty("java.class.path"),
                Saver.class.getName(),
                folder.toString()));
    Arrays.stream(found).forEach(f -> command.add(Integer.toString(f + 1)));
    Process process =
        new ProcessBuilder(command)
            .redirectError(ProcessBuilder.Redirect.INHERIT)
            .redirectOutput(reported.toFile())
            .start();
    while (process.isAlive() && Arrays.stream(latest(reported)).anyMatch(g -> g == 0)) {
      TimeUnit.MILLISECONDS.sleep(5);
    }
    // The moment of the kill is spread over the phases of a save, which takes a few milliseconds.
    TimeUnit.MILLISECONDS.sleep(milliseconds);
    process.destroyForcibly();
    process.waitFor();
    return latest(reported);
  }

  /** The last generation told of each file; 0 where none was. A torn last line tells nothing. */
  private static int[] latest(Path reported) throws IOException {
    String text = Files.readString(reported);
    int[] latest = new int[FILES];
    text.substring(0, text.lastIndexOf('\n') + 1)
        .lines()
        .map(line -> line.split(" "))
        .forEach(cells -> latest[Integer.parseInt(cells[0])] = Integer.parseInt(cells[1]));
    return latest;
  }
}
