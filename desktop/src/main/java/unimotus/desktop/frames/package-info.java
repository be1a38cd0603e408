/** Frames of either fieldbus: composed, pasted or read from captures, byte by byte, and written. */
@NullMarked
package unimotus.desktop.frames;

import org.jspecify.annotations.NullMarked;
