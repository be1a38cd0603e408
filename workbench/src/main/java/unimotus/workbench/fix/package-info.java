/** Repairs of findings that are one change of the project, tried out before they are offered. */
@NullMarked
package unimotus.workbench.fix;

import org.jspecify.annotations.NullMarked;
