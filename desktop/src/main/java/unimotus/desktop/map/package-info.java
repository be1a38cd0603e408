/** The station Map: the signal path, control and status words, registers, a link to the drive. */
@NullMarked
package unimotus.desktop.map;

import org.jspecify.annotations.NullMarked;
