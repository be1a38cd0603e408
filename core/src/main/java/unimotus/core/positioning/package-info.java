/**
 * Positioning by bits: a table of positions in the drive, a number that chooses one, and the
 * handshake of start, acknowledge and in position that a controller has to keep.
 */
@NullMarked
package unimotus.core.positioning;

import org.jspecify.annotations.NullMarked;
