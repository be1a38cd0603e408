package unimotus.cli;

import java.io.IOException;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Severity;
import unimotus.core.quantity.Count;

/** {@code check FILE}: what is wrong with the design. */
@Command(
    name = "check",
    mixinStandardHelpOptions = true,
    description =
        "Say what is wrong with a project. Exit status 0: no errors, 1: errors, 2: cannot read.",
    footer = {"", "Example: unimotus check demo"})
final class CheckCommand implements Callable<Integer> {
  @Mixin private ProjectInput input;
  @Mixin private Output output;

  @Override
  public Integer call() throws IOException {
    List<Finding> findings = input.read().review().findings();
    long errors = findings.stream().filter(f -> f.severity() == Severity.ERROR).count();
    if (output.isJson()) {
      output.document(
          Output.map(
              "errors", errors, "findings", findings.stream().map(CheckCommand::map).toList()));
    } else {
      findings.forEach(this::print);
      output
          .text()
          .printf(
              "%s, %s in all%n", Count.of(errors, "error"), Count.of(findings.size(), "finding"));
    }
    return errors > 0 ? 1 : 0;
  }

  private void print(Finding finding) {
    output.text().println(finding.line());
    output.text().println("    why:  " + finding.why());
    output.text().println("    do:   " + finding.remedy());
    output.text().println("    from: " + finding.rule().source());
  }

  private static Map<String, @Nullable Object> map(Finding finding) {
    return Output.map(
        "code", finding.rule().code(),
        "severity", finding.severity().name().toLowerCase(Locale.ROOT),
        "place", finding.place(),
        "seen", finding.seen(),
        "why", finding.why(),
        "remedy", finding.remedy(),
        "source", finding.rule().source());
  }
}
