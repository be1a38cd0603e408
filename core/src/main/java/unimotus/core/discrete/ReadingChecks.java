package unimotus.core.discrete;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Intent;
import unimotus.core.machine.TerminalRef;
import unimotus.core.wiring.InputReading;
import unimotus.core.wiring.Meanings;
import unimotus.core.wiring.TruthTable;

/**
 * Finds why inputs read otherwise than meant. Each change of {@link Mends} is made in thought and
 * the circuit solved again; the smallest set of changes that puts an input right in every state is
 * what was wrong with it. Where none does, the reading itself is reported.
 */
final class ReadingChecks {
  private final AxisAssembly axis;
  private final TruthTable table;
  private final List<Intent> intents;
  private final Map<String, Finding> found = new LinkedHashMap<>();

  private ReadingChecks(AxisAssembly axis, TruthTable table) {
    this.axis = axis;
    this.table = table;
    this.intents = Meanings.of(axis);
  }

  static List<Finding> check(AxisAssembly axis, TruthTable table) {
    ReadingChecks checks = new ReadingChecks(axis, table);
    List<TerminalRef> wrong = table.deviating();
    wrong.forEach(input -> checks.explain(input, wrong));
    return List.copyOf(checks.found.values());
  }

  private void explain(TerminalRef input, List<TerminalRef> wrong) {
    List<Mend> mends = new Mends(axis).forInput(input, wrong);
    Optional<List<Mend>> needed = smallest(input, mends);
    if (needed.isEmpty()) {
      add(
          Rule.NOT_AS_MEANT,
          input,
          "",
          "The drive or the program acts on what the input reads.",
          "Hold the meter on the input in that state and follow the circuit back.");
      return;
    }
    for (Mend mend : needed.get()) {
      add(mend.rule(), input, mend.cause() + "; ", mend.why(), mend.remedy());
    }
  }

  /** One change that puts the input right, else two together; empty where neither does. */
  private Optional<List<Mend>> smallest(TerminalRef input, List<Mend> mends) {
    for (Mend mend : mends) {
      if (puts(input, mend.change().apply(axis))) {
        return Optional.of(List.of(mend));
      }
    }
    for (int i = 0; i < mends.size(); i++) {
      for (int k = i + 1; k < mends.size(); k++) {
        AxisAssembly both = mends.get(k).change().apply(mends.get(i).change().apply(axis));
        if (mends.get(i).rule() != mends.get(k).rule() && puts(input, both)) {
          return Optional.of(List.of(mends.get(i), mends.get(k)));
        }
      }
    }
    return Optional.empty();
  }

  /** Whether the input, meant as before, reads right in every state of the changed circuit. */
  private boolean puts(TerminalRef input, AxisAssembly changed) {
    return isRight(input, changed, table.deviations(input))
        && isRight(input, changed, table.rows());
  }

  /** The states that were wrong are asked first: most changes do not help, and fail there. */
  private boolean isRight(TerminalRef input, AxisAssembly changed, List<TruthTable.Row> rows) {
    return TruthTable.again(changed, intents, table, rows).deviations(input).isEmpty();
  }

  private void add(Rule rule, TerminalRef input, String cause, String why, String remedy) {
    found.putIfAbsent(
        rule.name() + cause,
        new Finding(
            Severity.ERROR,
            rule,
            "axis/%s/%s/%s".formatted(axis.axis().id(), input.device(), input.terminal()),
            cause + seen(input),
            why,
            remedy));
  }

  /** What the input reads, in words: in which states, with which voltages. */
  private String seen(TerminalRef input) {
    List<TruthTable.Row> rows = table.deviations(input);
    Set<String> levels =
        rows.stream()
            .map(r -> r.cell(input).level().label())
            .collect(Collectors.toCollection(TreeSet::new));
    List<String> volts = new ArrayList<>();
    rows.stream().limit(2).forEach(r -> volts.add(measured(r, input)));
    return "%s (%s) reads %s: %s"
        .formatted(
            input.terminal(),
            meaning(input),
            String.join(" or ", levels),
            String.join(", ", volts));
  }

  private static String measured(TruthTable.Row row, TerminalRef input) {
    InputReading reading = row.cell(input).reading();
    return reading == null
        ? "no solution with %s".formatted(row.label())
        : String.format(
            Locale.ROOT,
            "%.1f V, %.1f mA with %s",
            reading.volts() + 0.0,
            reading.amperes() * 1000 + 0.0,
            row.label());
  }

  private String meaning(TerminalRef input) {
    return intents.stream()
        .filter(i -> i.input().equals(input))
        .findFirst()
        .map(i -> i.meaning().label())
        .orElse("nothing");
  }
}
