/**
 * Anything of a line by a few words: {@link unimotus.workbench.find.Finder} knows all there is and
 * where it is looked at.
 */
@NullMarked
package unimotus.workbench.find;

import org.jspecify.annotations.NullMarked;
