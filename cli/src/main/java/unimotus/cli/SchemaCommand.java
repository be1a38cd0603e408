package unimotus.cli;

import java.util.Arrays;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;
import unimotus.formats.json.Schema;

/** {@code schema [NAME]}: the published schemas. */
@Command(
    name = "schema",
    mixinStandardHelpOptions = true,
    description = "Print a published JSON Schema; without a name, list them.",
    footer = {"", "Example: unimotus schema project"})
final class SchemaCommand implements Callable<Integer> {
  @Parameters(index = "0", arity = "0..1", paramLabel = "NAME", description = "project or sheet.")
  private String name;

  @Mixin private Output output;

  @Override
  public Integer call() {
    if (name == null) {
      list();
      return 0;
    }
    Schema schema =
        Arrays.stream(Schema.values())
            .filter(s -> s.key().equals(name))
            .findFirst()
            .orElseThrow(
                () ->
                    new IllegalArgumentException(
                        "there is no schema '%s'; there are %s".formatted(name, names())));
    output.text().print(schema.text());
    return 0;
  }

  private void list() {
    if (output.isJson()) {
      output.document(Arrays.stream(Schema.values()).map(Schema::key).toList());
    } else {
      Arrays.stream(Schema.values()).forEach(s -> output.text().println(s.key()));
    }
  }

  private static String names() {
    return Arrays.stream(Schema.values()).map(Schema::key).collect(Collectors.joining(", "));
  }
}
