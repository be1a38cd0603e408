/**
 * The command line: one class a verb, thin over the workbench.
 *
 * <p>Results go to standard output, messages to standard error. Every verb takes {@code --json} and
 * then prints one document. Exit status: 0 done (for {@code check}: nothing to mend), 1 something
 * to mend, 2 the call or the file is wrong.
 */
@NullMarked
package unimotus.cli;

import org.jspecify.annotations.NullMarked;
