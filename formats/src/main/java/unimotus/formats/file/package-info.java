/** Files that are either wholly old or wholly new, whatever happens while they are written. */
@NullMarked
package unimotus.formats.file;

import org.jspecify.annotations.NullMarked;
