/** Tables of text as other programs write them. */
@NullMarked
package unimotus.formats.csv;

import org.jspecify.annotations.NullMarked;
