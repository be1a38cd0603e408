package unimotus.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * The Debian package, made from the program as it is laid out, installed where this test may do so
 * (else unpacked) and started with the runtime it brings along.
 */
class PackageIT {
  private static final Path HOME = Path.of("..").toAbsolutePath().normalize();
  private static final String OWN = "/opt/unimotus";

  @TempDir static Path folder;
  private static Path installed;
  private static String listed;

  @BeforeAll
  static void makeAndInstall() throws Exception {
    Path out = folder.resolve("dist");
    String script =
        "home='%s'; . \"$home/scripts/prepare\"; . \"$home/scripts/package\"; package_into '%s' '%s'"
            .formatted(HOME, HOME.resolve("app/target/app"), out);
    String made = run(Map.of(), List.of("bash", "-c", script));
    Path deb;
    try (Stream<Path> files = Files.list(out)) {
      deb =
          files
              .filter(f -> f.toString().endsWith(".deb"))
              .findFirst()
              .orElseThrow(() -> new AssertionError(made));
    }
    listed = run(Map.of(), List.of("dpkg-deb", "--contents", deb.toString()));
    if (mayInstall()) {
      run(Map.of(), List.of("dpkg", "--install", deb.toString()));
      assertThat(run(Map.of(), List.of("dpkg", "--status", "unimotus")))
          .contains("Status: install ok installed");
      installed = Path.of(OWN);
    } else {
      run(
          Map.of(),
          List.of("dpkg-deb", "--extract", deb.toString(), folder.resolve("root").toString()));
      installed = folder.resolve("root" + OWN);
    }
  }

  @AfterAll
  static void remove() throws Exception {
    if (mayInstall()) {
      run(Map.of(), List.of("dpkg", "--purge", "unimotus"));
      assertThat(Path.of(OWN)).doesNotExist();
    }
  }

  private static boolean mayInstall() {
    return "root".equals(System.getProperty("user.name"))
        && System.getenv("CI_KEEP_SYSTEM") == null;
  }

  private static String run(Map<String, String> environment, List<String> command)
      throws IOException, InterruptedException {
    return run(0, environment, command);
  }

  private static String run(int status, Map<String, String> environment, List<String> command)
      throws IOException, InterruptedException {
    Path log = Files.createTempFile(folder, "run", ".log");
    ProcessBuilder builder =
        new ProcessBuilder(command).redirectErrorStream(true).redirectOutput(log.toFile());
    builder.environment().putAll(environment);
    Process process = builder.start();
    boolean ended = process.waitFor(5, TimeUnit.MINUTES);
    String said = Files.readString(log, StandardCharsets.UTF_8);
    process.destroyForcibly();
    assertThat(ended).as(said).isTrue();
    assertThat(process.exitValue()).as("%s: %s", command, said).isEqualTo(status);
    return said;
  }

  @Test
  void itBringsMenuEntryIconAndFileType() {
    assertThat(listed)
        .contains("./opt/unimotus/bin/unimotus\n")
        .contains("./opt/unimotus/bin/unimotus-cli\n")
        .contains("./opt/unimotus/lib/unimotus.png")
        .contains(".desktop")
        .contains("MimeInfo.xml")
        .contains("./opt/unimotus/lib/runtime/");
  }

  @Test
  void theWindowOpensTheDemo() throws Exception {
    Path home = Files.createDirectories(folder.resolve("home"));
    String said =
        run(
            Map.of(
                "JAVA_TOOL_OPTIONS",
                "-Dunimotus.startup=true -Dprism.order=sw",
                "XDG_CONFIG_HOME",
                home.toString(),
                "XDG_STATE_HOME",
                home.toString()),
            List.of(installed.resolve("bin/unimotus").toString(), "demo"));
    assertThat(said).contains("window usable after");
  }

  @Test
  void theCommandLineAnswersWithoutAJavaOfTheMachine() throws Exception {
    // The demo has an error on purpose: status 1.
    String said =
        run(
            1,
            Map.of("PATH", "/usr/bin:/bin", "JAVA_HOME", "/nowhere"),
            List.of(installed.resolve("bin/unimotus-cli").toString(), "check", "demo"));
    assertThat(said).contains("ANA-002");
  }
}
