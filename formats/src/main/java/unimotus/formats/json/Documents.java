package unimotus.formats.json;

import com.fasterxml.jackson.core.JsonLocation;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonMappingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;

/** Reads documents of the program and tells their faults with line and place. */
public final class Documents {
  /** No project or sheet comes near this; a larger file is something else. */
  private static final int LARGEST_BYTES = 64 << 20;

  private Documents() {}

  /**
   * Parses a document that must be an object with this format name.
   *
   * @throws FileFault where it is empty, too large, not JSON or of another format
   */
  public static ObjectNode parse(String file, byte[] bytes, String format) throws FileFault {
    if (bytes.length == 0) {
      throw new FileFault(
          file, 1, 1, "the file is empty; a document of format '%s' is expected".formatted(format));
    }
    checkSize(file, bytes.length);
    JsonNode tree = tree(file, bytes);
    if (!(tree instanceof ObjectNode object) || !format.equals(object.path("format").asText(""))) {
      throw new FileFault(
          file,
          1,
          1,
          "not a document of format '%s': it has no such \"format\" entry".formatted(format));
    }
    return object;
  }

  /**
   * Refuses a document of an impossible size before it is read.
   *
   * @throws FileFault naming size and limit
   */
  public static void checkSize(String file, long bytes) throws FileFault {
    if (bytes > LARGEST_BYTES) {
      throw new FileFault(
          file,
          0,
          0,
          "%d MB is more than the %d MB a document may have"
              .formatted(bytes >> 20, LARGEST_BYTES >> 20));
    }
  }

  private static JsonNode tree(String file, byte[] bytes) throws FileFault {
    try {
      return Json.strict().readTree(bytes);
    } catch (JsonProcessingException e) {
      throw fault(file, e.getLocation(), e.getOriginalMessage());
    } catch (IOException e) {
      throw new FileFault(file, 0, 0, String.valueOf(e.getMessage()));
    }
  }

  /**
   * Checks a parsed document against its schema and binds it.
   *
   * @param bytes the document as it stands in the file, for the place of a fault
   * @throws FileFault naming file, line, place and what was expected
   */
  public static <T> T bindChecked(
      String file, byte[] bytes, ObjectNode document, Schema schema, Class<T> type)
      throws FileFault {
    schema.require(file, bytes, document);
    return bind(file, bytes, document, Json.strict(), type);
  }

  /**
   * Binds a parsed document without the schema; the records' own checks still hold.
   *
   * @throws FileFault naming file, line, place and what was expected
   */
  public static <T> T bind(
      String file, byte[] bytes, ObjectNode document, ObjectMapper mapper, Class<T> type)
      throws FileFault {
    ObjectNode body = document.deepCopy();
    body.remove("format");
    body.remove("version");
    try {
      return mapper.treeToValue(body, type);
    } catch (JsonMappingException e) {
      JsonPlaces.Place place = new JsonPlaces(bytes).of(pointer(e));
      throw new FileFault(file, place.line(), place.column(), pointerName(e) + cause(e));
    } catch (JsonProcessingException e) {
      throw fault(file, e.getLocation(), e.getOriginalMessage());
    }
  }

  private static FileFault fault(String file, JsonLocation location, String message) {
    String plain = message.split("\n", 2)[0];
    String problem = "not readable as JSON: " + plain;
    return location == null
        ? new FileFault(file, 0, 0, problem)
        : new FileFault(file, location.getLineNr(), location.getColumnNr(), problem);
  }

  private static String pointer(JsonMappingException e) {
    StringBuilder pointer = new StringBuilder();
    for (JsonMappingException.Reference reference : e.getPath()) {
      pointer
          .append('/')
          .append(
              reference.getFieldName() != null ? reference.getFieldName() : reference.getIndex());
    }
    return pointer.toString();
  }

  private static String pointerName(JsonMappingException e) {
    String pointer = pointer(e);
    return pointer.isEmpty() ? "" : pointer.substring(1) + ": ";
  }

  private static String cause(JsonMappingException e) {
    Throwable root = e;
    while (root.getCause() != null && root.getCause() != root) {
      root = root.getCause();
    }
    String message =
        root instanceof JsonProcessingException j ? j.getOriginalMessage() : root.getMessage();
    return String.valueOf(message).split("\n", 2)[0];
  }
}
