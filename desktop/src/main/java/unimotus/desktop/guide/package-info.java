/**
 * The user guide in the window: the chapters of {@code docs/guide.md}, which the build turns into
 * HTML and ships along, and the sheet of keys and signs.
 */
@NullMarked
package unimotus.desktop.guide;

import org.jspecify.annotations.NullMarked;
