/** A reference that an operator gives at the drive: by a potentiometer, by the keypad, in Hand. */
@NullMarked
package unimotus.core.way.local;

import org.jspecify.annotations.NullMarked;
