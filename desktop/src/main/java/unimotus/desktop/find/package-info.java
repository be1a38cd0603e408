/** Anything by a few words: {@link unimotus.desktop.find.FindSheet} lies over the window. */
@NullMarked
package unimotus.desktop.find;

import org.jspecify.annotations.NullMarked;
