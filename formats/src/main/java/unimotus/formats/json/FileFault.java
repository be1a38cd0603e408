package unimotus.formats.json;

import java.io.IOException;

/**
 * A file that cannot be used as it is: which file, where in it, what was found and what was
 * expected. The file itself is left as it is.
 */
public final class FileFault extends IOException {
  private static final long serialVersionUID = 1L;

  private final String file;
  private final int line;
  private final int column;
  private final String problem;

  /**
   * A fault.
   *
   * @param file the file's name
   * @param line line counted from 1; 0 where no place can be named
   * @param column column counted from 1; 0 where no place can be named
   * @param problem what was found and what was expected
   */
  public FileFault(String file, int line, int column, String problem) {
    super(text(file, line, column, problem));
    this.file = file;
    this.line = line;
    this.column = column;
    this.problem = problem;
  }

  private static String text(String file, int line, int column, String problem) {
    return line > 0
        ? "%s, line %d, column %d: %s".formatted(file, line, column, problem)
        : file + ": " + problem;
  }

  /** The file's name. */
  public String file() {
    return file;
  }

  /** Line counted from 1; 0 where no place can be named. */
  public int line() {
    return line;
  }

  /** Column counted from 1; 0 where no place can be named. */
  public int column() {
    return column;
  }

  /** What was found and what was expected. */
  public String problem() {
    return problem;
  }
}
