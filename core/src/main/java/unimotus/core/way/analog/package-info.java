/** A reference as a voltage or a current: stages, checks, readings, causes. */
@NullMarked
package unimotus.core.way.analog;

import org.jspecify.annotations.NullMarked;
