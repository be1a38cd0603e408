/**
 * Masses and torques between motor and machine: what the motor shaft sees of the load, how long a
 * ramp can be, how long a coast takes.
 *
 * <p>Formulas stand in {@link unimotus.core.motion.RampFormulas}; {@link
 * unimotus.core.motion.ShaftLoad} is the load as the motor shaft feels it.
 */
@NullMarked
package unimotus.core.motion;

import org.jspecify.annotations.NullMarked;
