/**
 * Step motors on pulses: how their coils are connected and what current that allows, how the
 * switches of a driver stand for it, the resistor before an input, and how many whole pulses are a
 * position. Figures of a winding are those of the motor's plate.
 */
@NullMarked
package unimotus.core.stepper;

import org.jspecify.annotations.NullMarked;
