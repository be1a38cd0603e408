/** Device sheets: the shipped ones and the user's own. */
@NullMarked
package unimotus.formats.sheet;

import org.jspecify.annotations.NullMarked;
