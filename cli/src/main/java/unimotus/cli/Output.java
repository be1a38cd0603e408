package unimotus.cli;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import java.io.PrintWriter;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** Where a verb's result goes: text for people, or one JSON document for programs. */
final class Output {
  /** Made when a document is asked for: most calls print text. */
  private static final class Documents {
    private static final ObjectMapper MAPPER =
        new ObjectMapper().enable(SerializationFeature.INDENT_OUTPUT);
  }

  @Spec(Spec.Target.MIXEE)
  private CommandSpec spec;

  @Option(names = "--json", description = "Print one JSON document and nothing else.")
  private boolean json;

  boolean isJson() {
    return json;
  }

  PrintWriter text() {
    return spec.commandLine().getOut();
  }

  void document(Object document) {
    try {
      text().println(Documents.MAPPER.writeValueAsString(document));
    } catch (JsonProcessingException e) {
      throw new IllegalStateException("results are plain maps, lists, numbers and words", e);
    }
  }

  /** A map in the order given; numbers that are not finite become null, as JSON has none such. */
  static Map<String, @Nullable Object> map(@Nullable Object... pairs) {
    Map<String, @Nullable Object> map = new LinkedHashMap<>();
    for (int i = 0; i < pairs.length; i += 2) {
      Object value = pairs[i + 1];
      map.put(
          (String) Objects.requireNonNull(pairs[i], "a key"),
          value instanceof Double d && !Double.isFinite(d) ? null : value);
    }
    return map;
  }
}
