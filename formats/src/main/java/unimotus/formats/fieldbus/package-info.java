/** Register maps as CSV. */
@NullMarked
package unimotus.formats.fieldbus;

import org.jspecify.annotations.NullMarked;
