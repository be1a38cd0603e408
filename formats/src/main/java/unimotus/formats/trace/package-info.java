/** Traces of the dry-run as CSV. */
@NullMarked
package unimotus.formats.trace;

import org.jspecify.annotations.NullMarked;
