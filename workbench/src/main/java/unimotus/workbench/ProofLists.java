package unimotus.workbench;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import unimotus.core.proof.ProofList;
import unimotus.formats.report.ProofListPdf;

/** Proof lists out to files. */
public final class ProofLists {
  private ProofLists() {}

  /**
   * Writes a list as the file's name says: {@code .pdf} to print, {@code .txt} plain text.
   *
   * @throws IllegalArgumentException where the name says neither, or there is nothing to prove
   * @throws IOException where it cannot be written
   */
  public static void write(ProofList list, Path file) throws IOException {
    String name = file.getFileName().toString();
    if (list.rows().isEmpty()) {
      throw new IllegalArgumentException(
          "%s: there is nothing to prove yet".formatted(list.axis()));
    }
    if (name.endsWith(".pdf")) {
      try (OutputStream out = Files.newOutputStream(file)) {
        ProofListPdf.write(list, out);
      }
    } else if (name.endsWith(".txt")) {
      Files.writeString(file, list.text(), StandardCharsets.UTF_8);
    } else {
      throw new IllegalArgumentException(
          "'%s' must end in .pdf or .txt for a proof list".formatted(name));
    }
  }
}
