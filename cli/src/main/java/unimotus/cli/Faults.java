package unimotus.cli;

import java.io.IOException;
import java.io.UncheckedIOException;
import picocli.CommandLine;

/** Turns what went wrong into one line on standard error and a status. */
final class Faults implements CommandLine.IExecutionExceptionHandler {
  /** The call or the file is wrong. */
  static final int UNUSABLE = 2;

  /** Our own fault. */
  static final int INTERNAL = 3;

  @Override
  public int handleExecutionException(
      Exception fault, CommandLine line, CommandLine.ParseResult parsed) {
    if (fault instanceof IOException
        || fault instanceof IllegalArgumentException
        || fault instanceof UncheckedIOException) {
      line.getErr().println("unimotus: " + fault.getMessage());
      return UNUSABLE;
    }
    line.getErr().println("unimotus: internal error, please report it: " + fault);
    fault.printStackTrace(line.getErr());
    return INTERNAL;
  }
}
