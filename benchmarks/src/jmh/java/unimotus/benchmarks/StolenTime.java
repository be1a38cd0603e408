package unimotus.benchmarks;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;

/**
 * Time in which this machine wanted to run and its host let it wait: the eighth figure of the line
 * {@code cpu} in {@code /proc/stat}, in hundredths of a second (proc(5)). Where there is no such
 * file nothing is stolen.
 */
final class StolenTime {
  private static final Path STAT = Path.of("/proc/stat");
  private static final int STEAL = 8;

  private StolenTime() {}

  /** Hundredths of a second since the start of the machine, over all its processors. */
  static long hundredths() {
    try (var lines = Files.lines(STAT)) {
      String[] figures = lines.findFirst().orElse("").split("\\s+");
      return figures.length > STEAL ? Long.parseLong(figures[STEAL]) : 0;
    } catch (IOException none) {
      return 0;
    }
  }
}
