package unimotus.formats.esi;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Optional;

/** Descriptions of the stand-ins, written for this program. */
public final class ShippedDescriptions {
  /** Their names. */
  public static final List<String> NAMES =
      List.of("two-axis-servo", "frequency-drive", "slot-coupler");

  private ShippedDescriptions() {}

  /** The description of this name; empty where none ships. */
  public static Optional<DescriptionFile> find(String name) {
    return NAMES.contains(name) ? Optional.of(read(name)) : Optional.empty();
  }

  private static DescriptionFile read(String name) {
    try (InputStream in =
        ShippedDescriptions.class.getResourceAsStream("/unimotus/esi/" + name + ".xml")) {
      if (in == null) {
        throw new IllegalStateException("description '%s' is not shipped".formatted(name));
      }
      return DescriptionFile.read(name, in);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
