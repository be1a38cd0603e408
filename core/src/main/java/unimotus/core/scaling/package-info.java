/**
 * The scaling of a position axis: counts, turns, gear, feed and unit, as the drive, the bus
 * configuration and the motion axis in the controller each hold it, and what follows where two of
 * them differ.
 */
@NullMarked
package unimotus.core.scaling;

import org.jspecify.annotations.NullMarked;
