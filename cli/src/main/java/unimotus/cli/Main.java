package unimotus.cli;

import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import picocli.CommandLine;

/** Entry of the command line. Only {@link #main} exits. */
public final class Main {
  private Main() {}

  /** Runs a verb and exits with its status. */
  public static void main(String[] arguments) {
    PrintWriter out = new PrintWriter(System.out, true, StandardCharsets.UTF_8);
    PrintWriter err = new PrintWriter(System.err, true, StandardCharsets.UTF_8);
    int status = run(out, err, arguments);
    out.flush();
    err.flush();
    System.exit(status);
  }

  /** Runs a verb; results to {@code out}, messages to {@code err}; returns the exit status. */
  public static int run(PrintWriter out, PrintWriter err, String... arguments) {
    return commandLine(out, err, arguments).execute(arguments);
  }

  /** With the one verb that is called; with all of them where that is none. */
  static CommandLine commandLine(PrintWriter out, PrintWriter err, String... arguments) {
    CommandLine line = new CommandLine(new UnimotusCommand());
    Verbs.called(arguments).forEach(line::addSubcommand);
    line.setOut(out);
    line.setErr(err);
    line.setCaseInsensitiveEnumValuesAllowed(true);
    line.setExecutionExceptionHandler(new Faults());
    line.setParameterExceptionHandler(new CallFaults(line.getParameterExceptionHandler()));
    return line;
  }
}
