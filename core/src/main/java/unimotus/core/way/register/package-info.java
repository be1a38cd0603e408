/** A reference as a number in a register: stages, checks, readings, causes. */
@NullMarked
package unimotus.core.way.register;

import org.jspecify.annotations.NullMarked;
