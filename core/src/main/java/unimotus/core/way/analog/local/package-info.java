/**
 * A reference that an operator gives at the drive: by a potentiometer, by the keypad, in Hand. It
 * stands under the analog way because a wiper ends at the same input of the drive.
 */
@NullMarked
package unimotus.core.way.analog.local;

import org.jspecify.annotations.NullMarked;
