package unimotus.cli;

import picocli.CommandLine;

/**
 * A wrong call is told in one line, with the near miss and where help is, not with the whole
 * manual.
 */
final class CallFaults implements CommandLine.IParameterExceptionHandler {
  private final CommandLine.IParameterExceptionHandler usual;

  CallFaults(CommandLine.IParameterExceptionHandler usual) {
    this.usual = usual;
  }

  @Override
  public int handleParseException(CommandLine.ParameterException fault, String[] arguments)
      throws Exception {
    CommandLine line = fault.getCommandLine();
    if (line == null) {
      return usual.handleParseException(fault, arguments);
    }
    line.getErr().println("unimotus: " + fault.getMessage());
    if (fault instanceof CommandLine.UnmatchedArgumentException unmatched) {
      CommandLine.UnmatchedArgumentException.printSuggestions(unmatched, line.getErr());
    }
    line.getErr().println("Try '%s --help'.".formatted(line.getCommandSpec().qualifiedName()));
    return Faults.UNUSABLE;
  }
}
