/** Stand-in drives: the state machine, ramps, motor and load behind the registers of a drive. */
@NullMarked
package unimotus.devices.drive;

import org.jspecify.annotations.NullMarked;
