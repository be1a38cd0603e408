package unimotus.formats.json;

import com.fasterxml.jackson.databind.JsonNode;
import com.networknt.schema.JsonSchema;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import com.networknt.schema.ValidationMessage;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** The published schemas (JSON Schema 2020-12) and validation against them. */
public enum Schema {
  PROJECT("project"),
  SHEET("sheet");

  private final String key;

  @SuppressWarnings("ImmutableEnumChecker") // A memory of what the constant always comes to.
  private @Nullable JsonSchema schema;

  Schema(String key) {
    this.key = key;
  }

  /** The word for it on the command line. */
  public String key() {
    return key;
  }

  /** The schema as published. */
  public String text() {
    String resource = "/unimotus/schemas/" + key + ".schema.json";
    try (InputStream in = Schema.class.getResourceAsStream(resource)) {
      if (in == null) {
        throw new IllegalStateException("the program ships " + resource);
      }
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    } catch (IOException e) {
      throw new IllegalStateException("the program's own resource is unreadable: " + resource, e);
    }
  }

  /** Made once: reading the schema takes longer than most documents. */
  private synchronized JsonSchema compiled() {
    JsonSchema known = schema;
    if (known == null) {
      known = JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012).getSchema(text());
      schema = known;
    }
    return known;
  }

  /**
   * Throws where the document breaks the schema, with the place of the deepest, most telling fault.
   *
   * @param file the file's name, for the message
   * @param bytes the document as it stands in the file, for the line
   * @param tree the document, parsed
   * @throws FileFault naming file, line, place and what was expected
   */
  void require(String file, byte[] bytes, JsonNode tree) throws FileFault {
    Set<ValidationMessage> messages = compiled().validate(tree);
    Optional<ValidationMessage> worst =
        messages.stream()
            .filter(m -> !List.of("oneOf", "if", "allOf").contains(m.getType()))
            .max(Comparator.comparingInt(Schema::depth));
    Optional<ValidationMessage> told = worst.isPresent() ? worst : messages.stream().findFirst();
    if (told.isPresent()) {
      String pointer = pointer(told.get());
      JsonPlaces.Place place = new JsonPlaces(bytes).of(pointer);
      throw new FileFault(
          file, place.line(), place.column(), "%s: %s".formatted(name(pointer), plain(told.get())));
    }
  }

  private static int depth(ValidationMessage message) {
    return message.getInstanceLocation().getNameCount();
  }

  private static String pointer(ValidationMessage message) {
    String location = message.getInstanceLocation().toString();
    return location.startsWith("$")
        ? location.substring(1).replace(".", "/").replaceAll("\\[(\\d+)]", "/$1")
        : location;
  }

  private static String name(String pointer) {
    return pointer.isEmpty() ? "document" : pointer.substring(1);
  }

  private static String plain(ValidationMessage message) {
    String text = message.getMessage();
    int colon = text.indexOf(": ");
    return colon >= 0 ? text.substring(colon + 2) : text;
  }
}
