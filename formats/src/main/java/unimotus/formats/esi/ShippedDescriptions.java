package unimotus.formats.esi;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Optional;
import unimotus.core.esi.DescriptionCatalogue;

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

  /** Read when they are first asked for. */
  private static final class Held {
    static final DescriptionCatalogue ALL =
        new DescriptionCatalogue(NAMES.stream().map(n -> read(n).description()).toList());
  }

  /** All of them. */
  public static DescriptionCatalogue catalogue() {
    return Held.ALL;
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
