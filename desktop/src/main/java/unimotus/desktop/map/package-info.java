/** The station Map: the signal path, control and status words, frames byte by byte. */
@NullMarked
package unimotus.desktop.map;

import org.jspecify.annotations.NullMarked;
