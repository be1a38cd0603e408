/**
 * What surrounds a program on its bench: wires in the state they are in, switches that close where
 * they sit, what answers a coil, and a step motor that follows its pulses or falls out of step.
 */
@NullMarked
package unimotus.core.plant;

import org.jspecify.annotations.NullMarked;
