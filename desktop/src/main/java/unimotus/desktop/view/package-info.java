/** One view a station of the work, and the overview of the line. */
@NullMarked
package unimotus.desktop.view;

import org.jspecify.annotations.NullMarked;
