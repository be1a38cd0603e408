/** Predictions as a list to fill in by hand, and that list read back. */
@NullMarked
package unimotus.formats.proof;

import org.jspecify.annotations.NullMarked;
