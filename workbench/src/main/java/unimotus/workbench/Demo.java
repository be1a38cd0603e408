package unimotus.workbench;

import java.io.IOException;
import java.io.InputStream;
import unimotus.core.machine.Project;
import unimotus.formats.packed.Packed;
import unimotus.formats.project.ProjectFile;

/** The invented kelp line that ships with the program. */
public final class Demo {
  private static final String RESOURCE = "/unimotus/demo/kelp-line.unimotus.json";

  private Demo() {}

  /** The demo project, from its packed form. */
  public static Project project() {
    return Packed.shipped(Demo.class, "/unimotus/demo/kelp-line.packed")
        .map(Project.class::cast)
        .orElseGet(Demo::bound);
  }

  /** The same, read from its file. */
  static Project bound() {
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
