/**
 * A reference as a number on a fieldbus, whatever it stands in: the program's end, the drive's end,
 * and how the two can differ. The ways over registers and over process data are made of it.
 */
@NullMarked
package unimotus.core.way.number;

import org.jspecify.annotations.NullMarked;
