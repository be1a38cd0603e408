/**
 * The command as a number in the process image of a station: {@code SentImage} is what the
 * controller sends, bit by bit, and what can be wrong on the way is a drive that takes the number
 * from other bits of it, or not at all.
 */
@NullMarked
package unimotus.core.way.processdata;

import org.jspecify.annotations.NullMarked;
