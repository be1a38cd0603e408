package unimotus.cli;

import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import unimotus.core.machine.TerminalRef;
import unimotus.core.wiring.InputReading;
import unimotus.core.wiring.TruthTable;

/** {@code wiring FILE --axis A}: what every input sees in every commanded state. */
@Command(
    name = "wiring",
    mixinStandardHelpOptions = true,
    description = {
      "What each binary input really sees for every command, beside what was meant.",
      "Exit status 1 where anything deviates."
    },
    footer = {"", "Example: unimotus wiring demo --axis rinse-drum"})
final class WiringCommand implements Callable<Integer> {
  @Mixin private ProjectInput input;
  @Mixin private Output output;

  @Option(
      names = "--axis",
      required = true,
      paramLabel = "A",
      description = "Id or name of the axis.")
  private String axis;

  @Override
  public Integer call() throws IOException {
    TruthTable table = TruthTable.of(input.read().assembly(axis));
    if (output.isJson()) {
      output.document(table.rows().stream().map(WiringCommand::map).toList());
    } else {
      table.rows().forEach(this::print);
    }
    return table.deviating().isEmpty() ? 0 : 1;
  }

  private static Map<String, @Nullable Object> map(TruthTable.Row row) {
    List<Object> inputs = new ArrayList<>();
    row.cells()
        .forEach(
            (ref, cell) -> {
              Map<String, @Nullable Object> one = new LinkedHashMap<>();
              InputReading reading = cell.reading();
              one.put("input", ref.toString());
              one.put("volts", reading == null ? null : reading.volts());
              one.put("amperes", reading == null ? null : reading.amperes());
              one.put("reads", cell.level().label());
              one.put("meant", cell.meant());
              one.put("deviates", cell.deviates());
              inputs.add(one);
            });
    return Output.map("state", row.label(), "inputs", inputs);
  }

  private void print(TruthTable.Row row) {
    output.text().println(row.label());
    row.cells().forEach(this::print);
  }

  private void print(TerminalRef ref, TruthTable.Cell cell) {
    InputReading reading = cell.reading();
    String seen =
        reading == null
            ? "no solution"
            : String.format(
                Locale.ROOT,
                "%6.2f V %6.2f mA",
                rounded(reading.volts()),
                rounded(reading.amperes() * 1000));
    Boolean meant = cell.meant();
    output
        .text()
        .printf(
            "  %-24s %s  %-9s %s%n",
            ref,
            seen,
            cell.level().label(),
            meant == null ? "" : cell.deviates() ? "NOT as meant" : "as meant");
  }

  /** To hundredths, and no nought with a minus. */
  private static double rounded(double value) {
    return Math.rint(value * 100) / 100 + 0.0;
  }
}
