/** Captures: frames out of files of network analysers, and into them. */
@NullMarked
package unimotus.workbench.capture;

import org.jspecify.annotations.NullMarked;
