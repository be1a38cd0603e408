package unimotus.workbench;

import java.io.IOException;
import java.io.InputStream;
import unimotus.core.machine.Project;
import unimotus.formats.project.ProjectFile;

/** The invented kelp line that ships with the program. */
public final class Demo {
  private static final String RESOURCE = "/unimotus/demo/kelp-line.unimotus.json";

  private Demo() {}

  /** The demo project, read from the program's own resource. */
  public static Project project() {
    try {
      return ProjectFile.readShipped("kelp-line.unimotus.json", bytes());
    } catch (IOException e) {
      throw new IllegalStateException("the shipped demo is unreadable", e);
    }
  }

  /**
   * The demo as it stands in the file.
   *
   * @throws IOException where the resource cannot be read
   */
  public static byte[] bytes() throws IOException {
    try (InputStream in = Demo.class.getResourceAsStream(RESOURCE)) {
      if (in == null) {
        throw new IllegalStateException("the program ships " + RESOURCE);
      }
      return in.readAllBytes();
    }
  }
}
