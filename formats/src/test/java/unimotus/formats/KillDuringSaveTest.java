package unimotus.formats;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import unimotus.core.machine.Project;
import unimotus.formats.project.ProjectFile;

/** A hundred times the program is killed outright while it saves; the file must always be whole. */
class KillDuringSaveTest {
  private static final int LANES = 4;
  private static final int KILLS_A_LANE = 25;

  /** Saves one generation after the other and says which are safe. */
  static final class Saver {
    public static void main(String[] arguments) throws IOException {
      Path file = Path.of(arguments[0]);
      for (int generation = Integer.parseInt(arguments[1]); ; generation++) {
        ProjectFile.save(file, Samples.project("generation " + generation));
        System.out.println(generation);
        System.out.flush();
      }
    }
  }

  @TempDir private Path folder;

  /** Most of the time goes into starting the program: several files are saved beside each other. */
  @Test
  void nothingThatWasSavedIsEverLost() throws Exception {
    ExecutorService lanes = Executors.newFixedThreadPool(LANES);
    List<Future<?>> all = new ArrayList<>();
    for (int lane = 0; lane < LANES; lane++) {
      int number = lane;
      all.add(lanes.submit(() -> killAgainAndAgain(number)));
    }
    lanes.shutdown();
    for (Future<?> lane : all) {
      lane.get();
    }
  }

  private Void killAgainAndAgain(int lane) throws Exception {
    Path file = folder.resolve("killed-%d.unimotus.json".formatted(lane));
    Random random = new Random(11 + lane);
    int found = 0;
    for (int kill = 0; kill < KILLS_A_LANE; kill++) {
      int safe = saveUntilKilled(file, found + 1, random.nextInt(40));
      found = generation(file);
      assertThat(found)
          .as("kill %d: the last save that was reported is there", kill)
          .isGreaterThanOrEqualTo(safe);
      if (Files.exists(ProjectFile.previous(file))) {
        assertThat(generation(ProjectFile.previous(file))).isBetween(found - 1, found);
      }
    }
    assertThat(found).isGreaterThan(KILLS_A_LANE);
    return null;
  }

  private static int generation(Path file) throws IOException {
    Project project = ProjectFile.load(file).project();
    return Integer.parseInt(project.name().substring("generation ".length()));
  }

  /** Returns the last generation the saver reported before it was killed. */
  private int saveUntilKilled(Path file, int first, int milliseconds) throws Exception {
    Path reported = file.resolveSibling(file.getFileName() + ".reported");
    Files.deleteIfExists(reported);
    Process process =
        new ProcessBuilder(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-XX:TieredStopAtLevel=1",
                "-XX:+UseSerialGC",
                "-Xshare:auto",
                "-cp",
                System.getProperty("java.class.path"),
                Saver.class.getName(),
                file.toString(),
                Integer.toString(first))
            .redirectError(ProcessBuilder.Redirect.INHERIT)
            .redirectOutput(reported.toFile())
            .start();
    while (process.isAlive() && Files.size(reported) == 0) {
      TimeUnit.MILLISECONDS.sleep(2);
    }
    // The moment of the kill is spread over the phases of a save, which takes a few milliseconds.
    TimeUnit.MILLISECONDS.sleep(milliseconds);
    process.destroyForcibly();
    process.waitFor();
    List<String> lines = Files.readAllLines(reported);
    return Integer.parseInt(lines.get(lines.size() - 1));
  }
}
