package unimotus.formats.json;

import com.fasterxml.jackson.annotation.JsonAutoDetect;
import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.PropertyAccessor;
import com.fasterxml.jackson.core.JsonGenerator;
import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.core.util.DefaultIndenter;
import com.fasterxml.jackson.core.util.DefaultPrettyPrinter;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.MapperFeature;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.ObjectWriter;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.TreeMap;

/**
 * The program's JSON: strict in reading, stable in writing.
 *
 * <p>Keys are sorted, nulls are left out, every leaf has a line of its own, numbers are written so
 * that they read back to the same double.
 */
public final class Json {
  private static final ObjectMapper STRICT = builder().build();
  private static final ObjectMapper LENIENT =
      builder().disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES).build();

  private Json() {}

  private static JsonMapper.Builder builder() {
    return JsonMapper.builder()
        .addModule(new CoreModule())
        .serializationInclusion(JsonInclude.Include.NON_NULL)
        // A record's components are its fields; what it computes besides does not belong in a file.
        .visibility(PropertyAccessor.GETTER, JsonAutoDetect.Visibility.NONE)
        .visibility(PropertyAccessor.IS_GETTER, JsonAutoDetect.Visibility.NONE)
        .visibility(PropertyAccessor.FIELD, JsonAutoDetect.Visibility.ANY)
        .disable(MapperFeature.ALLOW_COERCION_OF_SCALARS)
        .enable(MapperFeature.SORT_PROPERTIES_ALPHABETICALLY)
        .enable(SerializationFeature.ORDER_MAP_ENTRIES_BY_KEYS)
        .enable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
        .disable(DeserializationFeature.ACCEPT_FLOAT_AS_INT)
        .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
        .enable(DeserializationFeature.FAIL_ON_READING_DUP_TREE_KEY)
        .enable(JsonParser.Feature.STRICT_DUPLICATE_DETECTION)
        .enable(JsonGenerator.Feature.WRITE_BIGDECIMAL_AS_PLAIN);
  }

  /** Reads and refuses what it does not know. */
  public static ObjectMapper strict() {
    return STRICT;
  }

  /** Reads what it knows and passes over the rest; for files of a newer version. */
  public static ObjectMapper lenient() {
    return LENIENT;
  }

  /** Writes with a line a leaf. */
  public static ObjectWriter writer() {
    DefaultIndenter indenter = new DefaultIndenter("  ", "\n");
    DefaultPrettyPrinter printer =
        new DefaultPrettyPrinter() {
          private static final long serialVersionUID = 1L;

          @Override
          public DefaultPrettyPrinter createInstance() {
            return this;
          }

          @Override
          public void writeObjectFieldValueSeparator(JsonGenerator g) throws java.io.IOException {
            g.writeRaw(": ");
          }
        };
    printer.indentArraysWith(indenter);
    printer.indentObjectsWith(indenter);
    return STRICT.writer(printer);
  }

  /** The same tree with the keys of every object in order. */
  public static JsonNode sorted(JsonNode tree) {
    if (tree.isArray()) {
      ArrayNode array = STRICT.createArrayNode();
      tree.forEach(item -> array.add(sorted(item)));
      return array;
    }
    if (!tree.isObject()) {
      return tree;
    }
    TreeMap<String, JsonNode> entries = new TreeMap<>();
    tree.fields().forEachRemaining(e -> entries.put(e.getKey(), sorted(e.getValue())));
    ObjectNode object = STRICT.createObjectNode();
    entries.forEach(object::set);
    return object;
  }
}
