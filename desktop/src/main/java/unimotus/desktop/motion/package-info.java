/**
 * A positioning axis in the window: its scaling in every copy, its moves, and the loops that follow
 * them.
 */
@NullMarked
package unimotus.desktop.motion;

import org.jspecify.annotations.NullMarked;
