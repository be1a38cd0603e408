/**
 * Stand-in drives: state machine, ramps, motor, load and the values they show and take. They know
 * no protocol; {@code unimotus.devices.registers} puts their values into registers.
 */
@NullMarked
package unimotus.devices.drive;

import org.jspecify.annotations.NullMarked;
