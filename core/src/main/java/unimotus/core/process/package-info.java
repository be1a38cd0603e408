/**
 * The process loop in a drive: its settings and what is wrong with them, the pump and the process
 * it works on, its gains, and when it sleeps and wakes.
 */
@NullMarked
package unimotus.core.process;

import org.jspecify.annotations.NullMarked;
